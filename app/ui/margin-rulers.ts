import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import type { Finding } from '../../core/ground/finding';
import { formatQuantity } from '../../core/ground/quantity';
import { Glyph } from './glyph';
import { Num } from './num';
import { partSettled, SettledLine } from './settled-line';

const SPAN = {
  settled: 'var(--gt-leaf-soft)',
  tight: 'var(--gt-brass-soft)',
  stop: 'var(--gt-brick-soft)',
  unknown: 'var(--gt-band)',
} as const;
const DOT = {
  settled: 'var(--gt-leaf)',
  tight: 'var(--gt-brass)',
  stop: 'var(--gt-brick)',
  unknown: 'var(--gt-slate)',
} as const;

/** Margins as small rulers: needed as a tick, available as a dot, the span between them is the margin. */
@Component({
  selector: 'gt-margin-rulers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Glyph, NgTemplateOutlet, Num, SettledLine],
  template: `
    <ul class="ruler-list">
      @for (r of open(); track r.finding.id) {
        <ng-container *ngTemplateOutlet="one; context: { $implicit: r }" />
      }
    </ul>
    @if (settled().length) {
      <details class="folded" data-settled>
        <summary><gt-settled-line [findings]="folded()" words="margins hold" /></summary>
        <ul class="ruler-list">
          @for (r of settled(); track r.finding.id) {
            <ng-container *ngTemplateOutlet="one; context: { $implicit: r }" />
          }
        </ul>
      </details>
    }

    <ng-template #one let-r>
      <li>
        <gt-glyph [verdict]="r.finding.verdict" />
        <span
          >{{ r.finding.title }}<span class="sr">, {{ r.words }}</span></span
        >
        <svg class="ruler" viewBox="0 0 300 22" width="100%" height="22" preserveAspectRatio="none" aria-hidden="true">
          <line x1="0" x2="300" y1="11" y2="11" stroke="var(--gt-hairline)" stroke-width="2" />
          <rect [attr.x]="r.from" y="7" [attr.width]="r.width" height="8" [attr.fill]="r.fill" />
          <rect [attr.x]="r.limit - 1" y="2" width="2.5" height="18" fill="currentColor" />
          <ellipse [attr.cx]="r.value" cy="11" rx="5.5" ry="5.5" [attr.fill]="r.dot" />
        </svg>
        <span class="right"><gt-num [finding]="r.finding" /></span>
      </li>
    </ng-template>
  `,
})
export class MarginRulers {
  readonly findings = input.required<readonly Finding[]>();
  /** Whether those that are settled are folded to one line. */
  readonly folds = input(true);
  private readonly rows = computed(() =>
    this.findings()
      .filter((f) => f.limit && f.value)
      .map((finding) => {
        const [value, limit] = [finding.value!.value, finding.limit!.value];
        const reach = Math.max(value, limit) * 1.25 || 1;
        const scale = scaleLinear([Math.min(0, value * 1.1), Math.min(reach, limit * 6)], [8, 292]).clamp(true);
        const [a, b] = [scale(value), scale(limit)];
        return {
          finding,
          value: a,
          limit: b,
          from: Math.min(a, b),
          width: Math.abs(a - b),
          fill: SPAN[finding.verdict],
          dot: DOT[finding.verdict],
          words: `${finding.limit!.sense} ${formatQuantity(limit, finding.limit!.unit)}`,
        };
      }),
  );
  private readonly parted = computed(() =>
    this.folds() ? partSettled(this.rows(), (r) => r.finding) : { open: this.rows(), settled: [] },
  );
  protected readonly open = computed(() => this.parted().open);
  protected readonly settled = computed(() => this.parted().settled);
  protected readonly folded = computed(() => this.settled().map((r) => r.finding));
}
