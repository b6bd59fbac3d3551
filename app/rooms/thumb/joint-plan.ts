import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { ChoiceField, choicesOf, type Choice } from '../../kit/choice-field';
import { QuantityField } from '../../kit/quantity-field';
import { sayChanges, type AnyFields } from '../../../core/ground/field';
import { controlFields, LOGIC_LEVELS, pressFields, type Control } from '../../../core/ground/job';
import { decadeOf, formatQuantity } from '../../../core/ground/quantity';
import type { WayResult } from '../../../core/build/ways';
import { Bench } from '../../store/bench';
import { Draft } from './draft';

const LEVEL_WORDS: Record<Control['levels'], string> = {
  cmos: 'CMOS, 0.3 and 0.7 of the supply',
  ttl: '5 V TTL, 0.8 V and 2.0 V',
  own: 'from its data sheet',
};

/** Where own levels begin: those of 5 V TTL. */
const OWN_LEVELS = { lowBelowVolts: 0.8, highAboveVolts: 2 } as const;

/** What can be set of a circuit between a pin and two terminals: its resistor, and what the machine takes for low and high. */
@Component({
  selector: 'gt-joint-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, QuantityField],
  templateUrl: './joint-plan.html',
})
export class JointPlan {
  private readonly bench = inject(Bench);
  protected readonly draft = inject(Draft);
  readonly way = input.required<WayResult>();
  readonly control = input.required<Control>();
  protected readonly fields = pressFields;
  protected readonly controlFields = controlFields;
  protected readonly levelKinds = LOGIC_LEVELS.map((l): Choice<Control['levels']> => [l, LEVEL_WORDS[l]]);
  protected readonly feedKinds = choicesOf<Control['feeds']>(controlFields.feeds);
  /** What can be bought, from 100 Ω to 10 kΩ. */
  protected readonly preferred = [100, 1000].flatMap((d) =>
    decadeOf('E12').map((m) => formatQuantity(Number((m * d).toPrecision(3)), 'Ω')),
  );
  /** Where none is typed, the way's own stands. */
  protected readonly computedResistor = computed(() => {
    const ohms = this.way().press.resistorOhms;
    return ohms === null ? '' : `${formatQuantity(ohms, 'Ω')}, computed`;
  });

  protected resistor(ohms: number | null): void {
    this.draft.set(
      'press',
      { resistorOhms: ohms },
      ohms === null ? 'series resistor as computed' : `series resistor ${formatQuantity(ohms, 'Ω')}`,
    );
  }

  protected levels(levels: Control['levels']): void {
    const set = levels === 'own' ? { levels, ...OWN_LEVELS } : { levels };
    this.bench.edit({ do: 'change-control', id: this.control().id, set, say: `input levels: ${LEVEL_WORDS[levels]}` });
  }

  protected feeds(feeds: Control['feeds']): void {
    const set = { feeds };
    this.bench.edit({
      do: 'change-control',
      id: this.control().id,
      set,
      say: sayChanges(controlFields as unknown as AnyFields, { ...this.control() }, { ...this.control(), ...set }),
    });
  }

  protected own(set: Partial<Pick<Control, 'lowBelowVolts' | 'highAboveVolts'>>): void {
    this.bench.edit({
      do: 'change-control',
      id: this.control().id,
      set,
      say: `input levels: ${sayChanges(controlFields as unknown as AnyFields, { ...this.control() }, { ...this.control(), ...set })}`,
    });
  }
}
