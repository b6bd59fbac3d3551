import { Injectable } from '@angular/core';
import type { ErrorStateMatcher } from '@angular/material/core';
import type { AbstractControl, ValidationErrors, ValidatorFn } from '@angular/forms';
import { problemBy, schemaOf, type AnyField } from '../../core/ground/field';

/** A field's own Yup schema as a validator; its message is the one that the border gives as well. */
export function fieldValidator(field: AnyField): ValidatorFn {
  const schema = schemaOf(field);
  return ({ value }: AbstractControl): ValidationErrors | null => {
    const wrong = problemBy(schema, value);
    return wrong && { field: wrong.why };
  };
}

/** The first thing that is wrong with a control, in words; empty where nothing is. */
export function troubleOf(control: AbstractControl): string {
  // What could not be read at all comes before what the last number that could be read lacks.
  const first: unknown = control.errors?.['typed'] ?? Object.values(control.errors ?? {})[0];
  return typeof first === 'string' ? first : first ? 'this cannot be kept' : '';
}

/** A fault is shown once the box was left or changed, and at once where something was typed that cannot be read. */
@Injectable()
export class ShowFault implements ErrorStateMatcher {
  isErrorState(control: AbstractControl | null): boolean {
    return control !== null && control.invalid && (control.dirty || control.touched);
  }
}
