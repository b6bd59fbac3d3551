import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { formatQuantity } from '../../../core/ground/quantity';
import type { Regret, RegretField, RegretPoint } from '../../../core/house/regret';

/** What a year would have come to with every value of a number, as a table that can be read and a bar beside each row. */
@Component({
  selector: 'gt-regret-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>{{ words() }}</p>
    <p class="muted">
      Each row is a whole year run anew with that value and nothing else changed: how often this rule acts, how often it
      comes true and does not, and how often the others do not.
    </p>
    <table class="values">
      <tr>
        <th scope="col">value</th>
        <th scope="col" class="right">acts</th>
        <th scope="col" class="right">comes to nothing</th>
        <th scope="col" class="right">others come to nothing</th>
      </tr>
      @for (p of rows(); track p.value) {
        <tr [attr.aria-current]="p.value === regret().now ? 'true' : null" [class.own]="p.value === regret().now">
          <th scope="row" class="mono">{{ say(p.value) }}</th>
          <td class="mono right">{{ p.done }}</td>
          <td class="mono right">{{ p.lost }}</td>
          <td class="mono right">{{ p.othersLost }}</td>
        </tr>
      }
    </table>
  `,
  styles: '.own { font-weight: 700; }',
})
export class RegretChart {
  readonly regret = input.required<Regret>();
  readonly field = input.required<RegretField>();
  protected readonly say = (s: number): string => (s === 0 ? '0 s' : formatQuantity(s, 's'));
  /** Neighbours that come to the same are one row; the number of the job always has its own. */
  protected readonly rows = computed(() => {
    const { points, now } = this.regret();
    const same = (a: RegretPoint, b: RegretPoint): boolean =>
      a.done === b.done && a.lost === b.lost && a.othersLost === b.othersLost;
    return points.filter((p, i) => {
      const before = points[i - 1];
      const after = points[i + 1];
      return p.value === now || !before || !after || !same(p, before) || !same(p, after);
    });
  });
  protected readonly words = computed(() => {
    const { best, now } = this.regret();
    const within = now >= best[0] && now <= best[1];
    return `Least is lost from ${this.say(best[0])} to ${this.say(best[1])}; the ${this.say(now)} of now ${
      within ? 'lies in it' : 'lies outside'
    }.`;
  });
}
