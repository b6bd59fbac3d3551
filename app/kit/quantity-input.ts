import { Directive, input } from '@angular/core';
import { NG_VALIDATORS, NG_VALUE_ACCESSOR } from '@angular/forms';
import { fieldText, parseField, type QuantityField } from '../../core/ground/field';
import { TypedInput, type Read } from './typed-input';

/**
 * What is typed at a bench, as a form control: `4k7`, `3V3`, `0.5"`, `1 h 20 min`. The control's value is a number in base units, or
 * null while it is not known.
 */
@Directive({
  selector: 'input[gtQuantity]',
  exportAs: 'gtQuantity',
  providers: [
    { provide: NG_VALUE_ACCESSOR, useExisting: QuantityInput, multi: true },
    { provide: NG_VALIDATORS, useExisting: QuantityInput, multi: true },
  ],
})
export class QuantityInput extends TypedInput<number | null> {
  readonly field = input.required<QuantityField>({ alias: 'gtQuantity' });

  /** What stands at the box, which is more than the field's own label where a table has one field in every row. */
  readonly named = input('');

  protected name(): string {
    return this.named() || this.field().label;
  }

  protected parse(text: string): Read<number | null> {
    return parseField(this.field(), text);
  }

  protected show(value: number | null): string {
    return fieldText(this.field(), value);
  }
}
