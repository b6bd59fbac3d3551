import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { drawRewiring } from '../../../core/draw';
import { type HandPlan, handFields } from '../../../core/job';
import { Bench } from '../../store/bench';
import { JointDrawing } from '../../ui/joint-drawing';
import { Num } from '../../ui/num';
import { QuantityField } from '../../ui/quantity-field';

/** A motor on a hand mechanism: torque, travel, the fits of its coupling, and a stepper's winding before and after its tap is cut. */
@Component({
  selector: 'gt-hand-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [JointDrawing, Num, QuantityField, RouterLink],
  templateUrl: './hand-plan.html',
  styles: '.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 18px; }',
})
export class HandPlanPanel {
  protected readonly fields = handFields;
  private readonly bench = inject(Bench);
  protected readonly plan = computed(() => this.bench.job().thumb.hand);
  protected readonly pieces = computed(() => this.bench.job().survey.pieces);
  protected readonly before = drawRewiring()[0];
  protected readonly after = drawRewiring()[1];
  /** Each fit with its finding, which the core made. */
  protected readonly fits = computed(() =>
    this.plan().fits.map(({ inner, outer }, i) => {
      const name = (id: string): string => this.pieces().find((p) => p.id === id)?.name ?? 'gone';
      return {
        inner: name(inner),
        outer: name(outer),
        finding: this.bench.findings('thumb').find((f) => f.id === `thumb.hand-mechanism.fit-${i}`),
      };
    }),
  );

  protected add(inner: string, outer: string): void {
    if (inner !== outer) this.write({ fits: [...this.plan().fits, { inner, outer }] });
  }

  protected drop(i: number): void {
    this.write({ fits: this.plan().fits.filter((_, k) => k !== i) });
  }

  protected write(set: Partial<HandPlan>): void {
    this.bench.set('thumb.hand', set);
  }
}
