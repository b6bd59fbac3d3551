import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { Action } from '../kit/action';

/** Takes one thing away, which is named for whoever cannot see the row that it stands in. */
@Component({
  selector: 'gt-drop',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton],
  template: `<button
    matButton
    gtAction="away"
    type="button"
    [attr.aria-label]="words() + ': ' + of()"
    (click)="dropped.emit()"
  >
    {{ words() }}
  </button>`,
})
export class DropButton {
  /** What is taken away. */
  readonly of = input.required<string>();
  /** What stands on the button; for the screen reader the name follows it. */
  readonly words = input('take it away');
  readonly dropped = output();
}
