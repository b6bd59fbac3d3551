import { toleranceFactor } from '../../engines/trace';
import type { Job, JobRecording, Looked, Sense, SenseLimit } from '../../ground/job';
import { itemAt } from '../../ground/lists';
import { SENSES } from '../../build/lines';

/** A sense that says yes by a number, with its threshold. */
export type Numbered = Sense & { readonly limit: SenseLimit };

/** A recording that was looked at with the threshold that its sense has now. */
export type LookedAt = JobRecording & { readonly looked: Looked };

/** What recordings say of a threshold: those that it is learned from, those that it is tried on, and those that say nothing of it. */
export interface Recorded {
  readonly learned: readonly LookedAt[];
  readonly kept: readonly LookedAt[];
  /** Looked at with another threshold, or not at all. */
  readonly old: readonly JobRecording[];
  /** Sums of two machines. */
  readonly shared: readonly JobRecording[];
  /** Of something else than the sense reads, since its kind was changed. */
  readonly foreign: readonly JobRecording[];
}

/** Recordings of a sense, by what each is to its threshold. */
export function recordedOf(
  job: Pick<Job, 'recordings'>,
  { id, kind, limit }: Pick<Sense, 'id' | 'kind' | 'limit'>,
): Recorded {
  const all = job.recordings.filter((r) => r.sense === id);
  const reads = SENSES[kind].number?.kind;
  const own = all.filter((r) => r.kind === reads);
  const alone = own.filter((r) => !r.shared);
  const isSeen = (r: JobRecording): r is LookedAt =>
    r.looked !== null && limit !== null && r.looked.over === limit.over && r.looked.under === limit.under;
  const seen = alone.filter(isSeen);
  return {
    learned: seen.filter((r) => !r.heldOut),
    kept: seen.filter((r) => r.heldOut),
    old: alone.filter((r) => !isSeen(r)),
    shared: own.filter((r) => r.shared),
    foreign: all.filter((r) => r.kind !== reads),
  };
}

/** Margin over the longest rest that was seen: chosen, common practice. */
export const HOLD_MARGIN = 1.5;
/** Fewer tell nothing of their spread. */
const LEAST = 3;
const SHARE = 0.95;

/** What rests within runs ask of a hold, were they log-normal. */
export interface RestTolerance {
  readonly n: number;
  /** Mean and spread of the natural logarithms of the longest rest of each recording, s. */
  readonly mean: number;
  readonly spread: number;
  readonly factor: number;
  /** With 95 % confidence over 95 % of the longest rests to come, s. */
  readonly seconds: number;
}

/**
 * The hold that the longest rests of some recordings ask for, one-sided 95 % / 95 %, were they log-normal; null for fewer than three. A
 * rest that is shorter than a sample counts as one sample. Source of the factor: ISO 16269-6.
 */
export function restTolerance(learned: readonly LookedAt[]): RestTolerance | null {
  const n = learned.length;
  if (n < LEAST) return null;
  const logs = learned.map((r) => Math.log(Math.max(r.looked.restSeconds, r.stepSeconds, 1e-3)));
  const mean = logs.reduce((a, b) => a + b, 0) / n;
  const spread = Math.sqrt(logs.reduce((s, x) => s + (x - mean) ** 2, 0) / (n - 1));
  const factor = toleranceFactor(n, SHARE, SHARE);
  return { n, mean, spread, factor, seconds: Math.exp(mean + factor * spread) };
}

/** Names of recordings that the hold from the others, with its margin, would have told the end of in mid-run. */
export const failsLeftOut = (learned: readonly LookedAt[]): readonly string[] =>
  learned.length < 2
    ? []
    : learned
        .filter((r, i) => {
          const others = learned.filter((_, k) => k !== i).map((x) => x.looked.restSeconds);
          return r.looked.restSeconds > HOLD_MARGIN * Math.max(...others);
        })
        .map((r) => r.name);

/** Steps that a hold is proposed in, s: nobody says 437 s. */
const ROUND = [1, 2, 5, 10, 15, 20, 30, 60, 90, 120, 180, 240, 300, 420, 600, 900, 1200, 1800, 2700, 3600, 7200];

/**
 * The hold that recordings ask for: over every rest that was seen with its margin, and over what their spread asks for where they stay
 * under for so long, rounded up. Null where one of them does not stay under even for the first after its run.
 */
export function proposedHold(learned: readonly LookedAt[], kept: readonly LookedAt[]): number | null {
  const all = [...learned, ...kept];
  if (all.length === 0) return null;
  const longest = Math.max(...all.map((r) => r.looked.restSeconds));
  const least = Math.max(HOLD_MARGIN * longest, 2 * Math.max(...all.map((r) => r.stepSeconds)));
  const tail = Math.min(...all.map((r) => r.looked.tailSeconds));
  const wanted = [Math.max(least, restTolerance(learned)?.seconds ?? 0), least].find((x) => x <= tail);
  if (wanted === undefined) return null;
  // What is rounded up past what was recorded is taken as it is.
  const up = ROUND.find((x) => x >= wanted) ?? Math.ceil(wanted / 3600) * 3600;
  return up <= tail ? up : wanted;
}

/** The first of a list by what is greatest. */
export const greatest = <T>(list: readonly T[], of: (x: T) => number): T =>
  list.reduce((best, x) => (of(x) > of(best) ? x : best), itemAt(list, 0));
