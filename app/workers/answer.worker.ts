/// <reference lib="webworker" />
import { answerFor, planFor } from '../../core/answer';
import type { Job } from '../../core/job';
import { warmUp } from '../../core/probe';

/** One question: a job, and what its maker will not read now. */
export interface Question {
  readonly id: number;
  readonly job: Job;
  readonly skip: Readonly<Record<string, readonly string[]>>;
  /** True where only the order for the whole board is wanted. */
  readonly plan?: boolean;
}

let warming: Generator<void> | undefined;

/** While nobody asks, the tables of the next readings are made ready, a few milliseconds at a time. */
function warmOn(): void {
  if (!warming?.next().done) setTimeout(warmOn);
}

addEventListener('message', ({ data }: MessageEvent<Question>) => {
  postMessage(
    data.plan ? { id: data.id, plan: planFor(data.job) } : { id: data.id, answer: answerFor(data.job, data.skip) },
  );
  if (warming) return;
  warming = warmUp(data.job.survey.meter);
  setTimeout(warmOn, 50);
});
