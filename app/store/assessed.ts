import { assess, type Assessment } from '../../core/assess';
import type { Job } from '../../core/job';
import { threadOf, type Bead } from '../../core/thread';

const assessments = new WeakMap<Job, Assessment>();
const threads = new WeakMap<Job, Bead[]>();

/** The assessment of a job, computed once per version of it; a job is never changed in place. */
export function assessed(job: Job): Assessment {
  let a = assessments.get(job);
  if (!a) assessments.set(job, (a = assess(job)));
  return a;
}

/** The thread of a job, computed once per version of it. */
export function threaded(job: Job): Bead[] {
  let t = threads.get(job);
  if (!t) threads.set(job, (t = threadOf(assessed(job).findings)));
  return t;
}
