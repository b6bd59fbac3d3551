import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import type { CaptureTiming } from '../../../core/engines/capture';
import { formatQuantity } from '../../../core/ground/quantity';

/** The first few periods of a capture, line by line. */
@Component({
  selector: 'gt-scan-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      [attr.viewBox]="'0 0 720 ' + (rows().length * 26 + 26)"
      width="100%"
      role="img"
      [attr.aria-label]="'The first ' + span() + ' of the capture ' + label()"
      class="rulers"
    >
      @for (r of rows(); track r.name; let i = $index) {
        <text x="0" [attr.y]="i * 26 + 17" font-size="13">{{ r.name }}</text>
        <path [attr.d]="r.path" fill="none" stroke="currentColor" stroke-width="1.6" />
      }
      @for (t of ticks(); track t.x) {
        <text [attr.x]="t.x" [attr.y]="rows().length * 26 + 20" font-size="13" text-anchor="middle" class="muted">
          {{ t.text }}
        </text>
      }
    </svg>
  `,
})
export class ScanStrip {
  readonly timing = input.required<CaptureTiming>();
  readonly label = input.required<string>();
  private readonly shown = computed(() => {
    const period = Math.max(0, ...this.timing().lines.map((l) => l.periodSeconds ?? 0));
    const first = this.timing().excerpt[0]?.at ?? 0;
    const last = this.timing().excerpt[this.timing().excerpt.length - 1]?.at ?? first + 1;
    return { from: first, to: Math.min(last, first + (period > 0 ? 3 * period : last - first)) || first + 1 };
  });
  private readonly scale = computed(() => scaleLinear().domain([this.shown().from, this.shown().to]).range([56, 712]));
  protected readonly span = computed(() => formatQuantity(this.shown().to - this.shown().from, 's'));
  protected readonly rows = computed(() => {
    const x = this.scale();
    const { to } = this.shown();
    return this.timing().lines.map((l, line) => {
      const top = line * 26 + 4;
      const y = (level: number): number => top + (level ? 0 : 16);
      const edges = this.timing().excerpt.filter((e) => e.line === line && e.at <= to);
      const start = edges[0];
      if (!start) return { name: l.name, path: `M56 ${y(0)}H712` };
      const path = edges
        .slice(1)
        .map((e) => `H${x(e.at).toFixed(1)}V${y(e.level)}`)
        .join('');
      return { name: l.name, path: `M56 ${y(start.level)}${path}H712` };
    });
  });
  protected readonly ticks = computed(() =>
    this.scale()
      .ticks(6)
      .map((t) => ({ x: this.scale()(t), text: formatQuantity(t - this.shown().from, 's') })),
  );
}
