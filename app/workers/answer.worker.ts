/// <reference lib="webworker" />
import { answered, type Answered, type Question } from '../../core/house/answer';
import { takeDrawnAhead, warmUp } from '../../core/rooms/probe';
import type { Bead } from '../../core/house/thread';
import { serve } from './serve';

/** The verdicts, before what to read next is worked out. */
export interface AnswerNews {
  readonly thread: readonly Bead[];
}

let warming: Generator<void> | undefined;

/** While nobody asks, the tables of the next readings are made ready, a few milliseconds at a time. */
function warmOn(): void {
  if (!warming?.next().done) setTimeout(warmOn);
}

/** What was drawn when the program was built; without it the same is drawn here, which takes longer. */
const drawn = fetch(new URL('tables/predictions.bin', location.href))
  .then(async (file) => file.ok && takeDrawnAhead(await file.arrayBuffer()))
  .catch(() => false);

serve<Question, Answered, AnswerNews>(async (question, tell) => {
  await drawn;
  const answer = answered(question, (thread) => tell({ thread }));
  if (!warming) {
    warming = warmUp(question.job.survey.meter);
    setTimeout(warmOn, 50);
  }
  return answer;
});
