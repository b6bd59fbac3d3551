import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import type { Draw } from '../../ground/facts';
import { within } from '../../ground/quantity';
import { proposedSupply } from './proposal';
import { edited, type Job } from '../../ground/job';
import { demoJob } from '../../testing/jobs';

const bare = (name: Parameters<typeof demoJob>[0]): Job => {
  const job = demoJob(name);
  const none = { sources: [], converters: [], links: [], loads: [], hangs: [], groups: [], shifts: [] };
  return { ...job, feed: { ...job.feed, ...none } };
};
const proposed = (job: Job) => assess(job).findings.find((f) => f.id === 'feed.supply')!.remedy!;

describe('the supply that is proposed', () => {
  it('is 5 V and 1 A for a button, and settles its volts and amperes', () => {
    const job = bare('rice-pot');
    const remedy = proposed(job);
    expect(remedy.label).toBe('Use 5 V, 1 A');
    const after = assess(edited(job, remedy.edit!, job.touchedAt));
    expect(after.findings.filter((f) => f.room === 'feed' && f.verdict === 'stop')).toEqual([]);
  });

  // By hand: eight motors of 12 V and 0.25 A, one of which starts with 0.8 A: 2.55 A, and a board of 0.4 A at 5 V behind 85 %: 0.2 A more.
  it('is that of the motors, with a step-down for the controller, and no stop is left by it', () => {
    const job = bare('steam-flaps');
    const remedy = proposed(job);
    expect(remedy.label).toBe('Use 12 V, 5 A and a step-down');
    const after = edited(job, remedy.edit!, job.touchedAt);
    expect(after.feed.hangs.filter((h) => h.node === 'step-down').map((h) => h.load)).toContain('controller');
    const stops = assess(after).findings.filter((f) => f.room === 'feed' && f.verdict === 'stop');
    expect(stops.map((f) => f.title)).toEqual([]);
  });

  it('asks for what nobody said, and for a second supply where one voltage does not do', () => {
    const job = bare('steam-flaps');
    const { facts } = assess(job);
    const [first, ...others] = facts.presses;
    const changed = (set: Partial<Draw>) =>
      proposedSupply({
        ...facts,
        presses: [{ ...first!, draws: first!.draws.map((d) => ({ ...d, ...set })) }, ...others],
      });
    expect(changed({ runAmps: null })).toEqual({ text: expect.stringContaining('Say first what the') });
    expect(changed({ volts: within(24, 0.1) })).toEqual({ text: expect.stringContaining('different volts') });
  });
});
