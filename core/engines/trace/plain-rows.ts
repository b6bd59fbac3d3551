import type { Samples } from './samples';

const LF = 10;
const CR = 13;
const DOT = 46;
const ZERO = 48;
const NINE = 57;
/** Digits that a double holds exactly. */
const MOST_DIGITS = 15;
const POINTS: readonly number[] = Array.from({ length: MOST_DIGITS + 1 }, (_, i) => 10 ** i);

/** What plain rows are read by, and what reading them leaves: the same object is used over and over. */
export interface PlainState {
  readonly separator: number;
  readonly timeFactor: number;
  readonly factor: number;
  readonly shift: number;
  readonly samples: Samples;
  /** The time that counts as none, and the last one after that. */
  base: number;
  last: number;
  rows: number;
  repeats: number;
  decimals: number;
}

/**
 * Rows that are nothing but a number, the separator and a number, in rising order: the commonest file by far, read in one loop without a
 * call, since ten million of them shall take a second. The first row that is anything else ends it.
 * @returns where that row begins, or `end`.
 */
// eslint-disable-next-line complexity -- one loop over bytes, without calls: that is what it is for
export function plainRows(b: Uint8Array, from: number, end: number, s: PlainState): number {
  const { separator, timeFactor, factor, shift, samples, base } = s;
  let { last, decimals } = s;
  let at = from;
  while (at < end) {
    let p = at;
    let c = b[p]!;
    let time = 0;
    while (c >= ZERO && c <= NINE) {
      time = time * 10 + (c - ZERO);
      c = b[++p]!;
    }
    let digits = p - at;
    if (c === DOT) {
      const point = p;
      c = b[++p]!;
      while (c >= ZERO && c <= NINE) {
        time = time * 10 + (c - ZERO);
        c = b[++p]!;
      }
      digits = p - at - 1;
      if (digits <= MOST_DIGITS) time /= POINTS[p - point - 1]!;
    }
    if (c !== separator || digits === 0 || digits > MOST_DIGITS) break;
    const second = ++p;
    let value = 0;
    c = b[p]!;
    while (c >= ZERO && c <= NINE) {
      value = value * 10 + (c - ZERO);
      c = b[++p]!;
    }
    digits = p - second;
    if (c === DOT) {
      const point = p;
      c = b[++p]!;
      while (c >= ZERO && c <= NINE) {
        value = value * 10 + (c - ZERO);
        c = b[++p]!;
      }
      digits = p - second - 1;
      const behind = p - point - 1;
      if (digits <= MOST_DIGITS) value /= POINTS[behind]!;
      if (behind > decimals) decimals = behind;
    }
    if (c === CR) c = b[++p]!;
    if (c !== LF || digits === 0 || digits > MOST_DIGITS) break;
    const t = time * timeFactor - base;
    if (!(t >= last)) break;
    if (!samples.push(t, value * factor + shift)) break;
    if (t === last) s.repeats++;
    last = t;
    s.rows++;
    at = p + 1;
  }
  s.last = last;
  s.decimals = decimals;
  return at;
}
