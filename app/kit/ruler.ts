import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import type { Unit } from '../../core/ground/quantity';
import { axisTicks } from './axis';

/** A stretch of the scale with its name. */
export interface Band {
  readonly name: string;
  readonly from: number;
  readonly to: number;
}

const LEFT = 20;
const RIGHT = 700;

/** One scale with bands that say what is usual, a stroke for what is needed and a dot for what is there. */
@Component({
  selector: 'gt-ruler',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'ruler-wide' },
  template: `
    <svg viewBox="0 0 720 78" width="100%" role="img" [attr.aria-label]="label()" class="rulers">
      <line [attr.x1]="ends[0]" [attr.x2]="ends[1]" y1="42" y2="42" stroke="var(--gt-hairline)" stroke-width="2" />
      @for (b of stretches(); track b.name) {
        <rect [attr.x]="b.x" y="36" [attr.width]="b.width" height="12" fill="var(--gt-patina-soft)" />
        <text [attr.x]="b.x + b.width / 2" y="66" font-size="13" text-anchor="middle" class="muted">{{ b.name }}</text>
      }
      @for (t of ticks(); track t.value) {
        <line [attr.x1]="t.at" [attr.x2]="t.at" y1="38" y2="46" stroke="var(--gt-muted)" />
        <text [attr.x]="t.at" y="14" font-size="13" text-anchor="middle" class="muted">{{ t.text }}</text>
      }
      <rect [attr.x]="x()(limit()) - 1.5" y="26" width="3" height="32" fill="currentColor" />
      <circle [attr.cx]="x()(mark())" cy="42" r="7" [attr.fill]="met() ? 'var(--gt-leaf)' : 'var(--gt-brick)'" />
    </svg>
  `,
})
export class Ruler {
  readonly unit = input.required<Unit>();
  readonly bands = input<readonly Band[]>([]);
  /** What is there, and what is needed. */
  readonly mark = input.required<number>();
  readonly limit = input.required<number>();
  readonly met = input.required<boolean>();
  /** The whole of it in words. */
  readonly label = input.required<string>();
  protected readonly ends = [LEFT, RIGHT] as const;
  protected readonly x = computed(() =>
    scaleLinear(
      [0, Math.max(...this.bands().map((b) => b.to * 1.2), this.mark() * 1.1, this.limit() * 1.2)],
      [LEFT, RIGHT],
    ),
  );
  protected readonly ticks = computed(() => axisTicks(this.x(), this.unit(), 7));
  protected readonly stretches = computed(() =>
    this.bands().map((b) => ({ name: b.name, x: this.x()(b.from), width: this.x()(b.to) - this.x()(b.from) })),
  );
}
