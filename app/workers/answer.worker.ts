/// <reference lib="webworker" />
import { answerFor, planFor } from '../../core/answer';
import type { Job } from '../../core/job';

/** One question: a job, and what its maker will not read now. */
export interface Question {
  readonly id: number;
  readonly job: Job;
  readonly skip: Readonly<Record<string, readonly string[]>>;
  /** True where only the order for the whole board is wanted. */
  readonly plan?: boolean;
}

addEventListener('message', ({ data }: MessageEvent<Question>) => {
  postMessage(data.plan ? { id: data.id, plan: planFor(data.job) } : { id: data.id, answer: answerFor(data.job, data.skip) });
});
