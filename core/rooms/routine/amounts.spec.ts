import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { edited, type Amount, type Job } from '../../ground/job';
import { demoJob } from '../../testing/jobs';
import { flowOf, secondsFor } from './amount-flow';

const valve = demoJob('ice-bath-valve');
const changed = (set: Partial<Amount>): Job => ({
  ...valve,
  routine: { ...valve.routine, amounts: valve.routine.amounts.map((a) => ({ ...a, ...set })) },
});
const findingOf = (job: Job, id: string) => assess(job).findings.find((f) => f.id === id);

describe('an amount by flow', () => {
  it('takes its time from its trials, between bounds of the next pours (NIST e-Handbook 7.2.6.3, one-sided factor of three values)', () => {
    const pours = [56, 57.5, 56.5].map((seconds) => ({ litres: 10, seconds }));
    const flow = flowOf({ pours, off: 0 })!;
    const rates = pours.map((p) => p.litres / p.seconds);
    const mean = rates.reduce((a, b) => a + b) / 3;
    const spread = Math.sqrt(rates.reduce((v, x) => v + (x - mean) ** 2, 0) / 2);
    expect(flow.mean).toBeCloseTo(mean, 12);
    // k of three values at 95 % / 95 %: 7.656 in the tables of ISO 16269-6, from memory.
    expect((flow.most - mean) / spread).toBeCloseTo(7.656, 2);
    expect(secondsFor({ ...valve.routine.amounts[0]!, pours })).toBeCloseTo(45 / mean, 9);
    expect(flowOf({ pours: [], off: 0 })).toBeNull();
    expect(flowOf({ pours: pours.slice(0, 1), off: 0 })).toMatchObject({ least: rates[0]! / 2, most: 2 * rates[0]! });
  });

  it('sets the press of its move, and the end that a program keeps, in one press each', () => {
    const faster = changed({ pours: [42, 42.5, 42].map((seconds) => ({ litres: 10, seconds })) });
    const time = findingOf(faster, 'routine.amount.filling.time')!;
    expect(time.verdict).toBe('tight');
    const timed = edited(faster, time.remedy!.edit!, '2026-11-28T14:00:00Z');
    expect(findingOf(timed, 'routine.amount.filling.time')!.verdict).toBe('settled');
    const endless = { ...valve, routine: { ...valve.routine, limits: [] } };
    const ends = findingOf(endless, 'routine.amount.filling.ends')!;
    expect(ends.verdict).toBe('tight');
    const ended = edited(endless, ends.remedy!.edit!, '2026-11-28T14:00:00Z');
    expect(findingOf(ended, 'routine.amount.filling.ends')!.verdict).toBe('settled');
  });
});
