import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { HAND_METER, isStated, type Meter, meterFields } from '../../../core/job';
import { Bench } from '../../store/bench';
import { QuantityField } from '../../ui/quantity-field';
import { TwoColumns } from '../../ui/two-columns';
import { PartsNav } from './parts-nav';

/** The meter in hand: every judgement about a reading rests on its accuracy and on what it does to the circuit. */
@Component({
  selector: 'gt-meter-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, PartsNav, QuantityField, TwoColumns],
  templateUrl: './meter-part.html',
})
export class MeterPart {
  protected readonly fields = meterFields;
  private readonly bench = inject(Bench);
  protected readonly meter = computed(() => this.bench.job().survey.meter);
  protected readonly stated = computed(() => isStated(this.meter()));
  protected readonly top = computed(() => `${(this.meter().mostOhms / 1e6).toPrecision(2)} MΩ`);

  protected set(part: Partial<Meter>): void {
    this.bench.set('survey.meter', { ...part, stated: true });
  }

  protected usual(): void {
    this.set({ ...HAND_METER });
  }
}
