import { describe, expect, it } from 'vitest';
import { FIRST_SHARES } from '../../../engines/circuit';
import { readNoteLine } from '../../../ground/notes';
import { edited, CONTROL_KINDS, HAND_METER, type Job, type Meter } from '../../../ground/job';
import { controlFacts, nextFor, surveyOf, surveysOf, tieOf } from '..';
import { readingsWorth } from './next';
import { boardOrder } from '../board-order';
import { meaningsOf, outcomesOf } from '../inference/information';
import { LOOK_SPEC } from '../inference/menu';
import { normalCdf } from '../../../ground/quantity';
import { entropyBits } from '../inference/entropy';
import { posteriorOf } from '../inference/posterior';
import { isolationOf } from '../isolation/isolation';
import { allowed } from '../isolation/safety-order';
import { REMAINDER_SHARE } from '../inference/remainder';
import { CONTROL, ISOLATED, T, jobWith } from '../../../testing/probe-jobs';

/** Notes on a machine whose plug goes in one way only. */
const oneWay = (...lines: string[]): Job => {
  const job = jobWith(...lines);
  return { ...job, survey: { ...job.survey, mains: { ...job.survey.mains, feed: 'plug-one-way' } } };
};

describe('the next reading', () => {
  it('asks for isolation first, unplugged before powered', () => {
    const asked: string[] = [];
    for (let n = 0; n < ISOLATED.length; n++) {
      const job = jobWith(...ISOLATED.slice(0, n));
      asked.push(nextFor(job, surveyOf(job, CONTROL))!.notePrefix);
    }
    expect(asked).toEqual([
      'ground to mains off',
      // What is joined to the ground goes with it: its own reading to the pins is asked for where it is not.
      'start A to ground off',
      'start A-B off',
      'start A to earth loaded-100k',
      'start A to earth turned-100k',
    ]);
  });

  it('never proposes a live reading before isolation, nor a short before the volts are known', () => {
    const short = {
      from: { kind: 'contact', name: 'A' },
      to: { kind: 'contact', name: 'B' },
      state: 'idle',
      kind: 'amps',
    } as const;
    const volts = { ...short, kind: 'volts-dc' } as const;
    expect(allowed(volts, [], false)).toBe(false);
    expect(allowed(volts, [], true)).toBe(true);
    expect(allowed(short, [], true)).toBe(false);
    expect(allowed({ ...short, kind: 'ohms', state: 'off' }, [], false)).toBe(true);
    const after = (...lines: string[]): boolean => allowed(short, jobWith(...lines).readings, true);
    // 10 kΩ take half of the volts of a 10 kΩ pull-up: half a milliampere would flow.
    const pulled = ['start A-B idle 4.98 V', 'start A-B idle 0.1 VAC', 'start A-B loaded-10k 2.49 V'];
    expect(after(...pulled)).toBe(true);
    for (const [i] of pulled.entries())
      expect(after(...pulled.filter((_, k) => k !== i)), `without ${pulled[i]}`).toBe(false);
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

  it('goes on without a tester of 500 V that nobody has, once every point was read both ways round', () => {
    const read = [...ISOLATED, 'start look springs back', 'start B to ground off 0.1 ohm', 'start A to ground off 12k'];
    const first = nextFor(oneWay(...read), surveyOf(oneWay(...read), CONTROL))!;
    expect(first.kind).toBe('insulation');
    const powered = (job: Job): boolean =>
      readingsWorth(job, CONTROL, surveyOf(job, CONTROL).posterior).some(({ spec }) => spec.kind === 'volts-dc');
    expect(powered(oneWay(...read))).toBe(false);
    // A battery is asked for first: ohms alone leave junctions in a row unseen.
    const without = oneWay(...read, 'mains tester none');
    expect(powered(without)).toBe(false);
    expect(isolationOf(without, CONTROL)).toMatchObject({ verdict: 'unknown', asks: ['battery'] });
    const flat = oneWay(...read, 'mains tester none', 'mains battery 7.1 V');
    expect(isolationOf(flat, CONTROL)).toMatchObject({ verdict: 'unknown', asks: ['battery'] });
    const nobody = oneWay(...read, 'mains tester none', 'mains battery none');
    expect(isolationOf(nobody, CONTROL)).toMatchObject({ verdict: 'unknown', asks: [], missing: [] });
    const fresh = [...read, 'mains tester none', 'mains battery 9.2 V'];
    const asked = nextFor(oneWay(...fresh), surveyOf(oneWay(...fresh), CONTROL))!;
    expect(asked).toMatchObject({ kind: 'battery', notePrefix: 'ground to mains battery' });
    const twice = ['ground to mains battery', 'mains to ground battery'].flatMap((l) => [`${l} 0.06 V`, `${l} 0.05 V`]);
    const bothWays = [...fresh, ...twice];
    const job = oneWay(...bothWays);
    expect(isolationOf(job, CONTROL).verdict).toBe('low-voltage');
    expect(powered(job)).toBe(true);
    // One way round alone is not both, whichever; once is not twice; and one pin is not two.
    for (const line of twice) {
      const fewer = oneWay(...bothWays.filter((l) => !l.startsWith(line)));
      expect(isolationOf(fewer, CONTROL).verdict, line).toBe('unknown');
    }
    const onePin = oneWay(...bothWays.map((l) => l.replace('mains to ground', 'live to ground')));
    expect(isolationOf(onePin, CONTROL)).toMatchObject({ verdict: 'unknown', missing: [{ from: { kind: 'mains' } }] });
    // A point that is joined to no other is read by itself.
    const floats = oneWay(...bothWays.map((l) => l.replace('A to ground off 12k', 'A to ground off OL')));
    expect(isolationOf(floats, CONTROL)).toMatchObject({ verdict: 'unknown', missing: { length: 2 } });
    // What an ohmmeter does not show apart is not powered, whoever has what.
    const doubtful = oneWay(
      'mains tester none',
      'mains battery none',
      'ground to mains off 3M',
      'start A to mains off 3M',
      'start B to mains off 3M',
      'mains to ground off 3M',
      'start mains to A off 3M',
      'start mains to B off 3M',
      'start A to earth 0.8 VAC',
    );
    expect(isolationOf(doubtful, CONTROL)).toMatchObject({ verdict: 'unknown', missing: [] });
    expect(powered(doubtful)).toBe(false);
    // The same at a plug that turns round is proven by its other position.
    expect(isolationOf(jobWith(...read), CONTROL).verdict).toBe('isolated');
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
    const { shares } = outcomesOf(
      { from: { kind: 'contact', name: 'A' }, to: { kind: 'ground', name: '' }, state: 'pressed', kind: 'volts-dc' },
      p,
    );
    const counted = CONTROL_KINDS.filter((k) => p.kinds[k] > 0.001);
    expect(counted.length).toBeGreaterThan(5);
    for (const kind of counted) expect(Math.abs(shares[kind].reduce((a, b) => a + b, 0) - 1)).toBeLessThan(0.005);
  });

  it('comes true: the kind that was announced for an answer leads after it', () => {
    const job = jobWith(...ISOLATED, 'start look springs back');
    const next = nextFor(job, surveyOf(job, CONTROL))!;
    // Ohms at a terminal: the stretch in which one kind is likelier than all others together, in the middle of its decades.
    const likely = next.meanings.find((m) => m.probability > 0.5)!;
    const after = jobWith(
      ...ISOLATED,
      'start look springs back',
      `${next.notePrefix} ${Math.sqrt((likely.low + 0.05) * likely.high).toFixed(3)}`,
    );
    expect(surveyOf(after, CONTROL).candidates[0]!.kind).toBe(likely.kind);
  });
});

describe('several controls of one board', () => {
  const three = (): Job => {
    let job = jobWith(
      ...ISOLATED,
      'start look springs back',
      'start B to ground off 0.1 ohm',
      'start A idle 3.31 V',
      'start A-B pressed 0.4 ohm',
      'start A neighbour 3.31 V',
    );
    for (const name of ['stop', 'door']) job = edited(job, { do: 'add-control', id: `control-${name}`, name }, T(20));
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
    expect(plan[0]!.reading).toMatchObject({ kind: 'ohms', state: 'off', gainBits: 0 });
    const firstPowered = plan.findIndex((p) => p.reading.kind !== 'ohms' && p.reading.kind !== 'look');
    expect(
      plan
        .slice(0, firstPowered < 0 ? 6 : firstPowered)
        .every((p) => p.reading.kind === 'ohms' || p.reading.kind === 'look'),
    ).toBe(true);
    expect(new Set(plan.map((p) => p.reading.notePrefix)).size).toBe(6);
  });

  it('judges with the meter in hand: a poor one leaves wider bounds', () => {
    const unsaid = jobWith(
      ...ISOLATED,
      'start look springs back',
      'start B to ground off 0.1 ohm',
      'start A idle 4.98 V',
      'start A-B pressed 0.4 ohm',
    );
    const stated = (set: Partial<Meter>): Job =>
      edited(
        unsaid,
        { do: 'set', at: 'survey', set: { meter: { ...HAND_METER, stated: true, ...set } }, say: 'a meter' },
        T(30),
      );
    const [job, poor] = [stated({}), stated({ voltsShare: 0.05 })];
    const width = (j: Job): number => {
      const e = surveyOf(j, CONTROL).candidates[0]!.estimates['supplyVolts']!.value;
      return e.high - e.low;
    };
    expect(width(poor)).toBeGreaterThan(3 * width(job));
    // Nobody said which: it may take ten times as much from the line.
    expect(width(unsaid)).toBeGreaterThan(1.2 * width(job));
  });

  it('reports a tie only where nothing is left to read', () =>
    expect(tieOf(three(), surveyOf(three(), CONTROL))).toEqual([]));
});

describe('facts for the other rooms', () => {
  it('hands on the kind only once it is known', () => {
    const early = jobWith();
    expect(controlFacts(early, [surveyOf(early, CONTROL)])[CONTROL]).toMatchObject({
      kind: null,
      leading: 'low-when-pressed',
      isolation: 'unknown',
    });
    const late = jobWith(
      ...ISOLATED,
      'start look springs back',
      'start B to ground off 0.1 ohm',
      'start A idle 4.98 V',
      'start A-B pressed 0.4 ohm',
      'start A neighbour 4.98 V',
    );
    expect(controlFacts(late, [surveyOf(late, CONTROL)])[CONTROL]).toMatchObject({
      kind: 'low-when-pressed',
      isolation: 'isolated',
      signal: 'A',
      farSide: 'ground',
    });
  });
});
