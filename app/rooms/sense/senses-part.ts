import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Action, Row } from '../../kit/action';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, choicesOf, type Choice } from '../../kit/choice-field';
import { FieldScope } from '../../kit/half-typed';
import { ChoicesField } from '../../kit/toggles-field';
import { QuantityField } from '../../kit/quantity-field';
import { TextField } from '../../kit/text-field';
import {
  comesByMessage,
  freeId,
  freshSense,
  isOfTheWorld,
  onlyListens,
  restContact,
  senseFields,
  senseLimitFields,
  stateSense,
  type Sense,
} from '../../../core/ground/job';
import { freshOf, inUnit } from '../../../core/ground/field';
import { SENSES } from '../../../core/build/lines';
import { stateWords } from '../../../core/house/machine-words';
import { CONTACT_TELLS } from '../../../core/rooms/sense';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TakeAway } from '../../ui/take-away';
import { TwoColumns } from '../../ui/two-columns';
import { SenseNav } from './sense-nav';

const CHOICES = [
  { key: 'none', name: 'No sensor: press and hope', how: 'nothing to fit; nothing is known either' },
  { key: 'at-rest', name: 'One contact at rest', how: 'tells closed, stopped, finished' },
  { key: 'at-work', name: 'One contact at work', how: 'tells that it left its rest: on its way, running, switched on' },
  { key: 'at-end', name: 'One contact at the far end', how: 'tells all the way open, and nothing on the way there' },
] as const;

/** What a contact is called until somebody calls it otherwise. */
const CALLED = {
  'at-rest': 'rest contact',
  'at-work': 'work contact',
  'at-end': 'end contact',
} as const;

/** Senses: what is known of the state with no sensor and with one contact, and every other sense of the machine. */
@Component({
  selector: 'gt-senses-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    CheckField,
    ChoiceField,
    ChoicesField,
    DropButton,
    FieldScope,
    FindingList,
    MatButton,
    QuantityField,
    Row,
    SenseNav,
    Settle,
    TextField,
    TwoColumns,
  ],
  templateUrl: './senses-part.html',
  styles:
    '.thing { border-bottom: 1px solid var(--gt-hairline); padding: 10px 0; display: flex; flex-direction: column; gap: 6px; }',
})
export class SensesPart {
  protected readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly choices = CHOICES;
  protected readonly fields = senseFields;
  protected readonly kinds = choicesOf<Sense['kind']>(senseFields.kind);
  protected readonly touches = choicesOf<Sense['touches']>(senseFields.touches);
  protected readonly tells = choicesOf<Sense['tells']>(senseFields.tells);
  protected readonly takenFor = choicesOf<Sense['takenFor']>(senseFields.takenFor);
  /** The parts of the machine that a sense may be of, with the states of each; the first is the one of which nobody says otherwise. */
  private readonly machine = computed(() =>
    this.bench.job().act.parts.map((p, i) => ({
      key: i === 0 ? '' : p.id,
      name: p.name,
      states: stateWords(p).map((w): Choice => [w, w]),
    })),
  );
  protected readonly parts = computed(() => this.machine().map((p): Choice => [p.key, p.name]));
  /** Which part each sense is of, and the states that it may tell: those that are gone stay to be seen. */
  protected readonly told = computed(
    () =>
      new Map(
        this.bench.job().senses.map((s) => {
          const part = this.machine().find((p) => p.key === s.part) ?? this.machine()[0];
          const states = part?.states ?? [];
          const gone = s.states.filter((w) => !states.some(([known]) => known === w));
          return [s.id, { part: part?.key ?? '', states: [...states, ...gone.map((w): Choice => [w, `${w}, gone`])] }];
        }),
      ),
  );
  protected readonly ofWorld = isOfTheWorld;
  protected readonly byMessage = comesByMessage;
  /** The boxes of a threshold in the unit of each kind of number. */
  protected readonly limits = new Map(
    (Object.keys(SENSES) as Sense['kind'][]).flatMap((kind) => {
      const unit = SENSES[kind].number?.unit;
      const { over, under, holdSeconds } = senseLimitFields;
      return unit === undefined ? [] : [[kind, { over: inUnit(over, unit), under: inUnit(under, unit), holdSeconds }]];
    }),
  );

  /** A threshold to begin with, where nobody said one: nothing is taken for borne out by it. */
  protected firstLimit(x: Sense): void {
    this.put({ ...x, limit: freshOf(senseLimitFields) }, `${x.name}: a threshold by hand`);
  }
  protected readonly listens = computed(() => onlyListens(this.bench.job()));
  /** The contact that tells rest, work or the far end; the others tell something else. */
  protected readonly state = computed(() => stateSense(this.bench.job()));
  protected readonly contact = computed(() => {
    const tells = this.state()?.tells ?? 'none';
    return tells === 'other' ? 'none' : tells;
  });
  protected readonly findings = computed(() => this.bench.findings('sense'));
  protected readonly rows = computed(() => {
    const { knows, not } = CONTACT_TELLS[this.contact()];
    return Array.from(
      { length: Math.max(knows.length, not.length) },
      (_, i) => [knows[i] ?? '', not[i] ?? ''] as const,
    );
  });

  protected choose({ key, name }: (typeof CHOICES)[number]): void {
    const state = this.state();
    if (key === 'none') {
      if (state) this.taker.drop(state.name, 'senses', state.id, name.toLowerCase());
      return;
    }
    const called = CALLED[key];
    if (state)
      this.put(
        { ...state, tells: key, name: Object.values<string>(CALLED).includes(state.name) ? called : state.name },
        name.toLowerCase(),
      );
    else if (key === 'at-rest') this.bench.edit(restContact(this.bench.job()));
    else this.put({ ...freshSense(freeId(this.bench.job(), called), called), tells: key }, name.toLowerCase());
  }

  protected add(): void {
    const name = 'sense';
    const item = { ...freshSense(freeId(this.bench.job(), name), name), tells: 'other' as const };
    this.put(item, 'one more sense');
  }

  /** What a sense is of, as it is called. */
  protected partName(sense: Sense): string {
    return this.machine().find((p) => p.key === this.told().get(sense.id)?.part)?.name ?? 'it';
  }

  protected put(sense: Sense, say?: string): void {
    this.bench.put('senses', sense, say);
  }

  protected drop(sense: Sense): void {
    this.taker.drop(sense.name, 'senses', sense.id);
  }
}
