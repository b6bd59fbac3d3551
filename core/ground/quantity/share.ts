import { itemAt } from '../lists';
import type { Interval } from './interval';

/** Two-sided 95 %. */
const Z = 1.959964;

/** More values than this are taken together in blocks before their correlations are summed: the work grows with the square. */
const MOST_LAGGED = 2000;

/**
 * How many values that hang on those before them count for one that does not: 1 and the doubled correlations of later ones, summed in
 * pairs until a pair is no longer positive (statistical inefficiency; C. J. Geyer, Practical Markov Chain Monte Carlo, Statistical
 * Science 7 (1992) 473). At least 1; 1 where all are the same.
 * @param values in the order in which they came.
 */
export function inefficiency(values: readonly number[]): number {
  const block = Math.ceil(values.length / MOST_LAGGED);
  const blocks = Math.floor(values.length / Math.max(1, block));
  const means = Array.from({ length: blocks }, (_, i) => meanIn(values, i * block, block));
  const [all, own] = [varianceOf(values), varianceOf(means)];
  // The variance of the mean of all, by blocks, over what it would be if no value hung on another.
  return all > 0 ? Math.max(1, (block * own * lagged(means)) / all) : 1;
}

const meanIn = (values: readonly number[], from: number, count: number): number => {
  let sum = 0;
  for (let i = from; i < from + count; i++) sum += itemAt(values, i);
  return sum / count;
};
function varianceOf(values: readonly number[]): number {
  if (values.length === 0) return 0;
  const mean = meanIn(values, 0, values.length);
  return values.reduce((s, v) => s + (v - mean) ** 2, 0) / values.length;
}

/** 1 and the doubled correlations, in pairs. */
function lagged(values: readonly number[]): number {
  const n = values.length;
  const mean = n > 0 ? meanIn(values, 0, n) : 0;
  const product = (lag: number): number => {
    let sum = 0;
    for (let i = 0; i + lag < n; i++) sum += (itemAt(values, i) - mean) * (itemAt(values, i + lag) - mean);
    return sum / n;
  };
  const variance = product(0);
  if (!(variance > 0)) return 1;
  let tau = -1;
  for (let lag = 0; lag + 1 < n / 2; lag += 2) {
    const pair = (product(lag) + product(lag + 1)) / variance;
    if (pair <= 0) break;
    tau += 2 * pair;
  }
  return Math.max(1, tau);
}

/**
 * A share that was counted, with its interval at 95 %: `hits` of `tries`, tries over 0; of tries that hang together as many as count.
 * The score interval, which stays
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
 * The mean of values that were drawn alike, each perhaps hanging on the one before, with its interval at 95 % by the normal
 * approximation, not under 0; at least one value. For
 * few values it is narrower than it should be: under thirty it says little. Source: NIST/SEMATECH, e-Handbook of Statistical Methods,
 * section 1.3.5.2, confidence limits for the mean.
 */
export function meanOf(values: readonly number[]): Interval {
  const n = values.length;
  const mean = values.reduce((s, v) => s + v, 0) / n;
  const variance = n > 1 ? values.reduce((s, v) => s + (v - mean) ** 2, 0) / (n - 1) : 0;
  const half = Z * Math.sqrt((variance * inefficiency(values)) / n);
  return { low: Math.max(0, mean - half), nominal: mean, high: mean + half };
}
