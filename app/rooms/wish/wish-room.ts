import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { HAZARDS, type Hazard } from '../../../core/job';
import { HAZARD_WORDS } from '../../../core/wish';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';

const QUESTIONS: readonly { key: 'outcome' | 'when' | 'never' | 'heldBy' | 'others'; ask: string; hint: string }[] = [
  { key: 'outcome', ask: 'What should happen?', hint: 'it starts by itself' },
  { key: 'when', ask: 'When?', hint: 'before lunch on weekdays' },
  { key: 'never', ask: 'What must never happen?', hint: 'start empty' },
  { key: 'heldBy', ask: 'What holds it to that?', hint: 'an arm switch; nothing so far' },
  { key: 'others', ask: 'Who else presses it?', hint: 'whoever is in the kitchen' },
];

/** Wish: what should happen, what never, what can hurt, who else presses it. */
@Component({
  selector: 'gt-wish-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FindingList, MatCheckbox, Settle, TwoColumns],
  template: `
    <gt-two-columns>
      <div do>
        <h2>The wish, in your own words</h2>
        <div class="fields">
          <label class="field"><span>Which machine?</span><input #title type="text" maxlength="200" [value]="bench.job().title" (change)="rename(title.value, bench.job().place)" /></label>
          <label class="field"><span>Where does it stand?</span><input #place type="text" maxlength="200" [value]="bench.job().place" (change)="rename(bench.job().title, place.value)" /></label>
        </div>
        @for (q of questions; track q.key) {
          <label class="field"><span>{{ q.ask }}</span><input #box type="text" maxlength="2000" [placeholder]="q.hint" [value]="wish()[q.key]" (change)="answer(q.key, q.ask, box.value)" /></label>
        }
        <h3 id="hazards">What is in it or about it that can hurt someone? Tick what applies.</h3>
        <div class="ticks" role="group" aria-labelledby="hazards">
          @for (h of hazards; track h) {
            <mat-checkbox [checked]="wish().hazards.includes(h)" (change)="hazard(h, $event.checked)">{{ words[h] }}</mat-checkbox>
          }
          <mat-checkbox [checked]="wish().hazardsReviewed && !wish().hazards.length" [disabled]="wish().hazards.length > 0" (change)="reviewed($event.checked)">none of these</mat-checkbox>
        </div>
        <h3>Region</h3>
        <div class="fields">
          <label class="field"><span>Mains</span>
            <select #mains [value]="bench.job().region.mainsVolts + '/' + bench.job().region.mainsHertz" (change)="region(mains.value)">
              <option value="230/50">230 V, 50 Hz</option>
              <option value="120/60">120 V, 60 Hz</option>
            </select>
          </label>
          <label class="field"><span>Time zone</span>
            <input #zone type="text" list="zones" [value]="bench.job().region.timeZone" (change)="timeZone(zone)" />
            <datalist id="zones">
              @for (z of zones; track z) {
                <option [value]="z"></option>
              }
            </datalist>
          </label>
        </div>
      </div>
      <div know>
        <h3>What is known of the wish</h3>
        <gt-finding-list [findings]="findings()" />
        <p class="muted">What you tick here becomes the list in Guard. The local electrical code and licensed practice come first wherever mains, gas, pressure or a moving door is involved.</p>
        <gt-settle [findings]="findings()" />
      </div>
    </gt-two-columns>
  `,
})
export class WishRoom {
  protected readonly bench = inject(Bench);
  protected readonly questions = QUESTIONS;
  protected readonly hazards = HAZARDS;
  protected readonly words = HAZARD_WORDS;
  protected readonly zones = Intl.supportedValuesOf('timeZone');
  protected readonly wish = computed(() => this.bench.job().wish);
  protected readonly findings = computed(() => this.bench.findings('wish'));

  protected rename(title: string, place: string): void {
    if (title.trim()) this.bench.edit({ do: 'title', title: title.trim(), place: place.trim() });
  }

  protected answer(key: (typeof QUESTIONS)[number]['key'], ask: string, text: string): void {
    this.bench.change('wish', { [key]: text.trim() }, `${ask} ${text.trim()}`);
  }

  protected hazard(h: Hazard, on: boolean): void {
    const hazards = HAZARDS.filter((x) => (x === h ? on : this.wish().hazards.includes(x)));
    this.bench.change('wish', { hazards, hazardsReviewed: true }, `${on ? 'hazard' : 'no hazard'}: ${HAZARD_WORDS[h]}`);
  }

  protected reviewed(on: boolean): void {
    this.bench.change('wish', { hazardsReviewed: on }, on ? 'hazards looked through, none applies' : 'hazards to be looked through again');
  }

  protected region(text: string): void {
    const [mainsVolts, mainsHertz] = text.split('/').map(Number) as [number, number];
    this.bench.change('region', { mainsVolts, mainsHertz }, `mains ${mainsVolts} V, ${mainsHertz} Hz`);
  }

  protected timeZone(box: HTMLInputElement): void {
    const known = this.zones.includes(box.value) || box.value === 'UTC';
    box.setCustomValidity(known ? '' : 'No time zone has this name; pick one from the list.');
    box.reportValidity();
    if (known) this.bench.change('region', { timeZone: box.value }, `time zone ${box.value}`);
  }
}
