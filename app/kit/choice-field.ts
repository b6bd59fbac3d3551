import { booleanAttribute, ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { MatFormField, MatLabel } from '@angular/material/form-field';
import { MatOption, MatSelect } from '@angular/material/select';
import { BoundField } from './bound-field';

/** One of a few answers: the value that is kept, and its words. */
export type Choice<V = string> = readonly [value: V, words: string];

/** The answers of a choice field, in its own words and order. */
export const choicesOf = <V extends string>(field: object): Choice<V>[] =>
  Object.entries((field as { words: Record<string, string> }).words).map(([v, words]) => [v as V, words]);

/** One answer out of a list. The value comes back as the type that it went in as. */
@Component({
  selector: 'gt-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormField, MatLabel, MatOption, MatSelect, ReactiveFormsModule],
  host: { class: 'gt-field', '[class.gt-bare]': 'bare()' },
  template: `
    <mat-form-field>
      @if (!bare()) {
        <mat-label>{{ label() }}</mat-label>
      }
      <mat-select
        [formControl]="bound()"
        [aria-label]="bare() ? label() : ''"
        [placeholder]="hint()"
        [panelWidth]="bare() ? '' : 'auto'"
      >
        @for (c of choices(); track c[0]) {
          <mat-option [value]="c[0]">{{ c[1] }}</mat-option>
        }
      </mat-select>
    </mat-form-field>
  `,
})
export class ChoiceField<V> extends BoundField<V> {
  readonly label = input.required<string>();
  readonly choices = input.required<readonly Choice<V>[]>();
  readonly hint = input('');
  readonly bare = input(false, { transform: booleanAttribute });
}
