import type { AbstractControl, ValidationErrors, ValidatorFn } from '@angular/forms';
import { ValidationError } from 'yup';
import { schemaOf, type AnyField } from '../../core/field';

/** A field's own Yup schema as a validator; its message is the one that the border gives as well. */
export function fieldValidator(field: AnyField): ValidatorFn {
  const schema = schemaOf(field);
  return ({ value }: AbstractControl): ValidationErrors | null => {
    try {
      schema.validateSync(value);
      return null;
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      return { field: error.message };
    }
  };
}

/** The first thing that is wrong with a control, in words; empty where nothing is. */
export function troubleOf(control: AbstractControl): string {
  const first = Object.values(control.errors ?? {})[0] as unknown;
  return typeof first === 'string' ? first : first ? 'this cannot be kept' : '';
}
