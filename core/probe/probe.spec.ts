import { describe, expect, it } from 'vitest';
import { benchJob } from '../testing/jobs';
import { FIRST_SHARES } from '../circuit';
import { anotherUnit, applyEdit, CONTROL_KINDS, HAND_METER, readNoteLine, type ControlKind, type Job, type Meter } from '../job';
import { controlFacts, isolationOf, nextFor, probeFindings, surveyOf, surveysOf, tieOf } from '.';
import { boardOrder } from './board-order';
import { meaningsOf, outcomesOf } from './information';
import { LOOK_SPEC } from './menu';
import { normalCdf } from '../quantity';
import { entropyBits } from './entropy';
import { particles, spread } from './particles';
import { posteriorOf, TRUSTED } from './posterior';
import { allowed } from './safety-order';
import { REMAINDER_SHARE } from './remainder';

const T = (i: number): string => `2026-03-02T14:${String(i).padStart(2, '0')}:00Z`;
const CONTROL = 'control-start';

function jobWith(...lines: string[]): Job {
  let job = applyEdit(benchJob(), { do: 'add-control', id: CONTROL, name: 'start' }, T(0));
  lines.forEach((line, i) => {
    const u = readNoteLine(line, job, { id: `r${i}`, now: T(i + 1) });
    if (!u.ok) throw new Error(`${line}: ${u.message}`);
    job = applyEdit(job, u.edit, T(i + 1));
  });
  return job;
}
const ISOLATED = ['ground to mains off >20M', 'start A to mains off >20M', 'start B to mains off >20M', 'start A to earth on 0.3 VAC', 'start A to earth plug-turned 0.3 VAC'];
const kindOf = (job: Job) => {
  const s = surveyOf(job, CONTROL);
  return { kind: s.candidates[0]!.kind, p: s.candidates[0]!.probability, s };
};

describe('what a control is', () => {
  it('begins with the shares in which kinds are met, and weights that add up to one', () => {
    const start = posteriorOf([]).kinds;
    for (const [kind, share] of Object.entries(FIRST_SHARES)) expect(start[kind as ControlKind]).toBeCloseTo(share * (1 - REMAINDER_SHARE), 9);
    expect(posteriorOf([]).other).toBeCloseTo(REMAINDER_SHARE, 9);
    for (const kind of CONTROL_KINDS) expect(particles(kind).weights.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
  });

  it.each<[ControlKind, string[]]>([
    ['low-when-pressed', ['start look springs back', 'start B to ground off 0.1 ohm', 'start A idle 4.98 V', 'start A-B pressed 0.4 ohm', 'start A pressed 3 mV', 'start A neighbour 4.98 V']],
    ['low-when-pressed', ['start look springs back', 'start A to ground off 0.1 ohm', 'start B idle 3.31 V', 'start B pressed 0 V', 'start B neighbour 3.31 V']],
    ['high-when-pressed', ['start look springs back', 'start A idle 0.00 V', 'start B idle 3.29 V', 'start A pressed 3.28 V', 'start A-B released 14k', 'start A neighbour 0 V']],
    ['ladder', ['start look springs back', 'start A idle 5.02 V', 'start A pressed 1.61 V', 'start A neighbour 2.97 V', 'start B to ground off 2.2k']],
    ['scanned-matrix', ['start look membrane', 'start A idle 4.35 V', 'start A idle 62.4 Hz', 'start B idle 4.96 V', 'start B pressed 4.35 V']],
    ['dry-pair', ['start look terminals', 'start B to ground off >20M', 'start A-B idle 23.8 V', 'start short 9.1 mA']],
    ['switched-load', ['start look rocker', 'start A-B idle 229 VAC', 'start A-B released 0.2 ohm', 'start A-B off >20M']],
    ['touch-pad', ['start look glass', 'start A idle 0.31 V', 'start A-B pressed >20M']],
    ['motor-pair', ['start look two wires', 'start A-B off 4.7 ohm', 'start A-B moving 11.4 V', 'start A-B moving-back -11.5 V']],
    ['latching-switch', ['start look stays down', 'start A-B released 0.3 ohm', 'start A idle 4.97 V', 'start B idle 0 V']],
    ['selector', ['start look turns to stops', 'start A-B off 0.2 ohm', 'start A-B turning >20M', 'start B to ground off 0.1 ohm']],
    ['encoder', ['start look turns on', 'start A turning 12 Hz', 'start A-B pressed >1M']],
    ['serial-bus', ['start look connector', 'start A idle 3.1 V', 'start A idle 480 Hz', 'start B idle 0 V', 'start B to ground off 0.1 ohm']],
  ])('is %s after %j', (kind, lines) => {
    const found = kindOf(jobWith(...ISOLATED, ...lines));
    expect(found.kind).toBe(kind);
    expect(found.p).toBeGreaterThan(0.95);
  });

  // Bayes by hand, every number written out. Of 100 touch pads 92 show glass, 3 a membrane and each other look 1 on the same
  // scale, so P(glass | touch pad) = 92/103; every other kind shows it with 1 over its own sum.
  it('agrees with Bayes done by hand on one look', () => {
    const sums: Record<ControlKind, number> = {
      'low-when-pressed': 82 + 11 + 3 + 1 + 6 * 1, 'high-when-pressed': 84 + 9 + 3 + 1 + 6 * 1, ladder: 83 + 12 + 2 + 7 * 1, 'scanned-matrix': 47 + 47 + 2 + 7 * 1, 'dry-pair': 88 + 8 + 8 * 1,
      'switched-load': 70 + 6 + 4 + 10 + 7 + 5 * 1, 'touch-pad': 92 + 3 + 8 * 1, 'motor-pair': 92 + 4 + 8 * 1, 'latching-switch': 88 + 6 + 8 * 1, selector: 93 + 2 + 8 * 1, encoder: 93 + 3 + 8 * 1, 'serial-bus': 93 + 1 + 2 + 7 * 1,
    };
    const joint = CONTROL_KINDS.map((k) => FIRST_SHARES[k] * ((k === 'touch-pad' ? 92 : 1) / sums[k]) ** TRUSTED);
    const byHand = joint[CONTROL_KINDS.indexOf('touch-pad')]! / joint.reduce((a, b) => a + b, 0);
    const p = posteriorOf(jobWith('start look glass').readings);
    expect(p.kinds['touch-pad'] / (1 - p.other)).toBeCloseTo(byHand, 9);
    // The remainder shows any look as the mean kind does, and 15 % of it any of the ten alike.
    const glass = CONTROL_KINDS.reduce((s, k) => s + (k === 'touch-pad' ? 92 : 1) / sums[k], 0) / CONTROL_KINDS.length;
    const other = REMAINDER_SHARE * (0.85 * glass + 0.15 / 10) ** TRUSTED;
    expect(p.other).toBeCloseTo(other / (other + (1 - REMAINDER_SHARE) * joint.reduce((a, b) => a + b, 0)), 9);
  });

  // One number, the density written out: 0.2 Ω from B to ground under "low when pressed", where B is ground itself, or behind the
  // resistor in its return, for half of the builds, and stands behind pull-up (or the chip's own junction) and dead board for the rest.
  it('agrees with the density worked by hand on one number', () => {
    const job = jobWith('start B to ground off 0.20 ohm');
    const y = Math.log(0.2 + 0.5);
    const error = (0.2 * 0.01 + 0.01 * 3) / 2 / 0.7;
    const density = (ohms: number): number => {
      const sd = Math.hypot(spread('ohms', ohms, false), error);
      const z = (y - Math.log(ohms + 0.5)) / sd;
      return 0.02 / 18 + (0.98 * 2) / (Math.PI * Math.sqrt(3) * sd * (1 + (z * z) / 3) ** 2);
    };
    const { builds, weights } = particles('low-when-pressed');
    const low = builds.reduce((s, b, i) => s + weights[i]! * density(b.signal === 'A' ? b.returnOhms : (b.inChip ? b.pinOhms : b.seriesOhms) + b.boardOhms), 0);
    const pads = particles('touch-pad');
    const touch = pads.builds.reduce((s, b, i) => s + pads.weights[i]! * density((b.layout !== 'usual' ? b.pinOhms : (b.signal === 'A' ? 1.3 : 1) * b.seriesOhms) + b.boardOhms), 0);
    const p = posteriorOf(job.readings).kinds;
    expect(p['low-when-pressed'] / p['touch-pad']).toBeCloseTo((FIRST_SHARES['low-when-pressed'] * low ** TRUSTED) / (FIRST_SHARES['touch-pad'] * touch ** TRUSTED), 0);
  });

  it('is not turned by one wrong reading, and names the pair that disagrees', () => {
    const good = [...ISOLATED, 'start look springs back', 'start B to ground off 0.1 ohm', 'start A idle 4.98 V', 'start A-B pressed 0.4 ohm', 'start short 0.498 mA'];
    const { kind, s } = kindOf(jobWith(...good, 'start A idle 0.02 V'));
    expect(kind).toBe('low-when-pressed');
    expect(s.contradictions).toHaveLength(1);
    expect(s.contradictions[0]!.readings).toHaveLength(2);
    expect(s.contradictions[0]!.text).toMatch(/cannot both be right/);
    expect(kindOf(jobWith(...good)).s.contradictions).toEqual([]);
  });

  it('forgets a withdrawn reading', () => {
    const job = jobWith(...ISOLATED, 'start A idle 4.98 V');
    const without = applyEdit(job, { do: 'strike-reading', id: 'r5', struck: true }, T(30));
    expect(surveyOf(without, CONTROL).posterior.kinds).toEqual(surveyOf(jobWith(...ISOLATED), CONTROL).posterior.kinds);
  });

  it('estimates supply and pull-up with bounds that hold the truth', () => {
    const { s } = kindOf(jobWith(...ISOLATED, 'start B to ground off 0.1 ohm', 'start A idle 4.98 V', 'start short 0.498 mA', 'start A-B pressed 0.4 ohm', 'start look springs back'));
    const e = s.candidates[0]!.estimates;
    expect(e['supplyVolts']!.value.nominal).toBeCloseTo(4.985, 2);
    expect(Math.abs(e['pullUpOhms']!.value.nominal - 10_000)).toBeLessThan(30);
    expect(e['pullUpOhms']!.value.low).toBeLessThan(10_000);
    expect(e['pullUpOhms']!.value.high).toBeGreaterThan(10_000);
    expect(e['pullUpOhms']!.steps.at(-1)!.formula).toBe('V_open / abs(I)');
  });

  it('refuses a control that is not there', () => expect(() => surveyOf(jobWith(), 'no')).toThrow(RangeError));
});

describe('isolation from mains', () => {
  it('is proven only by every reading', () => {
    for (let n = 0; n < ISOLATED.length; n++) expect(isolationOf(jobWith(...ISOLATED.slice(0, n)), CONTROL).verdict).toBe('unknown');
    expect(isolationOf(jobWith(...ISOLATED), CONTROL)).toMatchObject({ verdict: 'isolated', missing: [] });
  });

  it('takes a contact tied to ground as ground, and live and neutral one by one', () => {
    const job = jobWith('ground to live off 14M', 'ground to neutral off >20M', 'start B to ground off 0.1 ohm', 'start A to live off >20M', 'start A to neutral off 13M', 'start A to earth on 0.2 VAC', 'start A to earth plug-turned 0.2 VAC');
    expect(isolationOf(job, CONTROL).verdict).toBe('isolated');
  });

  it('knows a tie to mains, and what lies between', () => {
    expect(isolationOf(jobWith('ground to mains off 180k'), CONTROL).verdict).toBe('not-isolated');
    expect(isolationOf(jobWith(...ISOLATED.slice(1), 'ground to mains off 4M'), CONTROL).verdict).toBe('unknown');
    expect(isolationOf(jobWith(...ISOLATED.slice(1), 'ground to mains off >2M'), CONTROL).verdict).toBe('unknown');
    const stop = probeFindings(jobWith('ground to mains off 180k'), [surveyOf(jobWith('ground to mains off 180k'), CONTROL)]).find((f) => f.verdict === 'stop');
    expect(stop?.remedy?.text).toMatch(/No shared ground/);
  });

  const off = ISOLATED.slice(0, 3);
  const state = (job: Job) => isolationOf(job, CONTROL);
  const mains = (job: Job, set: Partial<Job['survey']['mains']>): Job => ({ ...job, survey: { ...job.survey, mains: { ...job.survey.mains, ...set } } });

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
    expect(nextFor(high, surveyOf(high, CONTROL))).toMatchObject({ state: 'loaded-10k', kind: 'volts-ac' });
    const stray = jobWith(...off, 'start A to earth on 97.8 VAC', 'start A to earth loaded-10k 1.13 VAC', 'start A to earth plug-turned 96.1 VAC', 'start A to earth turned-10k 1.11 VAC');
    expect(state(stray).verdict).toBe('isolated');
    const judged = probeFindings(stray, surveysOf(stray)).find((f) => f.id.endsWith('isolation-ac'))!;
    expect(judged).toMatchObject({ verdict: 'settled', value: { value: expect.closeTo(113e-6, 6), unit: 'A' }, limit: { value: 0.25e-3 } });
    expect(state(jobWith(...off, 'start A to earth on 97.8 VAC', 'start A to earth loaded-10k 6 VAC'))).toMatchObject({ verdict: 'not-isolated', dangerous: true });
    // 38 V open is no proof either.
    expect(state(jobWith(...off, 'start A to earth on 38 VAC', 'start A to earth plug-turned 0.3 VAC')).verdict).toBe('unknown');
  });

  // A dropper whose ground is neutral: 2.1 V of AC one way round, mains the other.
  it('finds what is tied to neutral by turning the plug, and proves nothing with the main switch open or not asked', () => {
    expect(state(jobWith(...off, 'start A to earth on 2.1 VAC')).verdict).toBe('unknown');
    expect(state(jobWith(...off, 'start A to earth on 2.1 VAC', 'start A to earth plug-turned 229 VAC', 'start A to earth turned-10k 228 VAC')).verdict).toBe('not-isolated');
    const proven = jobWith(...ISOLATED);
    expect(state(mains(proven, { mainSwitch: 'none' })).verdict).toBe('isolated');
    for (const mainSwitch of ['open', 'unknown'] as const) expect(state(mains(proven, { mainSwitch })).verdict).toBe('unknown');
    expect(state(mains(proven, { feed: 'unknown' }))).toMatchObject({ verdict: 'unknown', asks: ['feed'] });
  });

  it('wants 500 V by whoever may where the plug cannot be turned, and reinforced insulation of it', () => {
    const oneWay = mains(jobWith(...ISOLATED), { feed: 'plug-one-way' });
    expect(state(oneWay).missing.map((m) => m.kind)).toEqual(['insulation', 'insulation', 'insulation']);
    const tested = (ohms: string) => mains(jobWith(...ISOLATED, `ground to mains insulation ${ohms}`, `start A to mains insulation ${ohms}`, `start B to mains insulation ${ohms}`), { feed: 'wired' });
    expect(state(tested('120M')).verdict).toBe('isolated');
    expect(state(tested('4M')).verdict).toBe('unknown');
    expect(state(tested('1M')).verdict).toBe('not-isolated');
  });

  it('believes no meter beyond its own top range', () => {
    const short = (job: Job): Job => ({ ...job, survey: { ...job.survey, meter: { ...job.survey.meter, mostOhms: 2e6 } } });
    const job = short(jobWith(...ISOLATED));
    expect(state(job).verdict).toBe('unknown');
    expect(probeFindings(job, surveysOf(job)).find((f) => f.id.endsWith('isolation-ohms'))).toMatchObject({ verdict: 'unknown', title: expect.stringContaining('ends at 2 MΩ') });
    expect(readNoteLine('ground to mains off >20M', short(jobWith()), { id: 'x', now: T(0) })).toMatchObject({ ok: false, message: expect.stringContaining('cannot show that') });
    expect(readNoteLine('ground to mains off OL', short(jobWith()), { id: 'x', now: T(0) })).toMatchObject({ ok: true, edit: { reading: { relation: '>', value: 2e6 } } });
  });

  it('ends with no plug, no charger and no cable, and not before the cables were asked about', () => {
    expect(state(mains(jobWith(), { feed: 'none', cables: 'unknown' }))).toMatchObject({ verdict: 'unknown', asks: ['cables'] });
    expect(state(mains(jobWith(), { feed: 'none', cables: 'none' }))).toMatchObject({ verdict: 'isolated', missing: [], asks: [] });
    expect(state(mains(jobWith(), { feed: 'none', cables: 'some' })).verdict).toBe('unknown');
    expect(state(mains(jobWith('start A-B idle 180 V'), { feed: 'none', cables: 'none' }))).toMatchObject({ verdict: 'not-isolated', dangerous: true });
    // What was said gives way to what was read.
    expect(state(mains(jobWith('start A to earth on 229 VAC'), { feed: 'none', cables: 'none' }))).toMatchObject({ verdict: 'unknown', missing: [{ state: 'loaded-10k' }] });
    expect(state(mains(jobWith('start A to earth on 229 VAC', 'start A to earth loaded-10k 200 VAC'), { feed: 'none', cables: 'none' }))).toMatchObject({ verdict: 'not-isolated', dangerous: true });
    expect(state(mains(jobWith('start A to mains off 120k'), { feed: 'none', cables: 'none' })).verdict).toBe('not-isolated');
  });

  it('begins anew for another unit of the same machine', () => {
    const again = anotherUnit({ ...jobWith(...ISOLATED), guard: { ...jobWith().guard, ticks: { mains: T(0) } } }, 'k', T(50));
    expect(state(again)).toMatchObject({ verdict: 'unknown', asks: ['mainSwitch'] });
    expect(again.readings.every((r) => r.struck)).toBe(true);
    expect(again).toMatchObject({ guard: { ticks: {} }, trials: [] });
  });
});

describe('the next reading', () => {
  it('asks for isolation first, unplugged before powered', () => {
    const asked: string[] = [];
    for (let n = 0; n < ISOLATED.length; n++) {
      const job = jobWith(...ISOLATED.slice(0, n));
      asked.push(nextFor(job, surveyOf(job, CONTROL))!.notePrefix);
    }
    expect(asked).toEqual(['ground to mains off', 'start A to mains off', 'start B to mains off', 'start A to earth idle', 'start A to earth plug-turned']);
  });

  it('never proposes a live reading before isolation, nor a short before the volts are known', () => {
    const short = { from: { kind: 'contact', name: 'A' }, to: { kind: 'contact', name: 'B' }, state: 'idle', kind: 'amps' } as const;
    const volts = { ...short, kind: 'volts-dc' } as const;
    expect(allowed(volts, [], false)).toBe(false);
    expect(allowed(volts, [], true)).toBe(true);
    expect(allowed(short, [], true)).toBe(false);
    expect(allowed({ ...short, kind: 'ohms', state: 'off' }, [], false)).toBe(true);
    const after = (...lines: string[]): boolean => allowed(short, jobWith(...lines).readings, true);
    // 10 kΩ take half of the volts of a 10 kΩ pull-up: half a milliampere would flow.
    const pulled = ['start A-B idle 4.98 V', 'start A-B idle 0.1 VAC', 'start A-B loaded-10k 2.49 V'];
    expect(after(...pulled)).toBe(true);
    for (const [i] of pulled.entries()) expect(after(...pulled.filter((_, k) => k !== i)), `without ${pulled[i]}`).toBe(false);
    // Hardly any sag: a load of some ohms may stand behind. Alternating over 25 V, or direct over 60 V: never.
    expect(after('start A-B idle 12.1 V', 'start A-B idle 0.1 VAC', 'start A-B loaded-10k 12.05 V')).toBe(false);
    expect(after('start A-B idle 12.1 V', 'start A-B idle 26.4 VAC', 'start A-B loaded-10k 6 V')).toBe(false);
    expect(after('start A-B idle 70 V', 'start A-B idle 0.1 VAC', 'start A-B loaded-10k 6 V')).toBe(false);
    // A loop of 24 VAC shows nothing on DC: its own sag must be read, and 1.2 A behind it is too much.
    expect(after('start A-B idle 0 V', 'start A-B idle 24 VAC', 'start A-B loaded-10k 0 V')).toBe(false);
    expect(after('start A-B idle 0 V', 'start A-B idle 24 VAC', 'start A-B loaded-10k 23.95 VAC')).toBe(false);
    expect(after('start A-B idle 0 V', 'start A-B idle 24 VAC', 'start A-B loaded-10k 12 VAC')).toBe(true);
    // 10 kΩ wait for the volts, and for both settings where one shows nothing.
    const load = { ...volts, state: 'loaded-10k' } as const;
    const loaded = (...lines: string[]): boolean => allowed(load, jobWith(...lines).readings, true);
    expect(loaded()).toBe(false);
    expect(loaded('start A-B idle 12 V')).toBe(true);
    expect(loaded('start A-B idle 0 V')).toBe(false);
    expect(loaded('start A-B idle 0 V', 'start A-B idle 0.1 VAC')).toBe(true);
    expect(loaded('start A-B idle 0 V', 'start A-B idle 110 VAC')).toBe(false);
  });

  it('says what each answer would mean and begins its note line', () => {
    const job = jobWith(...ISOLATED, 'start look springs back', 'start B to ground off 0.1 ohm');
    const next = nextFor(job, surveyOf(job, CONTROL))!;
    expect(next.expectations.length).toBeGreaterThan(0);
    expect(next.gainBits).toBeGreaterThan(0.01);
    const u = readNoteLine(`${next.notePrefix} 4.98 V`, job, { id: 'x', now: T(9) });
    expect(u).toMatchObject({ ok: true, edit: { reading: { from: next.from, to: next.to, state: next.state } } });
  });

  it('measures uncertainty in bits', () => {
    expect(entropyBits([0.5, 0.5])).toBe(1);
    expect(entropyBits([1, 0])).toBe(0);
    // Abramowitz and Stegun, table 26.1: Φ(1) = 0.8413, Φ(−1.96) = 0.0250.
    expect(normalCdf(1)).toBeCloseTo(0.8413, 4);
    expect(normalCdf(-1.96)).toBeCloseTo(0.025, 4);
  });
});

describe('what each answer would mean', () => {
  it('is told before the look is taken: each choice with the kind that would lead', () => {
    const p = posteriorOf([]);
    const meanings = meaningsOf(LOOK_SPEC, p);
    expect(meanings[0]).toMatchObject({ look: 'springs-back', kind: 'low-when-pressed' });
    expect(meanings.find((m) => m.look === 'glass')!.kind).toBe('touch-pad');
    // What is not told is the remainder.
    expect(meanings.reduce((s, m) => s + m.chance, 0)).toBeCloseTo(1 - REMAINDER_SHARE, 2);
  });

  it('gives answers whose shares add up to one for every kind', () => {
    const p = posteriorOf(jobWith('start A idle 4.98 V').readings);
    const { shares } = outcomesOf({ from: { kind: 'contact', name: 'A' }, to: { kind: 'ground', name: '' }, state: 'pressed', kind: 'volts-dc' }, p);
    const counted = CONTROL_KINDS.filter((k) => p.kinds[k] > 0.001);
    expect(counted.length).toBeGreaterThan(5);
    for (const kind of counted) expect(Math.abs(shares[kind].reduce((a, b) => a + b, 0) - 1)).toBeLessThan(0.005);
  });

  it('comes true: the kind that was announced for an answer leads after it', () => {
    const job = jobWith(...ISOLATED, 'start look springs back');
    const next = nextFor(job, surveyOf(job, CONTROL))!;
    // Ohms at a terminal: the stretch in which one kind is likelier than all others together, in the middle of its decades.
    const likely = next.meanings.find((m) => m.probability > 0.5)!;
    const after = jobWith(...ISOLATED, 'start look springs back', `${next.notePrefix} ${Math.sqrt((likely.low + 0.05) * likely.high).toFixed(3)}`);
    expect(surveyOf(after, CONTROL).candidates[0]!.kind).toBe(likely.kind);
  });
});

describe('several controls of one board', () => {
  const three = (): Job => {
    let job = jobWith(...ISOLATED, 'start look springs back', 'start B to ground off 0.1 ohm', 'start A idle 3.31 V', 'start A-B pressed 0.4 ohm', 'start A neighbour 3.31 V');
    for (const name of ['stop', 'door']) job = applyEdit(job, { do: 'add-control', id: `control-${name}`, name }, T(20));
    return job;
  };

  it('lean towards what their neighbours are, and share the supply', () => {
    const stop = surveysOf(three()).find((s) => s.control === 'control-stop')!;
    expect(stop.candidates[0]!.kind).toBe('low-when-pressed');
    expect(stop.candidates[0]!.probability).toBeGreaterThan(FIRST_SHARES['low-when-pressed'] + 0.1);
    expect(stop.posterior.before.supplyVolts).toBeCloseTo(3.31, 1);
    expect(surveyOf(three(), CONTROL).posterior.before.supplyVolts).toBeNull();
  });

  it('are planned together, unplugged readings first and isolation before all', () => {
    const plan = boardOrder(three(), 6);
    expect(plan).toHaveLength(6);
    expect(plan[0]!.reading.to.kind).toBe('mains');
    const firstPowered = plan.findIndex((p) => p.reading.kind !== 'ohms' && p.reading.kind !== 'look');
    expect(plan.slice(0, firstPowered < 0 ? 6 : firstPowered).every((p) => p.reading.kind === 'ohms' || p.reading.kind === 'look')).toBe(true);
    expect(new Set(plan.map((p) => p.reading.notePrefix)).size).toBe(6);
  });

  it('judges with the meter in hand: a poor one leaves wider bounds', () => {
    const unsaid = jobWith(...ISOLATED, 'start look springs back', 'start B to ground off 0.1 ohm', 'start A idle 4.98 V', 'start A-B pressed 0.4 ohm');
    const stated = (set: Partial<Meter>): Job => applyEdit(unsaid, { do: 'change', section: 'survey', set: { meter: { ...HAND_METER, stated: true, ...set } }, say: 'a meter' }, T(30));
    const [job, poor] = [stated({}), stated({ voltsShare: 0.05 })];
    const width = (j: Job): number => {
      const e = surveyOf(j, CONTROL).candidates[0]!.estimates['supplyVolts']!.value;
      return e.high - e.low;
    };
    expect(width(poor)).toBeGreaterThan(3 * width(job));
    // Nobody said which: it may take ten times as much from the line.
    expect(width(unsaid)).toBeGreaterThan(1.2 * width(job));
  });

  it('reports a tie only where nothing is left to read', () => expect(tieOf(three(), surveyOf(three(), CONTROL))).toEqual([]));
});

describe('facts for the other rooms', () => {
  it('hands on the kind only once it is known', () => {
    const early = jobWith();
    expect(controlFacts(early, [surveyOf(early, CONTROL)])[CONTROL]).toMatchObject({ kind: null, leading: 'low-when-pressed', isolation: 'unknown' });
    const late = jobWith(...ISOLATED, 'start look springs back', 'start B to ground off 0.1 ohm', 'start A idle 4.98 V', 'start A-B pressed 0.4 ohm', 'start A neighbour 4.98 V');
    expect(controlFacts(late, [surveyOf(late, CONTROL)])[CONTROL]).toMatchObject({ kind: 'low-when-pressed', isolation: 'isolated', signal: 'A', farSide: 'ground' });
  });
});
