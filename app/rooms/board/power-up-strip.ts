import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { TogglesField } from '../../kit/toggles-field';
import type { Choice } from '../../kit/choice-field';
import {
  BOARD_EVENTS,
  eventSeconds,
  profileOf,
  stripOf,
  type BoardEvent,
  type LevelSegment,
  type StripRow,
} from '../../../core/rooms/board';
import { formatQuantity } from '../../../core/ground/quantity';
import { cut } from '../../ui/cut';
import { Bench } from '../../store/bench';

const EVENTS: Readonly<Record<BoardEvent, string>> = {
  'power-cut': 'after a power cut',
  restart: 'at a restart',
  programming: 'while programmed',
};
const HIGH: Readonly<Record<LevelSegment['level'], number>> = {
  low: 0,
  'weak-low': 0.15,
  float: 0.35,
  kept: 0.35,
  program: 0.35,
  'weak-high': 0.75,
  high: 1,
  toggles: 1,
};
const LEVEL = 24;
const CONTACT = 26;

/** A word where there is room for it below its stretch; the label says everything in any case. */
const fitting = (text: string, width: number): string => (width > 7 * text.length ? text : '');

/** Time against the levels of all pins and, under each, the contact that it drives, until the program is in charge. */
@Component({
  selector: 'gt-power-up-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [TogglesField],
  templateUrl: './power-up-strip.html',
})
export class PowerUpStrip {
  private readonly bench = inject(Bench);
  protected readonly events = computed(() =>
    BOARD_EVENTS.filter((e) => eventSeconds(this.profile(), e) > 0).map((e): Choice<BoardEvent> => [e, EVENTS[e]]),
  );
  protected readonly event = signal<BoardEvent>('power-cut');
  private readonly profile = computed(() => profileOf(this.bench.job())!);
  private readonly strip = computed(() =>
    stripOf(this.bench.job(), this.bench.assessment().lines, this.profile(), this.event()),
  );
  /** From what closes before the controller's rail is up to what a one-shot still holds when the program runs, as far as there is room. */
  private readonly x = computed(() => {
    const ready = eventSeconds(this.profile(), this.event());
    const all = this.strip().flatMap((r) => r.contact);
    return scaleLinear(
      [
        Math.min(0, ...all.map((s) => s.from)),
        Math.max(ready, Math.min(1.5 * ready, ...all.map((s) => s.to).slice(-1))),
      ],
      [140, 660],
    ).clamp(true);
  });
  protected readonly ready = computed(() => {
    const x = this.x()(eventSeconds(this.profile(), this.event()));
    return { x, late: x > 480 };
  });
  protected readonly ticks = computed(() =>
    this.x()
      .ticks(6)
      .map((t) => ({ x: this.x()(t), text: formatQuantity(t, 's') })),
  );
  protected readonly rows = computed(() => {
    let top = 24;
    return this.strip().map((row) => {
      const at = top;
      top += LEVEL + (row.contact.length > 0 ? CONTACT : 0) + 12;
      return { ...this.drawn(row, at), top: at };
    });
  });
  protected readonly bottom = computed(
    () => 24 + this.strip().reduce((h, r) => h + LEVEL + (r.contact.length > 0 ? CONTACT : 0) + 12, 0),
  );
  protected readonly cut = cut;
  protected readonly label = computed(() =>
    this.strip()
      .map(
        (r) =>
          `${r.line.name} on pin ${r.gpio}: ${
            r.contact.length > 0
              ? r.contact
                  .map(
                    (s) =>
                      `contact ${s.contact} from ${formatQuantity(s.from, 's')} to ${formatQuantity(s.to, 's')}, ${s.why}`,
                  )
                  .join('; ')
              : r.levels.map((s) => s.level.replace('-', ' ')).join(', then ')
          }`,
      )
      .join('. '),
  );

  private drawn(row: StripRow, top: number) {
    const y = (h: number): number => top + LEVEL - (LEVEL - 4) * h;
    const level = row.levels
      .map((s, i) => {
        const [a, b] = [this.x()(s.from), this.x()(s.to)];
        const start = i ? `L${a} ` : `M${a} `;
        if (s.level !== 'toggles') return `${start}${y(HIGH[s.level])}H${b}`;
        const n = Math.max(2, Math.round((b - a) / 12));
        return `${start}${y(1)}${Array.from({ length: n }, (_, k) => `H${a + ((k + 1) * (b - a)) / n}V${y(k % 2)}`).join('')}`;
      })
      .join('');
    const bars = row.contact.map((s) => ({
      ...s,
      x: this.x()(s.from),
      width: this.x()(s.to) - this.x()(s.from),
      text: fitting(s.contact === 'closed' ? 'closed' : 'may close', this.x()(s.to) - this.x()(s.from)),
    }));
    return { id: row.line.id, name: row.line.name, pin: `pin ${row.gpio}`, level, bars, contactY: top + LEVEL + 4 };
  }
}
