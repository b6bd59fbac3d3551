import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { choice } from '../../../core/ground/field';
import type { Job } from '../../../core/ground/job';
import { clockText } from '../../../core/ground/quantity';
import { REGRET_FIELDS, type Regret, type RegretField } from '../../../core/house/regret';
import type { YearSeen } from '../../../core/house/year-seen';
import { drawnAs } from '../../../core/house/year-drawing';
import { inTheWayOf } from '../../../core/house/year';
import { USUAL_YEARS, type Years } from '../../../core/house/years';
import { fateIn, type Fate } from '../../../core/engines/world';
import { namesIn, saySentence } from '../../../core/rooms/routine';
import { Action } from '../../kit/action';
import { ChoiceField, choicesOf, type Choice } from '../../kit/choice-field';
import { Bench } from '../../store/bench';
import { LongWork } from '../../store/long-work';
import { FindingList } from '../../ui/finding-list';
import { TwoColumns } from '../../ui/two-columns';
import { UnderWay } from '../../ui/under-way';
import { RegretChart } from './regret-chart';
import { RoutineNav } from './routine-nav';
import { DayDial, type DialMark } from './day-dial';
import { YearChart } from './year-chart';

const FATE_WORDS: Readonly<Record<Fate, string>> = {
  done: 'acts',
  waits: 'waits',
  'held-back': 'is held back',
  busy: 'finds a move under way',
  stopped: 'is stopped',
  'not-armed': 'is not armed',
  'not-so': 'does not: a condition is not so',
  'too-soon': 'rests',
  'enough-today': 'has acted often enough that day',
  limit: 'is refused by a limit',
  dead: 'is missed: no power',
  'too-late': 'is too late',
};
const NUMBER_WORDS: Readonly<Record<RegretField, string>> = {
  offsetSeconds: 'how much later than the sun',
  aheadSeconds: 'how long before the event',
  forSeconds: 'how long it must have said so',
  lateSeconds: 'how late it may be made up for',
  gapSeconds: 'how long it then rests',
};

/** A year of the rules at a glance, the day under the pointer beside it, and what a number of a rule would have come to. */
@Component({
  selector: 'gt-year-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    ChoiceField,
    DayDial,
    FindingList,
    MatButton,
    RegretChart,
    RoutineNav,
    TwoColumns,
    UnderWay,
    YearChart,
  ],
  templateUrl: './year-part.html',
  styles: `
    .old {
      opacity: 0.55;
    }
    .day {
      align-items: flex-start;
      display: flex;
      flex-wrap: wrap;
      gap: 12px 24px;
    }
    .day table {
      flex: 1 1 260px;
    }
  `,
})
export class YearPart {
  protected readonly bench = inject(Bench);
  private readonly work = inject(LongWork);
  private readonly done = signal<{ readonly job: Job; readonly seen: YearSeen } | null>(null);
  protected readonly seen = computed(() => this.done()?.seen ?? null);
  /** What is shown is of an earlier version of the job, until the year is worked out anew. */
  protected readonly old = computed(() => this.done() !== null && this.done()!.job !== this.bench.job());
  protected readonly problem = computed(() => this.work.problem(this.bench.id(), 'year'));
  protected readonly day = signal(0);
  protected readonly names = computed(() => namesIn(this.bench.job()));
  private readonly sentences = computed(() => this.bench.job().routine.sentences);
  protected readonly rules = computed((): readonly Choice[] =>
    this.sentences().map((s, i): Choice => [s.id, `${i + 1} ${saySentence(s, this.names())}`]),
  );
  protected readonly rule = signal('');
  protected readonly chosen = computed(() => this.sentences().find((s) => s.id === this.rule()) ?? this.sentences()[0]);
  protected readonly field = signal<RegretField>('lateSeconds');
  protected readonly numbers = choicesOf<RegretField>(
    choice('number', Object.fromEntries(REGRET_FIELDS.map((f) => [f, NUMBER_WORDS[f]])), 'lateSeconds'),
  );
  protected readonly regret = signal<{ readonly job: Job; readonly of: Regret; readonly field: RegretField } | null>(
    null,
  );
  /** Ten years, and the job that they are of. */
  protected readonly tenYears = signal<{ readonly job: Job; readonly of: Years } | null>(null);
  protected readonly yearRows = computed(() => {
    const years = this.tenYears();
    if (!years) return [];
    const span = (list: readonly number[]): string => {
      const [least, most] = [Math.min(...list), Math.max(...list)];
      return least === most ? String(least) : `${least} to ${most}`;
    };
    return years.of.rules.map((r, i) => ({
      rule: i + 1,
      acts: span(r.acts),
      lost: span(r.lost),
      by: r.by === '' ? '' : FATE_WORDS[r.by],
    }));
  });
  protected readonly findings = computed(() => this.seen()?.findings.map((f) => f.finding) ?? []);

  constructor() {
    effect(() => {
      const job = this.bench.job();
      untracked(() => void this.count(job));
    });
  }

  private async count(job: Job): Promise<void> {
    const seen = await this.work.do(job.id, { do: 'year', job, from: this.bench.now() });
    if (seen) this.done.set({ job, seen });
  }

  /** What the rules do on the day that is looked at, in order. */
  protected readonly today = computed(() => {
    const [seen, job, day] = [this.seen(), this.bench.job(), this.day()];
    if (!seen) return [];
    const { marks } = seen.year;
    const rows: (DialMark & { readonly clock: string; readonly rule: number })[] = [];
    marks.rule.forEach((rule, i) => {
      if (marks.day[i] !== day) return;
      const fate = marks.fate[i] ?? 0;
      const by = inTheWayOf(job, fate);
      const change = marks.clock.get(i);
      rows.push({
        key: `${i}`,
        clock: clockText(Math.floor(marks.minutes[i] ?? 0)),
        minutes: marks.minutes[i] ?? 0,
        as: drawnAs(fate),
        rule: rule + 1,
        words: `${FATE_WORDS[fateIn(fate)]}${by ? `, by ${by}` : ''}${change ? `; ${change}` : ''}`,
      });
    });
    return rows;
  });
  /** The same as they stand on the dial. */
  protected readonly dialled = computed((): readonly DialMark[] =>
    this.today().map((r) => ({ ...r, words: `${r.clock} rule ${r.rule} ${r.words}` })),
  );
  /** Minutes at which the sun rises and sets on that day; null where it does not, or nobody said where the machine stands. */
  protected readonly sunToday = computed((): readonly [number, number] | null => {
    const sun = this.seen()?.sun;
    const [rise, set] = [sun?.rise[this.day()] ?? NaN, sun?.set[this.day()] ?? NaN];
    return Number.isNaN(rise) || Number.isNaN(set) ? null : [rise, set];
  });
  protected readonly date = computed(() => {
    const d = this.seen()?.year.days[this.day()];
    return d
      ? new Date(`${d.date}T12:00:00Z`).toLocaleDateString('en-GB', {
          weekday: 'long',
          day: 'numeric',
          month: 'long',
          year: 'numeric',
          timeZone: 'UTC',
        })
      : '';
  });
  protected readonly madeUp = computed(() =>
    (this.seen()?.year.madeUp ?? []).map((m) => `${m.name} (${m.as})`).join(', '),
  );

  protected readonly firings = computed(() =>
    (this.seen()?.next ?? []).map((f) => ({
      at: f.at,
      sentence: 1 + this.sentences().findIndex((s) => s.id === f.sentence),
      time: f.local.slice(11, 16),
      offset: f.local.endsWith('Z') ? '+00:00' : f.local.slice(-6),
      change: f.clockChange === 'none' ? '' : f.clockChange,
      date: new Date(`${f.local.slice(0, 10)}T12:00:00Z`).toLocaleDateString('en-GB', {
        weekday: 'short',
        day: 'numeric',
        month: 'short',
        year: 'numeric',
        timeZone: 'UTC',
      }),
    })),
  );

  /** Goes to the first day that shows something that was found. */
  protected show(id: string): void {
    const found = this.seen()?.findings.find((f) => f.finding.id === id);
    if (found && found.day >= 0) this.day.set(found.day);
  }

  protected async runYears(): Promise<void> {
    const job = this.bench.job();
    const of = await this.work.do(job.id, { do: 'years', job, from: this.bench.now(), years: USUAL_YEARS });
    if (of) this.tenYears.set({ job, of });
  }

  protected async tryRange(): Promise<void> {
    const [job, s, field] = [this.bench.job(), this.chosen(), this.field()];
    if (!s) return;
    const of = await this.work.do(job.id, { do: 'regret', job, rule: s.id, field, from: this.bench.now() });
    if (of) this.regret.set({ job, of, field });
  }
}
