/// <reference lib="webworker" />
import { answered, type Answered, type Question } from '../../core/house/answer';
import { takeDrawnAhead, warmUp } from '../../core/rooms/probe';
import type { Bead } from '../../core/house/thread';
import { serve } from './serve';

/** The verdicts, before what to read next is worked out. */
export interface AnswerNews {
  readonly thread: readonly Bead[];
}

/** Who has not asked for so long is reading, ms: work that may never be wanted does not run beside what is. */
const QUIET_MS = 1_500;

let warming: Generator<void> | undefined;
let next: ReturnType<typeof setTimeout> | undefined;

/** While nobody asks, the tables of further readings are made ready, a few milliseconds at a time. */
function warmOn(): void {
  if (!warming?.next().done) next = setTimeout(warmOn);
}

/** What was drawn when the program was built; without it the same is drawn here, which takes longer. */
const drawn = fetch(new URL('tables/predictions.bin', location.href))
  .then(async (file) => file.ok && takeDrawnAhead(await file.arrayBuffer()))
  .catch(() => false);

serve<Question, Answered, AnswerNews>(async (question, tell) => {
  await drawn;
  clearTimeout(next);
  const answer = answered(question, (thread) => tell({ thread }));
  if (question.asked.length > 0) {
    warming ??= warmUp(question.job.survey.meter);
    next = setTimeout(warmOn, QUIET_MS);
  }
  return answer;
});
