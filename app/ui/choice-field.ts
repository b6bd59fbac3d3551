import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatFormField, MatLabel } from '@angular/material/form-field';
import { MatOption, MatSelect } from '@angular/material/select';

/** One of a few answers: the value that is kept, and its words. */
export type Choice = readonly [value: string, words: string];

/** A choice among a few answers, as a field. */
@Component({
  selector: 'gt-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormField, MatLabel, MatOption, MatSelect],
  template: `
    <mat-form-field subscriptSizing="dynamic">
      <mat-label>{{ label() }}</mat-label>
      <mat-select [value]="value()" (valueChange)="picked.emit($event)">
        @for (c of choices(); track c[0]) {
          <mat-option [value]="c[0]">{{ c[1] }}</mat-option>
        }
      </mat-select>
    </mat-form-field>
  `,
  styles: ':host { display: block; } mat-form-field { width: 100%; }',
})
export class ChoiceField {
  readonly label = input.required<string>();
  readonly value = input.required<string>();
  readonly choices = input.required<readonly Choice[]>();
  readonly picked = output<string>();
}
