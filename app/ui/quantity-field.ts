import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import { asQuantity, fieldText, readField, type Field } from '../../core/field';

/**
 * One number as it is typed at a bench, held to its field: label, unit and bounds are the field's own. Empty means not known, where
 * that may be. What cannot be read is said and kept in the box, until the value itself changes.
 */
@Component({
  selector: 'gt-quantity',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="field">
      <span>{{ label() ?? field().label }}</span>
      <input
        #box
        type="text"
        [value]="shown()"
        [placeholder]="hint()"
        [attr.aria-invalid]="error() ? true : null"
        (change)="read(box.value)"
      />
      @if (error()) {
        <span class="error" role="alert">{{ error() }}</span>
      }
    </label>
  `,
  styles: '.error { color: var(--gt-brick); font-size: 15px; }',
})
export class QuantityField<V extends number | null> {
  readonly field = input.required<Field<V>>();
  readonly value = input.required<V>();
  /** Where the field's own label does not fit the place. */
  readonly label = input<string>();
  readonly changed = output<V>();
  private readonly number = computed(() => asQuantity(this.field() as unknown as Field<number | null>));
  protected readonly hint = computed(() => this.number().hint);
  /** What was typed and could not be kept; a value from elsewhere, as by undo, clears it. */
  private readonly refused = linkedSignal<V, { text: string; message: string } | null>({
    source: this.value,
    computation: () => null,
  });
  protected readonly error = computed(() => this.refused()?.message ?? '');
  protected readonly shown = computed(() => this.refused()?.text ?? fieldText(this.number(), this.value()));

  protected read(text: string): void {
    const read = readField(this.number(), text);
    this.refused.set(read.ok ? null : { text, message: read.message });
    if (read.ok && read.value !== this.value()) this.changed.emit(read.value as V);
  }
}
