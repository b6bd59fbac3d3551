import { ChangeDetectionStrategy, Component, effect, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { MatCheckbox } from '@angular/material/checkbox';
import { BoundField } from './bound-field';

/** A yes or no. Its words are its content. */
@Component({
  selector: 'gt-check',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatCheckbox, ReactiveFormsModule],
  template: `<mat-checkbox [formControl]="bound()" [aria-label]="label()"><ng-content /></mat-checkbox>`,
})
export class CheckField extends BoundField<boolean> {
  /** Where its words do not stand beside it. */
  readonly label = input('');
  readonly disabled = input(false);

  constructor() {
    super();
    effect(() => {
      if (this.disabled()) this.bound().disable({ emitEvent: false });
      else this.bound().enable({ emitEvent: false });
    });
  }
}
