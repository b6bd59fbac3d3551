import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { TAG_WORDS } from '../../../core/ground/sources';
import { PHASES, type BoardPin, type BoardProfile, type Level, type Phase } from '../../../core/ground/job';
import { formatQuantity } from '../../../core/ground/quantity';

const WORDS: Readonly<Record<Phase, string>> = {
  rising: 'power rises',
  boot: 'it starts',
  programming: 'programmed',
  running: 'program runs',
  reset: 'reset',
  sleep: 'deep sleep',
};
/** How high a level is drawn, as a share of the row. */
const HEIGHT: Readonly<Record<Level, number>> = {
  low: 0,
  'weak-low': 0.2,
  float: 0.45,
  kept: 0.45,
  program: 0.45,
  'weak-high': 0.75,
  high: 1,
  toggles: 1,
};
const ORIGIN = { published: 'P', practice: 'C', memory: 'M' } as const;

/** What one pin does in each phase of its controller's life, one column a phase. */
@Component({
  selector: 'gt-pin-levels',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './pin-levels.html',
})
export class PinLevels {
  readonly pin = input.required<BoardPin>();
  readonly profile = input.required<BoardProfile>();
  protected readonly phases = computed(() =>
    PHASES.map((phase, i) => {
      const level = this.pin().levels[phase];
      const [x, y] = [84 + i * 98, 62 - 34 * HEIGHT[level]];
      const { pulse } = this.pin();
      const begins =
        phase === 'boot' && pulse !== null ? `M${x} ${62 - 34 * HEIGHT[pulse]}H${x + 26}V${y}H${x + 90}` : '';
      return {
        phase,
        x,
        words: WORDS[phase],
        level,
        said: begins ? `${pulse!.replace('-', ' ')}, ${level.replace('-', ' ')}` : level.replace('-', ' '),
        path: level === 'toggles' ? this.teeth(x) : begins || `M${x} ${y}H${x + 90}`,
      };
    }),
  );
  private teeth(x: number): string {
    const at = (i: number): string => `V${i % 2 ? 62 : 28}H${x + ((i + 1) * 90) / 10}`;
    return `M${x} 28${Array.from({ length: 10 }, (_, i) => at(i)).join('')}`;
  }
  protected readonly about = computed(() => {
    const p = this.pin();
    const pulse =
      p.pulse === null
        ? ''
        : ` Its start begins ${p.pulse.replace('-', ' ')} for ${formatQuantity(p.pulseSeconds, 's')}.`;
    const from = p.tag === 'measured' ? 'measured by its maker' : TAG_WORDS[ORIGIN[p.tag]];
    return `It can do: ${p.can.map((a) => a.replace('-', ' ')).join(', ')}.${pulse} Known from: ${from}.`;
  });
  protected readonly label = computed(
    () =>
      `Pin ${this.pin().gpio}: ${this.phases()
        .map((p) => `${p.words}, ${p.said}`)
        .join('; ')}`,
  );
}
