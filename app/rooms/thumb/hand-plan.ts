import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { drawRewiring } from '../../../core/draw';
import type { HandPlan } from '../../../core/job';
import { Bench } from '../../store/bench';
import { JointDrawing } from '../../ui/joint-drawing';
import { Num } from '../../ui/num';
import { QuantityField } from '../../ui/quantity-field';

/** A motor on a hand mechanism: torque, travel, the fits of its coupling, and a stepper's winding before and after its tap is cut. */
@Component({
  selector: 'gt-hand-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [JointDrawing, Num, QuantityField, RouterLink],
  template: `
    <section>
      <h3>The mechanism</h3>
      <div class="fields">
        <label class="field"><span>It is turned at</span><select #d [value]="plan().drive" (change)="write({ drive: $any(d.value) }, d.value)"><option value="tube">a tube that lifts</option><option value="crank">a crank</option></select></label>
        @if (plan().drive === 'tube') {
          <gt-quantity label="What hangs on it" unit="kg" [value]="plan().loadKilograms" (changed)="write({ loadKilograms: $event ?? 0 }, 'load')" />
          <gt-quantity label="Diameter of the tube" unit="m" [value]="plan().tubeMetres" (changed)="write({ tubeMetres: $event ?? 0.04 }, 'tube')" />
        } @else {
          <gt-quantity label="Force on the handle" unit="N" [value]="plan().crankNewtons" (changed)="write({ crankNewtons: $event ?? 0 }, 'crank force')" />
          <gt-quantity label="Length of the crank" unit="m" [value]="plan().crankMetres" (changed)="write({ crankMetres: $event ?? 0.1 }, 'crank')" />
        }
        <gt-quantity label="Turns from end to end" unit="1" [value]="plan().turns" (changed)="write({ turns: $event ?? 1 }, 'turns')" />
        <label class="field"><span>Motor</span><select #m [value]="plan().motor" (change)="write({ motor: $any(m.value) }, m.value)"><option value="gear-motor">DC gear motor</option><option value="stepper">stepper</option></select></label>
        @if (plan().motor === 'stepper') {
          <gt-quantity label="Supply of its driver" unit="V" [value]="plan().driverVolts" (changed)="write({ driverVolts: $event ?? 12 }, 'driver supply')" />
          <label class="check"><input #r type="checkbox" [checked]="plan().rewired" (change)="write({ rewired: r.checked }, r.checked ? 'centre tap cut' : 'as it comes')" /> cut the centre tap</label>
        }
        <label class="check"><input #mm type="checkbox" [checked]="plan().mirrored" (change)="write({ mirrored: mm.checked }, 'a second motor that faces the first')" /> a second motor faces the first</label>
      </div>
      @if (plan().motor === 'stepper') {
        <div class="pair"><gt-joint-drawing [sheet]="before" /><gt-joint-drawing [sheet]="after" /></div>
      }
      <h3>What sits in what</h3>
      @if (pieces().length < 2) {
        <p class="muted">Measure at least two pieces with a caliper <a [routerLink]="['../probe']" [queryParams]="{ part: 'sizes' }">in Probe</a>: a shaft and a bore, a tube and an adapter.</p>
      } @else {
        <table class="values">
          <tr><th scope="col">inner</th><th scope="col">outer</th><th scope="col">play</th><th scope="col">so it</th><th></th></tr>
          @for (f of fits(); track $index; let i = $index) { <tr><td>{{ f.inner }}</td><td>{{ f.outer }}</td><td class="mono">@if (f.finding?.value) { <gt-num [finding]="f.finding!" /> }</td><td>{{ f.finding?.caption }}</td><td><button type="button" class="link quiet" (click)="drop(i)">drop</button></td></tr> }
        </table>
        <form class="answers" (submit)="$event.preventDefault(); add(a.value, b.value)">
          <label class="field"><span>Inner</span><select #a>@for (p of pieces(); track p.id) { <option [value]="p.id">{{ p.name }}</option> }</select></label>
          <label class="field"><span>Outer</span><select #b>@for (p of pieces(); track p.id) { <option [value]="p.id" [selected]="$last">{{ p.name }}</option> }</select></label>
          <button type="submit" class="key">add this fit</button>
        </form>
      }
    </section>
  `,
  styles: '.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 18px; }',
})
export class HandPlanPanel {
  private readonly bench = inject(Bench);
  protected readonly plan = computed(() => this.bench.job().thumb.hand);
  protected readonly pieces = computed(() => this.bench.job().survey.pieces);
  protected readonly before = drawRewiring()[0];
  protected readonly after = drawRewiring()[1];
  /** Each fit with its finding, which the core made. */
  protected readonly fits = computed(() => this.plan().fits.map(({ inner, outer }, i) => {
    const name = (id: string): string => this.pieces().find((p) => p.id === id)?.name ?? 'gone';
    return { inner: name(inner), outer: name(outer), finding: this.bench.findings('thumb').find((f) => f.id === `thumb.hand-mechanism.fit-${i}`) };
  }));

  protected add(inner: string, outer: string): void {
    if (inner !== outer) this.write({ fits: [...this.plan().fits, { inner, outer }] }, 'a fit added');
  }

  protected drop(i: number): void {
    this.write({ fits: this.plan().fits.filter((_, k) => k !== i) }, 'a fit dropped');
  }

  protected write(set: Partial<HandPlan>, what: string): void {
    this.bench.change('thumb', { hand: { ...this.plan(), ...set } }, `hand mechanism: ${what}`);
  }
}
