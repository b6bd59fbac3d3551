import { describe, expect, it } from 'vitest';
import { readNoteLine } from '../../../ground/notes';
import { anotherUnit, type Job } from '../../../ground/job';
import { isolationOf, nextFor, probeFindings, surveyOf, surveysOf } from '..';
import { CONTROL, ISOLATED, T, jobWith } from '../../../testing/probe-jobs';

describe('isolation from mains', () => {
  it('is proven only by every reading', () => {
    for (let n = 0; n < ISOLATED.length; n++)
      expect(isolationOf(jobWith(...ISOLATED.slice(0, n)), CONTROL).verdict).toBe('unknown');
    expect(isolationOf(jobWith(...ISOLATED), CONTROL)).toMatchObject({ verdict: 'isolated', missing: [] });
  });

  it('takes a contact tied to ground as ground, and live and neutral one by one', () => {
    const job = jobWith(
      'ground to live off 14M',
      'ground to neutral off >20M',
      'start B to ground off 0.1 ohm',
      'start A to live off >20M',
      'start A to neutral off 13M',
      'start A to earth on 0.2 VAC',
      'start A to earth plug-turned 0.2 VAC',
    );
    expect(isolationOf(job, CONTROL).verdict).toBe('isolated');
  });

  it('knows a tie to mains, and what lies between', () => {
    expect(isolationOf(jobWith('ground to mains off 180k'), CONTROL).verdict).toBe('not-isolated');
    expect(isolationOf(jobWith(...ISOLATED.slice(1), 'ground to mains off 4M'), CONTROL).verdict).toBe('unknown');
    expect(isolationOf(jobWith(...ISOLATED.slice(1), 'ground to mains off >2M'), CONTROL).verdict).toBe('unknown');
    const stop = probeFindings(jobWith('ground to mains off 180k'), [
      surveyOf(jobWith('ground to mains off 180k'), CONTROL),
    ]).find((f) => f.verdict === 'stop');
    expect(stop?.remedy?.text).toMatch(/No shared ground/);
  });

  const off = ISOLATED.slice(0, 3);
  const state = (job: Job) => isolationOf(job, CONTROL);
  const mains = (job: Job, set: Partial<Job['survey']['mains']>): Job => ({
    ...job,
    survey: { ...job.survey, mains: { ...job.survey.mains, ...set } },
  });

  // IEC 61140: extra-low voltage ends at 50 V AC.
  it('takes more than 50 V AC between two points of the machine for the dangerous side and proposes nothing more', () => {
    const job = jobWith(...ISOLATED, 'start A-B idle 112 VAC');
    expect(state(job)).toMatchObject({ verdict: 'not-isolated', dangerous: true });
    expect(nextFor(job, surveyOf(job, CONTROL))).toBeNull();
  });

  // Dangerous volts where low ones were read before are a stop, and never a slip to be repeated.
  it('stops at mains volts on a pin that was low before', () => {
    const job = jobWith(...ISOLATED, 'start A idle 5.02 V', 'start A idle 231 VAC');
    const found = probeFindings(job, surveysOf(job));
    expect(found.find((f) => f.id === `probe.${CONTROL}.dangerous`)!.verdict).toBe('stop');
    expect(found.every((f) => !/[Rr]epeat/.test(f.title))).toBe(true);
  });

  // 2.2 nF from a class II supply's Y capacitor at 115 V: 97.8 V into 10 MΩ, 1.13 V into 10 kΩ, 113 µA. A tie of 180 kΩ: 6 V into 10 kΩ.
  it('asks for a load where a reading to earth is high, lets a Y capacitor pass, and not a tie', () => {
    const high = jobWith(...off, 'start A to earth on 97.8 VAC');
    expect(state(high)).toMatchObject({ verdict: 'unknown', dangerous: false });
    expect(nextFor(high, surveyOf(high, CONTROL))).toMatchObject({ state: 'loaded-100k', kind: 'volts-ac' });
    const stray = jobWith(
      ...off,
      'start A to earth on 97.8 VAC',
      'start A to earth loaded-10k 1.13 VAC',
      'start A to earth plug-turned 96.1 VAC',
      'start A to earth turned-10k 1.11 VAC',
    );
    expect(state(stray).verdict).toBe('isolated');
    const judged = probeFindings(stray, surveysOf(stray)).find((f) => f.id.endsWith('isolation-ac'))!;
    expect(judged).toMatchObject({
      verdict: 'settled',
      value: { value: expect.closeTo(113e-6, 6), unit: 'A' },
      limit: { value: 0.25e-3 },
    });
    expect(state(jobWith(...off, 'start A to earth on 97.8 VAC', 'start A to earth loaded-10k 6 VAC'))).toMatchObject({
      verdict: 'not-isolated',
      dangerous: true,
    });
    // 38 V open is no proof either.
    expect(state(jobWith(...off, 'start A to earth on 38 VAC', 'start A to earth plug-turned 0.3 VAC')).verdict).toBe(
      'unknown',
    );
  });

  // A dropper whose ground is neutral: 2.1 V of AC one way round, mains the other.
  it('finds what is tied to neutral by turning the plug, and proves nothing with the main switch open or not asked', () => {
    expect(state(jobWith(...off, 'start A to earth on 2.1 VAC')).verdict).toBe('unknown');
    expect(
      state(
        jobWith(
          ...off,
          'start A to earth on 2.1 VAC',
          'start A to earth plug-turned 229 VAC',
          'start A to earth turned-10k 228 VAC',
        ),
      ).verdict,
    ).toBe('not-isolated');
    const proven = jobWith(...ISOLATED);
    expect(state(mains(proven, { mainSwitch: 'none' })).verdict).toBe('isolated');
    for (const mainSwitch of ['open', 'unknown'] as const)
      expect(state(mains(proven, { mainSwitch })).verdict).toBe('unknown');
    expect(state(mains(proven, { feed: 'unknown' }))).toMatchObject({ verdict: 'unknown', asks: ['feed'] });
  });

  it('wants 500 V by whoever may where the plug cannot be turned, and reinforced insulation of it', () => {
    const oneWay = mains(jobWith(...ISOLATED), { feed: 'plug-one-way' });
    expect(state(oneWay).missing.map((m) => m.kind)).toEqual(['insulation', 'insulation', 'insulation']);
    const tested = (ohms: string) =>
      mains(
        jobWith(
          ...ISOLATED,
          `ground to mains insulation ${ohms}`,
          `start A to mains insulation ${ohms}`,
          `start B to mains insulation ${ohms}`,
        ),
        { feed: 'wired' },
      );
    expect(state(tested('120M')).verdict).toBe('isolated');
    expect(state(tested('4M')).verdict).toBe('unknown');
    expect(state(tested('1M')).verdict).toBe('not-isolated');
  });

  it('believes no meter beyond its own top range', () => {
    const short = (job: Job): Job => ({
      ...job,
      survey: { ...job.survey, meter: { ...job.survey.meter, mostOhms: 2e6 } },
    });
    const job = short(jobWith(...ISOLATED));
    expect(state(job).verdict).toBe('unknown');
    expect(probeFindings(job, surveysOf(job)).find((f) => f.id.endsWith('isolation-ohms'))).toMatchObject({
      verdict: 'unknown',
      title: expect.stringContaining('ends at 2 MΩ'),
    });
    expect(readNoteLine('ground to mains off >20M', short(jobWith()), { id: 'x', now: T(0) })).toMatchObject({
      ok: false,
      message: expect.stringContaining('cannot show that'),
    });
    expect(readNoteLine('ground to mains off OL', short(jobWith()), { id: 'x', now: T(0) })).toMatchObject({
      ok: true,
      edit: { reading: { relation: '>', value: 2e6 } },
    });
  });

  it('ends with no plug, no charger and no cable, and not before the cables were asked about', () => {
    expect(state(mains(jobWith(), { feed: 'none', cables: 'unknown' }))).toMatchObject({
      verdict: 'unknown',
      asks: ['cables'],
    });
    expect(state(mains(jobWith(), { feed: 'none', cables: 'none' }))).toMatchObject({
      verdict: 'isolated',
      missing: [],
      asks: [],
    });
    expect(state(mains(jobWith(), { feed: 'none', cables: 'some' })).verdict).toBe('unknown');
    expect(state(mains(jobWith('start A-B idle 180 V'), { feed: 'none', cables: 'none' }))).toMatchObject({
      verdict: 'not-isolated',
      dangerous: true,
    });
    // What was said gives way to what was read.
    expect(state(mains(jobWith('start A to earth on 229 VAC'), { feed: 'none', cables: 'none' }))).toMatchObject({
      verdict: 'unknown',
      missing: [{ state: 'loaded-100k' }],
    });
    expect(
      state(
        mains(jobWith('start A to earth on 229 VAC', 'start A to earth loaded-10k 200 VAC'), {
          feed: 'none',
          cables: 'none',
        }),
      ),
    ).toMatchObject({ verdict: 'not-isolated', dangerous: true });
    expect(state(mains(jobWith('start A to mains off 120k'), { feed: 'none', cables: 'none' })).verdict).toBe(
      'not-isolated',
    );
  });

  it('begins anew for another unit of the same machine', () => {
    const again = anotherUnit(
      { ...jobWith(...ISOLATED), guard: { ...jobWith().guard, ticks: { mains: T(0) } } },
      'k',
      T(50),
    );
    expect(state(again)).toMatchObject({ verdict: 'unknown', asks: ['mainSwitch'] });
    expect(again.readings.every((r) => r.struck)).toBe(true);
    expect(again).toMatchObject({ guard: { ticks: {} }, trials: [] });
  });
});

describe('points that are joined', () => {
  const job = (...lines: string[]) => isolationOf(jobWith(...lines), CONTROL);
  const AC = ['ground to earth on 0.8 VAC', 'ground to earth plug-turned 0.8 VAC'];
  const GROUND_APART = 'ground to mains off OL';

  it('are apart from mains together: one reading to the pins speaks for all that lead to it', () => {
    expect(job(GROUND_APART, 'start A to ground off 12k', 'start A-B off 11.8k', ...AC).verdict).toBe('isolated');
    expect(job(GROUND_APART, 'start A to ground off 12k', ...AC).missing).toMatchObject([{ kind: 'ohms' }]);
  });

  it('are not where more lies between them, or where two readings disagree', () => {
    const asks = (...lines: string[]) => job(GROUND_APART, ...lines, ...AC).missing[0]!;
    expect(asks('start A to ground off 150k')).toMatchObject({ from: { name: 'A' }, to: { kind: 'mains' } });
    expect(asks('start A to ground off OL')).toMatchObject({ from: { name: 'A' }, to: { kind: 'mains' } });
    expect(asks('start A to ground off 12k', 'start A to ground off OL')).toMatchObject({ to: { kind: 'mains' } });
  });

  it('lean on no point that is tied, or between', () => {
    expect(job('ground to mains off 300k', 'start A to ground off 12k', 'start A-B off 10k', ...AC).verdict).toBe(
      'not-isolated',
    );
    // 10 MΩ leave no room for what joins the other to it.
    expect(job('ground to mains off 10M', 'start A to ground off 12k', 'start A-B off 10k', ...AC).verdict).toBe(
      'unknown',
    );
  });

  it('are read against earth at the ground once, for every control that leads to it', () => {
    const asks = job(GROUND_APART, 'start A to ground off 12k', 'start A-B off 11.8k').missing[0]!;
    expect(asks).toMatchObject({ kind: 'volts-ac', from: { kind: 'ground' }, to: { kind: 'earth' } });
    const tied = job(
      GROUND_APART,
      'start A to ground off 12k',
      'start A-B off 11.8k',
      'ground to earth on 110 VAC',
      'ground to earth loaded-10k 60 VAC',
    );
    expect(tied.verdict).toBe('not-isolated');
  });
});
