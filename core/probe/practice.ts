import type { ControlKind, Job } from '../job';
import { seededRandom } from '../quantity';
import { FAULT_WORDS, standinOf } from '../standin';
import { KIND_WORDS } from './kind-words';
import { isIsolationReading } from './relevant';
import { walk } from './walk';

/** How a guess on the practice shelf fared. */
export interface PracticeResult {
  readonly right: boolean;
  readonly truth: ControlKind;
  /** Readings after the isolation ones: taken here, and the fewest that the tool itself needed over several tries. */
  readonly taken: number;
  readonly fewest: number;
  readonly faults: readonly string[];
  readonly words: string;
}

const TRIES = 6;

/** Judges a guess about the practice control. Throws RangeError where the job has no stand-in. */
export function practiceResult(job: Job, guess: ControlKind): PracticeResult {
  const standin = standinOf(job.standin);
  if (!standin) throw new RangeError('this job has no stand-in');
  const truth = standin.build.kind;
  const taken = job.readings.filter((r) => !r.struck && !isIsolationReading(r)).length;
  const walks = Array.from({ length: TRIES }, (_, i) => walk(standin, seededRandom(job.standin.seed * 31 + i), 12)).filter((w) => w.end === 'known' && w.kind === truth);
  const fewest = walks.length ? Math.min(...walks.map((w) => w.readings)) : 12;
  const faults = standin.faults.map((f) => FAULT_WORDS[f.fault]);
  const right = guess === truth;
  return {
    right, truth, taken, fewest, faults,
    words: `${right ? 'Right' : 'Not so'}: it is ${KIND_WORDS[truth].name}${faults.length ? `, with ${faults.join(' and ')}` : ''}. You took ${taken} ${taken === 1 ? 'reading' : 'readings'} after the isolation ones; the shortest way found takes ${fewest}.`,
  };
}
