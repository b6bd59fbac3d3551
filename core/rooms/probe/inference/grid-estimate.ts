import { itemAt, lastItem, present } from '../../../ground/lists';
import { farSide, type Build } from '../../../engines/circuit';
import { CONTROL_KINDS, type ControlKind } from '../../../ground/job';
import type { Interval } from '../../../ground/quantity';
import { particles } from './builds';
import type { Posterior } from './posterior';

/** A value of a build that can be estimated. */
export type BuildValue =
  'supplyVolts' | 'seriesOhms' | 'contactOhms' | 'keyOhms' | 'neighbourOhms' | 'periodSeconds' | 'pulseShare';

/** Which values of a build each kind has, and what they are called outside. */
export const VALUE_NAMES: Readonly<Record<ControlKind, Partial<Record<BuildValue, string>>>> = {
  'low-when-pressed': { supplyVolts: 'supplyVolts', seriesOhms: 'pullUpOhms', contactOhms: 'contactOhms' },
  'high-when-pressed': { supplyVolts: 'supplyVolts', seriesOhms: 'pullDownOhms', contactOhms: 'contactOhms' },
  ladder: {
    supplyVolts: 'supplyVolts',
    seriesOhms: 'pullUpOhms',
    contactOhms: 'contactOhms',
    keyOhms: 'keyOhms',
    neighbourOhms: 'neighbourOhms',
  },
  'scanned-matrix': {
    supplyVolts: 'supplyVolts',
    seriesOhms: 'pullUpOhms',
    contactOhms: 'contactOhms',
    periodSeconds: 'periodSeconds',
    pulseShare: 'widthShare',
  },
  'dry-pair': { supplyVolts: 'loopVolts', seriesOhms: 'loopOhms', contactOhms: 'contactOhms' },
  'switched-load': { supplyVolts: 'loadVolts', seriesOhms: 'loadOhms', contactOhms: 'contactOhms' },
  'touch-pad': { supplyVolts: 'floatVolts', seriesOhms: 'padOhms' },
  'motor-pair': { supplyVolts: 'motorVolts', seriesOhms: 'windingOhms' },
  'latching-switch': { supplyVolts: 'supplyVolts', seriesOhms: 'pullUpOhms', contactOhms: 'contactOhms' },
  selector: { supplyVolts: 'supplyVolts', seriesOhms: 'pullUpOhms', contactOhms: 'contactOhms' },
  encoder: { supplyVolts: 'supplyVolts', seriesOhms: 'pullUpOhms', periodSeconds: 'periodSeconds' },
  'serial-bus': { supplyVolts: 'supplyVolts', periodSeconds: 'periodSeconds', pulseShare: 'widthShare' },
};

const orders = new Map<string, readonly number[]>();
/** From so many of a kind's builds on, all are put in order at once, and that is kept. */
const MANY_SHARE = 0.25;

/** Builds that still count, and some that do not, in the order of one value. */
function inOrder(kind: ControlKind, weights: Float64Array, value: BuildValue): readonly number[] {
  const key = `${kind}|${value}`;
  const known = orders.get(key);
  if (known) return known;
  const set = particles(kind);
  let counts: number[] = [];
  for (let i = 0; i < weights.length; i++) if (weights[i]! > 0) counts.push(i);
  const all = counts.length > MANY_SHARE * set.count;
  if (all) counts = Array.from(weights, (_, i) => i);
  const values = Float64Array.from(counts, (i) => set.build(i)[value]);
  const places = counts.map((_, n) => n).sort((a, b) => values[a]! - values[b]!);
  const order = places.map((n) => itemAt(counts, n));
  if (all) orders.set(key, order);
  return order;
}

/** The ends of the central 95 %, and the middle. */
const QUANTILES: readonly number[] = [0.025, 0.5, 0.975];
/** A trait is sure from this probability on; a build of less weight tells nothing of a supply. */
const SURE = 0.95;
const LEAST_WEIGHT = 1e-6;

/** Median and the central 95 % of one value, from the weights of the builds alone. */
export function fromWeights(kind: ControlKind, p: Posterior, value: BuildValue): Interval {
  const set = particles(kind);
  if (value === 'supplyVolts') return suppliesFrom(kind, p);
  const weights = p.weights[kind];
  const order = inOrder(kind, weights, value);
  const found: number[] = [];
  let sum = 0;
  for (const i of order) {
    sum += weights[i]!;
    while (found.length < QUANTILES.length && sum >= itemAt(QUANTILES, found.length)) found.push(set.build(i)[value]);
  }
  const top = set.build(lastItem(order))[value];
  return { low: found[0] ?? top, nominal: found[1] ?? top, high: found[2] ?? top };
}

/** The same of the supply, which every build has worked out for itself where volts were read. */
function suppliesFrom(kind: ControlKind, p: Posterior): Interval {
  const { supplyVolts } = particles(kind);
  const weights = p.weights[kind];
  const counts: number[] = [];
  for (let i = 0; i < weights.length; i++) if (weights[i]! > LEAST_WEIGHT) counts.push(i);
  const volts = Object.fromEntries(counts.map((i) => [i, p.supplies[kind].volts[i] || supplyVolts[i]!]));
  const order = counts.sort((a, b) => present(volts[a]) - present(volts[b]));
  const at = (share: number): number => {
    let sum = 0;
    return present(volts[order.find((i) => (sum += weights[i]!) >= share) ?? lastItem(order)]);
  };
  const [low, nominal, high] = QUANTILES.map(at) as [number, number, number];
  return { low, nominal, high };
}

/** Probability that a build of this kind has a trait. */
export function shareWith(kind: ControlKind, p: Posterior, trait: (b: Build) => boolean): number {
  const set = particles(kind);
  return p.weights[kind].reduce((s, w, i) => (w > 0 && trait(set.build(i)) ? s + w : s), 0);
}

/** Where the contact's other side stands, where that is sure. */
export function farSideOf(kind: ControlKind, p: Posterior): 'ground' | 'supply' | 'floats' | 'unknown' {
  return (
    (['ground', 'supply', 'floats'] as const).find((side) => shareWith(kind, p, (b) => farSide(b) === side) > SURE) ??
    'unknown'
  );
}

/** The terminal with more weight as the signal side. */
export const signalSide = (kind: ControlKind, p: Posterior): 'A' | 'B' =>
  shareWith(kind, p, (b) => b.signal === 'A') >= 0.5 ? 'A' : 'B';

/** The kinds by probability, likeliest first. */
export const ranked = (p: Posterior): ControlKind[] => [...CONTROL_KINDS].sort((a, b) => p.kinds[b] - p.kinds[a]);
