import { heardScript, simulateDays, type DaysOutcome } from './act';
import { knownMachine, type Job } from './job';
import { countedShare, seededRandom, type Interval } from './quantity';
import { firingSeconds } from './routine';

/** What came of many days, and which share of the starts went as the plan believes; null where nothing starts. */
export interface ManyDays extends DaysOutcome {
  readonly kept: Interval | null;
}

/**
 * Many days of a job under random faults, from its routine's own times: presses missed, hands, power cuts, at the rates of `fault-rates`.
 * Null while the machine is not known. The same seed gives the same days.
 */
export function manyDays(job: Job, days: number, seed: number): ManyDays | null {
  const machine = knownMachine(job.act.machine);
  if (!machine) return null;
  const starts = firingSeconds(job.routine.sentences, job.touchedAt, job.region.timeZone, days);
  const outcome = simulateDays({ machine, script: heardScript(job) }, starts, days, seededRandom(seed));
  return { ...outcome, kept: outcome.starts > 0 ? countedShare(outcome.asBelieved, outcome.starts) : null };
}
