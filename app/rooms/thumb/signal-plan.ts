import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { KNOBS, type SignalPlan, signalFields } from '../../../core/job';
import { formatQuantity, parseQuantity } from '../../../core/quantity';
import { fitLine } from '../../../core/signal';
import { KNOB_WORDS } from '../../../core/ways';
import { Bench } from '../../store/bench';
import { QuantityField } from '../../ui/quantity-field';

/** A taken-over drive signal: readings of step against value with the line through them, and what the old knob still does. */
@Component({
  selector: 'gt-signal-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [QuantityField],
  templateUrl: './signal-plan.html',
  styles:
    '.two { display: grid; grid-template-columns: 1fr 1fr; gap: 18px; align-items: start; } .tiny { ' +
    'width: 96px; } @media (max-width: 700px) { .two { grid-template-columns: 1fr; } }',
})
export class SignalPlanPanel {
  protected readonly fields = signalFields;
  private readonly bench = inject(Bench);
  protected readonly knobs = KNOB_WORDS;
  protected readonly knobKeys = KNOBS;
  protected readonly trouble = signal('');
  protected readonly plan = computed(() => this.bench.job().thumb.signal);
  protected readonly unit = computed(() => (this.plan().what === 'level' ? ('V' as const) : ('Hz' as const)));
  protected readonly line = computed(() => fitLine(this.plan().points));
  protected readonly rows = computed(() =>
    this.plan().points.map((p) => ({ step: p.step, value: formatQuantity(p.value, this.unit()) })),
  );
  protected readonly most = computed(() => Math.max(1, this.plan().topStep, ...this.plan().points.map((p) => p.step)));
  protected readonly x = computed(() => scaleLinear([0, this.most()], [40, 326]));
  protected readonly y = computed(() =>
    scaleLinear(
      [
        0,
        Math.max(
          1e-3,
          ...this.plan().points.map((p) => p.value),
          (this.line()?.offset ?? 0) + (this.line()?.gain ?? 0) * this.most(),
        ),
      ],
      [190, 14],
    ),
  );
  protected readonly words = computed(
    () =>
      `${this.plan().points.length} readings of step against ` +
      `${this.unit()}${this.line() ? `, ${formatQuantity(this.line()!.gain, this.unit())} for one step` : ''}`,
  );

  protected add(step: HTMLInputElement, value: HTMLInputElement): void {
    const parsed = parseQuantity(value.value, this.unit());
    if (!Number.isFinite(step.valueAsNumber)) return this.trouble.set('Which step? A number such as 3.');
    if (!parsed.ok)
      return this.trouble.set(`The value was not understood at character ${parsed.at + 1}: ${parsed.message}`);
    this.trouble.set('');
    this.write({
      points: [...this.plan().points, { step: step.valueAsNumber, value: parsed.quantity.value }].sort(
        (a, b) => a.step - b.step,
      ),
    });
    step.value = value.value = '';
    step.focus();
  }

  protected drop(i: number): void {
    this.write({ points: this.plan().points.filter((_, k) => k !== i) });
  }

  protected write(set: Partial<SignalPlan>): void {
    this.bench.set('thumb.signal', set);
  }
}
