import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { SensePlan } from '../../../core/job';
import { CONTACT_TELLS } from '../../../core/sense';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';

const CHOICES: readonly { key: SensePlan['contact']; name: string; how: string }[] = [
  { key: 'none', name: 'No sensor: press and hope', how: 'nothing to fit; nothing is known either' },
  { key: 'at-rest', name: 'One contact at rest', how: 'tells closed, stopped, finished' },
  { key: 'at-work', name: 'One contact at work', how: 'tells open, running, switched on' },
];

/** Sense: what is known of the state with no sensor, and with one contact. */
@Component({
  selector: 'gt-sense-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FindingList, Settle, TwoColumns],
  template: `
    <gt-two-columns>
      <div do>
        <h2>How do we know that it happened?</h2>
        <div class="choice" role="group" aria-label="Sensor">
          @for (c of choices; track c.key) {
            <button type="button" [attr.aria-pressed]="contact() === c.key" (click)="choose(c)"><span><strong>{{ c.name }}</strong><span class="muted">{{ c.how }}</span></span></button>
          }
        </div>
        @if (contact() !== 'none') {
          <div class="fields">
            <label class="field"><span>While the machine is there, the contact is</span>
              <select #r [value]="bench.job().sense.restsClosed ? 'closed' : 'open'" (change)="bench.change('sense', { restsClosed: r.value === 'closed' }, 'sensor contact ' + r.value + ' there')">
                <option value="closed" [selected]="bench.job().sense.restsClosed">closed (a broken wire reads as “away”)</option>
                <option value="open" [selected]="!bench.job().sense.restsClosed">open (a broken wire reads as “there”)</option>
              </select>
            </label>
          </div>
        }
        <h3>What this tells, and what it does not</h3>
        <table>
          <tr><th scope="col">known</th><th scope="col">not known</th></tr>
          @for (row of rows(); track $index) {
            <tr><td>{{ row[0] }}</td><td>{{ row[1] }}</td></tr>
          }
        </table>
      </div>
      <div know>
        <h3>What follows</h3>
        <gt-finding-list [findings]="findings()" />
        <gt-settle [findings]="findings()" />
      </div>
    </gt-two-columns>
  `,
})
export class SenseRoom {
  protected readonly bench = inject(Bench);
  protected readonly choices = CHOICES;
  protected readonly contact = computed(() => this.bench.job().sense.contact);
  protected readonly findings = computed(() => this.bench.findings('sense'));
  protected readonly rows = computed(() => {
    const { knows, not } = CONTACT_TELLS[this.contact()];
    return Array.from({ length: Math.max(knows.length, not.length) }, (_, i) => [knows[i] ?? '', not[i] ?? ''] as const);
  });

  protected choose(c: (typeof CHOICES)[number]): void {
    this.bench.change('sense', { contact: c.key }, c.name.toLowerCase());
  }
}
