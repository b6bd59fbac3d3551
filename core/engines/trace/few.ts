import { normalCdf, normalQuantile } from '../../ground/quantity';

/** Steps of the integral over the spread that few values leave open. */
const STEPS = 4000;
/** Beyond so many of its own spreads nothing is left of it. */
const FAR = 9;
/** No factor is greater: two values at 99 % / 99 %. */
const MOST_FACTOR = 1e4;
const CLOSE = 1e-10;

/** The noncentral t distribution with `degrees` of freedom and shift `delta`, at `t`: the mean of Φ(t·s − δ) over the spread s. */
function noncentralT(t: number, degrees: number, delta: number): number {
  const middle = Math.sqrt(degrees);
  const [from, to] = [Math.max(0, middle - FAR), middle + FAR];
  const step = (to - from) / STEPS;
  // The chi density, up to a factor that falls out: its logarithm, less that at its peak.
  const peak = Math.sqrt(Math.max(0, degrees - 1));
  const log = (y: number): number => (degrees > 1 ? (degrees - 1) * Math.log(y / peak) : 0) - (y * y - peak * peak) / 2;
  let [sum, whole] = [0, 0];
  for (let i = 0; i <= STEPS; i++) {
    const y = from + i * step;
    const weight =
      (i === 0 || i === STEPS ? 1 : i % 2 === 1 ? 4 : 2) *
      (y > 0 || degrees === 1 ? Math.exp(log(Math.max(y, CLOSE))) : 0);
    whole += weight;
    sum += weight * normalCdf((t * y) / middle - delta);
  }
  return sum / whole;
}

/**
 * The one-sided tolerance factor: with this confidence, mean + k·s of n normal values lies over this share of all that come.
 * k = t(confidence; n − 1, z(share)·√n) / √n of the noncentral t, exactly. Source: ISO 16269-6; NIST e-Handbook 7.2.6.3.
 * @param n two at least.
 * @throws RangeError for fewer, or shares that are none.
 */
export function toleranceFactor(n: number, share = 0.95, confidence = 0.95): number {
  if (!Number.isInteger(n) || n < 2) throw new RangeError(`${n} values tell no spread: two at least`);
  for (const x of [share, confidence])
    if (!(x > 0.5 && x < 1)) throw new RangeError(`${x} is no share between one half and one`);
  const key = `${n} ${share} ${confidence}`;
  const known = FACTORS.get(key);
  if (known !== undefined) return known;
  const delta = normalQuantile(share) * Math.sqrt(n);
  let [low, high] = [0, MOST_FACTOR * Math.sqrt(n)];
  for (let i = 0; i < 200 && high - low > CLOSE * high; i++) {
    const middle = (low + high) / 2;
    if (noncentralT(middle, n - 1, delta) < confidence) low = middle;
    else high = middle;
  }
  const factor = (low + high) / 2 / Math.sqrt(n);
  FACTORS.set(key, factor);
  return factor;
}
/** How much of Student's t lies within ±t, for whole degrees of freedom. Source: Abramowitz and Stegun 26.7.3 and 26.7.4, exact. */
function within(t: number, degrees: number): number {
  const angle = Math.atan(t / Math.sqrt(degrees));
  const [sin, cos2] = [Math.sin(angle), Math.cos(angle) ** 2];
  const odd = degrees % 2 === 1;
  let [term, sum] = odd ? [Math.sqrt(cos2), 0] : [1, 0];
  for (let k = odd ? 1 : 0; k <= degrees - 2; k += 2) {
    sum += term;
    term *= (cos2 * (k + 1)) / (k + 2);
  }
  return odd ? (2 / Math.PI) * (angle + sin * sum) : sin * sum;
}

/**
 * The value that Student's t with so many degrees of freedom stays under with this share.
 * @param degrees 1 and more; of what is not whole the lesser is taken, which asks for more. @param share over one half and under one.
 */
export function studentT(degrees: number, share: number): number {
  const whole = Math.max(1, Math.floor(degrees));
  let [low, high] = [0, MOST_FACTOR];
  while (high - low > CLOSE * Math.max(1, high)) {
    const middle = (low + high) / 2;
    if ((1 + within(middle, whole)) / 2 < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
/** Factors that were worked out, by n, share and confidence: judgements ask for the same few again and again. */
const FACTORS = new Map<string, number>();

/** What some like times say of the next ones. */
export interface Reserve {
  readonly n: number;
  readonly mean: number;
  /** Standard deviation, n − 1 in its divisor. */
  readonly spread: number;
  readonly least: number;
  readonly most: number;
  readonly factor: number;
  /** mean + k·s: with the confidence asked for, over the share asked for of all that come, if they are normal. */
  readonly allow: number;
  /** How likely the greatest that was seen stays the greatest when one more comes, whatever their distribution. */
  readonly mostCarries: number;
}

/** Fewer times tell nothing of their spread. */
export const LEAST_TIMES = 3;

/**
 * Mean, spread and reserve of times that were taken alike.
 * @throws RangeError for fewer than three, or one that is no positive number.
 */
export function reserveOf(times: readonly number[], share = 0.95, confidence = 0.95): Reserve {
  if (times.length < LEAST_TIMES)
    throw new RangeError(
      `${times.length} times tell nothing of their spread: take ${LEAST_TIMES} at least, ten are better`,
    );
  const bad = times.findIndex((t) => !(t > 0) || !Number.isFinite(t));
  if (bad >= 0) throw new RangeError(`time ${bad + 1} is ${times[bad]}: a time is a positive number`);
  const n = times.length;
  const mean = times.reduce((a, b) => a + b, 0) / n;
  const spread = Math.sqrt(times.reduce((s, t) => s + (t - mean) ** 2, 0) / (n - 1));
  const factor = toleranceFactor(n, share, confidence);
  return {
    n,
    mean,
    spread,
    least: Math.min(...times),
    most: Math.max(...times),
    factor,
    allow: mean + factor * spread,
    mostCarries: n / (n + 1),
  };
}
