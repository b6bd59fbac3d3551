import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import type { ContactSegment, Pin, Profile } from '../../../core/board';

const HIGH: Record<Pin['powerUp'][number]['level'], number> = {
  low: 0,
  float: 0.35,
  'weak-high': 0.75,
  high: 1,
  toggles: 1,
};

/** A word where there is room for it below its stretch; the label says everything in any case. */
const fitting = (text: string, width: number): string => (width > 7 * text.length ? text : '');

/** Time against pin level and, under it, the contact it drives, from power rising until the program is in charge. */
@Component({
  selector: 'gt-power-up-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './power-up-strip.html',
})
export class PowerUpStrip {
  readonly pin = input.required<Pin>();
  readonly contact = input.required<readonly ContactSegment[]>();
  readonly profile = input.required<Profile>();
  /**
   * From what closes before the controller's rail is up to what a one-shot still holds when the program runs, as far as
   * there is room for it.
   */
  private readonly x = computed(() => {
    const ready = this.profile().readySeconds;
    return scaleLinear(
      [
        Math.min(0, ...this.contact().map((s) => s.from)),
        Math.max(
          ready,
          Math.min(
            1.5 * ready,
            ...this.contact()
              .map((s) => s.to)
              .slice(-1),
          ),
        ),
      ],
      [84, 660],
    ).clamp(true);
  });
  protected readonly ready = computed(() => {
    const x = this.x()(this.profile().readySeconds);
    return { x, late: x > 480 };
  });
  protected readonly ticks = computed(() =>
    this.x()
      .ticks(6)
      .map((t) => ({ x: this.x()(t), text: `${Math.round(t * 1000)} ms` })),
  );
  protected readonly level = computed(() => {
    const y = (h: number): number => 74 - 42 * h;
    return this.pin()
      .powerUp.map((s, i) => {
        const [a, b] = [this.x()(s.from), this.x()(s.to)];
        const start = i ? `L${a} ` : `M${a} `;
        if (s.level !== 'toggles') return `${start}${y(HIGH[s.level])}H${b}`;
        const teeth = Array.from(
          { length: Math.max(2, Math.round((b - a) / 12)) },
          (_, k, all = Math.max(2, Math.round((b - a) / 12))) => `H${a + ((k + 1) * (b - a)) / all}V${y(k % 2)}`,
        );
        return `${start}${y(1)}${teeth.join('')}`;
      })
      .join('');
  });
  protected readonly words = computed(() =>
    this.pin().powerUp.map((s) => ({
      x: this.x()(s.from) + 4,
      text: fitting(s.level.replace('-', ' '), this.x()(s.to) - this.x()(s.from)),
    })),
  );
  protected readonly bars = computed(() =>
    this.contact().map((s) => ({
      ...s,
      x: this.x()(s.from),
      width: this.x()(s.to) - this.x()(s.from),
      text: fitting(s.contact === 'closed' ? 'closed' : 'may close', this.x()(s.to) - this.x()(s.from)),
    })),
  );
  protected readonly label = computed(
    () =>
      `Pin ${this.pin().gpio} at power-up: ${this.contact()
        .map((s) => `contact ${s.contact} from ${Math.round(s.from * 1000)} to ${Math.round(s.to * 1000)} ms, ${s.why}`)
        .join('; ')}`,
  );
}
