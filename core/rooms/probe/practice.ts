import type { ControlKind, Job } from '../../ground/job';
import { seededRandom } from '../../ground/quantity';
import { isStranger } from '../../engines/circuit';
import { STANDIN_FAULT_WORDS, standinOf } from '../../engines/standin';
import { KIND_WORDS } from './kind-words';
import { isIsolationReading } from './isolation/relevant';
import { walk } from './walk';

/** What may be answered: a kind, or that it is none of them. */
export type Guess = ControlKind | 'none';

/** How a guess on the practice shelf fared. */
export interface PracticeResult {
  readonly right: boolean;
  /** The kind, or that it is none of them. */
  readonly truth: Guess;
  /** Readings after the isolation ones: taken here, and the fewest that the tool itself needed over several tries. */
  readonly taken: number;
  readonly fewest: number;
  readonly faults: readonly string[];
  readonly words: string;
}

const TRIES = 6;

/** Judges a guess about the practice control. Throws RangeError where the job has no stand-in. */
export function practiceResult(job: Job, guess: Guess): PracticeResult {
  const standin = standinOf(job.standin);
  if (!standin) throw new RangeError('this job has no stand-in');
  const { kind } = standin.build;
  const truth: Guess = isStranger(kind) ? 'none' : kind;
  const taken = job.readings.filter((r) => !r.struck && !isIsolationReading(r)).length;
  const walks = Array.from({ length: TRIES }, (_, i) =>
    walk(standin, seededRandom(job.standin.seed * 31 + i), 16),
  ).filter((w) => (truth === 'none' ? w.end === 'remainder' : w.end === 'known' && w.kind === truth));
  const fewest = walks.length ? Math.min(...walks.map((w) => w.readings)) : 16;
  const faults = standin.faults.map((f) => STANDIN_FAULT_WORDS[f.fault]);
  const right = guess === truth;
  return {
    right,
    truth,
    taken,
    fewest,
    faults,
    words:
      `${right ? 'Right' : 'Not so'}: it is ` +
      `${truth === 'none' ? 'none of the kinds: ' : ''}${KIND_WORDS[kind].name}` +
      `${faults.length ? ', with ' : ''}${faults.join(' and ')}. ` +
      `You took ${taken} ${taken === 1 ? 'reading' : 'readings'} after the isolation ones; ` +
      `the shortest way found takes ${fewest}.`,
  };
}
