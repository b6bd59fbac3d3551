import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { UNIT_OF, type ReadingKind } from '../../../core/ground/job';
import { KIND_WORDS, type Meaning } from '../../../core/rooms/probe';
import { formatQuantity } from '../../../core/ground/quantity';

/** What each stretch of answers would make of the control, before it is taken. */
@Component({
  selector: 'gt-meanings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul class="meanings">
      @for (m of list(); track m.text) {
        <li [class.hit]="m.hit">
          <span class="mono">{{ m.text }}</span><span>{{ m.kind }}</span
          ><span class="mono right">{{ m.percent }} %</span>
        </li>
      }
    </ul>
  `,
})
export class Meanings {
  readonly kind = input.required<ReadingKind>();
  readonly meanings = input.required<readonly Meaning[]>();
  readonly typed = input<number | null>(null);

  protected readonly list = computed(() => {
    const unit = UNIT_OF[this.kind()];
    const scale = this.kind() === 'duty' ? 100 : 1;
    const typed = this.typed();
    // Display only: bins of the scale are wider than a meter's digits, so their ends are said roughly.
    const say = (v: number): string =>
      formatQuantity(Math.abs(v) < 1e-3 && unit === 'V' ? 0 : Number((v * scale).toPrecision(2)), unit);
    return this.meanings()
      .slice(0, 5)
      .sort((a, b) => a.low - b.low)
      .map((m) => ({
        text:
          m.high - m.low > 0.5 * Math.abs(m.high) && m.low <= 0 && unit !== 'V'
            ? `up to ${say(m.high)}`
            : `${say(m.low)} to ${say(m.high)}`,
        kind: KIND_WORDS[m.kind].name,
        percent: m.probability > 0.995 ? '> 99' : String(Math.round(100 * m.probability)),
        hit: typed !== null && typed >= m.low && typed <= m.high,
      }));
  });
}
