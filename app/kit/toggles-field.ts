import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { BoundField } from './bound-field';
import type { Choice } from './choice-field';

/** One of up to a handful of answers, all of them seen at once. */
@Component({
  selector: 'gt-toggles',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggle, MatButtonToggleGroup, ReactiveFormsModule],
  template: `
    <mat-button-toggle-group [formControl]="bound()" [aria-label]="label()" hideSingleSelectionIndicator>
      @for (c of choices(); track c[0]) {
        <mat-button-toggle [value]="c[0]">{{ c[1] }}</mat-button-toggle>
      }
    </mat-button-toggle-group>
  `,
})
export class TogglesField<V> extends BoundField<V> {
  readonly label = input.required<string>();
  readonly choices = input.required<readonly Choice<V>[]>();
}

/** Any number of a handful of answers, in the order of the list. */
@Component({
  selector: 'gt-choices',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggle, MatButtonToggleGroup, ReactiveFormsModule],
  styles: 'mat-button-toggle-group { flex-wrap: wrap; max-width: 100%; }',
  template: `
    <mat-button-toggle-group multiple [formControl]="bound()" [aria-label]="label()" hideMultipleSelectionIndicator>
      @for (c of choices(); track c[0]) {
        <mat-button-toggle [value]="c[0]">{{ c[1] }}</mat-button-toggle>
      }
    </mat-button-toggle-group>
  `,
})
export class ChoicesField<V> extends BoundField<V[]> {
  readonly label = input.required<string>();
  readonly choices = input.required<readonly Choice<V>[]>();
}
