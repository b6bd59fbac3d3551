import { acts, type Job } from '../../ground/job';
import { hasDay } from './rule-lacks';
import { moveOf } from './clashes';

const WEEKDAYS = [1, 2, 3, 4, 5, 6, 7];

/**
 * How often rules begin some moves on a day, at the least and at the most over a week, by their times alone. Null where a rule that no
 * calendar tells begins one of them, or one of dates.
 */
export function firesADay(job: Job, moves: readonly string[]): readonly [least: number, most: number] | null {
  const own = job.routine.sentences.filter((s) => {
    const move = acts(s) ? moveOf(job, s) : undefined;
    return move !== undefined && moves.includes(move.id);
  });
  if (own.some((s) => !hasDay(s) || s.when === 'event' || s.dates !== 'any')) return null;
  const daily = WEEKDAYS.map((d) => own.filter((s) => s.days.includes(d)).length);
  return [Math.min(...daily), Math.max(...daily)];
}
