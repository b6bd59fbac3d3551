import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { lacksOfPolicies, policiesFor } from '../../../core/rooms/act';
import { withSteps, type Job } from '../../../core/ground/job';
import { keptFinding, wrongFinding } from '../../../core/house/days-findings';
import type { Finding } from '../../../core/ground/finding';
import type { DaysStudy, PolicyDays } from '../../../core/house/many-days';
import { formatQuantity } from '../../../core/ground/quantity';
import { Action } from '../../kit/action';
import { Cell, Table, type Column } from '../../kit/table';
import { Bench } from '../../store/bench';
import { LongWork } from '../../store/long-work';
import { Num } from '../../ui/num';
import { UnderWay } from '../../ui/under-way';

/** The same days each time, so that two plans meet the same bad luck. */
const SEED = 1;

/** Many days under random faults: how the plan fares, and how the ready policies would on the same days. */
@Component({
  selector: 'gt-days-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, Cell, MatButton, Num, Table, UnderWay],
  templateUrl: './days-part.html',
  styles: ':host { display: flex; flex-direction: column; gap: 14px; } .range { white-space: nowrap; }',
})
export class DaysPart {
  private readonly bench = inject(Bench);
  private readonly work = inject(LongWork);
  protected readonly spans: readonly (readonly [days: number, words: string])[] = [
    [30, 'a month'],
    [365, 'a year'],
    [3650, 'ten years'],
  ];
  protected readonly days = signal(0);
  private readonly done = signal<{ readonly job: Job; readonly days: number; readonly study: DaysStudy } | null>(null);
  /** What was counted of this very plan; null while that is under way. */
  private readonly study = computed(() => {
    const done = this.done();
    return done?.job === this.bench.job() && done.days === this.days() ? done.study : null;
  });
  protected readonly counted = computed(() => this.study() !== null);
  protected readonly problem = computed(() => this.work.problem(this.bench.id(), 'days'));
  private readonly many = computed(() => this.study()?.own ?? null);
  protected readonly kept = computed(() => this.many() && keptFinding(this.many()!));
  /** What went wrong on the way, in words. */
  protected readonly onTheWay = computed(() => {
    const m = this.many()!;
    return (
      `Plan and machine were apart for ${formatQuantity(m.partedSeconds, 's')} in all. On the way: ` +
      `${m.missed} presses missed, ${m.byHand} by somebody’s hand, ${m.powerCuts} power cuts.`
    );
  });
  protected readonly nothing = computed(() =>
    this.many()
      ? 'Nothing starts by itself yet: write a sentence in Routine.'
      : 'Nothing can be counted before the machine and a move are told.',
  );
  protected readonly compared = computed(() => this.study()?.policies.filter((p) => p.outcome !== null) ?? []);
  protected readonly lacking = computed(() => lacksOfPolicies(this.study()?.policies ?? []));

  constructor() {
    effect(() => {
      const [job, days] = [this.bench.job(), this.days()];
      untracked(() => void this.count(job, days));
    });
  }

  /** Counts the days of a version of the job; one that is under way for another version or span is ended. */
  private async count(job: Job, days: number): Promise<void> {
    if (days === 0) return this.work.stop(job.id, 'days');
    const study = await this.work.do(job.id, { do: 'days', job, days, seed: SEED });
    if (study) this.done.set({ job, days, study });
  }

  protected readonly wrong = (p: PolicyDays): Finding => wrongFinding(p.outcome!, p.kind);
  protected readonly range = (p: PolicyDays): string => {
    const { low, high } = p.outcome!.wrongHours;
    return `${formatQuantity(3600 * low, 's')} to ${formatQuantity(3600 * high, 's')}`;
  };
  protected readonly columns: readonly Column<PolicyDays>[] = [
    { key: 'words', head: 'policy', text: (p) => p.words },
    { key: 'wrong', head: 'wrong in a week' },
    { key: 'presses', head: 'presses', number: true, text: (p) => String(p.outcome!.presses) },
    { key: 'calls', head: 'calls for help', number: true, text: (p) => String(p.outcome!.calls) },
    { key: 'missed', head: 'missed starts', number: true, text: (p) => String(p.outcome!.missedStarts) },
    { key: 'take', head: '' },
  ];
  protected readonly track = (p: PolicyDays): string => p.kind;

  protected isNow(p: PolicyDays): boolean {
    const [move] = this.bench.job().act.moves;
    const policy = move && policiesFor(this.bench.job(), move).find((x) => x.kind === p.kind);
    return JSON.stringify(policy?.steps) === JSON.stringify(move?.steps);
  }

  protected take(p: PolicyDays): void {
    const job = this.bench.job();
    const policy = policiesFor(job, job.act.moves[0]!).find((x) => x.kind === p.kind);
    if (policy) this.bench.edit(withSteps(job, policy.steps, `${job.act.moves[0]!.name}: ${p.words}`));
  }
}
