import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Ruler } from '../../kit/ruler';
import { SliderField } from '../../kit/slider-field';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { QuantityField } from '../../kit/quantity-field';
import { MOUNTS, type FingerPlan, faceFields, fingerFields, freshFace } from '../../../core/ground/job';
import { formatQuantity } from '../../../core/ground/quantity';
import { BUTTON_FORCES } from '../../../core/engines/mechanics';
import type { WayResult } from '../../../core/build/ways';
import { Num } from '../../ui/num';
import { Bench } from '../../store/bench';
import { Draft } from './draft';

const SLIDERS: readonly {
  key: keyof FingerPlan &
    (
      | 'hornMetres'
      | 'axisMetres'
      | 'restDegrees'
      | 'pressDegrees'
      | 'leverMetres'
      | 'padLengthMetres'
      | 'padWidthMetres'
    );
  least: number;
  most: number;
  step: number;
}[] = [
  { key: 'hornMetres', least: 0.005, most: 0.06, step: 0.0005 },
  { key: 'axisMetres', least: 0.002, most: 0.06, step: 0.0005 },
  { key: 'restDegrees', least: -60, most: 60, step: 1 },
  { key: 'pressDegrees', least: 0, most: 89, step: 1 },
  { key: 'leverMetres', least: 0.005, most: 0.12, step: 0.001 },
  { key: 'padLengthMetres', least: 0.01, most: 0.12, step: 0.001 },
  { key: 'padWidthMetres', least: 0.01, most: 0.08, step: 0.001 },
];

/** The finger's geometry by sliders, with a ruler of forces; the drawing above moves with it. */
@Component({
  selector: 'gt-finger-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, Num, QuantityField, Ruler, SliderField],
  templateUrl: './finger-plan.html',
})
export class FingerPlanPanel {
  protected readonly faceFields = faceFields;
  private readonly bench = inject(Bench);
  protected readonly draft = inject(Draft);
  readonly way = input.required<WayResult>();
  readonly control = input.required<string>();
  protected readonly sliders = SLIDERS;
  protected readonly fields = fingerFields;
  protected readonly ons: readonly Choice<FingerPlan['on']>[] = [
    ['button', 'a button, one way'],
    ['rocker', 'a rocker, both ways'],
  ];
  protected readonly mounts = MOUNTS.map((m): Choice<FingerPlan['mount']> => [m, m === 'foam-tape' ? 'foam tape' : m]);
  protected readonly bands = BUTTON_FORCES;
  protected readonly plan = computed(() => this.draft.press()!.finger);
  protected readonly face = computed(() => this.bench.job().survey.faces.find((f) => f.control === this.control()));
  protected readonly force = computed(() => this.way().findings.find((f) => f.id === 'thumb.finger.force'));
  protected readonly has = computed(() => this.force()?.value?.value ?? 0);
  protected readonly need = computed(() => this.force()?.limit?.value ?? 0);
  protected readonly forceWords = computed(
    () => `Force: the tip gives ${formatQuantity(this.has(), 'N')}, ${formatQuantity(this.need(), 'N')} are wanted`,
  );

  protected with(key: keyof FingerPlan, value: number): FingerPlan {
    return { ...this.plan(), [key]: Number(value.toPrecision(6)) };
  }

  protected writeOne(key: keyof FingerPlan, value: number): void {
    this.write({ [key]: this.with(key, value)[key] });
  }

  /** A rocker has two halves: the other one is pressed as far on its side, until somebody says otherwise. */
  protected pressesOn(on: FingerPlan['on']): void {
    const { otherDegrees, restDegrees, pressDegrees } = this.plan();
    const both = on === 'rocker' && otherDegrees === null;
    this.write(both ? { on, otherDegrees: 2 * restDegrees - pressDegrees } : { on });
  }

  protected write(set: Partial<FingerPlan>): void {
    this.draft.hold({ finger: { ...this.plan(), ...set } });
    this.draft.set('press.finger', set);
  }

  /** Force and travel belong to the control's face, which Probe keeps. */
  protected measured(set: { forceNewtons?: number | null; travelMetres?: number | null }): void {
    this.bench.put('survey.faces', { ...(this.face() ?? freshFace(this.control())), ...set });
  }
}
