import type { Recording } from './trace';

/** Bins of the scale on which levels are told apart: the logarithm, on which standby, work and full load lie evenly. */
const BINS = 256;
const MOST_LEVELS = 4;
/** A sample that stands for longer than so many usual steps stands for a gap. */
const MOST_STEPS = 10;
/**
 * Another level is taken where it leaves less than this share of the variance within. One level cut in two by its middle keeps 25 % of an
 * even spread, 36 % of a normal one.
 */
const ANOTHER_LEAVES = 0.2;
/** TraceStates that lie no further apart than so many last digits are one, whose last digit is not still. */
const LEAST_DIGITS = 3;
/** A level that holds for less than this share of the time is none. */
const LEAST_SHARE = 1e-3;

/** Time that a recording spends at each place of its scale. */
export interface Histogram {
  /** Time in each bin, s. */
  readonly weights: Float64Array;
  /** True for degrees, whose zero is no nothing: their scale is their own and no logarithm. */
  readonly linear: boolean;
  /** The scale's ends: log10 of the value plus the offset, or the value itself. */
  readonly low: number;
  readonly high: number;
  /** What is added to each value, so that none has no logarithm: the last digit that the meter shows. */
  readonly offset: number;
}

/** A level that a recording stands at. */
export interface TraceState {
  /** Mean on the scale, in the unit of the recording. */
  readonly at: number;
  /** Share of the time. */
  readonly share: number;
}

/** TraceStates of a recording, lowest first, and where one ends and the next begins. */
export interface TraceStates {
  readonly levels: readonly TraceState[];
  readonly thresholds: readonly number[];
  /** Variance within so many levels, as a share of that of one: for one, two, three, four. */
  readonly leaves: readonly number[];
}

/**
 * The time that values spend in each bin of their scale, of one recording or of several together: a logarithmic one, on which values under
 * zero count as zero, but for temperatures, which go under it. @param recordings one at least, of one unit.
 */
export function histogramOf(...recordings: readonly Recording[]): Histogram {
  const [only] = recordings;
  const known = only && recordings.length === 1 ? KNOWN.get(only) : undefined;
  if (known) return known;
  const h = tallied(recordings);
  if (only && recordings.length === 1) KNOWN.set(only, h);
  return h;
}
/** Histograms of single recordings: the search for a threshold and the look at what it finds ask for the same one. */
const KNOWN = new WeakMap<Recording, Histogram>();

function tallied(recordings: readonly Recording[]): Histogram {
  const offset = Math.max(...recordings.map((r) => r.digit)) || 1e-6;
  const linear = recordings.some((r) => r.kind === 'temperature');
  let [least, most] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const { values } of recordings)
    for (let i = 0; i < values.length; i++) {
      const v = values[i]!;
      if (v < least) least = v;
      if (v > most) most = v;
    }
  const h: Histogram = {
    weights: new Float64Array(BINS),
    linear,
    low: linear ? least : Math.log10(Math.max(0, least) + offset),
    high: linear ? most : Math.log10(Math.max(0, most) + offset),
    offset,
  };
  for (const r of recordings) spend(h, r);
  return h;
}

/** Values of a recording are tallied by their last digit first, where they have no more than so many. */
const MOST_DIGITS = 1 << 20;

/** Adds the time that a recording spends in each bin. */
function spend({ weights, linear, low, high, offset }: Histogram, r: Recording): void {
  const span = high - low;
  const scale = BINS / (span * (linear ? 1 : Math.LN10));
  const start = low * (linear ? 1 : Math.LN10);
  const binOf = (v: number): number => {
    const x = linear ? v : Math.log((v > 0 ? v : 0) + offset);
    return span > 0 ? Math.max(0, Math.min(BINS - 1, Math.floor((x - start) * scale))) : 0;
  };
  const least = linear ? low : 0;
  const digits = Math.ceil(((linear ? high : 10 ** high) - least) / r.digit) + 2;
  // One logarithm for all samples that are written alike, instead of one for each.
  if (r.digit > 0 && digits <= MOST_DIGITS) {
    const times = new Float64Array(digits);
    stands(r, (v, time) => {
      times[Math.max(0, Math.round((v - least) / r.digit))]! += time;
    });
    for (let i = 0; i < digits; i++) if (times[i]! > 0) weights[binOf(least + i * r.digit)]! += times[i]!;
    return;
  }
  stands(r, (v, time) => {
    weights[binOf(v)]! += time;
  });
}

/** Each value with how long it stands: until the next one comes, and in a gap for no longer than ten usual steps. */
function stands({ values, seconds, stepSeconds }: Recording, take: (value: number, time: number) => void): void {
  // Where all stands at one time, each sample counts alike.
  const longest = stepSeconds > 0 ? MOST_STEPS * stepSeconds : 1;
  for (let i = 0; i < values.length; i++) {
    const step = stepSeconds <= 0 ? 1 : i + 1 < values.length ? seconds[i + 1]! - seconds[i]! : stepSeconds;
    take(values[i]!, step < longest ? step : longest);
  }
}

/** Sums up to each bin, so that any stretch of bins is told at once. */
interface Sums {
  readonly w: Float64Array;
  readonly wx: Float64Array;
  readonly wxx: Float64Array;
}
function sumsOf(weights: Float64Array): Sums {
  const n = weights.length + 1;
  const [w, wx, wxx] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
  for (let i = 0; i < weights.length; i++) {
    w[i + 1] = w[i]! + weights[i]!;
    wx[i + 1] = wx[i]! + weights[i]! * i;
    wxx[i + 1] = wxx[i]! + weights[i]! * i * i;
  }
  return { w, wx, wxx };
}

/** Weighted sum of squares about their mean in the bins from `a` up to and without `b`. */
function within({ w, wx, wxx }: Sums, a: number, b: number): number {
  const n = w[b]! - w[a]!;
  if (n <= 0) return 0;
  const m = wx[b]! - wx[a]!;
  return Math.max(0, wxx[b]! - wxx[a]! - (m * m) / n);
}

/**
 * The cuts that leave the least variance within so many classes, exactly, by dynamic programming: maximising what lies between them is the
 * same. Source: Otsu, IEEE Trans. SMC 9 (1979), for any number of classes. Of cuts that do alike the middle one is taken.
 * @param weights of each bin; at most some hundreds.
 * @returns the first bin of each class but the lowest, and the sum of squares that is left.
 */
export function cutsOf(weights: Float64Array, classes: number): { readonly cuts: number[]; readonly left: number } {
  const s = sumsOf(weights);
  const n = weights.length;
  let best = Float64Array.from({ length: n + 1 }, (_, b) => within(s, 0, b));
  const from: Int32Array[] = [];
  for (let k = 2; k <= classes; k++) {
    const next = new Float64Array(n + 1).fill(Number.POSITIVE_INFINITY);
    const cut = new Int32Array(n + 1);
    for (let b = k; b <= n; b++) {
      let [low, high] = [-1, -1];
      for (let a = k - 1; a < b; a++) {
        const left = best[a]! + within(s, a, b);
        if (left < next[b]! - 1e-9 * (1 + left)) {
          next[b] = left;
          low = a;
          high = a;
        } else if (left <= next[b]! + 1e-9 * (1 + left)) high = a;
      }
      cut[b] = (low + high) >> 1;
    }
    from.push(cut);
    best = next;
  }
  const cuts: number[] = [];
  let b = n;
  for (const cut of from.reverse()) cuts.unshift((b = cut[b]!));
  return { cuts, left: best[n]! };
}

/**
 * TraceStates that a recording stands at: as many as the variance within asks for, or as many as are wanted.
 * @param wanted one to four; found where it is left out.
 */
export function traceStates(h: Histogram, wanted?: number): TraceStates {
  const fits = Array.from({ length: MOST_LEVELS }, (_, k) => cutsOf(h.weights, k + 1));
  const one = fits[0]!.left;
  const leaves = fits.map((f) => (one > 0 ? f.left / one : 0));
  const sums = sumsOf(h.weights);
  const told = fits.map((f) => levelsAt(h, sums, f.cuts));
  let count = wanted ?? 1;
  if (wanted === undefined && one > 0)
    while (
      count < MOST_LEVELS &&
      leaves[count]! < ANOTHER_LEAVES * leaves[count - 1]! &&
      told[count]!.every(
        (l, i, all) => l.share >= LEAST_SHARE && (i === 0 || l.at - all[i - 1]!.at > LEAST_DIGITS * h.offset),
      )
    )
      count++;
  return {
    levels: told[count - 1]!,
    thresholds: fits[count - 1]!.cuts.map((bin) => valueAt(h, bin)),
    leaves,
  };
}

function valueAt({ linear, low, high, offset }: Histogram, bin: number): number {
  const x = low + (bin / BINS) * (high - low);
  return linear ? x : 10 ** x - offset;
}

/** The classes between some cuts: their mean on the scale, and their share of the time. */
function levelsAt(h: Histogram, { w, wx }: Sums, cuts: readonly number[]): TraceState[] {
  const edges = [0, ...cuts, BINS];
  return edges.slice(1).map((b, i) => {
    const a = edges[i]!;
    const time = w[b]! - w[a]!;
    const mean = (wx[b]! - wx[a]!) / Math.max(Number.MIN_VALUE, time);
    return { at: valueAt(h, mean + 0.5), share: time / w[BINS]! };
  });
}
