import type { Interval } from './interval';

/** Two-sided 95 %. */
const Z = 1.959964;

/**
 * A share that was counted, with its interval at 95 %: `hits` of `tries`, both whole, tries over 0. The score interval, which stays
 * within 0 and 1 and holds for few tries as well. Source: E. B. Wilson, Probable Inference, the Law of Succession, and Statistical
 * Inference, Journal of the American Statistical Association 22 (1927) 209.
 */
export function countedShare(hits: number, tries: number): Interval {
  const p = hits / tries;
  const z2 = Z * Z;
  const middle = (p + z2 / (2 * tries)) / (1 + z2 / tries);
  const half = (Z / (1 + z2 / tries)) * Math.sqrt((p * (1 - p)) / tries + z2 / (4 * tries * tries));
  return { low: Math.max(0, middle - half), nominal: p, high: Math.min(1, middle + half) };
}

/**
 * The mean of values that were drawn alike, with its interval at 95 % by the normal approximation, not under 0; at least one value. For
 * few values it is narrower than it should be: under thirty it says little. Source: NIST/SEMATECH, e-Handbook of Statistical Methods,
 * section 1.3.5.2, confidence limits for the mean.
 */
export function meanOf(values: readonly number[]): Interval {
  const n = values.length;
  const mean = values.reduce((s, v) => s + v, 0) / n;
  const variance = n > 1 ? values.reduce((s, v) => s + (v - mean) ** 2, 0) / (n - 1) : 0;
  const half = Z * Math.sqrt(variance / n);
  return { low: Math.max(0, mean - half), nominal: mean, high: mean + half };
}
