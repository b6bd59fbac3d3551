/// <reference lib="webworker" />
import { answered, type Answered, type Question } from '../../core/answer';
import { warmUp } from '../../core/probe';
import { serve } from './serve';

let warming: Generator<void> | undefined;

/** While nobody asks, the tables of the next readings are made ready, a few milliseconds at a time. */
function warmOn(): void {
  if (!warming?.next().done) setTimeout(warmOn);
}

serve<Question, Answered>((question) => {
  const answer = answered(question);
  if (!warming) {
    warming = warmUp(question.job.survey.meter);
    setTimeout(warmOn, 50);
  }
  return answer;
});
