import {
  type ElementRef,
  booleanAttribute,
  ChangeDetectionStrategy,
  Component,
  computed,
  input,
  output,
  viewChild,
} from '@angular/core';
import type { ValidatorFn } from '@angular/forms';
import { text, type AnyField, type Field } from '../../core/ground/field';
import { BoundField } from './bound-field';
import { BOX, BOX_PROVIDERS } from './box';
import { TextInput } from './text-input';
import { fieldValidator, troubleOf } from './validator';

const MOST_OFFERED = 60;

/** A text of one line or several, held to its field; where there is a list of likely answers, it is offered while one types. */
@Component({
  selector: 'gt-text',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BOX, TextInput],
  providers: BOX_PROVIDERS,
  host: { class: 'gt-field', '[class.gt-bare]': 'bare()' },
  template: `
    <mat-form-field>
      @if (!bare()) {
        <mat-label>{{ label() }}</mat-label>
      }
      @if (rows() > 1) {
        <textarea
          matInput
          #box
          #typing="gtText"
          [gtText]="label()"
          [formControl]="bound()"
          [rows]="rows()"
          [placeholder]="hint()"
          [attr.maxlength]="most()"
        ></textarea>
      } @else {
        <input
          matInput
          gtOffer
          #box
          #typing="gtText"
          [gtText]="label()"
          [type]="kind()"
          [formControl]="bound()"
          [placeholder]="hint()"
          [attr.maxlength]="most()"
          [attr.aria-label]="bare() ? label() : null"
          [matAutocomplete]="list"
          [matAutocompleteDisabled]="!offered().length"
          (input)="typed.emit(box.value)"
        />
        <mat-autocomplete #list (optionSelected)="typing.read($event.option.value)">
          @for (o of shown(); track o) {
            <mat-option [value]="o">{{ o }}</mat-option>
          }
        </mat-autocomplete>
      }
      @if (reader().elsewhere(); as now) {
        <mat-hint role="status">meanwhile it became {{ now }}; Enter keeps yours, Esc takes that</mat-hint>
      } @else if (under(); as words) {
        <mat-hint>{{ words }}</mat-hint>
      }
      <mat-error role="alert">{{ trouble() }}</mat-error>
    </mat-form-field>
  `,
})
export class TextField extends BoundField<string> {
  readonly label = input.required<string>();
  readonly field = input<Field<string>>(text('text'));
  readonly hint = input('');
  /** What stands under the box at all times. */
  readonly after = input('');
  readonly rows = input(1);
  readonly kind = input<'text' | 'search'>('text');
  /** Likely answers. */
  readonly offered = input<readonly string[]>([]);
  readonly bare = input(false, { transform: booleanAttribute });
  /** What is typed counts at once, as in a search; nothing waits to be kept. */
  readonly live = input(false, { transform: booleanAttribute });
  /** Every key, for what is shown while one types. */
  readonly typed = output<string>();
  private readonly box = viewChild.required<ElementRef<HTMLInputElement>>('box');
  protected readonly reader = viewChild.required(TextInput);
  protected readonly most = computed(() => (this.field() as unknown as AnyField & { readonly most: number }).most);
  protected readonly trouble = computed(() => (this.news(), troubleOf(this.bound())));
  protected readonly shown = computed(() => {
    this.reader().half();
    const words = this.box().nativeElement.value.trim().toLowerCase();
    return this.offered()
      .filter((o) => o.toLowerCase().includes(words))
      .slice(0, MOST_OFFERED);
  });

  /** What stands under the box: that it is not kept yet, or what it always says. */
  protected readonly under = computed(() =>
    this.reader().half() && !this.control() && !this.live() && !this.trouble() ? 'not kept yet' : this.after(),
  );

  protected override validator(): ValidatorFn {
    return fieldValidator(this.field());
  }

  focus(): void {
    this.box().nativeElement.focus();
  }
}
