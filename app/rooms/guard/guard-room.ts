import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { cautionsOf, INRUSH, needsProveDead, PROVE_DEAD, type Caution } from '../../../core/guard';
import type { GuardRecord } from '../../../core/job';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';

/** Guard: what can hurt, in order of harm; each with what prevents it and whether that is in place. */
@Component({
  selector: 'gt-guard-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FindingList, MatCheckbox, Settle, TwoColumns],
  template: `
    <gt-two-columns>
      <div do>
        <h2>What can hurt, and what prevents it</h2>
        <p class="caution">This is a list to check, never a permission. Where mains, gas, pressure, high voltage or a moving door is involved, the local electrical code and licensed practice decide.</p>
        @if (!bench.job().wish.hazardsReviewed) {
          <p>Wish has not been asked for hazards yet, so mains is assumed to be inside.</p>
        }
        @if (cautions().length) {
          <h3>In order of harm</h3>
          <table>
            <tr><th scope="col">what would happen</th><th scope="col">what prevents it</th><th scope="col">in place</th></tr>
            @for (c of cautions(); track c.id) {
              <tr>
                <td>{{ c.what }}</td><td>{{ c.prevents }}</td>
                <td><mat-checkbox [checked]="!!ticks()[c.id]" (change)="tick(c, $event.checked)" [aria-label]="c.what + ': in place'">{{ when(c.id) }}</mat-checkbox></td>
              </tr>
            }
          </table>
        }
        @if (proveDead()) {
          <h3>Prove it dead, each time before the case is opened</h3>
          <ol class="steps">
            @for (c of dead; track c.id) {
              <li><mat-checkbox [checked]="!!ticks()[c.id]" (change)="tick(c, $event.checked)"><strong>{{ c.what }}</strong>: {{ c.prevents }} <span class="muted">{{ when(c.id) }}</span></mat-checkbox></li>
            }
          </ol>
        }
        @if (carriesLoad()) {
          <h3>The contact carries the load itself</h3>
          <div class="fields">
            <label class="field"><span>Load, W (rating plate)</span><input #w type="number" min="0" max="1000000" [value]="bench.job().guard.loadWatts ?? ''" (change)="set({ loadWatts: w.value === '' ? null : w.valueAsNumber }, 'load ' + w.value + ' W')" /></label>
            <label class="field"><span>Kind of load</span><select #k [value]="bench.job().guard.loadKind" (change)="kind(k.value)">
              @for (o of kinds; track o) {
                <option [value]="o" [selected]="o === bench.job().guard.loadKind">{{ o }}</option>
              }
            </select></label>
            <label class="field"><span>Contact rating, A</span><input #c type="number" min="0.1" max="1000" step="0.1" [value]="bench.job().guard.contactAmps" (change)="rating(c)" /></label>
          </div>
        }
      </div>
      <div know>
        <h3>What stands open</h3>
        <gt-finding-list [findings]="findings()" />
        <gt-settle [findings]="findings()" />
      </div>
    </gt-two-columns>
  `,
})
export class GuardRoom {
  protected readonly bench = inject(Bench);
  protected readonly dead = PROVE_DEAD.map((c) => ({ ...c, id: `dead-${c.id}` }));
  protected readonly kinds = Object.keys(INRUSH) as GuardRecord['loadKind'][];
  protected readonly ticks = computed(() => this.bench.job().guard.ticks);
  protected readonly cautions = computed(() => cautionsOf(this.bench.job()));
  protected readonly proveDead = computed(() => needsProveDead(this.bench.job()));
  protected readonly findings = computed(() => this.bench.findings('guard').filter((f) => f.verdict !== 'settled' || f.limit || f.id.includes('isolation') || f.id === 'guard.ticks'));
  protected readonly carriesLoad = computed(() => Object.values(this.bench.assessment().facts.controls).some((f) => f.leading === 'switched-load' && f.probability > 0.5));
  protected readonly when = (id: string): string => this.ticks()[id]?.slice(0, 16).replace('T', ' ') ?? '';

  protected tick(c: Caution, on: boolean): void {
    this.bench.edit({ do: 'tick', step: c.id, title: c.what, on });
  }

  protected set(set: Partial<GuardRecord>, say: string): void {
    this.bench.change('guard', set, say);
  }

  protected kind(value: string): void {
    const loadKind = this.kinds.find((k) => k === value);
    if (loadKind) this.set({ loadKind }, `kind of load: ${loadKind}`);
  }

  protected rating(box: HTMLInputElement): void {
    if (box.reportValidity() && box.valueAsNumber > 0) this.set({ contactAmps: box.valueAsNumber }, `contact rated ${box.value} A`);
  }
}
