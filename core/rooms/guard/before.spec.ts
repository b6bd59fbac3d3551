import { describe, expect, it } from 'vitest';
import { edited, freshPress, type Job, type Loss, type Way, type WholeRun } from '../../ground/job';
import { assess } from '../../house/assess';
import { benchJob, changed, demoJob, pressed } from '../../testing/jobs';

const NOW = '2026-03-02T14:00:00Z';
const of = (job: Job, id: string) => assess(job).findings.find((f) => f.id === id);
const run = (set: Partial<WholeRun> = {}): WholeRun => ({
  id: 'r',
  at: NOW,
  what: 'a whole pot',
  seconds: null,
  watts: null,
  noted: '',
  ...set,
});
const pot = changed(demoJob('rice-pot'), 'wish', { whole: [] });
const loss = (set: Partial<Loss>): Loss => ({ id: 'l', what: 'the knob', safety: false, instead: '', ...set });
const losing = (job: Job, ...losses: Loss[]): Job =>
  changed(job, 'guard', { losses, lossesReviewed: losses.length > 0 });

describe('what is known before the first screw', () => {
  it('is tight while nothing is kept of the whole machine, or it came broken, and settled by a run', () => {
    expect(of(pot, 'guard.whole')).toMatchObject({ verdict: 'tight', remedy: { label: 'It came broken' } });
    expect(of(changed(pot, 'wish', { cameBroken: true }), 'guard.whole')).toMatchObject({
      verdict: 'tight',
      remedy: null,
    });
    const kept = changed(pot, 'wish', { whole: [run({ seconds: 1500, watts: 620 })] });
    expect(of(kept, 'guard.whole')).toMatchObject({
      verdict: 'settled',
      title: expect.stringContaining('25 min, 620 W'),
    });
  });

  it('is not asked where nothing goes into the machine', () => {
    expect(of(demoJob('extractor-rocker'), 'guard.whole')).toBeUndefined();
    const bare = edited(
      { ...benchJob(), wish: pot.wish },
      { do: 'put', list: 'presses', item: { ...freshPress('valve', 'valve'), way: 'relay-contact' } },
      NOW,
    );
    expect(of(bare, 'guard.whole')).toBeUndefined();
  });

  it('gives Act the time that the machine took', () => {
    const told = (seconds: number): Job => changed(pot, 'wish', { whole: [run({ seconds })] });
    expect(of(told(25 * 60), 'act.as-bought')).toBeUndefined();
    expect(of(told(26 * 60), 'act.as-bought')).toBeUndefined();
    const other = of(told(40 * 60), 'act.as-bought')!;
    expect(other).toMatchObject({ verdict: 'tight', remedy: { label: 'Take 40 min' } });
    const taken = edited(told(40 * 60), other.remedy!.edit!, NOW);
    expect(of(taken, 'act.as-bought')).toBeUndefined();
  });
});

describe('what no longer works', () => {
  const hood = losing(demoJob('hood-fan'));

  it('is asked where something is taken over, and of no contact across a button', () => {
    expect(of(hood, 'guard.losses')).toMatchObject({ verdict: 'unknown', remedy: { label: 'Nothing is lost' } });
    expect(of(pot, 'guard.losses')).toBeUndefined();
    for (const way of ['switched-supply', 'hand-mechanism'] satisfies Way[])
      expect(of(pressed(pot, { way }), 'guard.losses'), way).toMatchObject({ verdict: 'unknown' });
    const none = edited(hood, of(hood, 'guard.losses')!.remedy!.edit!, NOW);
    expect(of(none, 'guard.losses')).toBeUndefined();
  });

  it('is tight while nothing takes its place, and a stop where it keeps from harm, whatever takes its place', () => {
    expect(of(losing(hood, loss({})), 'guard.loss.l')!.verdict).toBe('tight');
    expect(of(losing(hood, loss({ instead: 'a rocker' })), 'guard.loss.l')!.verdict).toBe('settled');
    const edge = loss({ what: 'the edge sensor', safety: true, instead: 'the program stops at once' });
    expect(of(losing(hood, edge), 'guard.loss.l')!.verdict).toBe('stop');
  });
});
