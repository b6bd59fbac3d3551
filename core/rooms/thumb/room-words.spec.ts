import { describe, expect, it } from 'vitest';
import { demoJob, waysOf } from '../../testing/jobs';
import { orderWords, wayHeading } from '.';

describe('what Thumb says', () => {
  it('heads a way by what it does to the control', () => {
    expect(wayHeading('relay-contact', 'start')).toBe('Relay contact across start');
    expect(wayHeading('logic-injector', '5')).toMatch(/, for 5$/);
    expect(wayHeading('finger', 'rocker')).toBe('Finger on a servo, over rocker');
    expect(wayHeading('control-box', 'up')).not.toContain('up');
  });

  it('says why the first stands first: by verdict, or by the first wish that tells', () => {
    const ways = waysOf(demoJob('rice-pot'));
    const { wishes } = demoJob('rice-pot').bench;
    expect(orderWords(ways, wishes)).toMatch(/^Solid-state relay stands before .*: it /);
    const [a, b] = ways;
    expect(orderWords([a!, { ...b!, verdict: 'stop' }], wishes)).toMatch(/by its verdict\.$/);
    expect(orderWords([a!], wishes)).toBe('');
  });
});
