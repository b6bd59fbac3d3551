/// <reference lib="webworker" />
import { answerFor, planFor, type Answer } from '../../core/answer';
import type { Job } from '../../core/job';
import { warmUp, type Planned } from '../../core/probe';
import { serve } from './serve';

/** A job, and what its maker will not read now; `plan` where only the order for the whole board is wanted. */
export interface Question {
  readonly job: Job;
  readonly skip: Readonly<Record<string, readonly string[]>>;
  readonly plan: boolean;
}

export type Answered =
  { readonly of: 'job'; readonly answer: Answer } | { readonly of: 'board'; readonly plan: readonly Planned[] };

let warming: Generator<void> | undefined;

/** While nobody asks, the tables of the next readings are made ready, a few milliseconds at a time. */
function warmOn(): void {
  if (!warming?.next().done) setTimeout(warmOn);
}

serve<Question, Answered>(({ job, skip, plan }) => {
  const answered: Answered = plan ? { of: 'board', plan: planFor(job) } : { of: 'job', answer: answerFor(job, skip) };
  if (!warming) {
    warming = warmUp(job.survey.meter);
    setTimeout(warmOn, 50);
  }
  return answered;
});
