import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { KNOBS, type SignalPlan } from '../../../core/job';
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
  template: `
    <section>
      <h3>The signal</h3>
      <div class="two">
        <div>
          <table class="values">
            <tr><th scope="col">step</th><th scope="col">{{ plan().what === 'level' ? 'volts' : 'hertz' }}</th><th></th></tr>
            @for (p of rows(); track $index; let i = $index) { <tr><td class="mono">{{ p.step }}</td><td class="mono">{{ p.value }}</td><td><button type="button" class="link quiet" [attr.aria-label]="'Drop the reading at step ' + p.step" (click)="drop(i)">drop</button></td></tr> }
          </table>
          <form class="answers" (submit)="$event.preventDefault(); add(step, value)">
            <input #step type="number" step="any" class="tiny" aria-label="Step of the reading" placeholder="step" />
            <input #value type="text" class="tiny" [attr.aria-label]="'Value at that step, ' + unit()" [placeholder]="plan().what === 'level' ? '2.4 V' : '118 Hz'" />
            <button type="submit" class="key">add</button>
          </form>
          @if (trouble()) { <p class="parted-words" role="alert">{{ trouble() }}</p> }
        </div>
        <svg viewBox="0 0 340 220" width="100%" role="img" [attr.aria-label]="words()" class="rulers">
          <line x1="40" x2="330" y1="190" y2="190" stroke="var(--gt-hairline)" /><line x1="40" x2="40" y1="10" y2="190" stroke="var(--gt-hairline)" />
          @for (t of x().ticks(5); track t) { <text [attr.x]="x()(t)" y="208" font-size="13" text-anchor="middle" class="muted">{{ t }}</text> }
          @for (t of y().ticks(4); track t) { <text x="36" [attr.y]="y()(t) + 4" font-size="13" text-anchor="end" class="muted">{{ t }}</text> }
          @if (line(); as l) { <line [attr.x1]="x()(0)" [attr.y1]="y()(l.offset)" [attr.x2]="x()(most())" [attr.y2]="y()(l.offset + l.gain * most())" stroke="var(--gt-patina)" stroke-width="2" /> }
          @for (p of plan().points; track $index) { <circle [attr.cx]="x()(p.step)" [attr.cy]="y()(p.value)" r="5" fill="currentColor" /> }
        </svg>
      </div>
      <div class="fields">
        <label class="field"><span>It is a</span><select #w [value]="plan().what" (change)="write({ what: $any(w.value) }, w.value)"><option value="level">level in volts</option><option value="frequency">frequency of pulses</option></select></label>
        <gt-quantity label="Highest step asked for" unit="1" [value]="plan().topStep" (changed)="write({ topStep: $event ?? 0 }, 'highest step')" />
        <gt-quantity label="High level of the original" unit="V" [value]="plan().highVolts" [least]="0.5" (changed)="write({ highVolts: $event ?? 5 }, 'high level')" />
        <gt-quantity label="Its input’s resistance" unit="Ω" [value]="plan().loadOhms" [least]="1" (changed)="write({ loadOhms: $event ?? 10000 }, 'load')" />
        <label class="field"><span>Enable line</span><select #e [value]="plan().enable" (change)="write({ enable: $any(e.value) }, 'enable ' + e.value)"><option value="none">there is none</option><option value="high">on while high</option><option value="low">on while low</option></select></label>
        <gt-quantity label="Pulses back, high level" unit="V" [value]="plan().returnVolts" hint="none" (changed)="write({ returnVolts: $event }, 'pulses back')" />
        @if (plan().what === 'level') { <gt-quantity label="Pulse width output of the pin" unit="Hz" [value]="plan().pwmHertz" [least]="1" (changed)="write({ pwmHertz: $event ?? 1000 }, 'pulse frequency')" /> }
        <label class="field"><span>The old knob</span><select #k [value]="plan().knob" (change)="write({ knob: $any(k.value) }, 'old knob: ' + k.selectedOptions[0]!.text)">@for (o of knobKeys; track o) { <option [value]="o" [selected]="o === plan().knob">{{ knobs[o].name }}</option> }</select></label>
      </div>
    </section>
  `,
  styles: '.two { display: grid; grid-template-columns: 1fr 1fr; gap: 18px; align-items: start; } .tiny { width: 96px; } @media (max-width: 700px) { .two { grid-template-columns: 1fr; } }',
})
export class SignalPlanPanel {
  private readonly bench = inject(Bench);
  protected readonly knobs = KNOB_WORDS;
  protected readonly knobKeys = KNOBS;
  protected readonly trouble = signal('');
  protected readonly plan = computed(() => this.bench.job().thumb.signal);
  protected readonly unit = computed(() => (this.plan().what === 'level' ? ('V' as const) : ('Hz' as const)));
  protected readonly line = computed(() => fitLine(this.plan().points));
  protected readonly rows = computed(() => this.plan().points.map((p) => ({ step: p.step, value: formatQuantity(p.value, this.unit()) })));
  protected readonly most = computed(() => Math.max(1, this.plan().topStep, ...this.plan().points.map((p) => p.step)));
  protected readonly x = computed(() => scaleLinear([0, this.most()], [40, 326]));
  protected readonly y = computed(() => scaleLinear([0, Math.max(1e-3, ...this.plan().points.map((p) => p.value), (this.line()?.offset ?? 0) + (this.line()?.gain ?? 0) * this.most())], [190, 14]));
  protected readonly words = computed(() => `${this.plan().points.length} readings of step against ${this.unit()}${this.line() ? `, ${formatQuantity(this.line()!.gain, this.unit())} for one step` : ''}`);

  protected add(step: HTMLInputElement, value: HTMLInputElement): void {
    const parsed = parseQuantity(value.value, this.unit());
    if (!Number.isFinite(step.valueAsNumber)) return this.trouble.set('Which step? A number such as 3.');
    if (!parsed.ok) return this.trouble.set(`The value was not understood at character ${parsed.at + 1}: ${parsed.message}`);
    this.trouble.set('');
    this.write({ points: [...this.plan().points, { step: step.valueAsNumber, value: parsed.quantity.value }].sort((a, b) => a.step - b.step) }, `step ${step.value} is ${formatQuantity(parsed.quantity.value, this.unit())}`);
    step.value = value.value = '';
    step.focus();
  }

  protected drop(i: number): void {
    this.write({ points: this.plan().points.filter((_, k) => k !== i) }, 'a reading dropped');
  }

  protected write(set: Partial<SignalPlan>, what: string): void {
    this.bench.change('thumb', { signal: { ...this.plan(), ...set } }, `drive signal: ${what}`);
  }
}
