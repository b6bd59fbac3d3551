import { describe, expect, it } from 'vitest';
import type { Job, Trial } from '../job';
import { changed, demoJob, findingOf } from '../testing/jobs';
import { progressOf, successRun, testSheet } from '.';

const fresh: Job = { ...demoJob('rice-pot'), trials: [] };
const trial = (step: string, count: number, failed = 0): Trial => ({ id: `${step}${count}`, step, at: '2026-03-02T14:00:00Z', outcome: failed ? 'not-as-expected' : 'as-expected', count, failed, observed: '', on: 'hand' });
const stateOf = (trials: Trial[], step: string) => progressOf({ ...fresh, trials }, testSheet(fresh, true)).find((p) => p.step.id === step)!;

describe('the success-run theorem', () => {
  // n = ln(1 − C)/ln(R), rounded up; the usual table of zero-failure demonstration tests.
  it.each([[0.95, 0.95, 59], [0.9, 0.9, 22], [0.99, 0.95, 299], [0.9, 0.95, 29], [0.99, 0.9, 230]])('shows R %f at C %f with %i trials', (r, c, n) => {
    expect(successRun(r, c).result.value).toBe(n);
    expect(1 - r ** n).toBeGreaterThanOrEqual(c - 1e-12);
    expect(1 - r ** (n - 1)).toBeLessThan(c);
  });
});

describe('the test sheet', () => {
  it('proves dead first, presses a lamp before the machine, signs off last', () => {
    const ids = testSheet(fresh, true).map((s) => s.id);
    expect(ids[0]).toBe('prove-dead');
    expect(ids.indexOf('dummy-load')).toBeLessThan(ids.indexOf('one-press'));
    expect(ids.at(-1)).toBe('sign-off');
    expect(testSheet(fresh, false)[0]!.id).toBe('dummy-load');
  });

  it('adds up repeats, and begins anew after a failure', () => {
    expect(stateOf([trial('restarts', 4), trial('restarts', 6)], 'restarts')).toMatchObject({ state: 'passed', done: 10 });
    expect(stateOf([trial('restarts', 9), trial('restarts', 1, 1)], 'restarts')).toMatchObject({ state: 'failed', done: 0, failed: 1 });
    expect(stateOf([trial('restarts', 9), trial('restarts', 1, 1), trial('restarts', 3)], 'restarts')).toMatchObject({ state: 'open', done: 3 });
  });

  it('asks for more presses where more is to be shown', () => {
    const strict = changed(fresh, 'sheet', { reliability: 0.95, confidence: 0.95 });
    expect(testSheet(strict, true).find((s) => s.id === 'many-presses')!.wanted).toBe(59);
  });

  it('is signed off only when every step has passed', () => {
    expect(findingOf(demoJob('rice-pot'), 'try.sheet')).toMatchObject({ verdict: 'settled', caption: 'signed off' });
    expect(findingOf(fresh, 'try.sheet')).toMatchObject({ verdict: 'unknown', caption: 'not begun' });
    expect(findingOf({ ...fresh, trials: [trial('one-press', 1, 1)] }, 'try.one-press').verdict).toBe('stop');
  });
});
