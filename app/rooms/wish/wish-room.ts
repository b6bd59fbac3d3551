import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Action } from '../../kit/action';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, choicesOf, type Choice } from '../../kit/choice-field';
import { TextField } from '../../kit/text-field';
import { text } from '../../../core/ground/field';
import {
  HAZARD_WORDS,
  HAZARDS,
  jobFields,
  wishFields,
  type Hazard,
  type Region,
  type Wish,
} from '../../../core/ground/job';
import { ruleEdit } from '../../../core/build/rules';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { NeversPart } from './nevers-part';
import { UnitsPart } from './units-part';
import { WholePart } from './whole-part';

const mainsOf = (r: Region): string => `${r.mainsVolts}/${r.mainsHertz}`;
const MAINS: readonly Choice[] = [
  ['230/50', '230 V, 50 Hz'],
  ['120/60', '120 V, 60 Hz'],
];
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
  imports: [
    Action,
    CheckField,
    ChoiceField,
    FindingList,
    MatButton,
    NeversPart,
    Settle,
    TextField,
    TwoColumns,
    UnitsPart,
    WholePart,
  ],
  templateUrl: './wish-room.html',
})
export class WishRoom {
  protected readonly bench = inject(Bench);
  protected readonly questions = QUESTIONS;
  protected readonly fields = wishFields;
  protected readonly roles = choicesOf<Wish['role']>(wishFields.role);
  protected readonly jobFields = jobFields;
  protected readonly hazards = HAZARDS;
  protected readonly words = HAZARD_WORDS;
  protected readonly zones = Intl.supportedValuesOf('timeZone');
  protected readonly zoneField = text('time zone', {
    least: 1,
    most: 60,
    pattern: new RegExp(`^(UTC|${this.zones.join('|').replaceAll('+', '\\+')})$`),
    words: 'a time zone of the list; no other has such a name',
  });
  /** The two presets, and what stands in the job where that is neither. */
  protected readonly mains = computed(() => mainsOf(this.bench.job().region));
  protected readonly mainsKinds = computed((): readonly Choice[] =>
    MAINS.some(([k]) => k === this.mains())
      ? MAINS
      : [...MAINS, [this.mains(), `${this.bench.job().region.mainsVolts} V, ${this.bench.job().region.mainsHertz} Hz`]],
  );
  protected readonly wish = computed(() => this.bench.job().wish);
  protected readonly findings = computed(() => this.bench.findings('wish'));

  /** Rules that “when” proposes and Routine does not have. */
  protected readonly rule = computed(() => ruleEdit(this.bench.job(), this.bench.newId));
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
}
