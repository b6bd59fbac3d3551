/**
 * Time-lag fuses of IEC 60127-2, sheet 3: multiple of the rated current, and the least and the longest time until it has melted, s. Numbers
 * from memory.
 */
const TIME_LAG: readonly (readonly [multiple: number, leastSeconds: number, mostSeconds: number])[] = [
  [1.5, 3600, Number.POSITIVE_INFINITY],
  [2.1, 120, 120],
  [2.75, 0.6, 10],
  [4, 0.15, 3],
  [10, 0.02, 0.3],
];
/** Multiple of the rating from which it is certain to melt within two minutes. */
export const FUSE_BLOWS = 2.1;

/**
 * The least time that a time-lag fuse holds a multiple of its rating, s: on a straight line between the points of its sheet in
 * logarithms.
 */
export function fuseHoldsSeconds(multiple: number): number {
  const first = TIME_LAG[0];
  if (!first || multiple <= first[0]) return Number.POSITIVE_INFINITY;
  for (const [i, [m, t]] of TIME_LAG.entries()) {
    const before = TIME_LAG[i - 1];
    if (!before || multiple > m) continue;
    const share = Math.log(multiple / before[0]) / Math.log(m / before[0]);
    return before[1] * (t / before[1]) ** share;
  }
  // Beyond the last point it melts at constant I²t.
  const last = TIME_LAG[TIME_LAG.length - 1];
  return last ? last[1] * (last[0] / multiple) ** 2 : 0;
}
