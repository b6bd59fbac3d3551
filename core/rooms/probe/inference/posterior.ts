import { firstItem, present } from '../../../ground/lists';
import {
  FIRST_SHARES,
  isStranger,
  lookShare,
  meterError,
  MODEL_KINDS,
  STRANGER_KINDS,
  type ModelKind,
} from '../../../engines/circuit';
import { CONTROL_KINDS, HAND_METER, type ControlKind, type Look, type Meter, type Reading } from '../../../ground/job';
import { likelihoodOf, type Likelihood } from './likelihood';
import { particles } from './builds';
import { predictions, type PredictionTable } from './particles';
import { REMAINDER_SHARE, remainderLikelihood, STRANGER_SHARE } from './remainder';
import { evidenceOf, type Evidence } from './repeats';
import { SupplyState } from './supply';

/** What is known before the first reading of a control. */
export interface Prior {
  readonly meter: Meter;
  readonly kinds: Readonly<Record<ControlKind, number>>;
  /** Supply that other controls of the same board were found to share, V. */
  readonly supplyVolts: number | null;
}
const NOTHING_BEFORE: Prior = { meter: HAND_METER, kinds: FIRST_SHARES, supplyVolts: null };

/** How likely each kind is, and each of its builds. */
export interface Posterior {
  readonly before: Prior;
  /** Probability per kind, and of what is none of them; the kinds alone add up to one with `other`. */
  readonly kinds: Readonly<Record<ModelKind, number>>;
  /** Probability that it is none of the kinds, one of the strangers or built in a way not foreseen. */
  readonly other: number;
  /** Weight of every build within its kind, adding up to one per kind. */
  readonly weights: Readonly<Record<ModelKind, Float64Array>>;
  /** The supply of every build within its kind. */
  readonly supplies: Readonly<Record<ModelKind, SupplyState>>;
  /** The likeliest kind, whatever the remainder. */
  readonly leading: ControlKind;
  /**
   * Per reading id: how strongly it spoke for each kind and stranger, as log2 of likelihood against the mean of all kinds, bits;
   * what was read again counts once.
   */
  readonly evidence: Readonly<Record<string, Readonly<Record<ModelKind, number>>>>;
  /** Per reading id: probability that it is a slip, under the leading kind. */
  readonly slip: Readonly<Record<string, number>>;
}

/**
 * Share of what the readings of a control tell that is taken for its own: parts of one board stray together, and no
 * structure is quite as drawn (`kernel`).
 */
export const TRUSTED = 0.93;

// A build this unlikely cannot come back within any honest number of readings; leaving it out saves half the time.
const NEGLIGIBLE = 1e-10;

/** How likely what was read at one place is, for a prediction: whichever of the answers that stand there is the right one. */
function evidenceLikelihood(e: Evidence, meter: Meter): Likelihood {
  const parts = e.agreed.map((a) => ({ share: a.share, ...likelihoodOf(a.reading, meter, a.ids.length > 1) }));
  if (parts.length === 1) return firstItem(parts);
  return {
    slip: parts.reduce((s, p) => s + p.share * p.slip, 0),
    of: (mean, modelSd) => parts.reduce((s, p) => s + p.share * p.of(mean, modelSd), 0),
  };
}

/** An answer must be this much likelier than a slip before a build's supply is worked out from it. */
const NO_SLIP = 3;

/** Updates the weights and supplies of one kind by what was read at one place; gives log2 of how likely that was. */
function update(kind: ModelKind, e: Evidence, state: KindState, meter: Meter): number {
  const { weights: w } = state;
  if (e.spec.kind === 'look')
    return Math.log2(e.agreed.reduce((s, a) => s + a.share * lookShare(kind, a.reading.said as Look), 0));
  const table = predictions(kind, e.spec, meter, firstItem(e.agreed).reading.value);
  const l = evidenceLikelihood(e, meter);
  const sum = e.spec.kind.startsWith('volts') ? byVolts(e, table, l, state, meter) : byOthers(e, table, l, state);
  for (let i = 0; i < w.length; i++) w[i] = w[i]! / sum;
  return Math.log2(sum);
}

/** Volts tell of the supply as well: they are held against every supply that a build may stand on, and sharpen it. */
function byVolts(
  e: Evidence,
  table: PredictionTable,
  l: Likelihood,
  { weights: w, supply }: KindState,
  meter: Meter,
): number {
  const likeliest = e.agreed.reduce((a, b) => (b.share > a.share ? b : a)).reading;
  const tells = likeliest.relation === '=';
  const error = tells ? meterError(likeliest, meter) : 0;
  let sum = 0;
  for (let i = 0; i < w.length; i++) {
    if (w[i]! <= NEGLIGIBLE) {
      w[i] = 0;
      continue;
    }
    table.need(i);
    const ratio = supply.ratio(table, i);
    const how = supply.likelihood(ratio, table.sd[i]!, i, l);
    if (tells && how > NO_SLIP * l.slip) supply.learn(ratio, table.sd[i]!, i, likeliest.value, error);
    sum += w[i] = w[i]! * how;
  }
  return sum;
}

function byOthers(e: Evidence, table: PredictionTable, l: Likelihood, { weights: w, supply }: KindState): number {
  const amps = e.spec.kind === 'amps';
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
    const mean = amps ? supply.mean(table, i, 'amps') : table.mean[i]!;
    const sd = table.sd[i]!;
    if (mean !== lastMean || sd !== lastSd) last = l.of((lastMean = mean), (lastSd = sd));
    sum += w[i] = w[i]! * last;
  }
  return sum;
}

/** What is known of one kind after some readings. */
interface KindState {
  readonly weights: Float64Array;
  readonly supply: SupplyState;
  /** log2 of how likely each piece of evidence was, in order. */
  readonly steps: readonly number[];
}
type States = Readonly<Record<ModelKind, KindState>>;

/** States after the readings of the last few surveys: the next reading is added to them and not to the beginning. */
const states = new Map<string, States>();
const MOST_STATES = 40;

function stateAfter(list: readonly Evidence[], before: Prior): States {
  const said = list.map((e) => JSON.stringify(e));
  const key = (n: number): string => JSON.stringify([before.meter, before.supplyVolts, said.slice(0, n)]);
  let from = list.length;
  let known = states.get(key(from));
  while (!known && from > 0) known = states.get(key(--from));
  const begun =
    known ??
    (Object.fromEntries(
      MODEL_KINDS.map((k) => [
        k,
        {
          weights: Float64Array.from(particles(k).weights),
          supply: SupplyState.begun(k, before.supplyVolts),
          steps: [],
        },
      ]),
    ) as unknown as States);
  if (from === list.length && known) return known;
  const out = Object.fromEntries(
    MODEL_KINDS.map((kind): [ModelKind, KindState] => {
      const state = {
        weights: begun[kind].weights.slice(),
        supply: begun[kind].supply.copy(),
        steps: [...begun[kind].steps],
      };
      for (const e of list.slice(from)) state.steps.push(update(kind, e, state, before.meter));
      return [kind, state];
    }),
  ) as unknown as States;
  if (states.size >= MOST_STATES) states.delete(present(states.keys().next().value));
  states.set(key(list.length), out);
  return out;
}

/** How likely a kind is before the first reading; what is none of them shares a part evenly. */
const shareBefore = (k: ModelKind, before: Prior): number =>
  isStranger(k) ? STRANGER_SHARE / STRANGER_KINDS.length : before.kinds[k] * (1 - REMAINDER_SHARE - STRANGER_SHARE);

/**
 * Bayes over the kinds, strangers and a remainder of none of them, each kind's unknown values averaged over its builds.
 * @param readings those of one control and of the machine; withdrawn ones must be left out by the caller.
 */
export function posteriorOf(readings: readonly Reading[], before: Prior = NOTHING_BEFORE): Posterior {
  const list = evidenceOf(readings, before.meter);
  const after = stateAfter(list, before);
  const of = <T>(get: (s: KindState) => T): Record<ModelKind, T> =>
    Object.fromEntries(MODEL_KINDS.map((k) => [k, get(after[k])])) as Record<ModelKind, T>;
  const [weights, supplies, steps] = [of((s) => s.weights), of((s) => s.supply), of((s) => s.steps)];
  const logEvidence = Object.fromEntries(
    MODEL_KINDS.map((k) => [k, TRUSTED * steps[k].reduce((a, b) => a + b, 0) + Math.log2(shareBefore(k, before))]),
  ) as Record<ModelKind, number>;
  const logOther =
    TRUSTED * list.reduce((sum, e) => sum + Math.log2(remainderLikelihood(e, before.meter)), 0) +
    Math.log2(REMAINDER_SHARE);
  const best = Math.max(logOther, ...MODEL_KINDS.map((k) => logEvidence[k]));
  const raw = MODEL_KINDS.map((k) => 2 ** (logEvidence[k] - best));
  const total = raw.reduce((a, b) => a + b, 2 ** (logOther - best));
  const kinds = Object.fromEntries(MODEL_KINDS.map((k, i) => [k, raw[i]! / total])) as Record<ModelKind, number>;
  const leading = CONTROL_KINDS.reduce((a, b) => (kinds[b] > kinds[a] ? b : a));
  const evidence = Object.fromEntries(
    list.flatMap((e, i) => {
      const mean = CONTROL_KINDS.reduce((s, k) => s + steps[k][i]!, 0) / CONTROL_KINDS.length;
      return e.ids.map((id) => [
        id,
        Object.fromEntries(MODEL_KINDS.map((k) => [k, (steps[k][i]! - mean) / e.ids.length])) as Record<
          ModelKind,
          number
        >,
      ]);
    }),
  );
  const slip = Object.fromEntries(
    list.flatMap((e) => slipShares(e, leading, weights[leading], supplies[leading], before.meter)),
  );
  const other = STRANGER_KINDS.reduce((sum, k) => sum + kinds[k], 2 ** (logOther - best) / total);
  return { before, kinds, other, weights, supplies, leading, evidence, slip };
}

/** Probability for each reading of a place that it is a slip, given a kind and what all readings say of its values. */
function slipShares(
  e: Evidence,
  kind: ControlKind,
  weights: Float64Array,
  supply: SupplyState,
  meter: Meter,
): [string, number][] {
  if (e.spec.kind === 'look') return e.ids.map((id) => [id, 0]);
  const table = predictions(kind, e.spec, meter, firstItem(e.agreed).reading.value);
  const parts = e.agreed.map((a) => ({ ...a, ...likelihoodOf(a.reading, meter, a.ids.length > 1) }));
  const right = parts.map(() => 0);
  for (let i = 0; i < weights.length; i++) {
    if (weights[i]! <= 1e-6) continue;
    table.need(i);
    const [mean, sd] = [supply.mean(table, i, e.spec.kind), supply.sd(table, i, e.spec.kind)];
    const each = parts.map((p) => p.share * p.of(mean, sd));
    const sum = each.reduce((a, b) => a + b, 0);
    parts.forEach((p, k) => {
      right[k] = right[k]! + (weights[i]! * (each[k]! - p.share * p.slip)) / sum;
    });
  }
  return parts.flatMap((p, k) => p.ids.map((id): [string, number] => [id, Math.min(1, Math.max(0, 1 - right[k]!))]));
}
