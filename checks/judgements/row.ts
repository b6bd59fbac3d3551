import { fed, pressed } from '../../core/testing/jobs';
import type { Verdict } from '../../core/ground/finding';
import type { BenchPlan, FeedLink, FeedSource, Job, Press, Way } from '../../core/ground/job';
import { APART, dryPair, finished, lowButton, mainsLoad, said, scannedKey } from '../bench-jobs';

/** `value` within a share of `own`; `limit` the same; `verdict` one of these. What is left out is not judged. */
export interface Row {
  readonly what: string;
  readonly source: string;
  readonly job: () => Job;
  readonly id: string;
  readonly own?: number;
  readonly limit?: number;
  readonly verdict?: Verdict | readonly Verdict[];
}

export const plan = (job: Job, way: Way, set: Partial<Press> & Partial<BenchPlan> = {}): Job =>
  pressed(finished(job), { way, resistorOhms: null, ...set });
export const button = said([...APART, ...lowButton(4.98, 10e3)]);
export const weak = said([...APART, ...lowButton(4.98, 2.6e6).filter((l) => !l.includes('short')), 'it short 1.92 uA']);
export const key = said([...APART, ...scannedKey(4.96), 'it B loaded-10k 1.55 V']);
export const unreadKey = said([...APART, ...scannedKey(4.96)]);
export const loop24 = said([...APART, ...dryPair('24 VAC', 19.2)]);
export const loop12 = said([...APART, ...dryPair('11.6 V', 8.2)]);
export const tied = said(['ground to mains off 120k', ...lowButton(4.98, 10e3)]);
export const load = said([...APART, ...mainsLoad]);
export const feed = (source: Partial<FeedSource>, lead: Partial<FeedLink> = {}): Job =>
  fed(plan(button, 'solid-state-relay'), source, lead);
export const hot = (amps: number, doubling: number): number => amps * 2 ** (35 / doubling);
export const not: readonly Verdict[] = ['tight', 'stop', 'unknown'];
export const COPPER = 17.241e-9;

// Supply and pull at their corners as a 0.5 % + 2 digit voltmeter and a 1 % + 3 digit milliammeter leave them.
export const VCC = { high: 4.98 * 1.005 + 0.02 + 0.005, low: 4.98 * 0.995 - 0.02 };
