import { pressedBy, type Job, type MoveStep } from '../../ground/job';

/**
 * For how long a step that presses until a sense says so lasts at least, s, as limits have it; null where no limit says so. A press of a
 * length of its own is as long as it says.
 */
export function leastOn(job: Job): ((s: MoveStep) => number) | null {
  const own = job.routine.limits.filter((l) => l.kind === 'least-on');
  if (own.length === 0) return null;
  return (s) =>
    s.do === 'hold'
      ? Math.min(s.seconds, Math.max(0, ...own.flatMap((l) => (pressedBy(s).includes(l.press) ? [l.seconds] : []))))
      : 0;
}
