import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { LOGIC_LEVELS, type Control } from '../../../core/job';
import { decadeOf, formatQuantity, parseQuantity } from '../../../core/quantity';
import type { WayResult } from '../../../core/ways';
import { Bench } from '../../store/bench';

const LEVEL_WORDS: Record<Control['levels'], string> = {
  cmos: 'CMOS, 0.3 and 0.7 of the supply',
  ttl: '5 V TTL, 0.8 V and 2.0 V',
  own: 'from its data sheet',
};

/** What can be set of a circuit between a pin and two terminals: its resistor, and what the machine takes for low and high. */
@Component({
  selector: 'gt-joint-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './joint-plan.html',
})
export class JointPlan {
  private readonly bench = inject(Bench);
  readonly way = input.required<WayResult>();
  readonly control = input.required<Control>();
  protected readonly levelKinds = LOGIC_LEVELS;
  protected readonly levelWords = LEVEL_WORDS;
  protected readonly preferred = [100, 1000].flatMap((d) =>
    decadeOf('E12').map((m) => String(Number((m * d).toPrecision(3)))),
  );
  protected readonly resistor = computed(
    () => this.bench.job().thumb.resistorOhms ?? this.way().press.resistorOhms ?? '',
  );

  protected setResistor(box: HTMLInputElement): void {
    const parsed = box.value.trim() ? parseQuantity(box.value, 'Ω') : null;
    const bad = parsed && (!parsed.ok || !(parsed.quantity.value > 0));
    box.setCustomValidity(bad ? (parsed.ok ? 'A resistor has more than 0 Ω.' : parsed.message) : '');
    box.reportValidity();
    if (bad) return;
    const ohms = parsed?.ok ? parsed.quantity.value : null;
    this.bench.set(
      'thumb',
      { resistorOhms: ohms },
      ohms === null ? 'series resistor as computed' : `series resistor ${formatQuantity(ohms, 'Ω')}`,
    );
  }

  protected levels(kind: string): void {
    const levels = LOGIC_LEVELS.find((l) => l === kind) ?? 'cmos';
    const set = levels === 'own' ? { levels, lowBelowVolts: 0.8, highAboveVolts: 2 } : { levels };
    this.bench.edit({ do: 'change-control', id: this.control().id, set, say: `input levels: ${LEVEL_WORDS[levels]}` });
  }

  protected own(key: 'lowBelowVolts' | 'highAboveVolts', volts: number): void {
    if (volts >= 0)
      this.bench.edit({
        do: 'change-control',
        id: this.control().id,
        set: { [key]: volts },
        say: `${key === 'lowBelowVolts' ? 'low below' : 'high above'} ${volts} V`,
      });
  }
}
