import type { Recording } from './trace';

/** Samples of one block of the coarse list. */
const BLOCK = 256;

/** The least and the greatest of each block of samples, so that a drawing never looks at all of them. */
export interface Coarse {
  readonly least: Float64Array;
  readonly most: Float64Array;
}

/** The coarse list of a recording, worked out once. */
export function coarseOf({ values }: Recording): Coarse {
  const n = Math.ceil(values.length / BLOCK);
  const least = new Float64Array(n).fill(Number.POSITIVE_INFINITY);
  const most = new Float64Array(n).fill(Number.NEGATIVE_INFINITY);
  for (let i = 0; i < values.length; i++) {
    const b = (i / BLOCK) | 0;
    const v = values[i]!;
    if (v < least[b]!) least[b] = v;
    if (v > most[b]!) most[b] = v;
  }
  return { least, most };
}

/** The least and the greatest value in each column of a drawing; NaN where no sample lies. */
export interface Columns {
  readonly least: Float64Array;
  readonly most: Float64Array;
}

/** The first sample that is not before a time. */
export function indexAt(seconds: Float64Array, t: number): number {
  let [low, high] = [0, seconds.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (seconds[middle]! < t) low = middle + 1;
    else high = middle;
  }
  return low;
}

/**
 * What a drawing of so many columns shows of a stretch of a recording. A column without a sample of its own stands at the one before it, as
 * a value stands until the next one comes, and shows nothing in a gap.
 * @param columns 1 to some thousands.
 */
export function columnsOf(r: Recording, coarse: Coarse, from: number, to: number, columns: number): Columns {
  const least = new Float64Array(columns).fill(Number.NaN);
  const most = new Float64Array(columns).fill(Number.NaN);
  const { seconds, values, gaps } = r;
  const width = (to - from) / columns;
  for (let c = 0; c < columns; c++) {
    const [a, b] = [from + c * width, from + (c + 1) * width];
    const [i, j] = [indexAt(seconds, a), indexAt(seconds, b)];
    if (i === j) {
      const inGap = gaps.some((g) => g.fromSeconds <= a && g.toSeconds >= b);
      if (i > 0 && i < seconds.length && !inGap) least[c] = most[c] = values[i - 1]!;
      continue;
    }
    let [lo, hi] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
    for (let k = i; k < j;) {
      if (k % BLOCK === 0 && k + BLOCK <= j) {
        const block = k / BLOCK;
        lo = Math.min(lo, coarse.least[block]!);
        hi = Math.max(hi, coarse.most[block]!);
        k += BLOCK;
      } else {
        lo = Math.min(lo, values[k]!);
        hi = Math.max(hi, values[k]!);
        k++;
      }
    }
    least[c] = lo;
    most[c] = hi;
  }
  return { least, most };
}
