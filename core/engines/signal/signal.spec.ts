import { describe, expect, it } from 'vitest';
import { chosen } from '../../ground/finding';
import { clampAmps, fitLine, gainPair, pwmFilter, valueAt } from '.';

/** NIST Statistical Reference Datasets, Norris (linear regression, lower level of difficulty): y, x. */
const NORRIS: readonly (readonly [y: number, x: number])[] = [
  [0.1, 0.2],
  [338.8, 337.4],
  [118.1, 118.2],
  [888.0, 884.6],
  [9.2, 10.1],
  [228.1, 226.5],
  [668.5, 666.3],
  [998.5, 996.3],
  [449.1, 448.6],
  [778.9, 777.0],
  [559.2, 558.2],
  [0.3, 0.4],
  [0.1, 0.6],
  [778.1, 775.5],
  [668.8, 666.9],
  [339.3, 338.0],
  [448.9, 447.5],
  [10.8, 11.6],
  [557.7, 556.0],
  [228.3, 228.1],
  [998.0, 995.8],
  [888.8, 887.6],
  [119.6, 120.2],
  [0.3, 0.3],
  [0.6, 0.3],
  [557.6, 556.8],
  [339.3, 339.1],
  [888.0, 887.2],
  [998.5, 999.0],
  [778.9, 779.0],
  [10.2, 11.1],
  [117.6, 118.3],
  [228.9, 229.2],
  [668.4, 669.1],
  [449.2, 448.9],
  [0.2, 0.5],
];

describe('the line through readings', () => {
  // Certified by NIST: slope 1.00211681802045, intercept −0.262323073774029, residual standard deviation 0.884796396144373.
  it('meets the certified values of the NIST set Norris to nine digits', () => {
    const line = fitLine(NORRIS.map(([value, step]) => ({ step, value })))!;
    expect(line.gain).toBeCloseTo(1.00211681802045, 9);
    expect(line.offset).toBeCloseTo(-0.262323073774029, 9);
    expect(line.residual).toBeCloseTo(0.884796396144373, 9);
    expect(line.gainError).toBeCloseTo(0.000429796848199937, 9);
    expect(line.offsetError).toBeCloseTo(0.232818234301152, 9);
  });

  it('wants two different steps, and cannot tell what is left of two', () => {
    expect(fitLine([{ step: 1, value: 2 }])).toBeNull();
    expect(
      fitLine([
        { step: 1, value: 2 },
        { step: 1, value: 3 },
      ]),
    ).toBeNull();
    const two = fitLine([
      { step: 1, value: 40 },
      { step: 5, value: 200 },
    ])!;
    expect(two).toMatchObject({ gain: 40, offset: 0 });
    expect(two.residual).toBeNaN();
    expect(valueAt(two, 3, 'Hz').result).toEqual({ value: 120, unit: 'Hz' });
  });
});

describe('from a pin to a level', () => {
  // IEC 60063, E24: 3.3 V to 10 V wants a gain of 3.03.
  it('takes the least gain of an E24 pair that reaches', () => {
    const pair = gainPair(10 / 3.3)!;
    expect(pair.gain).toBeGreaterThanOrEqual(10 / 3.3);
    expect(pair.gain).toBeLessThan((10 / 3.3) * 1.02);
    expect(1 + pair.feedback / pair.ground).toBeCloseTo(pair.gain, 12);
    expect(gainPair(1)).toBeNull();
    expect(gainPair(0.4)).toBeNull();
  });

  // First-order low-pass, triangle approximation: V/(4·f·R·C); at 1 kHz, 10 kΩ and 2.5 µF a hundredth, so the next E6 value 3.3 µF.
  it('filters pulses to a hundredth, and says how long that takes', () => {
    const f = pwmFilter(chosen('f', 'f', 1000, 'Hz'), chosen('V', 'V', 3.3, 'V'), 10e3);
    expect(f.farads.result.value).toBeCloseTo(3.3e-6, 12);
    expect(f.ripple.result.value).toBeCloseTo(3.3 / (4 * 1000 * 10e3 * 3.3e-6), 9);
    expect(f.settles.result.value).toBeCloseTo(Math.log(100) * 0.033, 6);
  });

  it('lets 0.14 mA into a clamp through 10 kΩ from 5 V', () => {
    expect(clampAmps(5, 3.3, 10e3).result.value).toBeCloseTo(0.14e-3, 9);
  });
});
