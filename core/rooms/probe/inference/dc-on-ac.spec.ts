import { describe, expect, it } from 'vitest';
import { ISOLATED, jobWith } from '../../../testing/probe-jobs';
import { nextFor, probeFindings, surveysOf } from '..';

describe('a meter whose AC setting shows DC', () => {
  // A half wave scaled for a sine: π/√2 = 2.22 times 4.98 V are 11.06 V.
  const lines = [
    'start look springs back',
    'start B to ground off 0.1 ohm',
    'start A idle 4.98 V',
    'start A pressed 0 V',
  ];
  const found = (...more: string[]) => {
    const job = jobWith(...ISOLATED, ...lines, ...more);
    const [s] = surveysOf(job);
    return { s: s!, f: probeFindings(job, [s!]).find((x) => x.id.includes('dc-on-ac')) };
  };

  it('is known by its share of the DC, said, and left out', () => {
    const { s, f } = found('start A idle 11.1 VAC');
    expect(f).toMatchObject({ verdict: 'tight', remedy: { text: expect.stringContaining('100 nF') } });
    expect(s.posterior.kinds).toEqual(found().s.posterior.kinds);
    expect(nextFor(jobWith(...ISOLATED, ...lines, 'start A idle 11.1 VAC'), s)).toBeDefined();
    // Other volts are no such thing, whatever they are.
    expect(found('start A idle 6.4 VAC').f).toBeUndefined();
    expect(found('start A pressed 11.1 VAC').f).toBeUndefined();
  });
});
