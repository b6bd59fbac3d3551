import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { freshRail, type Rail } from '../../../core/job';
import { sourceOhms, testLoad } from '../../../core/rails';
import { formatQuantity } from '../../../core/quantity';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { QuantityField } from '../../ui/quantity-field';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { PartsNav } from './parts-nav';

/** Supply rails: when each is there, what it can spare, and how long to wait before touching. */
@Component({
  selector: 'gt-supplies-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FindingList, MatButton, PartsNav, QuantityField, Settle, TwoColumns],
  template: `
    <gt-two-columns>
      <div do>
        <gt-parts-nav />
        <h2>Supplies inside the machine</h2>
        @for (r of rails(); track r.id) {
          <section class="rail">
            <div class="head-row"><h3>{{ r.name }}</h3><button type="button" class="link quiet" (click)="remove(r)">take it away</button></div>
            <div class="fields">
              <gt-quantity label="Open volts" unit="V" [value]="r.openVolts" hint="5.02 V" (changed)="set(r, { openVolts: $event }, 'open volts')" />
              <gt-quantity label="Volts under load" unit="V" [value]="r.loadedVolts" hint="4.9 V" (changed)="set(r, { loadedVolts: $event }, 'loaded volts')" />
              <gt-quantity label="at this load" unit="A" [value]="r.loadAmps" hint="50 mA" (changed)="set(r, { loadAmps: $event }, 'load')" />
              <gt-quantity label="Ripple, AC volts" unit="V" [value]="r.rippleVolts" hint="30 mV" (changed)="set(r, { rippleVolts: $event }, 'ripple')" />
              <label class="field"><span>There at rest?</span><select #i [value]="tri(r.whileIdle)" (change)="set(r, { whileIdle: back(i.value) }, 'at rest')"><option value="">not read</option><option value="yes">yes</option><option value="no">no</option></select></label>
              <label class="field"><span>There while running?</span><select #u [value]="tri(r.whileRunning)" (change)="set(r, { whileRunning: back(u.value) }, 'while running')"><option value="">not read</option><option value="yes">yes</option><option value="no">no</option></select></label>
              <gt-quantity label="Stored in, farads" unit="F" [value]="r.storedFarads" hint="470 uF" (changed)="set(r, { storedFarads: $event }, 'capacitor')" />
              <gt-quantity label="charged to" unit="V" [value]="r.storedVolts" hint="325 V" (changed)="set(r, { storedVolts: $event }, 'stored volts')" />
              <gt-quantity label="empties through" unit="Ω" [value]="r.bleedOhms" hint="100k" (changed)="set(r, { bleedOhms: $event }, 'discharge path')" />
            </div>
            @if (load(r); as l) {
              <p class="muted">For the load test: {{ l }}. Hold it by a sleeve; it gets warm.</p>
            }
          </section>
        } @empty {
          <p>Find out which rails are always there and which only while the machine runs, and load each with a resistor to learn what it can spare.</p>
        }
        <form class="answers" (submit)="$event.preventDefault(); add(name)">
          <label class="field"><span>Another rail</span><input #name type="text" maxlength="60" placeholder="logic 5 V" /></label>
          <button mat-stroked-button type="submit">Add it</button>
        </form>
        @if (rails().length) {
          <p class="caution">After unplugging wait, then measure the capacitor before a finger goes near. A bleeder can be broken; the reckoned time is no promise.</p>
        }
      </div>
      <div know>
        <h3>What follows</h3>
        @for (s of sources(); track s.name) {
          <p>{{ s.name }}: source resistance <span class="mono">{{ s.ohms }}</span></p>
        }
        <gt-finding-list [findings]="findings()" />
        <gt-settle [findings]="findings()" />
      </div>
    </gt-two-columns>
  `,
})
export class SuppliesPart {
  private readonly bench = inject(Bench);
  protected readonly rails = computed(() => this.bench.job().survey.rails);
  protected readonly findings = computed(() => this.bench.findings('probe').filter((f) => f.id.startsWith('probe.rail.')));
  protected readonly sources = computed(() => this.rails().flatMap((r) => {
    const s = sourceOhms(r);
    return s ? [{ name: r.name, ohms: formatQuantity(s.result.value, 'Ω') }] : [];
  }));
  protected readonly tri = (v: boolean | null): string => (v === null ? '' : v ? 'yes' : 'no');
  protected readonly back = (v: string): boolean | null => (v === '' ? null : v === 'yes');

  /** A load of 50 mA, or a tenth of a strong rail's volts: enough to see the sag, little enough to harm nothing. */
  protected load(r: Rail): string {
    if (!r.openVolts || r.loadedVolts !== null) return '';
    const [ohms, watts] = testLoad(r.openVolts, 0.05);
    return `${formatQuantity(ohms!.result.value, 'Ω')} draws 50 mA and turns ${formatQuantity(watts!.result.value, 'W')} to heat`;
  }

  protected set(r: Rail, part: Partial<Rail>, what: string): void {
    this.bench.change('survey', { rails: this.rails().map((x) => (x.id === r.id ? { ...x, ...part } : x)) }, `${r.name}: ${what}`);
  }

  protected add(box: HTMLInputElement): void {
    const name = box.value.trim();
    if (!name) return;
    this.bench.change('survey', { rails: [...this.rails(), freshRail(this.bench.newId(), name)] }, `supply ${name}`);
    box.value = '';
  }

  protected remove(r: Rail): void {
    this.bench.change('survey', { rails: this.rails().filter((x) => x.id !== r.id) }, `supply ${r.name} taken away`);
  }
}
