import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute } from '@angular/router';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import {
  cautionsOf,
  hazardsOf,
  needsProveDead,
  PROVE_DEAD,
  reopenedWords,
  takesOver,
  tickEdit,
  type Caution,
} from '../../../core/rooms/guard';
import { text } from '../../../core/ground/field';
import {
  endTimerFields,
  guardFields,
  HAZARD_WORDS,
  onlyListens,
  sayTime,
  tickedAt,
  type GuardRecord,
} from '../../../core/ground/job';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { Tabs, type Tab } from '../../kit/tabs';
import { TextField } from '../../kit/text-field';
import { Bench } from '../../store/bench';
import { ApartPart } from './apart-part';
import { ChainPart } from './chain-part';
import { DrillPart } from './drill-part';
import { LedgerPartPanel } from './ledger-part';
import { LoadPart } from './load-part';
import { LossesPart } from './losses-part';
import { OwnHazardsPart } from './own-hazards-part';
import { ReachPart } from './reach-part';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';

/** Guard: what can hurt, in order of harm; each with what prevents it and whether that is in place. */
@Component({
  selector: 'gt-guard-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ApartPart,
    ChainPart,
    CheckField,
    ChoiceField,
    DrillPart,
    FieldScope,
    FindingList,
    LedgerPartPanel,
    LoadPart,
    LossesPart,
    OwnHazardsPart,
    QuantityField,
    ReachPart,
    Settle,
    Tabs,
    TextField,
    TwoColumns,
  ],
  templateUrl: './guard-room.html',
})
export class GuardRoom {
  protected readonly bench = inject(Bench);
  private readonly query = toSignal(inject(ActivatedRoute).queryParamMap);
  protected readonly tabs: readonly Tab[] = [
    { key: 'hurts', words: 'what can hurt' },
    { key: 'lead', words: 'mains lead' },
    { key: 'apart', words: 'apart' },
    { key: 'drill', words: 'failure drill' },
    { key: 'reach', words: 'reach' },
  ];
  protected readonly tab = computed(() => {
    const asked = this.query()?.get('view') ?? '';
    return this.tabs.some((t) => t.key === asked) ? asked : 'hurts';
  });
  /** Who ticks, and what they read or saw; kept with each tick. */
  protected readonly by = linkedSignal(() => this.bench.job().sheet.by);
  protected readonly reading = signal('');
  protected readonly byField = text('Who ticks', { most: 200 });
  protected readonly readingField = text('On which reading or look', { most: 400, usual: '' });
  protected readonly dead = PROVE_DEAD.map((c) => ({ ...c, id: `dead-${c.id}` }));
  protected readonly places: readonly Choice<GuardRecord['place']>[] = [
    ['unknown', 'not said yet'],
    ['dry', 'in a dry room'],
    ['damp', 'steam or splashes'],
  ];
  protected readonly cutOffs: readonly Choice<GuardRecord['cutOff']>[] = [
    ['none', 'nothing but the program'],
    ['one-shot', 'a one-shot of its own'],
    ['timer-relay', 'a timer relay'],
    ['own-end', 'the machine’s own end'],
  ];
  protected readonly timer = endTimerFields;
  protected readonly watchdog = guardFields.watchdogSeconds;
  protected readonly ended = (by: GuardRecord['cutOff']): string =>
    `what ends a press: ${this.cutOffs.find(([key]) => key === by)?.[1] ?? by}`;
  private readonly facts = computed(() => this.bench.assessment().facts);
  protected readonly derived = computed(() =>
    hazardsOf(this.bench.job(), this.facts())
      .filter((h) => !this.bench.job().wish.hazards.includes(h))
      .map((h) => HAZARD_WORDS[h]),
  );
  protected readonly isTicked = (id: string): boolean => tickedAt(this.bench.job(), id) !== undefined;
  protected readonly cautions = computed(() => cautionsOf(this.bench.job(), this.facts()));
  protected readonly proveDead = computed(() => needsProveDead(this.bench.job(), this.facts()));
  /** What is a line of the lists beside is not told a second time here. */
  private readonly listed = computed(
    () => new Set([...this.cautions(), ...(this.proveDead() ? this.dead : [])].map((c) => `guard.${c.id}`)),
  );
  protected readonly findings = computed(() =>
    this.bench
      .findings('guard')
      .filter((f) => !this.listed().has(f.id))
      .filter(
        (f) =>
          f.verdict !== 'settled' ||
          f.limit ||
          f.id.includes('isolation') ||
          f.id === 'guard.ticks' ||
          f.id === 'guard.never',
      ),
  );
  protected readonly takesOver = computed(() => this.facts().presses.some(takesOver));
  protected readonly listens = computed(() => onlyListens(this.bench.job()));
  /** When a gate was closed, by whom, on which reading; or why it is open again. */
  protected readonly when = (id: string): string => {
    const job = this.bench.job();
    const again = reopenedWords(job, id);
    if (again) return again;
    const { by = '', reading = '' } = job.guard.gates[id] ?? {};
    return [sayTime(job.guard.ticks[id] ?? '', job.region.timeZone), by, reading].filter(Boolean).join(', ');
  };

  protected tick(c: Caution, on: boolean): void {
    this.bench.edit(tickEdit(c.id, c.what, on, { by: this.by().trim(), reading: this.reading().trim() }));
    this.reading.set('');
  }

  protected set(set: Partial<GuardRecord>, say?: string): void {
    this.bench.set('guard', set, say);
  }
}
