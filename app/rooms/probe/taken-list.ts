import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { Action } from '../../kit/action';
import { sayPlace, sayTime, sayValue, type Reading } from '../../../core/ground/job';
import { Bench } from '../../store/bench';

/** Readings as taken, each of which can be withdrawn and counted again. */
@Component({
  selector: 'gt-taken-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton],
  template: `
    <table class="taken">
      @for (r of readings(); track r.id) {
        <tr [class.struck]="r.struck">
          <td class="mono">{{ time(r.at) }}</td>
          <td>{{ place(r) }}</td>
          <td class="mono right">{{ value(r) }}</td>
          <td class="right">
            <button
              type="button"
              matButton
              gtAction="away"
              [attr.aria-label]="(r.struck ? 'Count again: ' : 'Withdraw: ') + place(r)"
              (click)="strike(r, $event)"
            >
              {{ r.struck ? 'count again' : 'withdraw' }}
            </button>
          </td>
        </tr>
      }
    </table>
  `,
})
export class TakenList {
  protected readonly bench = inject(Bench);
  readonly readings = input.required<readonly Reading[]>();
  protected readonly time = (at: string): string => sayTime(at, this.bench.job().region.timeZone, 'time');
  protected readonly place = sayPlace;
  protected readonly value = sayValue;

  /** The caret is let go, so that the next question gets it: an Enter meant for its answer must not count this reading again. */
  protected strike(r: Reading, event: Event): void {
    this.bench.edit({ do: 'strike-reading', id: r.id, struck: !r.struck });
    (event.currentTarget as HTMLElement).blur();
  }
}
