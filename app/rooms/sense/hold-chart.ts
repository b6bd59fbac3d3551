import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { scaleLinear, scaleLog } from 'd3-scale';
import type { HoldPoint } from '../../../core/engines/trace';
import { formatQuantity } from '../../../core/ground/quantity';
import { DraggedChart } from './dragged-chart';

const SIZE = { width: 520, height: 190, left: 40, right: 510, top: 14, bottom: 150 } as const;
const TICKS = [1, 10, 60, 600, 3600, 36_000];
/** One press of a key moves the hold by this share; with Shift by more. */
const STEP = { fine: 0.05, coarse: 0.5 } as const;

/** What every hold would have done on the recordings: ends in mid-run, and ends that are not told; the hold is dragged or moved by key. */
@Component({
  selector: 'gt-hold-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './hold-chart.html',
  styles: '[role=slider] { cursor: ew-resize; }',
})
export class HoldChart extends DraggedChart {
  readonly curve = input.required<readonly HoldPoint[]>();
  /** How many recordings it is drawn from. */
  readonly count = input.required<number>();
  readonly seconds = input.required<number>();
  readonly changed = output<number>();
  protected readonly size = SIZE;
  protected readonly dragged = signal<number | null>(null);
  protected readonly now = computed(() => this.dragged() ?? this.seconds());
  private readonly most = computed(() =>
    Math.max(
      60,
      2 * this.seconds(),
      ...this.curve().map((p) => (Number.isFinite(p.holdSeconds) ? 1.3 * p.holdSeconds : 0)),
    ),
  );
  protected readonly x = computed(() => scaleLog().domain([1, this.most()]).range([SIZE.left, SIZE.right]).clamp(true));
  private readonly y = computed(() =>
    scaleLinear()
      .domain([0, Math.max(1, this.curve()[0]?.early ?? 0, this.count())])
      .range([SIZE.bottom, SIZE.top]),
  );
  protected readonly ticks = computed(() =>
    TICKS.filter((t) => t <= this.most()).map((t) => ({ at: this.x()(t), text: formatQuantity(t, 's') })),
  );
  protected readonly top = computed(() => this.y().domain()[1]!);
  private steps(of: (p: HoldPoint) => number): string {
    const [x, y] = [this.x(), this.y()];
    let d = '';
    for (const p of this.curve()) {
      const at = x(Math.max(1, p.holdSeconds));
      d += d === '' ? `M${at} ${y(of(p))}` : `H${at}V${y(of(p))}`;
    }
    return `${d}H${SIZE.right}`;
  }
  protected readonly early = computed(() => this.steps((p) => p.early));
  protected readonly missed = computed(() => this.steps((p) => p.missed));
  /** What the hold does as it stands. */
  protected readonly here = computed(() => {
    const now = this.now();
    return this.curve().findLast((p) => p.holdSeconds <= now) ?? this.curve()[0];
  });
  protected readonly words = computed(() => {
    const p = this.here();
    return (
      `hold ${formatQuantity(this.now(), 's')}: ${p?.early ?? 0} ends in mid-run, ` +
      `${p?.missed ?? 0} of ${this.count()} not told`
    );
  });

  protected grab(event: PointerEvent): void {
    this.hold(event);
    this.dragged.set(this.seconds());
  }

  protected move(event: PointerEvent): void {
    const at = this.at(event, SIZE);
    if (this.dragged() !== null && at) this.dragged.set(rounded(this.x().invert(at.x)));
  }

  protected giveUp(): void {
    this.dragged.set(null);
  }

  protected drop(): void {
    const to = this.dragged();
    this.dragged.set(null);
    if (to !== null && to !== this.seconds()) this.changed.emit(to);
  }

  protected key(event: KeyboardEvent): void {
    const moved = this.wayOf(event);
    if (!moved) return;
    const { way, far } = moved;
    const share = far ? STEP.coarse : STEP.fine;
    this.changed.emit(rounded(Math.max(0, this.seconds() + way * Math.max(1, share * this.seconds()))));
  }
}

/** A hold as somebody would say it: whole seconds, three figures. */
const rounded = (s: number): number => Math.round(Number(s.toPrecision(3)));
