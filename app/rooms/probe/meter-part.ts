import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { TextField } from '../../kit/text-field';
import { QuantityField } from '../../kit/quantity-field';
import { Action } from '../../kit/action';
import { formatQuantity } from '../../../core/ground/quantity';
import { HAND_METER, isStated, type Meter, meterFields } from '../../../core/ground/job';
import { Bench } from '../../store/bench';
import { TwoColumns } from '../../ui/two-columns';
import { PartsNav } from './parts-nav';

/** The meter in hand: every judgement about a reading rests on its accuracy and on what it does to the circuit. */
@Component({
  selector: 'gt-meter-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, ChoiceField, MatButton, PartsNav, QuantityField, TextField, TwoColumns],
  templateUrl: './meter-part.html',
})
export class MeterPart {
  protected readonly fields = meterFields;
  protected readonly acKinds: readonly Choice<boolean>[] = [
    [true, 'true r.m.s.'],
    [false, 'averaging, scaled for sine'],
  ];
  private readonly bench = inject(Bench);
  protected readonly meter = computed(() => this.bench.job().survey.meter);
  protected readonly stated = computed(() => isStated(this.meter()));
  protected readonly top = computed(() => formatQuantity(this.meter().mostOhms, 'Ω'));

  protected set(part: Partial<Meter>): void {
    this.bench.set('survey.meter', { ...part, stated: true });
  }

  protected usual(): void {
    this.set({ ...HAND_METER });
  }
}
