import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { cautionsOf, hazardsOf, needsProveDead, PROVE_DEAD, type Caution } from '../../../core/guard';
import { LOAD_KINDS, type GuardRecord } from '../../../core/job';
import { Bench } from '../../store/bench';
import { HAZARD_WORDS } from '../../../core/wish';
import { ChoiceField, type Choice } from '../../ui/choice-field';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';

/** Guard: what can hurt, in order of harm; each with what prevents it and whether that is in place. */
@Component({
  selector: 'gt-guard-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, FindingList, MatCheckbox, Settle, TwoColumns],
  template: `
    <gt-two-columns>
      <div do>
        <h2>What can hurt, and what prevents it</h2>
        <p class="caution">This is a list to check, never a permission. Where mains, gas, pressure, high voltage or a moving door is involved, the local electrical code and licensed practice decide.</p>
        @if (!bench.job().wish.hazardsReviewed) {
          <p>Wish has not been asked for hazards yet, so mains is assumed to be inside.</p>
        } @else if (derived().length) {
          <p>Not ticked in Wish, and so all the same by what was read, said or planned: {{ derived().join(', ') }}.</p>
        }
        <div class="fields">
          <gt-choice label="Where does it stand?" [value]="bench.job().guard.place" [choices]="places" (picked)="set({ place: $any($event) }, 'it stands in a place that is ' + $event)" />
          <gt-choice label="What ends a press?" [value]="bench.job().guard.cutOff" [choices]="cutOffs" (picked)="set({ cutOff: $any($event) }, $event === 'none' ? 'no part of its own ends a press' : 'a one-shot ends each press')" />
        </div>
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
        @if (contact()) {
          <h3>{{ contact()!.name }} carries the load itself</h3>
          <div class="fields">
            <label class="field"><span>Load, W (rating plate)</span><input #w type="number" min="0" max="1000000" [value]="bench.job().guard.loadWatts ?? ''" (change)="set({ loadWatts: w.value === '' ? null : w.valueAsNumber }, 'load ' + w.value + ' W')" /></label>
            <gt-choice label="Kind of load" [value]="bench.job().guard.loadKind" [choices]="kinds" (picked)="set({ loadKind: $any($event) }, 'kind of load: ' + $event)" />
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
  protected readonly kinds: readonly Choice[] = LOAD_KINDS.map((k) => [k, k === 'unknown' ? 'not said yet' : k]);
  protected readonly places: readonly Choice[] = [['unknown', 'not said yet'], ['dry', 'in a dry room'], ['damp', 'steam or splashes']];
  protected readonly cutOffs: readonly Choice[] = [['none', 'nothing but the program'], ['one-shot', 'a one-shot of its own']];
  private readonly facts = computed(() => this.bench.assessment().facts);
  protected readonly derived = computed(() => hazardsOf(this.bench.job(), this.facts()).filter((h) => !this.bench.job().wish.hazards.includes(h)).map((h) => HAZARD_WORDS[h]));
  protected readonly ticks = computed(() => this.bench.job().guard.ticks);
  protected readonly cautions = computed(() => cautionsOf(this.bench.job(), this.facts()));
  protected readonly proveDead = computed(() => needsProveDead(this.bench.job(), this.facts()));
  protected readonly findings = computed(() => this.bench.findings('guard').filter((f) => f.verdict !== 'settled' || f.limit || f.id.includes('isolation') || f.id === 'guard.ticks' || f.id === 'guard.never'));
  protected readonly contact = computed(() => this.facts().press?.contact ?? null);
  protected readonly when = (id: string): string => this.ticks()[id]?.slice(0, 16).replace('T', ' ') ?? '';

  protected tick(c: Caution, on: boolean): void {
    this.bench.edit({ do: 'tick', step: c.id, title: c.what, on });
  }

  protected set(set: Partial<GuardRecord>, say: string): void {
    this.bench.change('guard', set, say);
  }
}
