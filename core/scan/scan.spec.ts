import { describe, expect, it } from 'vitest';
import { freshThumb } from '../job';
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
  const plan = { ...freshThumb().scan, medianSeconds: 2e-3, mostSeconds: 8e-3, leadSeconds: 0 };
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
