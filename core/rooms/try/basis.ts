import type { AnyFields } from '../../ground/field';
import { jobFields, whatMatters, type Job, type Trial } from '../../ground/job';
import { hashOf } from '../../ground/quantity';

/** Keys begin so since they are of the whole job; those of earlier programs were of less. */
const WHOLE = 'whole-';

const known = new WeakMap<Job, string>();

/**
 * A key of everything that a trial may rest on: the whole job but for those fields that say of themselves that they cannot matter. A change
 * of any other voids what was tried. What holds its field's first value is left out, so that a field which a later version only adds
 * voids nothing.
 */
export function basisOf(job: Job): string {
  let basis = known.get(job);
  if (basis === undefined)
    known.set(job, (basis = WHOLE + hashOf(JSON.stringify(whatMatters(jobFields as unknown as AnyFields, job)))));
  return basis;
}

/** Whether a trial still speaks of the job as it stands. A key of an earlier program held less than everything, and proves nothing. */
export const stillCounts = (job: Job, trial: Trial): boolean => trial.basis === basisOf(job);
