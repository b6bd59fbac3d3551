import { HAND_METER, type Meter, meterError, offScale, onScale, PROBED_KINDS, type ProbedKind } from '../circuit';
import type { Reading } from '../job';
import { GRIDS, PRIOR, predictions } from './grid';

/** One reading in fifty is a slip (`outliers`): this share of the noise is spread over the whole scale. */
export const OUTLIER_SHARE = 0.02;
const WHOLE_SCALE: Record<Reading['kind'], number> = { 'volts-dc': 60, 'volts-ac': 300, ohms: 18, amps: 10 };

export interface Posterior {
  /** Probability per kind; they add up to one. */
  readonly kinds: Readonly<Record<ProbedKind, number>>;
  /** Weight of every grid point within its kind, adding up to one per kind. */
  readonly weights: Readonly<Record<ProbedKind, Float64Array>>;
  readonly leading: ProbedKind;
  /** Per reading id: how strongly it spoke for each kind, as log2 of likelihood against the mean of all kinds, bits. */
  readonly evidence: Readonly<Record<string, Readonly<Record<ProbedKind, number>>>>;
  /** Per reading id: probability that it is a slip, under the leading kind. */
  readonly slip: Readonly<Record<string, number>>;
}

/** Standard normal distribution function; Abramowitz and Stegun 7.1.26, error below 1.5e-7. */
export function normalCdf(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const erf = 1 - (((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t) * Math.exp(-x * x);
  return z >= 0 ? (1 + erf) / 2 : (1 - erf) / 2;
}

/** A reading made ready to be held against many predictions. */
interface Prepared {
  readonly reading: Reading;
  readonly y: number;
  readonly error: number;
  readonly slip: number;
}

function prepare(r: Reading, meter: Meter): Prepared {
  const slip = r.relation === '=' ? OUTLIER_SHARE / WHOLE_SCALE[r.kind] : OUTLIER_SHARE / 2;
  return { reading: r, y: onScale(r.kind, r.value), error: meterError(r, meter), slip };
}

// A build this unlikely cannot come back within any honest number of readings; leaving it out saves half the time.
const NEGLIGIBLE = 1e-14;
const ROOT_TWO_PI = Math.sqrt(2 * Math.PI);

/** Density (or, for an inequality, probability) of a reading given a prediction, the slip of the hand included. */
function likelihood({ reading, y, error, slip }: Prepared, mean: number, modelSd: number): number {
  const sd = Math.sqrt(modelSd * modelSd + error * error);
  const z = (y - mean) / sd;
  if (reading.relation === '=') return slip + (z > 8 || z < -8 ? 0 : ((1 - OUTLIER_SHARE) * Math.exp((-z * z) / 2)) / (sd * ROOT_TWO_PI));
  const above = normalCdf(-z);
  return slip + (1 - OUTLIER_SHARE) * (reading.relation === '>' ? above : 1 - above);
}

/**
 * Bayes over the kinds, each kind's unknown values averaged over its grid.
 * @param readings those of one control and of the machine; withdrawn ones must be left out by the caller.
 */
export function posteriorOf(readings: readonly Reading[], meter: Meter = HAND_METER): Posterior {
  const prepared = readings.map((r) => prepare(r, meter));
  const weights = {} as Record<ProbedKind, Float64Array>;
  const logEvidence = {} as Record<ProbedKind, number>;
  const steps = {} as Record<ProbedKind, number[]>;
  for (const kind of PROBED_KINDS) {
    const w = Float64Array.from(GRIDS[kind], (p) => p.weight);
    steps[kind] = prepared.map((p) => {
      const { mean, sd } = predictions(kind, p.reading);
      let sum = 0;
      // Neighbours in the grid often predict the same; their likelihood is computed once.
      let lastMean = Number.NaN;
      let lastSd = Number.NaN;
      let last = 0;
      for (let i = 0; i < w.length; i++) {
        if (w[i]! <= NEGLIGIBLE) {
          w[i] = 0;
          continue;
        }
        if (mean[i] !== lastMean || sd[i] !== lastSd) {
          lastMean = mean[i]!;
          lastSd = sd[i]!;
          last = likelihood(p, lastMean, lastSd);
        }
        sum += w[i] = w[i]! * last;
      }
      for (let i = 0; i < w.length; i++) w[i]! /= sum;
      return Math.log2(sum);
    });
    weights[kind] = w;
    logEvidence[kind] = steps[kind].reduce((a, b) => a + b, Math.log2(PRIOR[kind]));
  }
  const best = Math.max(...PROBED_KINDS.map((k) => logEvidence[k]));
  const raw = PROBED_KINDS.map((k) => 2 ** (logEvidence[k] - best));
  const total = raw.reduce((a, b) => a + b, 0);
  const kinds = Object.fromEntries(PROBED_KINDS.map((k, i) => [k, raw[i]! / total])) as Record<ProbedKind, number>;
  const leading = PROBED_KINDS.reduce((a, b) => (kinds[b] > kinds[a] ? b : a));
  const evidence = Object.fromEntries(
    readings.map((r, i) => {
      const mean = PROBED_KINDS.reduce((s, k) => s + steps[k][i]!, 0) / PROBED_KINDS.length;
      return [r.id, Object.fromEntries(PROBED_KINDS.map((k) => [k, steps[k][i]! - mean])) as Record<ProbedKind, number>];
    }),
  );
  const slip = Object.fromEntries(prepared.map((p) => [p.reading.id, slipShare(p, leading, weights[leading])]));
  return { kinds, weights, leading, evidence, slip };
}

/** Probability that a reading is a slip, given a kind and what all readings say of its values. */
function slipShare(p: Prepared, kind: ProbedKind, weights: Float64Array): number {
  const { mean, sd } = predictions(kind, p.reading);
  let share = 0;
  for (let i = 0; i < weights.length; i++) if (weights[i]! > 1e-6) share += (weights[i]! * p.slip) / likelihood(p, mean[i]!, sd[i]!);
  return share;
}

/** Uncertainty over the kinds, bits. */
export const entropyBits = (shares: readonly number[]): number => shares.reduce((s, p) => (p > 0 ? s - p * Math.log2(p) : s), 0);

/** The band in which a kind expects a reading, in base units: about 90 % of its own prediction. */
export function expectedBand(kind: ProbedKind, spec: Parameters<typeof predictions>[1], weights: Float64Array): { low: number; high: number } {
  const table = predictions(kind, spec);
  const order = Array.from(weights.keys()).sort((a, b) => table.mean[a]! - table.mean[b]!);
  let sum = 0;
  let low: number | undefined;
  let high = Number.NEGATIVE_INFINITY;
  for (const i of order) {
    sum += weights[i]!;
    if (low === undefined && sum >= 0.05) low = table.mean[i]! - table.sd[i]!;
    if (sum - weights[i]! <= 0.95) high = Math.max(high, table.mean[i]! + table.sd[i]!);
  }
  return { low: offScale(spec.kind, low ?? 0), high: offScale(spec.kind, high) };
}
