import { itemAt, lastItem } from '../../ground/lists';
import { runsOf, type Run, type Stretch } from './runs';

/** What one recording says of when it ends: every rest within its run, and how long it stays below at the end. */
export interface Ending {
  readonly name: string;
  /** Lengths of the rests within, s, in any order. */
  readonly dips: readonly number[];
  /** How long it was recorded below after the end, s; endless where it stays so. */
  readonly tailSeconds: number;
}

/** What a hold does on some recordings. */
export interface HoldPoint {
  readonly holdSeconds: number;
  /** Ends that are told in mid-run. */
  readonly early: number;
  /** Recordings whose end is not told while they last. */
  readonly missed: number;
}

/** A margin over the longest rest that was seen: chosen, common practice, with no source. */
const HOLD_MARGIN = 1.5;

/** The end of one run that a whole recording shows: rests between its first rise and its last fall, and what follows. */
export function endingOf(name: string, above: readonly Stretch[], endSeconds: number): Ending {
  const dips = above.slice(1).map((s, i) => s.fromSeconds - itemAt(above, i).toSeconds);
  return { name, dips, tailSeconds: above.length > 0 ? endSeconds - lastItem(above).toSeconds : 0 };
}

/**
 * False and missed ends for every hold, exactly: they change only where a hold passes the length of a rest or of a tail. A run is told as
 * ended once it stayed below for the hold; the delay is the hold itself. One pass over the sorted lengths, n log n.
 * @returns points in rising order of the hold; each holds from itself up to the next.
 */
export function holdCurve(endings: readonly Ending[]): HoldPoint[] {
  const dips = endings.flatMap((e) => e.dips).sort((a, b) => a - b);
  const tails = endings.map((e) => e.tailSeconds).sort((a, b) => a - b);
  const steps = [...new Set([0, ...dips, ...tails.filter(Number.isFinite)])].sort((a, b) => a - b);
  let [d, t] = [0, 0];
  return steps.map((holdSeconds) => {
    // A rest that ends just as the hold does is not told as an end.
    while (d < dips.length && itemAt(dips, d) <= holdSeconds) d++;
    while (t < tails.length && itemAt(tails, t) <= holdSeconds) t++;
    return { holdSeconds, early: dips.length - d, missed: t };
  });
}

/**
 * A curve with no more points than a drawing shows: of those that lie within one step of a logarithmic scale the last stays, and the first
 * of all. @param most some hundreds.
 */
export function thinnedCurve(curve: readonly HoldPoint[], most: number): HoldPoint[] {
  if (curve.length <= most) return [...curve];
  const place = (p: HoldPoint): number => Math.log(Math.max(1, p.holdSeconds));
  const [from, to] = [place(itemAt(curve, 0)), place(lastItem(curve))];
  const step = (p: HoldPoint): number => Math.floor(((place(p) - from) / Math.max(1e-9, to - from)) * (most - 2));
  return curve.filter((p, i) => {
    const next = curve[i + 1];
    return i === 0 || next === undefined || step(next) !== step(p);
  });
}

/** The shortest hold without a false end on these recordings, s: the longest rest within a run. */
const shortestHold = (endings: readonly Ending[]): number =>
  endings.reduce((most, e) => e.dips.reduce((m, d) => Math.max(m, d), most), 0);

/** What the hold from the others would have done on the one that was left out. */
export interface LeftOut {
  readonly name: string;
  readonly holdSeconds: number;
  readonly early: number;
  readonly missed: boolean;
}

/** Each recording in turn judged by the hold that the others give, with the margin; none for a single one. */
export function leaveOneOut(endings: readonly Ending[], margin = HOLD_MARGIN): LeftOut[] {
  if (endings.length < 2) return [];
  return endings.map((e, i) => {
    const holdSeconds = margin * shortestHold(endings.filter((_, k) => k !== i));
    return {
      name: e.name,
      holdSeconds,
      early: e.dips.filter((d) => d > holdSeconds).length,
      missed: e.tailSeconds < holdSeconds,
    };
  });
}

/**
 * How likely the greatest of n like events stays the greatest when one more comes, whatever their distribution: n / (n + 1). Source: order
 * statistics; Wilks, Ann. Math. Stat. 12 (1941).
 */
export const carries = (n: number): number => n / (n + 1);

/** Rests between runs are at least so many times as long as those within, or nobody can tell them apart: chosen, no source. */
const PARTED = 3;

/** When a recording's runs end. */
export interface Finish {
  readonly runs: readonly Run[];
  /** The longest rest within a run, s: any longer hold tells no false end on this recording. */
  readonly shortestSeconds: number;
  /** The same with a margin: what is proposed. */
  readonly holdSeconds: number;
  readonly curve: readonly HoldPoint[];
  /** How runs were told from rests: by a leap in the lengths of rests, by their count as it was said, or as one run. */
  readonly by: 'leap' | 'count' | 'one';
}

/**
 * Runs of one recording and the hold that tells their ends: what parts runs is much longer than what rests within them, or so many runs
 * were said. Where neither, all of it counts as one run.
 * @param count of runs, where it is known; 1 at least.
 */
export function finishOf(above: readonly Stretch[], endSeconds: number, count?: number): Finish {
  const rests = endingOf('', above, endSeconds).dips;
  const sorted = [...rests].sort((a, b) => a - b);
  const leaps = sorted.slice(1).map((r, i) => r / Math.max(Number.MIN_VALUE, itemAt(sorted, i)));
  const leap = leaps.reduce((best, x, i) => (x > (leaps[best] ?? 0) ? i : best), 0);
  const parted = count === undefined && (leaps[leap] ?? 0) >= PARTED;
  const within =
    count === undefined ? (parted ? leap + 1 : sorted.length) : Math.max(0, sorted.length - Math.max(0, count - 1));
  const shortestSeconds = within > 0 ? itemAt(sorted, within - 1) : 0;
  const next = sorted[within] ?? Number.POSITIVE_INFINITY;
  // The margin never reaches what parts runs.
  const holdSeconds = Math.min(HOLD_MARGIN * shortestSeconds, Math.sqrt(shortestSeconds * next));
  const runs = runsOf(above, shortestSeconds > 0 ? (shortestSeconds + Math.min(next, 2 * shortestSeconds)) / 2 : 0);
  const endings = runs.map((r, i): Ending => {
    const after = runs[i + 1]?.fromSeconds ?? endSeconds;
    return {
      name: `run ${i + 1}`,
      dips: r.dips.map((d) => d.toSeconds - d.fromSeconds),
      tailSeconds: after - r.toSeconds,
    };
  });
  return {
    runs,
    shortestSeconds,
    holdSeconds,
    curve: holdCurve(endings),
    by: count === undefined ? (parted ? 'leap' : 'one') : 'count',
  };
}
