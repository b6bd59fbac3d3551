import { KIND_SHARES, lookShare, meterError, onScale } from '../circuit';
import { CONTROL_KINDS, HAND_METER, type ControlKind, type Look, type Meter, type Reading } from '../job';
import { normalCdf } from '../quantity';
import { particles, predictions } from './particles';

/** One reading in fifty is a slip (`outliers`): this share of the noise is spread over the whole scale. */
export const OUTLIER_SHARE = 0.02;
const WHOLE_SCALE: Record<Reading['kind'], number> = { 'volts-dc': 60, 'volts-ac': 300, ohms: 18, continuity: 18, amps: 10, hertz: 14, duty: 2, jumper: 1, look: 1 };

/** What is known before the first reading of a control. */
export interface Before {
  readonly meter: Meter;
  readonly kinds: Readonly<Record<ControlKind, number>>;
  /** Supply that other controls of the same board were found to share, V. */
  readonly supplyVolts: number | null;
}
export const NOTHING_BEFORE: Before = { meter: HAND_METER, kinds: KIND_SHARES, supplyVolts: null };

export interface Posterior {
  readonly before: Before;
  /** Probability per kind; they add up to one. */
  readonly kinds: Readonly<Record<ControlKind, number>>;
  /** Weight of every build within its kind, adding up to one per kind. */
  readonly weights: Readonly<Record<ControlKind, Float64Array>>;
  readonly leading: ControlKind;
  /** Per reading id: how strongly it spoke for each kind, as log2 of likelihood against the mean of all kinds, bits. */
  readonly evidence: Readonly<Record<string, Readonly<Record<ControlKind, number>>>>;
  /** Per reading id: probability that it is a slip, under the leading kind. */
  readonly slip: Readonly<Record<string, number>>;
}

// A build this unlikely cannot come back within any honest number of readings; leaving it out saves half the time.
const NEGLIGIBLE = 1e-14;
const ROOT_TWO_PI = Math.sqrt(2 * Math.PI);
/** Scale of Student's t with three degrees of freedom: its heavy tails stand for builds between the few hundred that are drawn. */
const T3 = 2 / (Math.PI * Math.sqrt(3));

/** Share of machines that act on a jumper which leaves a share `left` of the open voltage: surely under a fifth, hardly over seven tenths. */
export const actShare = (left: number): number => 0.02 + 0.96 / (1 + Math.exp((left - 0.42) * 22));

/** A reading made ready to be held against many predictions: how likely it is where `mean` and `modelSd` are predicted. */
type Likelihood = (mean: number, modelSd: number) => number;

function likelihoodOf(r: Reading, meter: Meter): { slip: number; of: Likelihood } {
  if (r.kind === 'jumper') return { slip: OUTLIER_SHARE / 2, of: (mean) => OUTLIER_SHARE / 2 + (1 - OUTLIER_SHARE) * (r.said === 'acts' ? actShare(mean) : 1 - actShare(mean)) };
  const beep = r.kind === 'continuity';
  const relation = beep ? (r.said === 'beep' ? '<' : '>') : r.relation;
  const value = beep ? meter.beepBelowOhms : r.value;
  const error = meterError({ ...r, value, digit: beep ? value * 0.1 : r.digit }, meter);
  const y = onScale(r.kind, value);
  if (relation === '=') {
    const slip = OUTLIER_SHARE / WHOLE_SCALE[r.kind];
    const volts = r.kind.startsWith('volts');
    return {
      slip,
      of: (mean, modelSd) => {
        const sd = Math.sqrt(modelSd * modelSd + error * error);
        const z = (y - mean) / sd;
        // Volts of one board are tied together closely; resistors and periods are free, and their builds lie far apart.
        if (volts) return slip + (z > 8 || z < -8 ? 0 : ((1 - OUTLIER_SHARE) * Math.exp((-z * z) / 2)) / (sd * ROOT_TWO_PI));
        const tail = 1 + (z * z) / 3;
        return slip + ((1 - OUTLIER_SHARE) * T3) / (sd * tail * tail);
      },
    };
  }
  const slip = OUTLIER_SHARE / 2;
  return {
    slip,
    of: (mean, modelSd) => {
      const above = normalCdf((mean - y) / Math.sqrt(modelSd * modelSd + error * error));
      return slip + (1 - OUTLIER_SHARE) * (relation === '>' ? above : 1 - above);
    },
  };
}

/** The drawn weights, or leaning to builds with the supply that neighbours share (nine boards in ten have one logic supply). */
function startWeights(kind: ControlKind, before: Before): Float64Array {
  const { builds, weights } = particles(kind);
  const shared = before.supplyVolts;
  const own = kind === 'dry-pair' || kind === 'switched-load' || kind === 'touch-pad' || kind === 'motor-pair';
  const w = Float64Array.from(builds, (b, i) => weights[i]! * (shared === null || own ? 1 : 0.02 + Math.exp(-(((b.supplyVolts - shared) / (0.03 * shared)) ** 2) / 2)));
  const sum = w.reduce((a, b) => a + b, 0);
  return w.map((x) => x / sum);
}

/** Updates the weights of one kind by one reading; gives log2 of how likely the reading was. */
function update(kind: ControlKind, r: Reading, w: Float64Array, meter: Meter): number {
  if (r.kind === 'look') return Math.log2(lookShare(kind, r.said as Look));
  const table = predictions(kind, r, meter, r.value);
  const { mean, sd } = table;
  const { of } = likelihoodOf(r, meter);
  let sum = 0;
  // Neighbours often predict the same; their likelihood is computed once.
  let lastMean = Number.NaN;
  let lastSd = Number.NaN;
  let last = 0;
  for (let i = 0; i < w.length; i++) {
    if (w[i]! <= NEGLIGIBLE) {
      w[i] = 0;
      continue;
    }
    table.need(i);
    if (mean[i] !== lastMean || sd[i] !== lastSd) last = of((lastMean = mean[i]!), (lastSd = sd[i]!));
    sum += w[i] = w[i]! * last;
  }
  for (let i = 0; i < w.length; i++) w[i]! /= sum;
  return Math.log2(sum);
}

/**
 * Bayes over the kinds, each kind's unknown values averaged over its builds.
 * @param readings those of one control and of the machine; withdrawn ones must be left out by the caller.
 */
export function posteriorOf(readings: readonly Reading[], before: Before = NOTHING_BEFORE): Posterior {
  const weights = {} as Record<ControlKind, Float64Array>;
  const logEvidence = {} as Record<ControlKind, number>;
  const steps = {} as Record<ControlKind, number[]>;
  for (const kind of CONTROL_KINDS) {
    const w = startWeights(kind, before);
    steps[kind] = readings.map((r) => update(kind, r, w, before.meter));
    weights[kind] = w;
    logEvidence[kind] = steps[kind].reduce((a, b) => a + b, Math.log2(before.kinds[kind]));
  }
  const best = Math.max(...CONTROL_KINDS.map((k) => logEvidence[k]));
  const raw = CONTROL_KINDS.map((k) => 2 ** (logEvidence[k] - best));
  const total = raw.reduce((a, b) => a + b, 0);
  const kinds = Object.fromEntries(CONTROL_KINDS.map((k, i) => [k, raw[i]! / total])) as Record<ControlKind, number>;
  const leading = CONTROL_KINDS.reduce((a, b) => (kinds[b] > kinds[a] ? b : a));
  const evidence = Object.fromEntries(
    readings.map((r, i) => {
      const mean = CONTROL_KINDS.reduce((s, k) => s + steps[k][i]!, 0) / CONTROL_KINDS.length;
      return [r.id, Object.fromEntries(CONTROL_KINDS.map((k) => [k, steps[k][i]! - mean])) as Record<ControlKind, number>];
    }),
  );
  const slip = Object.fromEntries(readings.map((r) => [r.id, slipShare(r, leading, weights[leading], before.meter)]));
  return { before, kinds, weights, leading, evidence, slip };
}

/** Probability that a reading is a slip, given a kind and what all readings say of its values. */
function slipShare(r: Reading, kind: ControlKind, weights: Float64Array, meter: Meter): number {
  if (r.kind === 'look') return 0;
  const table = predictions(kind, r, meter, r.value);
  const { slip, of } = likelihoodOf(r, meter);
  let share = 0;
  for (let i = 0; i < weights.length; i++) {
    if (weights[i]! <= 1e-6) continue;
    table.need(i);
    share += (weights[i]! * slip) / of(table.mean[i]!, table.sd[i]!);
  }
  return share;
}
