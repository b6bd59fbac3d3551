import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { formatQuantity, parseQuantity, type Unit } from '../../core/quantity';

/** One number as it is typed at a bench, with its unit; empty means not measured. What cannot be read is said and kept in the field. */
@Component({
  selector: 'gt-quantity',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="field">
      <span>{{ label() }}</span>
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
export class QuantityField {
  readonly label = input.required<string>();
  readonly unit = input.required<Unit>();
  readonly value = input.required<number | null>();
  readonly hint = input('');
  /** Smallest value allowed. */
  readonly least = input(0);
  readonly changed = output<number | null>();
  protected readonly error = signal('');
  private readonly typed = signal<string | null>(null);
  protected readonly shown = computed(
    () => this.typed() ?? (this.value() === null ? '' : formatQuantity(this.value()!, this.unit())),
  );

  protected read(text: string): void {
    if (!text.trim()) {
      this.typed.set(null);
      this.error.set('');
      this.changed.emit(null);
      return;
    }
    const parsed = parseQuantity(this.withUnit(text), this.unit());
    if (!parsed.ok || parsed.quantity.value < this.least() || parsed.quantity.relation !== '=') {
      this.typed.set(text);
      this.error.set(
        parsed.ok
          ? `not below ${formatQuantity(this.least(), this.unit())}, and one plain number`
          : `not understood at character ${parsed.at + 1}: ${parsed.message}`,
      );
      return;
    }
    this.typed.set(null);
    this.error.set('');
    this.changed.emit(parsed.quantity.value);
  }

  /** Lengths on a bench are millimetres unless something else is said. */
  private withUnit(text: string): string {
    return this.unit() === 'm' && /^[\s\d.,+-]+$/.test(text) ? `${text.trim()} mm` : text;
  }
}
