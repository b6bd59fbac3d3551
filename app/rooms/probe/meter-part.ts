import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { HAND_METER, isStated, type Meter } from '../../../core/job';
import { Bench } from '../../store/bench';
import { QuantityField } from '../../ui/quantity-field';
import { TwoColumns } from '../../ui/two-columns';
import { PartsNav } from './parts-nav';

/** The meter in hand: every judgement about a reading rests on its accuracy and on what it does to the circuit. */
@Component({
  selector: 'gt-meter-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, PartsNav, QuantityField, TwoColumns],
  template: `
    <gt-two-columns>
      <div do>
        <gt-parts-nav />
        <h2>The meter in hand</h2>
        <div class="fields">
          <label class="field"><span>What it is</span><input #n type="text" maxlength="200" [value]="meter().name" (change)="set({ name: n.value.trim() || meter().name }, 'name')" /></label>
          <gt-quantity label="Volts DC: percent of reading" unit="%" [value]="meter().voltsShare * 100" (changed)="share('voltsShare', $event)" />
          <gt-quantity label="and last digits" unit="1" [value]="meter().voltsDigits" (changed)="plain('voltsDigits', $event)" />
          <gt-quantity label="Other settings: percent" unit="%" [value]="meter().otherShare * 100" (changed)="share('otherShare', $event)" />
          <gt-quantity label="and last digits" unit="1" [value]="meter().otherDigits" (changed)="plain('otherDigits', $event)" />
          <gt-quantity label="Input resistance on volts" unit="Ω" [value]="meter().inputOhms" [least]="10000" (changed)="plain('inputOhms', $event)" />
          <gt-quantity label="Resistance of the mA jack" unit="Ω" [value]="meter().burdenOhms" [least]="0.001" (changed)="plain('burdenOhms', $event)" />
          <gt-quantity label="Top of the ohms range" unit="Ω" [value]="meter().mostOhms" [least]="1000" (changed)="plain('mostOhms', $event)" />
          <gt-quantity label="Beeps below" unit="Ω" [value]="meter().beepBelowOhms" [least]="1" (changed)="plain('beepBelowOhms', $event)" />
          <label class="field"><span>AC volts</span><select #t [value]="meter().trueRms ? 'true' : 'mean'" (change)="set({ trueRms: t.value === 'true' }, 'AC setting')"><option value="true">true r.m.s.</option><option value="mean">averaging, scaled for sine</option></select></label>
        </div>
        <button mat-stroked-button type="button" (click)="usual()">It is a common hand-held meter like this</button>
        @if (!stated()) { <p class="muted" data-unstated>Nobody said what is in hand: a usual meter stands in, and the candidates allow for one with a tenth of its input, which costs certainty. Change what differs, or say that it is one like this.</p> }
      </div>
      <div know>
        <h3>What it does to a reading</h3>
        <p>A line behind a pull-up reads a little low, since the meter’s own input draws from it. The estimates take that out; the candidates are judged with it in.</p>
        <p>An ohms display that ends at {{ top() }} can prove isolation only up to there.</p>
        <p class="muted">The numbers stand in the meter’s leaflet as “± (percent + digits)”.</p>
      </div>
    </gt-two-columns>
  `,
})
export class MeterPart {
  private readonly bench = inject(Bench);
  protected readonly meter = computed(() => this.bench.job().survey.meter);
  protected readonly stated = computed(() => isStated(this.meter()));
  protected readonly top = computed(() => `${(this.meter().mostOhms / 1e6).toPrecision(2)} MΩ`);

  protected set(part: Partial<Meter>, what: string): void {
    this.bench.change('survey', { meter: { ...this.meter(), ...part, stated: true } }, `meter: ${what}`);
  }

  protected share(key: 'voltsShare' | 'otherShare', percent: number | null): void {
    if (percent !== null && percent <= 20) this.set({ [key]: percent / 100 }, `${percent} % of reading`);
  }

  protected plain(key: 'voltsDigits' | 'otherDigits' | 'inputOhms' | 'burdenOhms' | 'mostOhms' | 'beepBelowOhms', value: number | null): void {
    if (value !== null) this.set({ [key]: value }, key.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`));
  }

  protected usual(): void {
    this.set({ ...HAND_METER }, HAND_METER.name);
  }
}
