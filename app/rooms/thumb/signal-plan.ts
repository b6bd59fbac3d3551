import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, viewChildren } from '@angular/core';
import { FormControl } from '@angular/forms';
import { scaleLinear } from 'd3-scale';
import { Cell, Table, type Column } from '../../kit/table';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { QuantityField } from '../../kit/quantity-field';
import { Action } from '../../kit/action';
import { maybeQuantity } from '../../../core/ground/field';
import { KNOBS, type SignalPlan, signalFields } from '../../../core/ground/job';
import { formatQuantity } from '../../../core/ground/quantity';
import { fitLine } from '../../../core/engines/signal';
import { KNOB_WORDS } from '../../../core/build/ways';
import { axisTicks } from '../../kit/axis';
import { Draft } from './draft';

/** A taken-over drive signal: readings of step against value with the line through them, and what the old knob still does. */
@Component({
  selector: 'gt-signal-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, Cell, ChoiceField, MatButton, QuantityField, Table],
  templateUrl: './signal-plan.html',
  styles:
    '.two { display: grid; grid-template-columns: 1fr 1fr; gap: 18px; align-items: start; } .tiny { ' +
    'width: 96px; } @media (max-width: 700px) { .two { grid-template-columns: 1fr; } }',
})
export class SignalPlanPanel {
  protected readonly fields = signalFields;
  private readonly draft = inject(Draft);
  protected readonly knobs = KNOBS.map((k): Choice<SignalPlan['knob']> => [k, KNOB_WORDS[k].name]);
  protected readonly whats: readonly Choice<SignalPlan['what']>[] = [
    ['level', 'level in volts'],
    ['frequency', 'frequency of pulses'],
  ];
  protected readonly enables: readonly Choice<SignalPlan['enable']>[] = [
    ['none', 'there is none'],
    ['high', 'on while high'],
    ['low', 'on while low'],
  ];
  /** A new reading: empty until both are typed. */
  protected readonly step = new FormControl<number | null>(null);
  protected readonly at = new FormControl<number | null>(null);
  protected readonly stepField = maybeQuantity('step', '1', { least: -1e6, most: 1e6, hint: '3' });
  protected readonly valueField = computed(() =>
    maybeQuantity('value', this.unit(), { least: -1e9, most: 1e9, hint: this.unit() === 'V' ? '2.4 V' : '118 Hz' }),
  );
  private readonly form = viewChildren(QuantityField);
  protected readonly columns = computed((): readonly Column<SignalPlan['points'][number]>[] => [
    { key: 'step', head: 'step', number: true, text: (p) => String(p.step) },
    {
      key: 'value',
      head: this.unit() === 'V' ? 'volts' : 'hertz',
      number: true,
      text: (p) => formatQuantity(p.value, this.unit()),
    },
    { key: 'drop', head: '' },
  ]);
  protected readonly plan = computed(() => this.draft.press()!.signal);
  protected readonly unit = computed(() => (this.plan().what === 'level' ? ('V' as const) : ('Hz' as const)));
  protected readonly line = computed(() => fitLine(this.plan().points));
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
  protected readonly xTicks = computed(() => axisTicks(this.x(), '1', 5));
  protected readonly yTicks = computed(() => axisTicks(this.y(), this.unit(), 4));
  protected readonly words = computed(
    () =>
      `${this.plan().points.length} readings of step against ` +
      `${this.unit()}${this.line() ? `, ${formatQuantity(this.line()!.gain, this.unit())} for one step` : ''}`,
  );

  protected add(): void {
    const [step, value] = [this.step.value, this.at.value];
    if (step === null || value === null || this.step.invalid || this.at.invalid) {
      for (const [control, v] of [
        [this.step, step],
        [this.at, value],
      ] as const)
        if (v === null && control.valid) control.setErrors({ wanted: 'a number is wanted here' });
      this.step.markAsDirty();
      this.at.markAsDirty();
      return;
    }
    this.write({ points: [...this.plan().points, { step, value }].sort((a, b) => a.step - b.step) });
    this.step.reset();
    this.at.reset();
    this.form()
      .find((q) => q.control() === this.step)
      ?.focus();
  }

  protected drop(i: number): void {
    this.write({ points: this.plan().points.filter((_, k) => k !== i) });
  }

  protected write(set: Partial<SignalPlan>): void {
    this.draft.set('press.signal', set);
  }
}
