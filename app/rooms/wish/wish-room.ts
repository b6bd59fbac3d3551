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
  templateUrl: './wish-room.html',
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
    this.bench.set('wish', { [key]: text.trim() }, `${ask} ${text.trim()}`);
  }

  protected hazard(h: Hazard, on: boolean): void {
    const hazards = HAZARDS.filter((x) => (x === h ? on : this.wish().hazards.includes(x)));
    this.bench.set('wish', { hazards, hazardsReviewed: true }, `${on ? 'hazard' : 'no hazard'}: ${HAZARD_WORDS[h]}`);
  }

  protected reviewed(on: boolean): void {
    this.bench.set(
      'wish',
      { hazardsReviewed: on },
      on ? 'hazards looked through, none applies' : 'hazards to be looked through again',
    );
  }

  protected region(text: string): void {
    const [mainsVolts, mainsHertz] = text.split('/').map(Number) as [number, number];
    this.bench.set('region', { mainsVolts, mainsHertz }, `mains ${mainsVolts} V, ${mainsHertz} Hz`);
  }

  protected timeZone(box: HTMLInputElement): void {
    const known = this.zones.includes(box.value) || box.value === 'UTC';
    box.setCustomValidity(known ? '' : 'No time zone has this name; pick one from the list.');
    box.reportValidity();
    if (known) this.bench.set('region', { timeZone: box.value }, `time zone ${box.value}`);
  }
}
