// Probe on boards that it was not drawn from: the bench of its own in `bench/`, which knows neither its circuits nor its numbers.
// What it measures over 2,000 boards stands in docs/measurements.md (`npm run bench:foreign`); this smaller run holds the same limits
// with room for chance. Reliability is scored by proper rules: G. W. Brier, Verification of forecasts expressed in terms of
// probability, Monthly Weather Review 78 (1950); I. J. Good, Rational decisions, J. R. Stat. Soc. B 14 (1952), for the logarithm.
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../core/ground/quantity';
import { boards, follow, MET, strangers, type Went } from './bench/drive';
import { figures, report, strangeReport } from './bench/report';
import { steady, type Part } from './bench/solve';
import { STRANGE, UNHEARD_OF } from './bench/strange';

describe('the bench itself', () => {
  it('divides, drops a junction and floats as by hand', () => {
    const divider: Part[] = [
      { is: 'v', a: 'V', b: 'G', volts: 5, ohms: 1e-3 },
      { is: 'r', a: 'V', b: 'A', ohms: 10e3 },
      { is: 'r', a: 'A', b: 'G', ohms: 10e3 },
    ];
    expect(steady(divider, 'A', 'G')).toBeCloseTo(2.5, 5);
    // 5 V through 1 kΩ and a junction of 0.6 V with 8 Ω: (5 − 0.6)/1008 A.
    const junction: Part[] = [
      { is: 'v', a: 'V', b: 'G', volts: 5, ohms: 1e-3 },
      { is: 'r', a: 'V', b: 'A', ohms: 1e3 },
      { is: 'd', a: 'A', b: 'G', drop: 0.6, ohms: 8, weakOhms: 4e6 },
    ];
    expect(steady(junction, 'A', 'G')).toBeCloseTo(0.6 + (8 * 4.4) / 1008, 3);
    expect(Math.abs(steady([...divider, { is: 'r', a: 'B', b: 'C', ohms: 10 }], 'B', 'G'))).toBeLessThan(1e-6);
  });
});

describe('boards of other hands', () => {
  const random = seededRandom(31);
  const went: Went[] = boards(144, random).map((b) => follow(b, random));
  const f = figures(went, MET);
  console.log(report(went, MET).slice(0, 3).join('\n'));

  it('are called known rightly, or not at all', () => {
    expect(f.right).toBeGreaterThanOrEqual(0.92);
    expect(f.rightAsMet).toBeGreaterThanOrEqual(0.92);
    // What may as well be none of the kinds ends as a tie: known alone is less than known or told.
    expect(f.known).toBeGreaterThanOrEqual(0.8);
    expect(f.done).toBeGreaterThanOrEqual(0.9);
    expect(f.median).toBeLessThanOrEqual(8);
  });

  it('are told with honest probabilities', () => {
    expect(f.calibration).toBeLessThan(0.08);
    expect(f.brier).toBeLessThan(0.18);
    expect(f.logScore).toBeLessThan(0.8);
  });

  it('are stopped where they are tied to mains, let on where they are not, and never asked for what harms', () => {
    expect(f.tiedPassed).toBe(0);
    expect(f.falseStops).toBeLessThanOrEqual(0.02);
    expect(f.stuck).toBeLessThanOrEqual(0.01);
    expect(f.broken).toBe(0);
  });
});

describe('what is none of the kinds', () => {
  const random = seededRandom(11);
  const walked = (of: typeof STRANGE, each: number): Went[] =>
    strangers(each * of.length, random, of).map((b) => follow(b, random));
  const held = walked(STRANGE, 3);
  const unheard = walked(UNHEARD_OF, 3);
  console.log(
    [...strangeReport('of a structure held for none', held), ...strangeReport('of none held', unheard)].join('\n'),
  );
  const known = (list: readonly Went[]): number => list.filter((w) => w.end === 'known').length;

  it('is hardly ever called one of them', () => {
    expect(known(held)).toBeLessThanOrEqual(0.08 * held.length);
    expect(known([...held, ...unheard])).toBeLessThanOrEqual(0.12 * (held.length + unheard.length));
  });

  it('is told as none more often than not', () => {
    expect(held.filter((w) => w.end === 'remainder').length).toBeGreaterThanOrEqual(0.6 * held.length);
  });
});
