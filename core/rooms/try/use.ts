import { pressedBy, type Job } from '../../ground/job';

/** Days of a month, and of a week. */
const MONTH_DAYS = 30;
const WEEK_DAYS = 7;
/** Share of presses that must be obeyed where nobody said how often it presses, and the most that is asked for (`hit-wanted`). */
const MOST_WANTED = 0.999;
/** What may be asked for, least first: as the usual tables of the success run have it. */
const LEVELS = [0.9, 0.95, 0.99, MOST_WANTED] as const;

/** How often the week's sentences press in a month; 0 where nothing is said of it. */
export function pressesInMonth(job: Job): number {
  const inWeek = job.routine.sentences.reduce((n, s) => {
    const move = job.act.moves.find((m) => m.id === s.move) ?? job.act.moves[0];
    const presses = move?.steps.reduce((k, step) => k + pressedBy(step).length, 0) ?? 0;
    return n + s.days.length * presses;
  }, 0);
  return (inWeek / WEEK_DAYS) * MONTH_DAYS;
}

/**
 * The share of presses that must be obeyed: so many that no more than one in a month is missed, as often as it presses. Where people or
 * messages press as well, or nobody said how often, and where a press unseen hurts or nobody looked through what can, one in a thousand.
 */
export function hitWanted(job: Job): number {
  const month = pressesInMonth(job);
  const asked = job.hands.some((h) => h.asks.length > 0 || h.begins.length > 0);
  const hurts = !job.wish.hazardsReviewed || job.wish.hazards.length > 0;
  if (month === 0 || asked || hurts) return MOST_WANTED;
  return LEVELS.find((level) => level >= 1 - 1 / month) ?? MOST_WANTED;
}
