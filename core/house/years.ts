import { fateIn, type Fate } from '../engines/world';
import type { Job } from '../ground/job';
import type { Progress } from '../rooms/act';
import { drawnAs } from './year-drawing';
import { YEAR_DAYS, yearOf, type YearMarks } from './year';

/** What some years of a rule come to, year by year: times that it acts, and that it comes true and comes to nothing. */
export interface RuleYears {
  readonly acts: readonly number[];
  readonly lost: readonly number[];
  /** Most often it came to nothing by this; empty where it never did. */
  readonly by: Fate | '';
}

/** Some years of a job’s rules, one after the other, each with weather, habits and a seed of its own. */
export interface Years {
  /** The first day of each, as `2026-03-02`. */
  readonly begins: readonly string[];
  readonly rules: readonly RuleYears[];
  /** Calls for somebody, year by year. */
  readonly calls: readonly number[];
  /** Days that were run in all. */
  readonly days: number;
}

/** Years that are run where nobody says otherwise, and at most. */
export const USUAL_YEARS = 10;
const MOST_YEARS = 50;

interface Counted {
  readonly acts: number[];
  readonly lost: number[];
  readonly by: Map<Fate, number>;
}

/** Adds a year to what is counted. */
function countInto(rules: readonly Counted[], year: number, marks: YearMarks): void {
  for (const r of rules) {
    r.acts.push(0);
    r.lost.push(0);
  }
  marks.rule.forEach((rule, i) => {
    const r = rules[rule];
    const fate = marks.fate[i] ?? 0;
    const as = drawnAs(fate);
    if (!r || as === 'rests') return;
    r[as][year] = (r[as][year] ?? 0) + 1;
    if (as === 'lost') r.by.set(fateIn(fate), (r.by.get(fateIn(fate)) ?? 0) + 1);
  });
}

/**
 * Some years of the rules, 365 days from the same date of each, begun at rest: what a year leaves behind, the next does not find.
 * @param fromIso an instant of the first day. @param years whole, 1 to 50.
 * @param progress called with the share that is done; ends where it answers false.
 * Throws RangeError for a number of years that it is not made for, else as `yearOf` does.
 */
export function yearsOf(job: Job, fromIso: string, years = USUAL_YEARS, progress?: Progress): Years {
  if (!Number.isInteger(years) || years < 1 || years > MOST_YEARS)
    throw new RangeError(`${years} years: a whole number from 1 to ${MOST_YEARS}`);
  const rules = job.routine.sentences.map((): Counted => ({ acts: [], lost: [], by: new Map() }));
  const [begins, calls]: [string[], number[]] = [[], []];
  let days = 0;
  for (let n = 0; n < years; n++) {
    if (progress && !progress(n / years)) break;
    const from = new Date(fromIso);
    from.setUTCFullYear(from.getUTCFullYear() + n);
    const { marks, run, days: all, calls: called } = yearOf(job, from.toISOString(), YEAR_DAYS - 1, n + 1);
    begins.push(all[0]?.date ?? '');
    calls.push(called);
    days += run;
    countInto(rules, n, marks);
  }
  return {
    begins,
    calls,
    days,
    rules: rules.map(({ acts, lost, by }) => ({ acts, lost, by: [...by].sort((a, b) => b[1] - a[1])[0]?.[0] ?? '' })),
  };
}
