import type { Seen } from './assess';
import { pinAt, profileOf } from '../rooms/board';
import type { Job } from '../ground/job';
import { billOf, type Bill } from '../engines/parts';
import { wiringOf, type Wiring } from '../build/wiring';

/** A pin as it stands on paper: its chip number, and the printed label where that differs. */
export function pinWords(job: Job, gpio: number): string {
  const label = pinAt(profileOf(job), gpio)?.label;
  return label === undefined || label === String(gpio) ? `pin ${gpio}` : `pin ${gpio} (${label})`;
}

/** The whole job's wire table and parts. */
export const wholeWiring = (job: Job, a: Pick<Seen, 'plans' | 'lines' | 'facts'>): Wiring =>
  wiringOf(job, a.plans, a.lines, a.facts.controls, a.facts.drive, (gpio) => pinWords(job, gpio));

/** What is to be bought for all machines. */
export const wholeBill = (job: Job, wiring: Wiring): Bill => billOf(wiring.parts, job.bench.stock, job.bench.machines);
