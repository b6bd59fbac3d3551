import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { sayTime } from '../../../core/ground/job';
import type { StepProgress } from '../../../core/rooms/try';
import { Bench } from '../../store/bench';

/**
 * The test sheet as it lies beside the machine, in black and white on A4: results in columns, or blank to be filled in by hand. It is
 * there on paper alone.
 */
@Component({
  selector: 'gt-paper-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1>Test sheet: {{ bench.job().title }}</h1>
    <p>
      {{ bench.job().place }}{{ bench.job().place ? ', ' : ''
      }}{{ blank() ? 'blank, to be filled in by hand' : 'as of ' + now() }}
    </p>
    <table>
      <thead>
        <tr>
          <th scope="col">no.</th>
          <th scope="col">check</th>
          <th scope="col">expected</th>
          <th scope="col">times</th>
          <th scope="col">observed</th>
          <th scope="col">as expected?</th>
          <th scope="col">by, when</th>
        </tr>
      </thead>
      <tbody>
        @for (r of rows(); track r.number) {
          <tr>
            <td>{{ r.number }}</td>
            <td>
              <strong>{{ r.title }}</strong><br />{{ r.how }}
            </td>
            <td>{{ r.expected }}</td>
            <td>{{ r.times }}</td>
            <td>{{ r.observed }}</td>
            <td>{{ r.result }}</td>
            <td>{{ r.signed }}</td>
          </tr>
        }
      </tbody>
    </table>
    <p>
      The order keeps the machine out of harm’s way. A list to check, never a permission: the local electrical code and
      licensed practice decide.
    </p>
    <p>Signed off: ______________________________ &emsp; date: ______________</p>
  `,
})
export class PaperSheet {
  protected readonly bench = inject(Bench);
  readonly progress = input.required<readonly StepProgress[]>();
  readonly blank = input.required<boolean>();
  private readonly say = (at: string): string => sayTime(at, this.bench.job().region.timeZone);
  protected readonly now = computed(() => this.say(this.bench.job().touchedAt));
  protected readonly rows = computed(() =>
    this.progress().map(({ step, done, state, trials }, i) => {
      const last = this.blank() ? undefined : trials.at(-1);
      return {
        number: i + 1,
        title: step.title,
        how: step.how,
        expected: step.expected,
        times: this.blank() ? `☐ of ${step.wanted}` : `${done} of ${step.wanted}`,
        observed: last ? `${last.observed}${last.on === 'standin' ? ' (on the stand-in)' : ''}` : '',
        result:
          this.blank() || !last ? '☐ yes ☐ no' : state === 'passed' ? 'yes' : state === 'failed' ? 'no' : 'not yet',
        signed: last ? `${last.by} ${this.say(last.at)}` : '',
      };
    }),
  );
}
