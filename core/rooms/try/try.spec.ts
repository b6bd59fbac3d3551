import { describe, expect, it } from 'vitest';
import { sentenceAt, edited, stepOf, withSteps, type Job, type Trial } from '../../ground/job';
import { changed, demoJob, fed, findingOf, onPin, pressed, scripted } from '../../testing/jobs';
import { basisOf, progressOf, successRun, testSheet } from '.';

const fresh: Job = { ...demoJob('rice-pot'), trials: [] };
const trial = (step: string, count: number, failed = 0): Trial => ({
  id: `${step}${count}`,
  step,
  at: '2026-03-02T14:00:00Z',
  outcome: failed ? 'not-as-expected' : 'as-expected',
  count,
  failed,
  observed: '',
  on: 'hand',
  by: 'tester',
  basis: basisOf(fresh),
});
const stateOf = (trials: Trial[], step: string) =>
  progressOf({ ...fresh, trials }, testSheet(fresh, true)).find((p) => p.step.id === step)!;

describe('the success-run theorem', () => {
  // n = ln(1 − C)/ln(R), rounded up; the usual table of zero-failure demonstration tests.
  it.each([
    [0.95, 0.95, 59],
    [0.9, 0.9, 22],
    [0.99, 0.95, 299],
    [0.9, 0.95, 29],
    [0.99, 0.9, 230],
    [0.999, 0.9, 2302],
  ])('shows R %f at C %f with %i trials', (r, c, n) => {
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
    expect(stateOf([trial('restarts', 4), trial('restarts', 6)], 'restarts')).toMatchObject({
      state: 'passed',
      done: 10,
    });
    expect(stateOf([trial('restarts', 9), trial('restarts', 1, 1)], 'restarts')).toMatchObject({
      state: 'failed',
      done: 0,
      failed: 1,
    });
    expect(stateOf([trial('restarts', 9), trial('restarts', 1, 1), trial('restarts', 3)], 'restarts')).toMatchObject({
      state: 'open',
      done: 3,
    });
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

  it('counts nothing that was tried on the stand-in as tried on the machine', () => {
    const pot = demoJob('rice-pot');
    const rehearsed = { ...pot, trials: pot.trials.map((t) => ({ ...t, on: 'standin' as const })) };
    expect(findingOf(rehearsed, 'try.many-presses')).toMatchObject({ verdict: 'tight', caption: 'rehearsed only' });
    expect(findingOf(rehearsed, 'try.sheet').verdict).toBe('unknown');
  });

  it('is void after a change of way, part, resistor, pin or script, and says so', () => {
    const pot = demoJob('rice-pot');
    for (const job of [
      pressed(pot, { way: 'npn-to-ground' }),
      pressed(pot, { picks: { 'solid-state-relay': 'ssr-400' } }),
      pressed(pot, { resistorOhms: 470 }),
      onPin(pot, 4),
      scripted(pot, [{ do: 'press', seconds: 0.2 }]),
    ]) {
      expect(findingOf(job, 'try.sheet').verdict).not.toBe('settled');
      expect(findingOf(job, 'try.one-press').title).toMatch(/1 result void/);
    }
    // What is neither joint nor script leaves it standing.
    expect(findingOf(pressed(pot, { machines: 3 }), 'try.sheet').verdict).toBe('settled');
  });

  it('is not signed off over a stop, nor by nobody', () => {
    const pot = demoJob('rice-pot');
    expect(findingOf(fed(pot, { amps: 0.1 }), 'try.sheet')).toMatchObject({
      verdict: 'stop',
      title: expect.stringContaining('Peak draw'),
    });
    expect(findingOf({ ...pot, trials: pot.trials.map((t) => ({ ...t, by: '' })) }, 'try.sheet')).toMatchObject({
      verdict: 'unknown',
      caption: 'who signed?',
    });
    expect(findingOf(pot, 'try.sheet').title).toMatch(/signed by the morning cook on 2026-11-16/);
    // A signature stands under the tests and not before them.
    expect(
      findingOf(
        { ...pot, trials: pot.trials.map((t) => (t.step === 'sign-off' ? { ...t, at: '2026-11-16T08:00:00Z' } : t)) },
        'try.sheet',
      ),
    ).toMatchObject({ verdict: 'unknown', caption: 'signed too early' });
  });

  it('says that 22 presses show less than the plan counts on', () => {
    expect(findingOf(changed(demoJob('rice-pot'), 'sheet', { reliability: 0.9 }), 'try.success-run')).toMatchObject({
      verdict: 'tight',
      remedy: { label: 'Ask for 99.9 %' },
    });
    expect(findingOf(demoJob('rice-pot'), 'try.success-run').verdict).toBe('settled');
  });

  it('counts for nothing once the move looks where it only pressed, or presses more at the same time', () => {
    const pot = demoJob('rice-pot');
    const press = stepOf('press', { press: 'start', seconds: 0.18 });
    const base = basisOf(pot);
    const look = stepOf('look', { sense: 'rest', orElse: 'end' });
    const looking = edited(pot, withSteps(pot, [look, press], 'look'), '2026-03-02T14:00:00Z');
    expect(basisOf(looking)).not.toBe(base);
    expect(basisOf(edited(looking, withSteps(looking, [press], 'blind'), '2026-03-02T14:00:00Z'))).toBe(base);
  });
});

describe('the sheet follows the wiring', () => {
  const ids = (job: Job): readonly string[] => testSheet(job, false).map((s) => s.id);
  const step = (job: Job, id: string) => testSheet(job, false).find((s) => s.id === id)!;

  it('tries each press, direction, sense, hand, sign, stop and one-shot by itself', () => {
    const shutter = demoJob('hatch-shutter');
    for (const id of ['dummy-load', 'dummy-load@motor/other', 'one-press', 'one-press@motor/other', 'reversal'])
      expect(ids(shutter), id).toContain(id);
    for (const hand of shutter.hands) expect(ids(shutter)).toContain(`hand@${hand.id}`);
    expect(step(shutter, 'dummy-load').how).toContain('where it goes');
    // A motor of one's own wiring has no old button.
    expect(ids(shutter)).not.toContain('hand-switch');
    const larder = demoJob('larder-dehumidifier');
    expect(ids(larder).filter((x) => x.startsWith('one-press'))).toEqual(['one-press', 'one-press@dryness']);
    expect(ids(fresh)).toEqual(expect.arrayContaining(['cut-off', 'sense@rest', 'hand@arm']));
    const twice = pressed(larder, { twoContacts: true });
    expect(ids(twice)).toEqual(expect.arrayContaining(['stuck-1', 'stuck-2']));
  });

  it('says an arm for a servo, and what a move looks at before it presses', () => {
    const rocker = pressed(demoJob('extractor-rocker'), { way: 'finger' });
    expect(step(rocker, 'dummy-load').expected).toContain('the arm swings');
    const looks = edited(
      fresh,
      withSteps(
        fresh,
        [stepOf('look', { sense: 'rest', is: true, orElse: 'end' }), stepOf('press', { press: 'start', seconds: 0.2 })],
        'looks',
      ),
      '2026-03-02T14:00:00Z',
    );
    expect(step(looks, 'dummy-load').how).toContain('Hold it so that rest contact says so');
  });

  it('asks for as many presses as its use wants, and shows nothing before they are done', () => {
    const seldom = changed(fresh, 'wish', { hazards: [] });
    const once = changed(seldom, 'routine', {
      sentences: [sentenceAt('10:40', { id: 's', days: [1, 2, 3, 4, 5, 6, 7] })],
    });
    // Thirty presses in a month: one miss in it is 96.7 %, and the next level of the usual tables is 99 %.
    expect(findingOf(once, 'try.success-run')).toMatchObject({
      verdict: 'unknown',
      remedy: { label: 'Ask for 99 %' },
    });
    // Where nobody looked through what can hurt, one in a thousand stands.
    expect(findingOf(changed(once, 'wish', { hazardsReviewed: false }), 'try.success-run').remedy).toBeNull();
    expect(findingOf(demoJob('rice-pot'), 'try.success-run')).toMatchObject({ verdict: 'settled', remedy: null });
    expect(findingOf(fresh, 'try.success-run').verdict).toBe('unknown');
  });
});
