import { itemAt, lastItem, present } from '../../../ground/lists';
import { farSide, isStranger, ONE_FAR_SIDE, type Build, type FarSide, type ModelKind } from '../../../engines/circuit';
import { CONTROL_KINDS, type ControlKind } from '../../../ground/job';
import type { Interval } from '../../../ground/quantity';
import { particles } from './builds';
import { drawnAhead, rowKey } from './drawn-ahead';
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

/** Builds of less weight are not drawn: all of a kind's together tell less than a tenth of a percent. */
const NEGLIGIBLE = 1e-7;

const orders = new Map<string, ArrayLike<number>>();
/** Forgets all orders, as when what was drawn ahead is put in their place or taken away. */
export const forgetOrders = (): void => orders.clear();
/** From so many of a kind's builds on, all are put in order at once, and that is kept. */
const MANY_SHARE = 0.25;

/** Values that the builds of a kind are put in order by, none of a stranger; its supply is worked out for each build by itself. */
export const orderedValues = (kind: ModelKind): BuildValue[] =>
  isStranger(kind) ? [] : (Object.keys(VALUE_NAMES[kind]) as BuildValue[]).filter((v) => v !== 'supplyVolts');

/** Some of a kind's builds from the least to the most of one value. */
function sorted(kind: ModelKind, value: BuildValue, some: readonly number[]): number[] {
  const set = particles(kind);
  const values = Float64Array.from(some, (i) => set.build(i)[value]);
  const places = some.map((_, n) => n).sort((a, b) => values[a]! - values[b]!);
  return places.map((n) => itemAt(some, n));
}

/** All builds of a kind from the least to the most of one value: every one of them is drawn. */
export const allInOrder = (kind: ModelKind, value: BuildValue): number[] =>
  sorted(
    kind,
    value,
    Array.from({ length: particles(kind).count }, (_, i) => i),
  );

/** Builds that still count, and some that do not, in the order of one value. */
function inOrder(kind: ControlKind, weights: Float64Array, value: BuildValue): ArrayLike<number> {
  const key = rowKey(kind, value);
  const known = drawnAhead()?.orders.get(key) ?? orders.get(key);
  if (known) return known;
  const counts: number[] = [];
  for (let i = 0; i < weights.length; i++) if (weights[i]! > NEGLIGIBLE) counts.push(i);
  if (counts.length <= MANY_SHARE * weights.length) return sorted(kind, value, counts);
  const all = allInOrder(kind, value);
  orders.set(key, all);
  return all;
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
  for (let n = 0; n < order.length; n++) {
    const i = order[n]!;
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
  return p.weights[kind].reduce((s, w, i) => (w > NEGLIGIBLE && trait(set.build(i)) ? s + w : s), 0);
}

/** Where the contact's other side stands, where that is sure. */
export function farSideOf(kind: ControlKind, p: Posterior): Exclude<FarSide, null> | 'unknown' {
  const one = ONE_FAR_SIDE[kind];
  if (one !== undefined) return one ?? 'unknown';
  const sides = ['ground', 'supply', 'floats'] as const;
  return sides.find((side) => shareWith(kind, p, (b) => farSide(b) === side) > SURE) ?? 'unknown';
}

/** The terminal with more weight as the signal side. */
export function signalSide(kind: ControlKind, p: Posterior): 'A' | 'B' {
  const set = particles(kind);
  const onA = p.weights[kind].reduce((s, w, i) => (w > NEGLIGIBLE && set.signal(i) === 'A' ? s + w : s), 0);
  return onA >= 0.5 ? 'A' : 'B';
}

/** The kinds by probability, likeliest first. */
export const ranked = (p: Posterior): ControlKind[] => [...CONTROL_KINDS].sort((a, b) => p.kinds[b] - p.kinds[a]);
