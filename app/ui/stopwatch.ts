import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { Action } from '../kit/action';

/** A watch that is begun by one press and stopped by the next. */
@Component({
  selector: 'gt-stopwatch',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton],
  template: `
    <button type="button" matButton gtAction="key" [attr.aria-pressed]="began() !== null" (click)="press()">
      {{ began() === null ? words() : 'it is there: stop the watch' }}
    </button>
  `,
  styles: ':host { display: contents; }',
})
export class Stopwatch {
  /** What a press begins to time, as “time its way there”. */
  readonly words = input.required<string>();
  /** What was timed, s, to a hundredth. */
  readonly took = output<number>();
  protected readonly began = signal<number | null>(null);

  protected press(): void {
    const began = this.began();
    if (began === null) return this.began.set(performance.now());
    this.began.set(null);
    const seconds = Number(((performance.now() - began) / 1000).toFixed(2));
    if (seconds > 0) this.took.emit(seconds);
  }
}
