import { lookShare, MODEL_KINDS, offScale, type ModelKind, type ReadingSpec } from '../../../engines/circuit';
import { LOOKS, type Look, type Reading } from '../../../ground/job';
import { entropyBits } from './entropy';
import { predictions } from './particles';
import { actShare } from './likelihood';
import type { Posterior } from './posterior';

const BINS = 96;
const SCALE: Record<Reading['kind'], readonly [number, number]> = {
  'volts-dc': [-26, 26],
  'volts-ac': [-5, 260],
  ohms: [-1, 22],
  continuity: [-1, 22],
  amps: [-11, 3],
  hertz: [-1, 13],
  duty: [-1.2, 1.2],
  jumper: [0, 1],
  look: [0, LOOKS.length],
  insulation: [-1, 25],
  diode: [0, 3],
  battery: [0, 30],
};

/** How often each kind would give each answer; the answers are bins of the scale, or choices. Rows add up to one. */
export interface Outcomes {
  readonly shares: Readonly<Record<ModelKind, Float64Array>>;
  /** Mean uncertainty of the leading kind's answer once its values were known, bits. */
  readonly leftOver: number;
}

/** Kinds less likely than this change nothing in what a reading tells. */
const UNLIKELY = 1e-3;

/** The answers that a reading may give, from all builds that are still possible. */
export function outcomesOf(s: ReadingSpec, p: Posterior): Outcomes {
  const shares = {} as Record<ModelKind, Float64Array>;
  let leftOver = 0;
  for (const kind of MODEL_KINDS) {
    if (s.kind === 'look') shares[kind] = Float64Array.from(LOOKS, (look) => lookShare(kind, look));
    else if (p.kinds[kind] < UNLIKELY && kind !== p.leading)
      shares[kind] = new Float64Array(s.kind === 'jumper' ? 2 : BINS);
    else if (s.kind === 'jumper') shares[kind] = jumperShares(kind, s, p);
    else {
      const row = new Float64Array(BINS);
      const h = fill(row, kind, s, p);
      if (kind === p.leading) leftOver = h;
      shares[kind] = row;
    }
  }
  return { shares, leftOver };
}

/** Enough builds to know what a reading would tell; the posterior itself uses all. */
const ENOUGH = 120;

/** A build of less weight tells nothing; a stride that keeps less than this share of what it should is not used. */
const LEAST_WEIGHT = 1e-5;
const LEAST_KEPT = 0.2;
/** A normal distribution is laid over the bins so many standard deviations either way, and is never narrower than this share of one. */
const REACH = 2.5;
const NARROWEST = 1 / 3;
/** Answers that are rarer are not gathered, nor told. */
const LEAST_CHANCE = { gathered: 2e-4, told: 0.005 } as const;
/** What of a kind's own prediction lies below its band and what above, together a tenth. */
const BELOW = 0.05;

/** Builds that still count, with their weights; while very many do, every few of them stand for all. */
function sampled(weights: Float64Array): [number, number][] {
  const active: number[] = [];
  for (let i = 0; i < weights.length; i++) if (weights[i]! > LEAST_WEIGHT) active.push(i);
  const stride = Math.max(1, Math.floor(active.length / ENOUGH));
  const chosen = stride === 1 ? active : active.filter((i) => i % stride === 0);
  const sum = chosen.reduce((s, i) => s + weights[i]!, 0);
  // A stride that happens to miss what counts would tell nothing; then all are used.
  return sum < LEAST_KEPT / stride ? active.map((i) => [i, weights[i]!]) : chosen.map((i) => [i, weights[i]! / sum]);
}

function jumperShares(kind: ModelKind, s: ReadingSpec, p: Posterior): Float64Array {
  const table = predictions(kind, s, p.before.meter);
  let acts = 0;
  for (const [i, w] of sampled(p.weights[kind])) {
    table.need(i);
    acts += w * actShare(table.mean[i]!);
  }
  return Float64Array.of(acts, 1 - acts);
}

/** Adds each build's answer to the row as a narrow normal distribution over its bins; gives the mean entropy of one build, bits. */
function fill(row: Float64Array, kind: ModelKind, s: ReadingSpec, p: Posterior): number {
  const table = predictions(kind, s, p.before.meter);
  const supply = p.supplies[kind];
  const [min, max] = SCALE[s.kind];
  const width = (max - min) / BINS;
  let entropy = 0;
  for (const [i, w] of sampled(p.weights[kind])) {
    table.need(i);
    const at = (supply.mean(table, i, s.kind) - min) / width;
    const spread = supply.sd(table, i, s.kind) / width;
    const from = Math.min(BINS - 1, Math.max(0, Math.floor(at - REACH * spread)));
    const to = Math.min(BINS - 1, Math.max(0, Math.floor(at + REACH * spread)));
    if (from === to) {
      row[from] = row[from]! + w;
      continue;
    }
    const soft = Math.max(spread, NARROWEST);
    let sum = 0;
    const parts: number[] = [];
    for (let b = from; b <= to; b++) {
      const z = (b + 0.5 - at) / soft;
      const part = Math.exp((-z * z) / 2);
      parts.push(part);
      sum += part;
    }
    parts.forEach((part, k) => {
      const share = part / sum;
      row[from + k] = row[from + k]! + w * share;
      if (share > 0) entropy -= w * share * Math.log2(share);
    });
  }
  return entropy;
}

/** Expected information of a reading about the kind, and about the leading kind's values, bits (`information`). */
export function informationBits(s: ReadingSpec, p: Posterior): { kind: number; values: number } {
  const { shares, leftOver } = outcomesOf(s, p);
  // What a reading tells of the kinds among themselves; of what nobody foresaw any misfit tells.
  const named = MODEL_KINDS.reduce((sum, k) => sum + p.kinds[k], 0);
  const prior = MODEL_KINDS.map((k) => p.kinds[k] / named);
  const count = shares[p.leading].length;
  const column = new Float64Array(MODEL_KINDS.length);
  let after = 0;
  for (let bin = 0; bin < count; bin++) {
    let sum = 0;
    for (let k = 0; k < column.length; k++) sum += column[k] = shares[MODEL_KINDS[k]!][bin]! * prior[k]!;
    if (sum <= 0) continue;
    for (let k = 0; k < column.length; k++) column[k] = column[k]! / sum;
    after += sum * entropyBits(column);
  }
  const number = s.kind !== 'look' && s.kind !== 'jumper';
  return {
    kind: Math.max(0, entropyBits(prior) - after),
    values: number ? Math.max(0, entropyBits(shares[p.leading]) - leftOver) : 0,
  };
}

/** What one stretch of answers would make of the control. */
export interface Meaning {
  /** Band of the answer in base units; for a choice, both are its place in the list. */
  readonly low: number;
  readonly high: number;
  readonly look: Look | null;
  /** How likely such an answer is, and the kind that would then lead with its probability. */
  readonly chance: number;
  readonly kind: ModelKind;
  readonly probability: number;
}

/** What each answer would mean, before it is taken: neighbouring answers that lead to one kind are one stretch. Likeliest first. */
export function meaningsOf(s: ReadingSpec, p: Posterior): Meaning[] {
  const { shares } = outcomesOf(s, p);
  const count = shares[p.leading].length;
  const [min, max] = SCALE[s.kind];
  const width = (max - min) / count;
  const out: (Meaning & { won: number })[] = [];
  for (let bin = 0; bin < count; bin++) {
    const column = MODEL_KINDS.map((k) => shares[k][bin]! * p.kinds[k]);
    const chance = column.reduce((a, b) => a + b, 0);
    if (chance < LEAST_CHANCE.gathered) continue;
    const best = column.indexOf(Math.max(...column));
    const kind = MODEL_KINDS[best]!;
    const choice = s.kind === 'look' || s.kind === 'jumper';
    const low = choice ? bin : base(s.kind, min + bin * width);
    const high = choice ? bin : base(s.kind, min + (bin + 1) * width);
    const last = out[out.length - 1];
    if (!choice && last?.kind === kind) {
      out[out.length - 1] = {
        ...last,
        high,
        chance: last.chance + chance,
        won: last.won + column[best]!,
        probability: (last.won + column[best]!) / (last.chance + chance),
      };
    } else
      out.push({
        low,
        high,
        look: s.kind === 'look' ? LOOKS[bin]! : null,
        chance,
        kind,
        won: column[best]!,
        probability: column[best]! / chance,
      });
  }
  return out
    .filter((m) => m.chance > LEAST_CHANCE.told)
    .sort((a, b) => b.chance - a.chance)
    .map(({ won: _won, ...m }) => m);
}

const base = (kind: Reading['kind'], y: number): number => offScale(kind, y);

/** The band in which a kind expects a reading, in base units: about 90 % of its own prediction. */
export function expectedBand(kind: ModelKind, s: ReadingSpec, p: Posterior): { low: number; high: number } {
  const table = predictions(kind, s, p.before.meter);
  const order = sampled(p.weights[kind]);
  for (const [i] of order) table.need(i);
  const supply = p.supplies[kind];
  const mean = (i: number): number => supply.mean(table, i, s.kind);
  const sd = (i: number): number => supply.sd(table, i, s.kind);
  order.sort(([a], [b]) => mean(a) - mean(b));
  let sum = 0;
  let low: number | undefined;
  let high = Number.NEGATIVE_INFINITY;
  for (const [i, w] of order) {
    sum += w;
    if (low === undefined && sum >= BELOW) low = mean(i) - sd(i);
    if (sum - w <= 1 - BELOW) high = Math.max(high, mean(i) + sd(i));
  }
  return { low: offScale(s.kind, low ?? 0), high: offScale(s.kind, high) };
}
