import type { DriveFact } from '../ground/facts';
import { tickedAt, type Job } from '../ground/job';

/** Name of the tick that the supply is taken off before the programming lead goes in. */
export const LEAD_APART = 'lead-apart';

/** A board that bears more than this is fed before a regulator of its own, V: what a lead gives comes in behind that. */
const AS_THE_LEAD = 6;

/** Whether the programming lead and the controller's supply stand on one conductor, so that each feeds the other. */
export const leadJoins = (job: Job, drive: Pick<DriveFact, 'supplyVolts'>): boolean =>
  job.feed.duty.into === 'chip' || drive.supplyVolts.high < AS_THE_LEAD;

/** The same, where nobody ticked that the supply is taken off before the lead goes in. */
export const feedsTogether = (job: Job, drive: Pick<DriveFact, 'supplyVolts'>): boolean =>
  leadJoins(job, drive) && tickedAt(job, LEAD_APART) === undefined;
