import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { LoopRun } from '../../../core/house/loop-run';

const [WIDTH, HEIGHT, LEFT, TOP, LANE] = [732, 170, 40, 8, 14];
const HOUR = 3600;
const HOURS_A_TICK = 12;

/** A loop as it ran: how warm it was, where its thermometer changes its mind, what may never be passed, and when its part worked. */
@Component({
  selector: 'gt-loop-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="view" role="img" [attr.aria-label]="said()">
      @for (t of degrees(); track t) {
        <line [attr.x1]="left" [attr.x2]="right" [attr.y1]="y()(t)" [attr.y2]="y()(t)" class="grid" />
        <text [attr.x]="left - 4" [attr.y]="y()(t) + 4" text-anchor="end">{{ t }}</text>
      }
      @for (h of hours(); track h) {
        <text [attr.x]="x()(h * 3600)" [attr.y]="bottom + 32" text-anchor="middle">{{ h }} h</text>
      }
      @for (b of bounds(); track b.at + b.is) {
        <line [attr.x1]="left" [attr.x2]="right" [attr.y1]="y()(b.at)" [attr.y2]="y()(b.at)" [attr.class]="b.is" />
      }
      <path class="heat" [attr.d]="path()" />
      @for (w of works(); track w.x) {
        <rect class="works" [attr.x]="w.x" [attr.y]="bottom + 4" [attr.width]="w.width" [attr.height]="lane" />
      }
    </svg>
    <p class="muted">
      °C over {{ run().days }} days; below, when its part works. Thin lines are where its thermometer changes its mind,
      broken ones what may never be passed.
    </p>
  `,
  styles: `
    :host {
      display: block;
      flex: none;
      overflow-x: auto;
    }
    svg {
      display: block;
      min-width: 560px;
      width: 100%;
    }
    text {
      fill: var(--gt-muted);
      font-size: 12px;
    }
    .grid {
      stroke: var(--gt-hairline);
    }
    .limit {
      stroke: var(--gt-patina);
    }
    .never {
      stroke: var(--gt-brick);
      stroke-dasharray: 6 4;
    }
    .heat {
      fill: none;
      stroke: var(--gt-ink);
      stroke-width: 1.5;
    }
    .works {
      fill: var(--gt-muted);
    }
  `,
})
export class LoopChart {
  readonly run = input.required<LoopRun>();
  /** Where its thermometer changes its mind, °C. */
  readonly limit = input.required<{ readonly over: number; readonly under: number }>();
  protected readonly left = LEFT;
  protected readonly right = LEFT + WIDTH;
  protected readonly lane = LANE;
  protected readonly bottom = TOP + HEIGHT;
  protected readonly view = `0 0 ${WIDTH + LEFT + 16} ${TOP + HEIGHT + 38}`;
  protected readonly bounds = computed(() => {
    const { lowest, highest } = this.run().loop;
    const { over, under } = this.limit();
    return [
      { at: over, is: 'limit' },
      { at: under, is: 'limit' },
      ...(lowest === null ? [] : [{ at: lowest, is: 'never' }]),
      ...(highest === null ? [] : [{ at: highest, is: 'never' }]),
    ];
  });
  protected readonly x = computed(() =>
    scaleLinear()
      .domain([0, this.run().seconds])
      .range([LEFT, LEFT + WIDTH]),
  );
  protected readonly y = computed(() => {
    const all = [...this.run().degrees, ...this.bounds().map((b) => b.at)];
    return scaleLinear()
      .domain([Math.min(...all), Math.max(...all)])
      .nice(5)
      .range([TOP + HEIGHT, TOP]);
  });
  protected readonly degrees = computed(() => this.y().ticks(5));
  protected readonly hours = computed(() =>
    Array.from({ length: Math.floor(this.run().seconds / HOUR / HOURS_A_TICK) + 1 }, (_, i) => i * HOURS_A_TICK),
  );
  protected readonly path = computed(() => {
    const { degrees, seconds } = this.run();
    const [x, y] = [this.x(), this.y()];
    return (
      line<number>(
        (_, i) => x(((i + 1) * seconds) / degrees.length),
        (d) => y(d),
      )(Array.from(degrees)) ?? ''
    );
  });
  protected readonly works = computed(() => {
    const x = this.x();
    return this.run().works.map(([from, to]) => ({ x: x(from), width: Math.max(0.8, x(to) - x(from)) }));
  });
  protected readonly said = computed(() => {
    const { loop, lowest, highest, works } = this.run();
    return `${loop.name} over some days: between ${lowest.toFixed(1)} and ${highest.toFixed(1)} °C, at work ${works.length} times`;
  });
}
