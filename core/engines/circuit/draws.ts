import { lastItem } from '../../ground/lists';
// Shares in [0, 1) turned into values of parts: every draw of a build is made of these.

/** A value with how often it is met. */
export type Weighted = readonly (readonly [value: number, weight: number])[];

/** One of several values by a share in [0, 1), and the share stretched anew, so that one number serves twice. */
export function pick(list: Weighted, u: number): [number, number] {
  const sum = list.reduce((s, [, w]) => s + w, 0);
  let rest = u * sum;
  for (const [value, weight] of list) {
    if (rest < weight) return [value, rest / weight];
    rest -= weight;
  }
  return [lastItem(list)[0], 0.5];
}

/** Even over decades. */
export const decade = (low: number, high: number, u: number): number => low * (high / low) ** u;
/** Log-uniform with a hump in the middle: the sum of two shares would be a triangle; this bends one share into it. */
export const hump = (low: number, high: number, u: number): number =>
  decade(low, high, u < 0.5 ? Math.sqrt(u / 2) : 1 - Math.sqrt((1 - u) / 2));
/** Pull resistors on boards: around ten kilohms more often than not, and anything from one to two hundred. */
export const pulls = (u: number): number => (u < 0.5 ? hump(800, 220e3, u * 2) : decade(900, 240e3, u * 2 - 1));
const near = (value: number, share: number, u: number): number => value * (1 + share * (2 * u - 1));
/** A second share out of one, for what is only yes or no. */
export const again = (u: number, factor = 7919): number => (u * factor) % 1;

/** Supplies that are met, V, with their weights and how far each lies from its name, as a share. */
export interface Supplies {
  readonly list: Weighted;
  readonly within: number;
}
/** A supply by a share in [0, 1). */
export const supplyOf = ({ list, within }: Supplies, u: number): number => {
  const [volts, v] = pick(list, u);
  return near(volts, within, v);
};
const LOGIC: Weighted = [
  [1.8, 1],
  [2.5, 0.5],
  [3.0, 2],
  [3.3, 8],
  [5, 10],
  [6, 0.4],
  [9, 0.7],
  [12, 1],
  [24, 0.5],
];
/** Supplies that logic is met with, V, and how often. */
export const LOGIC_SUPPLIES: Supplies = { list: LOGIC, within: 0.06 };
/** Metal contacts are fractions of an ohm; carbon pills and printed membranes are tens to hundreds. */
export const contact = (u: number): number => (u < 0.6 ? decade(0.03, 3, u / 0.6) : decade(10, 350, (u - 0.6) / 0.4));
/** What a chip's pin shows unplugged: hardly anything, unless the ohmmeter's own volts open one of its junctions, or both. */
export function pins(u: number): { pinOhms: number; pinBackOhms: number } {
  const shut = decade(8e6, 1e9, again(u));
  if (u < 0.6) return { pinOhms: shut, pinBackOhms: shut };
  const open = decade(2e3, 1e6, again(u, 104_729));
  return u < 0.8 ? { pinOhms: open, pinBackOhms: shut } : { pinOhms: open, pinBackOhms: open * 1.5 };
}
/** Low-voltage ground to the mains pins, Ω; under the share it is tied to them. */
export const tie = (u: number, share: number): number =>
  u < share
    ? u < share * 0.3
      ? decade(0.05, 20, u / share / 0.3)
      : decade(20e3, 600e3, (u / share - 0.3) / 0.7)
    : decade(60e6, 1e9, (u - share) / (1 - share));

/** Supplies that regulate loosely: a sixth either way. */
export const wide = (list: Weighted): Supplies => ({ list, within: 0.16 });
/** Supplies of logic, which regulate well. */
export const steady = (list: Weighted): Supplies => ({ list, within: 0.06 });
