import { fateIn } from '../engines/world';
import { asQuantity } from '../ground/field';
import { sentenceFields, type Job, type Sentence } from '../ground/job';
import type { Progress } from '../rooms/act';
import { YEAR_DAYS, yearOf } from './year';

/** Numbers of a rule of which the whole range can be tried. */
export const REGRET_FIELDS = ['offsetSeconds', 'aheadSeconds', 'forSeconds', 'lateSeconds', 'gapSeconds'] as const;
/** One of `REGRET_FIELDS`. */
export type RegretField = (typeof REGRET_FIELDS)[number];

/** What a year comes to with one value of a rule's number. */
export interface RegretPoint {
  readonly value: number;
  /** Times that this rule acted, and times that it came true and did not. */
  readonly done: number;
  readonly lost: number;
  /** Times that the other rules came true and did not act. */
  readonly othersLost: number;
}

/** The whole range of a number of a rule, each value over the same year. */
export interface Regret {
  readonly points: readonly RegretPoint[];
  /** The longest stretch of values at which nothing more is lost than at the best, from and to; the number in the job lies in it or not. */
  readonly best: readonly [from: number, to: number];
  readonly now: number;
}

/** Values that are tried. */
const TRIED = 25;

/** The range of a number that makes sense for a rule: its own bounds, and no further than a few times what it is or an hour. */
function rangeOf(s: Sentence, field: RegretField): readonly [number, number] {
  const { least, most } = asQuantity(sentenceFields[field]);
  const reach = Math.max(3600, 3 * Math.abs(s[field]));
  return [Math.max(least, field === 'offsetSeconds' ? -reach : 0), Math.min(most, reach)];
}

/**
 * What a year would have come to with other values of one number of a rule. Null for a rule that the job has not, or that its number says
 * nothing to. Throws as `yearOf` does.
 */
export function regretOf(job: Job, rule: string, field: RegretField, from: string, progress?: Progress): Regret | null {
  const index = job.routine.sentences.findIndex((s) => s.id === rule);
  const own = job.routine.sentences[index];
  if (!own) return null;
  const [low, high] = rangeOf(own, field);
  const values = Array.from({ length: TRIED }, (_, i) => low + ((high - low) * i) / (TRIED - 1));
  const all = [...new Set([...values, own[field]])].sort((a, b) => a - b);
  const points: RegretPoint[] = [];
  for (const [i, value] of all.entries()) {
    if (progress && !progress(i / all.length)) break;
    points.push(pointOf(withValue(job, index, field, value), index, value, from));
  }
  return { points, best: bestOf(points), now: own[field] };
}

const withValue = (job: Job, index: number, field: RegretField, value: number): Job => ({
  ...job,
  routine: {
    ...job.routine,
    sentences: job.routine.sentences.map((s, i) => (i === index ? { ...s, [field]: value } : s)),
  },
});

function pointOf(job: Job, index: number, value: number, from: string): RegretPoint {
  const { marks } = yearOf(job, from, YEAR_DAYS);
  let [done, lost, othersLost] = [0, 0, 0];
  marks.rule.forEach((rule, i) => {
    const fate = fateIn(marks.fate[i] ?? 0);
    // What waits is told again, once it acts or waits no longer.
    if (fate === 'waits') return;
    if (rule !== index) othersLost += fate === 'done' ? 0 : 1;
    else if (fate === 'done') done++;
    else lost++;
  });
  return { value, done, lost, othersLost };
}

const badness = (p: RegretPoint): number => p.lost + p.othersLost;

/** The longest stretch of neighbouring values that lose no more than the best one. */
function bestOf(points: readonly RegretPoint[]): readonly [number, number] {
  const least = Math.min(...points.map(badness));
  let [best, from]: [readonly [number, number], number | null] = [[0, 0], null];
  let length = -1;
  for (const p of points) {
    if (badness(p) > least) {
      from = null;
      continue;
    }
    from ??= p.value;
    if (p.value - from > length) [best, length] = [[from, p.value], p.value - from];
  }
  return best;
}
