import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { scaleLinear, scaleLog } from 'd3-scale';
import { line } from 'd3-shape';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { QuantityField } from '../../kit/quantity-field';
import { type ScanPlan, scanFields } from '../../../core/ground/job';
import { formatQuantity } from '../../../core/ground/quantity';
import { hitChance, injectorOf, scanCurves, STROBE_WIDTHS } from '../../../core/engines/scan';
import { scanRead } from '../../../core/build/ways';
import { Bench } from '../../store/bench';
import { Draft } from './draft';

/** How often a controller answers a strobe in time, over the width of the strobe, and how often a press is then seen. */
@Component({
  selector: 'gt-scan-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, QuantityField],
  templateUrl: './scan-plan.html',
})
export class ScanPlanPanel {
  protected readonly fields = scanFields;
  private readonly bench = inject(Bench);
  private readonly draft = inject(Draft);
  protected readonly plan = computed(() => this.draft.press()!.scan);
  protected readonly scan = computed(() => {
    const c = this.draft.context(this.bench.seen().job);
    return c && scanRead(c);
  });
  /** Keys of the pad that the injector can press; none while nothing is decoded. */
  protected readonly keys = computed((): readonly Choice[] => {
    const pad = this.bench.job().survey.keypads.find((k) => k.scan);
    const injector = this.draft.press()?.way === 'logic-injector' && pad ? injectorOf(pad) : null;
    return injector
      ? [['', 'the one called like this press'], ...injector.keys.map((k): Choice => [k.label, k.label])]
      : [];
  });
  protected readonly show = formatQuantity;
  protected readonly x = scaleLog([1e-4, 0.1], [52, 684]);
  protected readonly y = scaleLinear([0, 1], [196, 12]);
  protected readonly ticks = [1e-4, 1e-3, 1e-2, 1e-1];
  private readonly curves = computed(() => scanCurves(this.plan(), this.scan()?.period));
  private readonly path = (chances: readonly number[]): string =>
    line<number>()
      .x((_, i) => this.x(STROBE_WIDTHS[i]!))
      .y((p) => this.y(p))([...chances]) ?? '';
  protected readonly hits = computed(() => this.path(this.curves().hit));
  protected readonly seen = computed(() => this.path(this.curves().seen));
  protected readonly words = computed(
    () =>
      'Chance that one scan is answered in time: ' +
      `${[1e-3, 1e-2, 0.1].map((w) => `${Math.round(100 * hitChance(this.plan(), w))} % at ${formatQuantity(w, 's')}`).join(', ')}`,
  );

  protected write(set: Partial<ScanPlan>): void {
    this.draft.set('press.scan', set);
  }
}
