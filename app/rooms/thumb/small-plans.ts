import { remoteFields } from '../../../core/job';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Bench } from '../../store/bench';
import { QuantityField } from '../../ui/quantity-field';

/** The supply switched: what was tried, and what a dead controller leaves behind. */
@Component({
  selector: 'gt-supply-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section>
      <h3>A power cut, tried</h3>
      <p>
        Let the machine run. Pull its plug, wait ten seconds, plug it in again. Do that three times. Nothing is opened.
      </p>
      <div class="fields">
        <label class="field"
          ><span>Afterwards it</span
          ><select #r [value]="plan().resumes" (change)="write({ resumes: $any(r.value) })">
            <option value="untested">was not tried yet</option>
            <option value="yes">ran on, each time</option>
            <option value="no">waited for somebody</option>
          </select></label
        >
        <label class="field"
          ><span>With a dead controller the machine shall be</span
          ><select #a [value]="plan().atRest" (change)="write({ atRest: $any(a.value) })">
            <option value="open">off: contact open at rest</option>
            <option value="closed">fed: contact closed at rest</option>
          </select></label
        >
      </div>
    </section>
  `,
})
export class SupplyPlanPanel {
  private readonly bench = inject(Bench);
  protected readonly plan = computed(() => this.bench.job().thumb.supply);

  protected write(set: Partial<ReturnType<typeof this.plan>>): void {
    this.bench.set('thumb.supply', set);
  }
}

/** A spare remote: whether there is one, its battery, and the pull-up behind its buttons. */
@Component({
  selector: 'gt-remote-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [QuantityField],
  template: `
    <section>
      <h3>The remote</h3>
      <div class="fields">
        <label class="field"
          ><span>A spare one</span
          ><select #h [value]="plan().has" (change)="write({ has: $any(h.value) })">
            <option value="unknown">not known yet</option>
            <option value="yes">is at hand</option>
            <option value="no">does not exist</option>
          </select></label
        >
        <gt-quantity
          [field]="fields.batteryVolts"
          [value]="plan().batteryVolts"
          (changed)="write({ batteryVolts: $event })"
        />
        <gt-quantity [field]="fields.pullOhms" [value]="plan().pullOhms" (changed)="write({ pullOhms: $event })" />
      </div>
    </section>
  `,
})
export class RemotePlanPanel {
  protected readonly fields = remoteFields;
  private readonly bench = inject(Bench);
  protected readonly plan = computed(() => this.bench.job().thumb.remote);

  protected write(set: Partial<ReturnType<typeof this.plan>>): void {
    this.bench.set('thumb.remote', set);
  }
}
