import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { FormControl } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Cell, Table, type Column } from '../../kit/table';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { QuantityField } from '../../kit/quantity-field';
import { Action } from '../../kit/action';
import { drawRewiring } from '../../../core/house/draw';
import { type HandPlan, handFields } from '../../../core/ground/job';
import { Bench } from '../../store/bench';
import { Draft } from './draft';
import { JointDrawing } from '../../ui/joint-drawing';
import { Num } from '../../ui/num';

/** A motor on a hand mechanism: torque, travel, the fits of its coupling, and a stepper's winding before and after its tap is cut. */
@Component({
  selector: 'gt-hand-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, Cell, CheckField, ChoiceField, JointDrawing, MatButton, Num, QuantityField, RouterLink, Table],
  templateUrl: './hand-plan.html',
  styles: '.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 18px; }',
})
export class HandPlanPanel {
  protected readonly fields = handFields;
  private readonly bench = inject(Bench);
  private readonly draft = inject(Draft);
  protected readonly plan = computed(() => this.draft.press()!.hand);
  protected readonly pieces = computed(() => this.bench.job().survey.pieces);
  protected readonly names = computed(() => this.pieces().map((p): Choice => [p.id, p.name]));
  protected readonly inner = new FormControl('', { nonNullable: true });
  protected readonly outer = new FormControl('', { nonNullable: true });
  protected readonly drives: readonly Choice<HandPlan['drive']>[] = [
    ['tube', 'a tube that lifts'],
    ['crank', 'a crank'],
  ];
  protected readonly motors: readonly Choice<HandPlan['motor']>[] = [
    ['gear-motor', 'DC gear motor'],
    ['stepper', 'stepper'],
  ];
  protected readonly columns: readonly Column<ReturnType<typeof this.fits>[number]>[] = [
    { key: 'inner', head: 'inner', text: (f) => f.inner },
    { key: 'outer', head: 'outer', text: (f) => f.outer },
    { key: 'play', head: 'play', number: true },
    { key: 'so', head: 'so it', text: (f) => f.finding?.caption ?? '' },
    { key: 'drop', head: '' },
  ];
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

  constructor() {
    // The first two pieces are offered as the first fit.
    effect(() => {
      const [first] = this.pieces();
      const last = this.pieces().at(-1);
      if (!this.inner.value && first) this.inner.setValue(first.id);
      if (!this.outer.value && last) this.outer.setValue(last.id);
    });
  }

  protected add(): void {
    const [inner, outer] = [this.inner.value, this.outer.value];
    if (inner && outer && inner !== outer) this.write({ fits: [...this.plan().fits, { inner, outer }] });
  }

  protected drop(i: number): void {
    this.write({ fits: this.plan().fits.filter((_, k) => k !== i) });
  }

  protected write(set: Partial<HandPlan>): void {
    this.draft.set('press.hand', set);
  }
}
