import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { scaleLinear, scaleLog } from 'd3-scale';
import { line } from 'd3-shape';
import type { ScanPlan } from '../../../core/job';
import { formatQuantity } from '../../../core/quantity';
import { hitChance, runChance } from '../../../core/scan';
import { wayContext } from '../../../core/thumb';
import { scanOf } from '../../../core/ways';
import { Bench } from '../../store/bench';
import { QuantityField } from '../../ui/quantity-field';

const WIDTHS = Array.from({ length: 121 }, (_, i) => 1e-4 * 1000 ** (i / 120));

/** How often a controller answers a strobe in time, over the width of the strobe, and how often a press is then seen. */
@Component({
  selector: 'gt-scan-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [QuantityField],
  template: `
    <section>
      <h3>Answers in time, over the width of the strobe</h3>
      <svg viewBox="0 0 720 230" width="100%" role="img" [attr.aria-label]="words()" class="rulers">
        @for (t of ticks; track t) { <line [attr.x1]="x(t)" [attr.x2]="x(t)" y1="10" y2="196" stroke="var(--gt-hairline)" /><text [attr.x]="x(t)" y="214" font-size="13" text-anchor="middle" class="muted">{{ show(t, 's') }}</text> }
        @for (t of [0, 0.5, 1]; track t) { <text x="46" [attr.y]="y(t) + 4" font-size="13" text-anchor="end" class="muted">{{ 100 * t }} %</text> }
        <path [attr.d]="hits()" fill="none" stroke="currentColor" stroke-width="2" /><path [attr.d]="seen()" fill="none" stroke="var(--gt-patina)" stroke-width="2.4" stroke-dasharray="7 4" />
        @if (scan(); as s) { <line [attr.x1]="x(s.width)" [attr.x2]="x(s.width)" y1="6" y2="196" stroke="var(--gt-brass)" stroke-width="2.4" /><text [attr.x]="x(s.width) + 6" y="188" font-size="14">this pad, {{ show(s.width, 's') }}</text> }
      </svg>
      <p class="muted">Plain: one scan is answered in time. Broken: a press of {{ show(plan().holdSeconds, 's') }} is seen, with {{ plan().scansNeeded }} scans wanted in a row.</p>
      <div class="fields">
        <gt-quantity label="Usual response of the controller" unit="s" [value]="plan().medianSeconds" [least]="1e-9" (changed)="write({ medianSeconds: $event ?? 2e-3 }, 'usual response')" />
        <gt-quantity label="95 % respond within" unit="s" [value]="plan().mostSeconds" [least]="1e-9" (changed)="write({ mostSeconds: $event ?? 8e-3 }, 'late response')" />
        <gt-quantity label="It looks before the strobe ends by" unit="s" [value]="plan().leadSeconds" (changed)="write({ leadSeconds: $event ?? 0 }, 'sampling lead')" />
        <gt-quantity label="Scans it wants in a row" unit="1" [value]="plan().scansNeeded" [least]="1" (changed)="write({ scansNeeded: whole($event) }, 'scans in a row')" />
        <gt-quantity label="Length of the press" unit="s" [value]="plan().holdSeconds" [least]="1e-3" (changed)="write({ holdSeconds: $event ?? 0.3 }, 'length of the press')" />
      </div>
    </section>
  `,
})
export class ScanPlanPanel {
  private readonly bench = inject(Bench);
  protected readonly plan = computed(() => this.bench.job().thumb.scan);
  protected readonly scan = computed(() => {
    const c = wayContext(this.bench.job(), this.bench.assessment().facts);
    return c && scanOf(c);
  });
  protected readonly show = formatQuantity;
  protected readonly x = scaleLog([1e-4, 0.1], [52, 684]);
  protected readonly y = scaleLinear([0, 1], [196, 12]);
  protected readonly ticks = [1e-4, 1e-3, 1e-2, 1e-1];
  protected readonly whole = (n: number | null): number => Math.min(1000, Math.max(1, Math.round(n ?? 3)));
  private readonly chances = computed(() => WIDTHS.map((w) => hitChance(this.plan(), w)));
  protected readonly hits = computed(() => line<number>().x((_, i) => this.x(WIDTHS[i]!)).y((p) => this.y(p))(this.chances()) ?? '');
  protected readonly seen = computed(() => {
    const trials = Math.floor(this.plan().holdSeconds / (this.scan()?.period ?? 16e-3));
    return line<number>().x((_, i) => this.x(WIDTHS[i]!)).y((p) => this.y(runChance(p, this.plan().scansNeeded, trials)))(this.chances()) ?? '';
  });
  protected readonly words = computed(() => `Chance that one scan is answered in time: ${[1e-3, 1e-2, 0.1].map((w) => `${Math.round(100 * hitChance(this.plan(), w))} % at ${formatQuantity(w, 's')}`).join(', ')}`);

  protected write(set: Partial<ScanPlan>, what: string): void {
    this.bench.change('thumb', { scan: { ...this.plan(), ...set } }, `scanned key: ${what}`);
  }
}
