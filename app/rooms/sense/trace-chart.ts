import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { scaleLinear, scaleSymlog } from 'd3-scale';
import type { Band } from '../../../core/engines/trace';
import { formatQuantity, type Unit } from '../../../core/ground/quantity';
import { DraggedChart } from './dragged-chart';
import type { Drawn, ShownRun } from '../../workers/trace.worker';

const SIZE = { width: 520, height: 300, left: 58, right: 512, top: 34, bottom: 262 } as const;
/** Steps in which times are written, s. */
const TIME_STEPS = [
  1, 2, 5, 10, 30, 60, 120, 300, 600, 1200, 1800, 3600, 7200, 14_400, 43_200, 86_400, 172_800, 604_800, 1_209_600,
  2_592_000,
];
const DAY = 86_400;
/** A time on the axis: days where it is whole ones. */
const sayTime = (s: number): string => (s >= 2 * DAY && s % DAY === 0 ? `${s / DAY} days` : formatQuantity(s, 's'));
const MOST_TIMES = 5;
/** One press of a key moves a handle by this share of its value; with Shift by more. */
const STEP = { fine: 0.02, coarse: 0.2 } as const;

/** Which line of the band is moved. */
type Edge = 'over' | 'under';

/**
 * A recording drawn with the least and the greatest of each column, its runs above it, and its threshold as two lines that are dragged or
 * moved by key. `held` while one moves, `changed` when it is let go.
 */
@Component({
  selector: 'gt-trace-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './trace-chart.html',
  styles: '[role=slider] { cursor: ns-resize; }',
})
export class TraceChart extends DraggedChart {
  readonly drawn = input.required<Drawn>();
  readonly band = input<Band | null>(null);
  readonly runs = input<readonly ShownRun[]>([]);
  readonly unit = input.required<Unit>();
  readonly label = input.required<string>();
  readonly held = output<Band>();
  readonly changed = output<Band>();
  protected readonly size = SIZE;
  /** What is dragged, with where it stands now. */
  protected readonly dragged = signal<{ readonly edge: Edge; readonly band: Band } | null>(null);
  protected readonly shown = computed(() => this.dragged()?.band ?? this.band());

  protected readonly x = computed(() =>
    scaleLinear().domain([this.drawn().from, this.drawn().to]).range([SIZE.left, SIZE.right]),
  );
  private readonly most = computed(() => {
    let most = 0;
    for (const v of this.drawn().most) if (v > most) most = v;
    return Math.max(most, 1.2 * (this.band()?.over ?? 0), 1e-3);
  });
  private readonly least = computed(() => {
    let least = 0;
    for (const v of this.drawn().least) if (v < least) least = v;
    return least;
  });
  /** Standby and full load on one scale: linear near nothing, logarithmic beyond. */
  protected readonly y = computed(() =>
    scaleSymlog()
      .constant(this.most() / 1000)
      .domain([this.least(), this.most()])
      .range([SIZE.bottom, SIZE.top]),
  );
  protected readonly times = computed(() => {
    const { from, to } = this.drawn();
    const step = TIME_STEPS.find((s) => (to - from) / s <= MOST_TIMES) ?? (to - from) / MOST_TIMES;
    const first = Math.ceil(from / step) * step;
    const count = Math.floor((to - first) / step) + 1;
    return Array.from({ length: Math.max(0, count) }, (_, i) => {
      const value = first + i * step;
      return { value, at: this.x()(value), text: sayTime(value) };
    });
  });
  protected readonly values = computed(() => {
    const y = this.y();
    const top = Math.floor(Math.log10(this.most()));
    const decades = [0, 1, 2, 3].map((n) => 10 ** (top - n));
    return [0, ...decades]
      .map((value) => ({ value, at: y(value), text: formatQuantity(value, this.unit()) }))
      .filter((t, i, all) => t.at >= SIZE.top && all.findIndex((o) => Math.abs(o.at - t.at) < 16) === i);
  });
  /** One path for all columns: from the least to the greatest of each. */
  protected readonly path = computed(() => {
    const { least, most, from, to } = this.drawn();
    const [x, y] = [this.x(), this.y()];
    const width = (to - from) / least.length;
    const parts: string[] = [];
    let open = false;
    for (let c = 0; c < least.length; c++) {
      if (Number.isNaN(least[c]!)) {
        open = false;
        continue;
      }
      const at = x(from + (c + 0.5) * width).toFixed(1);
      parts.push(`${open ? 'L' : 'M'}${at} ${y(least[c]!).toFixed(1)}L${at} ${y(most[c]!).toFixed(1)}`);
      open = true;
    }
    return parts.join('');
  });
  protected readonly bars = computed(() => {
    const { from, to } = this.drawn();
    const x = this.x();
    return this.runs().flatMap((r) => {
      if (r.to < from || r.from > to) return [];
      const [a, b] = [x(Math.max(from, r.from)), x(Math.min(to, r.to))];
      return [{ x: a, width: Math.max(2, b - a), words: b - a > 70 ? formatQuantity(r.to - r.from, 's') : '' }];
    });
  });
  protected readonly handles = computed(() => {
    const band = this.shown();
    if (!band) return [];
    const y = this.y();
    return (['over', 'under'] as const).map((edge) => ({
      edge,
      y: Math.min(SIZE.bottom, Math.max(SIZE.top, y(band[edge]))),
      grip: SIZE.right - (edge === 'over' ? 58 : 196),
      value: band[edge],
      words: `${edge === 'over' ? 'so over' : 'not so under'} ${formatQuantity(band[edge], this.unit())}`,
    }));
  });

  /** The band with one of its lines elsewhere; the other gives way. */
  private moved(band: Band, edge: Edge, to: number): Band {
    const value = Number(to.toPrecision(3));
    return edge === 'over'
      ? { over: value, under: Math.min(band.under, value) }
      : { under: value, over: Math.max(band.over, value) };
  }

  protected grab(event: PointerEvent, edge: Edge): void {
    const band = this.shown();
    if (!band) return;
    this.hold(event);
    this.dragged.set({ edge, band });
  }

  protected move(event: PointerEvent): void {
    const held = this.dragged();
    const at = this.at(event, SIZE);
    if (!held || !at) return;
    const value = this.y().invert(Math.min(SIZE.bottom, Math.max(SIZE.top, at.y)));
    const band = this.moved(held.band, held.edge, value);
    this.dragged.set({ ...held, band });
    this.held.emit(band);
  }

  protected giveUp(): void {
    this.dragged.set(null);
  }

  protected drop(): void {
    const held = this.dragged();
    if (!held) return;
    this.dragged.set(null);
    this.changed.emit(held.band);
  }

  protected key(event: KeyboardEvent, edge: Edge): void {
    const band = this.band();
    const moved = band && this.wayOf(event);
    if (!moved) return;
    const { way, far } = moved;
    const share = far ? STEP.coarse : STEP.fine;
    // Three figures change at least by one of the last.
    const by = Math.max(Math.abs(band[edge]) * share, this.most() / 1e4);
    this.changed.emit(this.moved(band, edge, band[edge] + way * by));
  }
}
