import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { PinLevels, TapResult } from '../../../core/rooms/sense';
import { formatQuantity } from '../../../core/ground/quantity';
import { axisTicks } from '../../kit/axis';

/** More points than a screen has columns show nothing more. */
const MOST_POINTS = 1400;

/** A simulated tap: the machine’s own line above, the pin below against what it takes for low and for high. */
@Component({
  selector: 'gt-tap-wave',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tap-wave.html',
})
export class TapWave {
  readonly results = input.required<readonly TapResult[]>();
  readonly levels = input.required<PinLevels>();
  private readonly end = computed(() => Math.max(...this.results().map((r) => r.course.end)));
  protected readonly x = computed(() => scaleLinear().domain([0, this.end()]).range([56, 676]));
  private readonly over = (of: (r: TapResult) => readonly number[]): [number, number] => {
    let [low, high] = [0, 0];
    for (const r of this.results())
      for (const v of of(r)) {
        low = Math.min(low, v);
        high = Math.max(high, v);
      }
    return [low, high];
  };
  protected readonly y = computed(() =>
    scaleLinear()
      .domain(this.over((r) => r.wave.line))
      .nice(2)
      .range([90, 12]),
  );
  protected readonly pinY = computed(() => {
    const [low, high] = this.over((r) => r.wave.pin);
    return scaleLinear()
      .domain([low, Math.max(high, this.levels().high * 1.1)])
      .range([226, 118]);
  });
  protected readonly yTicks = computed(() => axisTicks(this.y(), 'V', 2));
  protected readonly pinTicks = computed(() => axisTicks(this.pinY(), 'V', 3));
  protected readonly xTicks = computed(() => axisTicks(this.x(), 's', 5));
  protected readonly marks = computed(() => {
    const course = this.results()[0]?.course;
    return course
      ? [
          { at: this.x()(course.comes), text: 'comes' },
          { at: this.x()(course.goes), text: 'goes' },
        ]
      : [];
  });
  protected readonly paths = computed(() =>
    this.results().map((r) => {
      const every = Math.max(1, Math.ceil(r.wave.seconds.length / MOST_POINTS));
      const kept = r.wave.seconds.map((_, i) => i).filter((i) => i % every === 0);
      const of = (values: readonly number[], y: (v: number) => number): string =>
        line<number>()
          .x((i) => this.x()(r.wave.seconds[i]!))
          .y((i) => y(values[i]!))(kept) ?? '';
      return { corner: r.corner, line: of(r.wave.line, this.y()), pin: of(r.wave.pin, this.pinY()) };
    }),
  );
  protected readonly label = computed(() =>
    this.results()
      .map(
        (r) =>
          `${r.corner}: the pin at ${formatQuantity(r.read.on, 'V')} while it is so, ${formatQuantity(r.read.off, 'V')} while it is not`,
      )
      .join('; '),
  );
}
