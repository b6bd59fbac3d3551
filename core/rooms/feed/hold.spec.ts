import { describe, expect, it } from 'vitest';
import { changed, demoJob, fed, findingOf } from '../../testing/jobs';
import type { Job } from '../../ground/job';

const pot = demoJob('rice-pot');

describe('a power bank', () => {
  it('refuses a bank that switches off under what a sleeping controller draws', () => {
    const hold = (duty: Partial<Job['feed']['duty']>, holdAmps: number | null) =>
      findingOf(
        fed(changed(pot, 'feed', { duty: { ...pot.feed.duty, ...duty } }), { kind: 'bank', holdAmps }),
        'feed.hold',
      ).verdict;
    // Nobody said whether it sleeps; one that does draws less than keeps the bank on.
    expect([hold({ sleeps: 'no' }, null), hold({ sleeps: 'no' }, 0.02), hold({}, 0.02)]).toEqual([
      'stop',
      'settled',
      'unknown',
    ]);
    expect(hold({ sleeps: 'yes', sleepAmps: 0.01 }, 0.02)).toBe('stop');
  });
});
