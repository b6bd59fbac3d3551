import { computed, derive, type Origin, type Step } from '../../ground/finding';
import type { SignalPoint } from '../../ground/job';

/** A straight line through (step, value) pairs. Units of value: volts or hertz. */
export interface FittedLine {
  readonly gain: number;
  readonly offset: number;
  /** Standard deviation of what is left, and of gain and offset; NaN for two points, which a line always meets. */
  readonly residual: number;
  readonly gainError: number;
  readonly offsetError: number;
  readonly points: number;
}

/**
 * Least squares through at least two pairs with different steps; null for fewer.
 * Source: NIST e-Handbook of Statistical Methods 4.1.4.1; checked against the NIST reference set Norris.
 */
export function fitLine(points: readonly SignalPoint[]): FittedLine | null {
  const n = points.length;
  const meanX = points.reduce((s, p) => s + p.step, 0) / n;
  const meanY = points.reduce((s, p) => s + p.value, 0) / n;
  const sxx = points.reduce((s, p) => s + (p.step - meanX) ** 2, 0);
  if (n < 2 || sxx === 0) return null;
  const gain = points.reduce((s, p) => s + (p.step - meanX) * (p.value - meanY), 0) / sxx;
  const offset = meanY - gain * meanX;
  const residual =
    n > 2 ? Math.sqrt(points.reduce((s, p) => s + (p.value - offset - gain * p.step) ** 2, 0) / (n - 2)) : Number.NaN;
  return {
    gain,
    offset,
    residual,
    gainError: residual / Math.sqrt(sxx),
    offsetError: residual * Math.sqrt(1 / n + meanX ** 2 / sxx),
    points: n,
  };
}

/** What the line asks for at a step, as a step of arithmetic. */
export const valueAt = (
  line: FittedLine,
  step: number,
  unit: 'V' | 'Hz',
  given: Origin = { from: 'maker', what: 'set in Thumb' },
): Step =>
  derive('value at that step', unit === 'V' ? 'U' : 'f', 'k * s + b', unit, [
    computed('k', 'gain for one step', line.gain, unit, `least squares through ${line.points} readings`),
    { symbol: 's', name: 'step', value: step, unit: '1', origin: given, possible: [0, 1000] },
    computed('b', 'value at step 0', line.offset, unit, `least squares through ${line.points} readings`),
  ]);
