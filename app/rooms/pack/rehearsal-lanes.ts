import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { itemAt } from '../../../core/ground/lists';
import { clockText } from '../../../core/ground/quantity';
import type { Pressed, RehearsedLane } from '../../../core/house/rehearsed';

const [WIDTH, LEFT, TOP, BAR, ROW, FOOT] = [732, 130, 6, 9, 30, 22];
const DAY_MS = 86_400_000;
const LEAST_WIDTH = 2;
/** Before the first and after the last press so much is shown, ms. */
const ROUND_MS = 30_000;
const TICKS = 6;
/** From one mark to the next, ms. */
const STEPS_MS = [1, 5, 10, 15, 30, 60, 300, 600, 1800, 3600, 7200, 14_400].map((s) => 1000 * s);

/** Presses of a day, pin by pin: above as planned, below as the file made them. From shortly before the first until after the last. */
@Component({
  selector: 'gt-rehearsal-lanes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height()" role="img" [attr.aria-label]="said()">
      @for (t of ticks(); track t.at) {
        <line [attr.x1]="t.x" [attr.x2]="t.x" [attr.y1]="0" [attr.y2]="height() - 18" class="grid" />
        <text [attr.x]="t.x" [attr.y]="height() - 5" text-anchor="middle">{{ t.words }}</text>
      }
      @for (row of rows(); track row.name + row.pin) {
        <text [attr.x]="0" [attr.y]="row.y + 15">{{ row.name }}</text>
        @for (b of row.bars; track $index) {
          <rect [attr.x]="b.x" [attr.width]="b.width" [attr.y]="b.y" [attr.height]="bar" [attr.class]="b.is" />
        }
      }
    </svg>
    <p class="muted">Above as planned, below as the file made them.</p>
  `,
  styles: `
    :host {
      display: block;
      flex: none;
      overflow-x: auto;
    }
    svg {
      display: block;
      min-width: 520px;
      width: 100%;
    }
    text {
      fill: var(--gt-muted);
      font-size: 12px;
    }
    .grid {
      stroke: var(--gt-hairline);
    }
    .plan {
      fill: var(--gt-muted);
    }
    .file {
      fill: var(--gt-patina);
    }
  `,
})
export class RehearsalLanes {
  readonly lanes = input.required<readonly RehearsedLane[]>();
  protected readonly width = WIDTH;
  protected readonly bar = BAR;
  protected readonly height = computed(() => TOP + ROW * this.lanes().length + FOOT);
  private readonly x = computed(() => {
    const times = this.lanes()
      .flatMap((l) => [...l.planned, ...l.found].flat())
      .map((t) => Math.min(t, DAY_MS));
    const [from, to] =
      times.length === 0 ? [0, DAY_MS] : [Math.min(...times) - ROUND_MS, Math.max(...times) + ROUND_MS];
    return scaleLinear([Math.max(0, from), Math.min(DAY_MS, to)], [LEFT, WIDTH - 12]);
  });
  protected readonly ticks = computed(() => {
    const [from, to] = this.x().domain() as [number, number];
    const step = STEPS_MS.find((s) => (to - from) / s <= TICKS) ?? DAY_MS / 4;
    const seconds = step < 60_000;
    return Array.from({ length: TICKS + 1 }, (_, i) => (Math.ceil(from / step) + i) * step)
      .filter((at) => at <= to)
      .map((at) => ({
        at,
        x: this.x()(at),
        words: `${clockText(Math.floor(at / 60_000))}${seconds ? `:${String((at / 1000) % 60).padStart(2, '0')}` : ''}`,
      }));
  });
  protected readonly rows = computed(() =>
    this.lanes().map((lane, i) => {
      const y = TOP + ROW * i;
      const bars = (spans: Pressed, at: number, is: string) =>
        spans.map(([from, to]) => {
          const x = this.x()(from);
          return { x, width: Math.max(LEAST_WIDTH, this.x()(Math.min(to, DAY_MS)) - x), y: y + at, is };
        });
      const name = lane.name.length > 20 ? `${lane.name.slice(0, 19)}…` : lane.name;
      return { pin: lane.pin, name, y, bars: [...bars(lane.planned, 2, 'plan'), ...bars(lane.found, 14, 'file')] };
    }),
  );
  protected readonly said = computed(() => {
    const lanes = this.lanes();
    const count = (of: (l: RehearsedLane) => Pressed): number => lanes.reduce((n, l) => n + of(l).length, 0);
    const pins = lanes.length === 1 ? `one pin, ${itemAt(lanes, 0).name}` : `${lanes.length} pins`;
    return `Presses of ${pins}: ${count((l) => l.planned)} planned, ${count((l) => l.found)} made by the file`;
  });
}
