import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { Bench } from '../store/bench';
import { filledIn, type Step, type Origin } from '../../core/ground/finding';
import { formatQuantity } from '../../core/ground/quantity';
import { Formula } from './formula';
import { originWords } from './origin-words';

/** One step of a chain: formula in notation, filled in with numbers, and where each input is from. */
@Component({
  selector: 'gt-step-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Formula],
  template: `
    <p class="muted">{{ step().what }}</p>
    <gt-formula [symbol]="step().symbol" [formula]="step().formula" />
    <p class="filled mono">{{ filled(step()) }}</p>
    <table>
      <caption class="sr">
        Inputs of
        {{
          step().what
        }}
      </caption>
      @for (i of step().inputs; track i.symbol) {
        @if (i.origin.from !== 'step') {
          <tr>
            <th scope="row">{{ i.name }}</th>
            <td class="mono right">{{ say(i.value, i.unit) }}</td>
            <td class="muted">{{ origin(i.origin) }}</td>
          </tr>
        }
      }
    </table>
  `,
  styles: ':host { display: contents; }',
})
export class StepSheet {
  readonly step = input.required<Step>();
  protected readonly say = formatQuantity;
  protected readonly filled = filledIn;
  private readonly zone = inject(Bench).job().region.timeZone;
  protected readonly origin = (o: Origin): string => originWords(o, this.zone);
}
