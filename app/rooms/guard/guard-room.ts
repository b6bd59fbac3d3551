import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { cautionsOf, hazardsOf, needsProveDead, takesOver, PROVE_DEAD, type Caution } from '../../../core/rooms/guard';
import { endTimerFields, HAZARD_WORDS, onlyListens, type GuardRecord, sayTime } from '../../../core/ground/job';
import { QuantityField } from '../../kit/quantity-field';
import { Bench } from '../../store/bench';
import { LedgerPartPanel } from './ledger-part';
import { LoadPart } from './load-part';
import { LossesPart } from './losses-part';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';

/** Guard: what can hurt, in order of harm; each with what prevents it and whether that is in place. */
@Component({
  selector: 'gt-guard-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    CheckField,
    ChoiceField,
    FindingList,
    LedgerPartPanel,
    LoadPart,
    LossesPart,
    QuantityField,
    Settle,
    TwoColumns,
  ],
  templateUrl: './guard-room.html',
})
export class GuardRoom {
  protected readonly bench = inject(Bench);
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
  protected readonly ended = (by: GuardRecord['cutOff']): string =>
    `what ends a press: ${this.cutOffs.find(([key]) => key === by)?.[1] ?? by}`;
  private readonly facts = computed(() => this.bench.assessment().facts);
  protected readonly derived = computed(() =>
    hazardsOf(this.bench.job(), this.facts())
      .filter((h) => !this.bench.job().wish.hazards.includes(h))
      .map((h) => HAZARD_WORDS[h]),
  );
  protected readonly ticks = computed(() => this.bench.job().guard.ticks);
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
  protected readonly when = (id: string): string => sayTime(this.ticks()[id] ?? '', this.bench.job().region.timeZone);

  protected tick(c: Caution, on: boolean): void {
    this.bench.edit({ do: 'tick', step: c.id, title: c.what, on });
  }

  protected set(set: Partial<GuardRecord>, say?: string): void {
    this.bench.set('guard', set, say);
  }
}
