import { itemAt, lastItem } from '../../ground/lists';
import type { Recording } from './trace';

/** One stretch in which a room, a cabinet or water got warmer or colder towards an end that it would come to. */
export interface Leg {
  readonly way: 'warmer' | 'colder';
  readonly fromSeconds: number;
  readonly toSeconds: number;
  /** Value at its beginning. */
  readonly startsAt: number;
  /** What it would come to, were it left so. */
  readonly goesTo: number;
  /** Time constant, s: after it 63 % of the way are gone. */
  readonly tauSeconds: number;
  /** From the turn until the steepest tangent leaves the beginning, s. */
  readonly deadSeconds: number;
  /** What the samples scatter about the fit, as a standard deviation. */
  readonly rms: number;
  /** It lasts for less than one time constant: where it would come to is a guess. */
  readonly short: boolean;
}

/** Samples that a fit looks at, at most; more are thinned evenly. */
const MOST_SAMPLES = 4000;
/** A leg of fewer samples tells no curve. */
const LEAST_SAMPLES = 12;
/** A turn counts once it went back by this share of the whole range. */
const TURN_SHARE = 0.08;
/** Or by so many times the noise. */
const TURN_NOISES = 8;
const MAD_SHARE = 1.4826;
/** Steps of the search over the time constant, each finer by the golden section. */
const GRID = 60;
const GOLDEN = (Math.sqrt(5) - 1) / 2;
/** Samples over which a slope is taken. */
const SLOPE = 9;

interface Point {
  readonly t: number;
  readonly v: number;
}

/** Evenly thinned samples. */
function thinned({ seconds, values }: Recording): Point[] {
  const every = Math.max(1, Math.ceil(values.length / MOST_SAMPLES));
  const out: Point[] = [];
  for (let i = 0; i < values.length; i += every) out.push({ t: seconds[i] ?? 0, v: values[i] ?? 0 });
  return out;
}

/** Noise of samples from how each differs from the one before, as a standard deviation. */
function noiseIn(points: readonly Point[]): number {
  const steps = points.slice(1).map((p, i) => Math.abs(p.v - itemAt(points, i).v));
  const sorted = steps.sort((a, b) => a - b);
  return (MAD_SHARE * (sorted[sorted.length >> 1] ?? 0)) / Math.SQRT2;
}

/** Places at which it turns: the ends, and each extreme that it went back from by more than noise. */
function turnsIn(points: readonly Point[]): number[] {
  const values = points.map((p) => p.v);
  const range = Math.max(...values) - Math.min(...values);
  const back = Math.max(TURN_SHARE * range, TURN_NOISES * noiseIn(points));
  const turns = [0];
  let [high, low, way] = [0, 0, 0];
  values.forEach((v, i) => {
    if (v > itemAt(values, high)) high = i;
    if (v < itemAt(values, low)) low = i;
    if (way >= 0 && itemAt(values, high) - v > back) {
      if (way !== 0 || itemAt(values, high) - itemAt(values, 0) > back) turns.push(high);
      [way, low] = [-1, i];
      high = i;
    } else if (way <= 0 && v - itemAt(values, low) > back) {
      // What only scatters before its first turn is dead time, and no leg of its own.
      if (way !== 0 || itemAt(values, 0) - itemAt(values, low) > back) turns.push(low);
      [way, high] = [1, i];
      low = i;
    }
  });
  turns.push(values.length - 1);
  return [...new Set(turns)];
}

/** For one time constant: where it goes to and how far it is from there, by least squares, and what is left. */
function fitAt(
  points: readonly Point[],
  tau: number,
): { readonly end: number; readonly by: number; readonly left: number } {
  const t0 = itemAt(points, 0).t;
  let [n, sx, sy, sxx, sxy] = [0, 0, 0, 0, 0];
  for (const { t, v } of points) {
    const x = Math.exp(-(t - t0) / tau);
    n++;
    sx += x;
    sy += v;
    sxx += x * x;
    sxy += x * v;
  }
  const det = n * sxx - sx * sx;
  const by = det > 0 ? (n * sxy - sx * sy) / det : 0;
  const end = (sy - by * sx) / n;
  let left = 0;
  for (const { t, v } of points) left += (v - end - by * Math.exp(-(t - t0) / tau)) ** 2;
  return { end, by, left };
}

/** The time constant that leaves least, s: over a grid of its logarithm, then by the golden section. */
function bestTau(points: readonly Point[]): number {
  const span = lastItem(points).t - itemAt(points, 0).t;
  const at = (k: number): number => Math.log(span / 50) + (k / GRID) * Math.log(50 * 20);
  const left = (x: number): number => fitAt(points, Math.exp(x)).left;
  const grid = Array.from({ length: GRID + 1 }, (_, k) => left(at(k)));
  const best = grid.indexOf(Math.min(...grid));
  let [a, b] = [at(Math.max(0, best - 1)), at(Math.min(GRID, best + 1))];
  while (b - a > 1e-6) {
    const [c, d] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)];
    if (left(c) < left(d)) b = d;
    else a = c;
  }
  return Math.exp((a + b) / 2);
}

/** How long the steepest tangent waits at the value of the beginning, s. */
function deadTime(points: readonly Point[]): number {
  const first = itemAt(points, 0);
  let [slope, where] = [0, first];
  for (let i = 0; i + SLOPE < points.length; i++) {
    const [a, b] = [itemAt(points, i), itemAt(points, i + SLOPE)];
    const s = (b.v - a.v) / (b.t - a.t);
    if (Math.abs(s) > Math.abs(slope)) [slope, where] = [s, { t: (a.t + b.t) / 2, v: (a.v + b.v) / 2 }];
  }
  return slope === 0 ? 0 : Math.max(0, where.t - (where.v - first.v) / slope - first.t);
}

/**
 * The legs of a logged temperature, each fitted to one exponential by least squares on what follows its dead time.
 * @returns in their order; none where nothing gets warmer or colder by more than its noise.
 */
export function legsOf(r: Recording): Leg[] {
  const points = thinned(r);
  const noise = noiseIn(points);
  const turns = turnsIn(points);
  return turns.slice(1).flatMap((end, k): Leg[] => {
    const leg = points.slice(itemAt(turns, k), end + 1);
    if (leg.length < LEAST_SAMPLES) return [];
    const [first, last] = [itemAt(leg, 0), lastItem(leg)];
    if (Math.abs(last.v - first.v) <= TURN_NOISES * noise) return [];
    const deadSeconds = deadTime(leg);
    const after = leg.filter((p) => p.t >= first.t + deadSeconds);
    if (after.length < LEAST_SAMPLES) return [];
    const tauSeconds = bestTau(after);
    const { end: goesTo, left } = fitAt(after, tauSeconds);
    return [
      {
        way: last.v > first.v ? 'warmer' : 'colder',
        fromSeconds: first.t,
        toSeconds: last.t,
        startsAt: first.v,
        goesTo,
        tauSeconds,
        deadSeconds,
        rms: Math.sqrt(left / Math.max(1, after.length - 3)),
        short: last.t - first.t < tauSeconds,
      },
    ];
  });
}

/** How long it takes from one value to another along a leg, s; endless where it never comes there. */
export function timeAlong({ goesTo, tauSeconds }: Leg, from: number, to: number): number {
  const share = (goesTo - from) / (goesTo - to);
  return share >= 1 && Number.isFinite(share) ? tauSeconds * Math.log(share) : Number.POSITIVE_INFINITY;
}
