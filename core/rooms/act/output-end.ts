import { feedsATimer, timerOpens } from '../../build/ways';
import { oneShot } from '../../engines/electrics';
import type { OutputEnd } from '../../engines/world';
import type { Step } from '../../ground/finding';
import type { Facts, PressFact } from '../../ground/facts';
import { longestPress, type Job } from '../../ground/job';

/** What stands in the circuit of a press and ends it where the controller does not, at the latest after so long. */
interface PressEnd {
  readonly by: OutputEnd['by'];
  readonly latest: Step;
}

/** What ends a press beside the program; null where nothing does. @param most the longest press of its moves, s. */
export function pressEndOf(job: Job, fact: PressFact, most: number): PressEnd | null {
  if (most === 0) return null;
  // A one-shot was asked for and could be put there.
  if (fact.latchSeconds > 0) return { by: 'one-shot', latest: oneShot(most).longest };
  const timed = job.guard.cutOff === 'timer-relay' && feedsATimer(fact);
  const latest = timed ? timerOpens(job)?.latest : undefined;
  return latest ? { by: 'timer', latest } : null;
}

/** What ends each press by itself, by press, as a run has it: at the latest that its parts allow. */
export const outputEnds = (job: Job, { presses }: Pick<Facts, 'presses'>): ReadonlyMap<string, OutputEnd> =>
  new Map(
    presses.flatMap((fact): [string, OutputEnd][] => {
      const end = pressEndOf(job, fact, longestPress(job, fact.id));
      return end ? [[fact.id, { by: end.by, seconds: end.latest.result.value }]] : [];
    }),
  );
