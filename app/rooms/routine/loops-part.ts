import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { freshOf } from '../../../core/ground/field';
import { amountFields, loopFields, pourFields, type Amount, type Job, type Loop } from '../../../core/ground/job';
import type { LoopRun } from '../../../core/house/loop-run';
import { Action } from '../../kit/action';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { GroupFields } from '../../kit/group-fields';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { Bench } from '../../store/bench';
import { LongWork } from '../../store/long-work';
import { DropButton } from '../../ui/drop-button';
import { FindingList } from '../../ui/finding-list';
import { TakeAway } from '../../ui/take-away';
import { TwoColumns } from '../../ui/two-columns';
import { UnderWay } from '../../ui/under-way';
import { LoopChart } from './loop-chart';
import { RoutineNav } from './routine-nav';

/** A loop or an amount begins with so many litres in so many seconds. */
const FIRST_POUR = { litres: 1, seconds: 10 };

/** Loops of warmth, as they are and as they run, and amounts that are let flow by time. */
@Component({
  selector: 'gt-loops-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    ChoiceField,
    DropButton,
    FieldScope,
    FindingList,
    GroupFields,
    LoopChart,
    MatButton,
    QuantityField,
    RoutineNav,
    TwoColumns,
    UnderWay,
  ],
  templateUrl: './loops-part.html',
  styles: `
    .old {
      opacity: 0.55;
    }
    .thing {
      border-bottom: 1px solid var(--gt-hairline);
      display: flex;
      flex-direction: column;
      gap: 10px;
      padding: 10px 0;
    }
    .trial {
      align-items: center;
      display: grid;
      gap: 8px;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) auto;
    }
    .trial > * {
      min-width: 0;
    }
  `,
})
export class LoopsPart {
  protected readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  private readonly work = inject(LongWork);
  protected readonly loopFields = loopFields;
  protected readonly amountFields = amountFields;
  protected readonly pourFields = pourFields;
  protected readonly routine = computed(() => this.bench.job().routine);
  private readonly runs = signal<{ readonly job: Job; readonly runs: readonly LoopRun[] } | null>(null);
  protected readonly problem = computed(() => this.work.problem(this.bench.id(), 'loops'));
  protected readonly findings = computed(() =>
    this.bench.findings('routine').filter((f) => /^routine\.(loop|amount)\./.test(f.id)),
  );
  protected readonly thermometers = computed((): readonly Choice[] => [
    ['', 'not said'],
    ...this.bench.job().senses.flatMap((s): Choice[] => (s.kind === 'temperature' ? [[s.id, s.name]] : [])),
  ]);
  protected readonly parts = computed((): readonly Choice[] => [
    ['', 'the first'],
    ...this.bench.job().act.parts.map((p): Choice => [p.id, p.name]),
  ]);
  protected readonly presses = computed((): readonly Choice[] => [
    ['', 'not said'],
    ...this.bench.job().presses.map((p): Choice => [p.id, p.name]),
  ]);
  /** What is drawn is of an earlier version of the job, until it is run anew. */
  protected readonly old = computed(() => this.runs()?.job !== this.bench.job());
  protected readonly runOf = (l: Loop): LoopRun | undefined => this.runs()?.runs.find((r) => r.loop.id === l.id);
  protected readonly limitOf = (l: Loop) => this.bench.job().senses.find((s) => s.id === l.sense)?.limit ?? null;

  constructor() {
    effect(() => {
      const job = this.bench.job();
      untracked(() => void this.runAll(job));
    });
  }

  private async runAll(job: Job): Promise<void> {
    if (job.routine.loops.length === 0) return this.runs.set(null);
    const runs = await this.work.do(job.id, { do: 'loops', job });
    if (runs) this.runs.set({ job, runs });
  }

  protected addLoop(): void {
    const sense = this.thermometers()[1]?.[0] ?? '';
    this.putLoop({ ...freshOf(loopFields), id: this.bench.newId(), sense, part: this.parts()[1]?.[0] ?? '' });
  }
  protected putLoop(l: Loop): void {
    this.bench.put('routine.loops', l, `loop ${l.name}`);
  }
  /** What is typed of a room is no longer what a recording says of it. */
  protected set(l: Loop, set: Partial<Loop>): void {
    const typed = 'kelvin' in set || 'tauSeconds' in set || 'way' in set;
    this.putLoop({ ...l, ...set, ...(typed ? { recording: '' } : {}) });
  }
  protected dropLoop(l: Loop): void {
    this.taker.drop(l.name, 'routine.loops', l.id);
  }

  protected addAmount(): void {
    const press = this.presses()[1]?.[0] ?? '';
    this.putAmount({ ...freshOf(amountFields), id: this.bench.newId(), press });
  }
  protected putAmount(a: Amount): void {
    this.bench.put('routine.amounts', a, `amount ${a.name}`);
  }
  protected dropAmount(a: Amount): void {
    this.taker.drop(a.name, 'routine.amounts', a.id);
  }
  protected pour(a: Amount): void {
    this.putAmount({ ...a, pours: [...a.pours, a.pours.at(-1) ?? FIRST_POUR] });
  }
  protected setPour(a: Amount, at: number, set: Partial<Amount['pours'][number]>): void {
    this.putAmount({ ...a, pours: a.pours.map((p, i) => (i === at ? { ...p, ...set } : p)) });
  }
  protected dropPour(a: Amount, at: number): void {
    this.putAmount({ ...a, pours: a.pours.filter((_, i) => i !== at) });
  }
}
