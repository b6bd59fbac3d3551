import { describe, expect, it } from 'vitest';
import { freshPress } from '../../ground/job';
import { seededRandom } from '../../ground/quantity';
import { hitChance, hitSteps, runChance } from '.';

describe('runs of successes', () => {
  // Feller, vol. 1, XIII.7: a run of five heads in ten tosses of a fair coin has probability 112/1024.
  it('come as often as Feller says', () => {
    expect(runChance(0.5, 5, 10)).toBeCloseTo(112 / 1024, 12);
  });
  it('are certain, impossible, or a plain power', () => {
    expect(runChance(1, 3, 3)).toBe(1);
    expect(runChance(0.99, 3, 2)).toBe(0);
    expect(runChance(0.9, 4, 4)).toBeCloseTo(0.9 ** 4, 12);
    // At least one hit in n: 1 − (1 − p)^n.
    expect(runChance(0.3, 1, 7)).toBeCloseTo(1 - 0.7 ** 7, 12);
  });
});

describe('answers in time', () => {
  const plan = { ...freshPress().scan, medianSeconds: 2e-3, mostSeconds: 8e-3, leadSeconds: 0 };
  // By definition of its two given quantiles.
  it('are half at the median and 95 % at the stated late time', () => {
    expect(hitChance(plan, 2e-3)).toBeCloseTo(0.5, 6);
    expect(hitChance(plan, 8e-3)).toBeCloseTo(0.95, 3);
  });
  // Normal table: Φ(1) = 0.841345; one standard deviation above the median in logarithms, s = ln 4 / 1.645.
  it('follow the log-normal law between', () => {
    const s = Math.log(4) / 1.645;
    expect(hitChance(plan, 2e-3 * Math.exp(s))).toBeCloseTo(0.841345, 4);
    expect(hitChance(plan, 2e-3 * Math.exp(-s))).toBeCloseTo(0.158655, 4);
  });
  it('are none where the machine has looked already, and the steps say so', () => {
    const late = { ...plan, leadSeconds: 3e-3 };
    expect(hitChance(late, 2e-3)).toBeLessThan(1e-6);
    expect(hitSteps(late, 2e-3, { from: 'maker', what: 'test' }).map((x) => x.symbol)).toEqual(['t_room', 's', 'p']);
  });
});

describe('a scanned pad played out at random', () => {
  /** Standard normal deviate by Box and Muller. */
  const normal = (r: { next(): number }): number =>
    Math.sqrt(-2 * Math.log(1 - r.next())) * Math.cos(2 * Math.PI * r.next());

  // An independent way to the same numbers: response times drawn one by one, strobes scanned one by one.
  it.each([
    [2e-3, 5e-4, 2e-3, 3, 18],
    [1e-3, 4e-3, 2e-3, 2, 10],
    [3e-4, 1e-3, 1e-3, 4, 12],
  ])('with a median of %f s sees presses as often as is reckoned', (median, most, width, needed, scans) => {
    const [low, high] = [Math.min(median, most), Math.max(median, most)];
    const plan = { ...freshPress().scan, medianSeconds: low, mostSeconds: high, leadSeconds: 0.1e-3 };
    const spread = Math.log(high / low) / 1.645;
    const random = seededRandom(77);
    const presses = 20_000;
    let [answered, seen] = [0, 0];
    for (let p = 0; p < presses; p++) {
      let run = 0;
      let took = false;
      for (let s = 0; s < scans; s++) {
        const hit = low * Math.exp(spread * normal(random)) < width - plan.leadSeconds;
        answered += hit ? 1 : 0;
        run = hit ? run + 1 : 0;
        took ||= run >= needed;
      }
      seen += took ? 1 : 0;
    }
    const chance = hitChance(plan, width);
    expect(Math.abs(answered / (presses * scans) - chance)).toBeLessThan(0.005);
    expect(Math.abs(seen / presses - runChance(chance, needed, scans))).toBeLessThan(0.015);
  });
});
