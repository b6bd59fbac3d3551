import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { PRESS_TIMES } from '../../../core/engines/circuit';
import type { ProofResult } from '../../../core/rooms/thumb';
import { formatQuantity } from '../../../core/ground/quantity';
import { axisTicks } from '../../kit/axis';

/** A simulated press: the line at nominal values and at the worst corner against what the machine takes for low and high, the pin below. */
@Component({
  selector: 'gt-proof-wave',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './proof-wave.html',
})
export class ProofWave {
  readonly results = input.required<readonly ProofResult[]>();
  readonly levels = input.required<{ low: boolean; lowBelow: number; highAbove: number }>();
  protected readonly x = scaleLinear().domain([0, PRESS_TIMES.end]).range([52, 676]);
  protected readonly marks = [
    { at: 0, text: 'pin floats' },
    { at: PRESS_TIMES.driven, text: '' },
    { at: PRESS_TIMES.press, text: 'press' },
    { at: PRESS_TIMES.release, text: 'release' },
  ];
  protected readonly top = computed(
    () => Math.max(...this.results().map((r) => Math.max(...r.wave.line)), this.levels().highAbove) * 1.05,
  );
  protected readonly y = computed(() => scaleLinear().domain([0, this.top()]).range([190, 10]));
  protected readonly yTicks = computed(() => axisTicks(this.y(), 'V', 4));
  protected readonly paths = computed(() =>
    this.results().map((r) => ({
      corner: r.corner,
      d:
        line<number>()
          .x((_, i) => this.x(r.wave.seconds[i]!))
          .y((v) => this.y()(v))([...r.wave.line]) ?? '',
    })),
  );
  protected readonly pin = computed(() => {
    const w = this.results()[0]?.wave;
    if (!w) return '';
    const y = scaleLinear()
      .domain([0, Math.max(...w.pin)])
      .range([232, 206]);
    return (
      line<number>()
        .x((_, i) => this.x(w.seconds[i]!))
        .y((v) => y(v))([...w.pin]) ?? ''
    );
  });
  protected readonly label = computed(() =>
    this.results()
      .map(
        (r) =>
          `${r.corner}: idle ${formatQuantity(r.read.idleVolts, 'V')}, pressed ${formatQuantity(r.read.pressedVolts, 'V')}`,
      )
      .join('; '),
  );
}
