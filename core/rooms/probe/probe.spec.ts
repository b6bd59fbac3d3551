import { describe, expect, it } from 'vitest';
import { FIRST_SHARES, MODEL_KINDS, type Build } from '../../engines/circuit';
import { edited, CONTROL_KINDS, type ControlKind } from '../../ground/job';
import { surveyOf } from '.';
import { particles, type ParticleSet } from './inference/builds';
import { spread } from './inference/particles';
import { posteriorOf, TRUSTED } from './inference/posterior';
import { REMAINDER_SHARE, STRANGER_SHARE } from './inference/remainder';
import { CONTROL, ISOLATED, T, jobWith, kindOf } from '../../testing/probe-jobs';

const buildsOf = (set: ParticleSet): Build[] => Array.from(set.weights, (_, i) => set.build(i));

describe('what a control is', () => {
  it('begins with the shares in which kinds are met, and weights that add up to one', () => {
    const start = posteriorOf([]).kinds;
    for (const [kind, share] of Object.entries(FIRST_SHARES))
      expect(start[kind as ControlKind]).toBeCloseTo(share * (1 - REMAINDER_SHARE - STRANGER_SHARE), 9);
    expect(posteriorOf([]).other).toBeCloseTo(REMAINDER_SHARE + STRANGER_SHARE, 9);
    for (const kind of MODEL_KINDS) expect(particles(kind).weights.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
  });

  it.each<[ControlKind, string[]]>([
    [
      'low-when-pressed',
      [
        'start look springs back',
        'start B to ground off 0.1 ohm',
        'start A idle 4.98 V',
        'start A-B pressed 0.4 ohm',
        'start A pressed 3 mV',
        'start A neighbour 4.98 V',
      ],
    ],
    [
      'low-when-pressed',
      [
        'start look springs back',
        'start A to ground off 0.1 ohm',
        'start B idle 3.31 V',
        'start B pressed 0 V',
        'start B neighbour 3.31 V',
      ],
    ],
    [
      'high-when-pressed',
      [
        'start look springs back',
        'start A idle 0.00 V',
        'start B idle 3.29 V',
        'start A pressed 3.28 V',
        'start A-B released 14k',
        'start A to ground off 9.9k',
        'start A neighbour 0 V',
      ],
    ],
    [
      'ladder',
      [
        'start look springs back',
        'start A idle 5.02 V',
        'start A pressed 1.61 V',
        'start A neighbour 2.97 V',
        'start B to ground off 2.2k',
      ],
    ],
    [
      'scanned-matrix',
      [
        'start look membrane',
        'start A idle 4.35 V',
        'start A idle 62.4 Hz',
        'start B idle 4.96 V',
        'start B pressed 4.35 V',
      ],
    ],
    ['dry-pair', ['start look terminals', 'start B to ground off >20M', 'start A-B idle 23.8 V', 'start short 9.1 mA']],
    [
      'switched-load',
      ['start look rocker', 'start A-B idle 229 VAC', 'start A-B released 0.2 ohm', 'start A-B off >20M'],
    ],
    ['touch-pad', ['start look glass', 'start A idle 0.31 V', 'start A-B pressed >20M']],
    [
      'motor-pair',
      ['start look two wires', 'start A-B off 4.7 ohm', 'start A-B moving 11.4 V', 'start A-B moving-back -11.5 V'],
    ],
    [
      'latching-switch',
      ['start look stays down', 'start A-B released 0.3 ohm', 'start A idle 4.97 V', 'start B idle 0 V'],
    ],
    [
      'selector',
      ['start look turns to stops', 'start A-B off 0.2 ohm', 'start A-B turning >20M', 'start B to ground off 0.1 ohm'],
    ],
    ['encoder', ['start look turns on', 'start A turning 12 Hz', 'start A-B pressed >1M']],
    [
      'serial-bus',
      [
        'start look connector',
        'start A idle 3.1 V',
        'start A idle 480 Hz',
        'start A idle 94 %',
        'start B idle 0 V',
        'start B to ground off 0.1 ohm',
      ],
    ],
  ])('is %s after %j', (kind, lines) => {
    const found = kindOf(jobWith(...ISOLATED, ...lines));
    expect(found.kind).toBe(kind);
    expect(found.p).toBeGreaterThan(0.95);
  });

  // Bayes by hand, every number written out. Of 100 touch pads 92 show glass, 3 a membrane and each other look 1 on the same
  // scale, so P(glass | touch pad) = 92/103; every other kind shows it with 1 over its own sum.
  it('agrees with Bayes done by hand on one look', () => {
    const sums: Record<ControlKind, number> = {
      'low-when-pressed': 82 + 11 + 3 + 1 + 6 * 1,
      'high-when-pressed': 84 + 9 + 3 + 1 + 6 * 1,
      ladder: 83 + 12 + 2 + 7 * 1,
      'scanned-matrix': 47 + 47 + 2 + 7 * 1,
      'dry-pair': 88 + 8 + 8 * 1,
      'switched-load': 70 + 6 + 4 + 10 + 7 + 5 * 1,
      'touch-pad': 92 + 3 + 8 * 1,
      'motor-pair': 92 + 4 + 8 * 1,
      'latching-switch': 88 + 6 + 8 * 1,
      selector: 93 + 2 + 8 * 1,
      encoder: 93 + 3 + 8 * 1,
      'serial-bus': 93 + 1 + 2 + 7 * 1,
    };
    const joint = CONTROL_KINDS.map((k) => FIRST_SHARES[k] * ((k === 'touch-pad' ? 92 : 1) / sums[k]) ** TRUSTED);
    const byHand = joint[CONTROL_KINDS.indexOf('touch-pad')]! / joint.reduce((a, b) => a + b, 0);
    const p = posteriorOf(jobWith('start look glass').readings);
    expect(p.kinds['touch-pad'] / (1 - p.other)).toBeCloseTo(byHand, 9);
    // What is none of the kinds: an indicator shows glass in 45 of 45 + 25 + 15 + 4 + 6, each of the others in 1 of its own sum; the rest
    // shows any look as the mean kind does, and 15 % of it any of the ten alike.
    const glass = CONTROL_KINDS.reduce((s, k) => s + (k === 'touch-pad' ? 92 : 1) / sums[k], 0) / CONTROL_KINDS.length;
    const others = [76 + 4 + 12 + 7, 50 + 30 + 8 + 7, 84 + 6 + 2 + 2 + 6, 40 + 28 + 24 + 7, 70 + 20 + 5 + 7];
    const ones = [...others, 80 + 12 + 8, 50 + 25 + 15 + 7, 45 + 38 + 8 + 7, 40 + 35 + 18 + 7, 78 + 8 + 8 + 7].map(
      (sum) => 1 / sum,
    );
    const strange = [...ones, 45 / (45 + 25 + 15 + 4 + 6)].reduce((s, share) => s + share ** TRUSTED, 0) / 11;
    const other = STRANGER_SHARE * strange + REMAINDER_SHARE * (0.85 * glass + 0.15 / 10) ** TRUSTED;
    const named = (1 - REMAINDER_SHARE - STRANGER_SHARE) * joint.reduce((a, b) => a + b, 0);
    expect(p.other).toBeCloseTo(other / (other + named), 9);
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
    const set = particles('low-when-pressed');
    const low = buildsOf(set).reduce(
      (s, b, i) =>
        s +
        set.weights[i]! *
          density(b.signal === 'A' ? b.returnOhms : (b.inChip ? b.pinOhms : b.seriesOhms) + b.boardOhms),
      0,
    );
    const pads = particles('touch-pad');
    const touch = buildsOf(pads).reduce(
      (s, b, i) =>
        s +
        pads.weights[i]! *
          density((b.layout !== 'usual' ? b.pinOhms : (b.signal === 'A' ? 1.3 : 1) * b.seriesOhms) + b.boardOhms),
      0,
    );
    const p = posteriorOf(job.readings).kinds;
    expect(p['low-when-pressed'] / p['touch-pad']).toBeCloseTo(
      (FIRST_SHARES['low-when-pressed'] * low ** TRUSTED) / (FIRST_SHARES['touch-pad'] * touch ** TRUSTED),
      0,
    );
  });

  it('is not turned by one wrong reading, and names the pair that disagrees', () => {
    const good = [
      ...ISOLATED,
      'start look springs back',
      'start B to ground off 0.1 ohm',
      'start A idle 4.98 V',
      'start A-B pressed 0.4 ohm',
      'start short 0.498 mA',
    ];
    const { kind, s } = kindOf(jobWith(...good, 'start A idle 0.02 V'));
    expect(kind).toBe('low-when-pressed');
    expect(s.contradictions).toHaveLength(1);
    expect(s.contradictions[0]!.readings).toHaveLength(2);
    expect(s.contradictions[0]!.text).toMatch(/cannot both be right/);
    expect(kindOf(jobWith(...good)).s.contradictions).toEqual([]);
  });

  it('forgets a withdrawn reading', () => {
    const job = jobWith(...ISOLATED, 'start A idle 4.98 V');
    const without = edited(job, { do: 'strike-reading', id: 'r5', struck: true }, T(30));
    expect(surveyOf(without, CONTROL).posterior.kinds).toEqual(surveyOf(jobWith(...ISOLATED), CONTROL).posterior.kinds);
  });

  it('estimates supply and pull-up with bounds that hold the truth', () => {
    const { s } = kindOf(
      jobWith(
        ...ISOLATED,
        'start B to ground off 0.1 ohm',
        'start A idle 4.98 V',
        'start short 0.498 mA',
        'start A-B pressed 0.4 ohm',
        'start look springs back',
      ),
    );
    const e = s.candidates[0]!.estimates;
    expect(e['supplyVolts']!.value.nominal).toBeCloseTo(4.985, 2);
    expect(Math.abs(e['pullUpOhms']!.value.nominal - 10_000)).toBeLessThan(30);
    expect(e['pullUpOhms']!.value.low).toBeLessThan(10_000);
    expect(e['pullUpOhms']!.value.high).toBeGreaterThan(10_000);
    expect(e['pullUpOhms']!.steps.at(-1)!.formula).toBe('V_open / abs(I)');
  });

  it('refuses a control that is not there', () => expect(() => surveyOf(jobWith(), 'no')).toThrow(RangeError));
});
