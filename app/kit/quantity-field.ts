import {
  booleanAttribute,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  input,
  viewChild,
} from '@angular/core';
import type { ValidatorFn } from '@angular/forms';
import { asQuantity, type Field } from '../../core/ground/field';
import { BoundField } from './bound-field';
import { BOX, BOX_PROVIDERS } from './box';
import { QuantityInput } from './quantity-input';
import { fieldValidator, troubleOf } from './validator';

/**
 * One number as it is typed at a bench, held to its field: label, unit, bounds and their words are the field's own. Durations, whole
 * numbers, shares in percent and preferred values are the same field with other descriptions.
 */
@Component({
  selector: 'gt-quantity',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BOX, QuantityInput],
  providers: BOX_PROVIDERS,
  host: { class: 'gt-field', '[class.gt-bare]': 'bare()' },
  template: `
    <mat-form-field>
      @if (!bare()) {
        <mat-label>{{ named() }}</mat-label>
      }
      <input
        matInput
        gtOffer
        #box="gtQuantity"
        [gtQuantity]="number()"
        [named]="named()"
        [formControl]="bound()"
        [placeholder]="hint() || number().hint"
        [attr.aria-label]="bare() ? named() : null"
        [matAutocomplete]="list"
        [matAutocompleteDisabled]="!preferred().length"
      />
      <mat-autocomplete #list (optionSelected)="box.read($event.option.value)">
        @for (o of preferred(); track o) {
          <mat-option [value]="o">{{ o }}</mat-option>
        }
      </mat-autocomplete>
      @if (box.elsewhere()) {
        <mat-hint role="status">meanwhile it became {{ box.elsewhere() }}; Enter keeps yours, Esc takes that</mat-hint>
      } @else if (box.half() && !control() && !trouble()) {
        <mat-hint>not kept yet</mat-hint>
      }
      <mat-error role="alert">{{ trouble() }}</mat-error>
    </mat-form-field>
  `,
})
export class QuantityField<V extends number | null> extends BoundField<V> {
  readonly field = input.required<Field<V>>();
  /** Where the field's own label does not fit the place. */
  readonly label = input<string>();
  readonly hint = input('');
  /** Values that are offered, as they are typed: those that can be bought. */
  readonly preferred = input<readonly string[]>([]);
  /** In a cell of a table the column's head is the label that is seen. */
  readonly bare = input(false, { transform: booleanAttribute });
  private readonly element = viewChild.required<QuantityInput, ElementRef<HTMLInputElement>>(QuantityInput, {
    read: ElementRef,
  });
  protected readonly number = computed(() => asQuantity(this.field() as unknown as Field<number | null>));
  protected readonly named = computed(() => this.label() ?? this.field().label);
  protected readonly trouble = computed(() => (this.news(), troubleOf(this.bound())));

  protected override validator(): ValidatorFn {
    return fieldValidator(this.field());
  }

  focus(): void {
    this.element().nativeElement.focus();
  }
}
