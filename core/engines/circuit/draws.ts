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

/** The least and the most that is met of a value, or either end of a share. */
export type MetRange = readonly [low: number, high: number];

/** Even over decades. */
export const decade = ([low, high]: MetRange, u: number): number => low * (high / low) ** u;
/** Log-uniform with a hump in the middle: the sum of two shares would be a triangle; this bends one share into it. */
export const hump = (span: MetRange, u: number): number =>
  decade(span, u < 0.5 ? Math.sqrt(u / 2) : 1 - Math.sqrt((1 - u) / 2));
/** One share told apart at a place: which side it fell on, and where on that side. */
export const split = (u: number, at: number): readonly [below: boolean, rest: number] =>
  u < at ? [true, u / at] : [false, (u - at) / (1 - at)];

// What is met (`builds-met`): chosen from what boards, pads and contacts show, with no source for each one by itself.

/** Pull resistors on boards, Ω: half of them around ten kilohms, the others anywhere. */
const PULLS = { around: [800, 220e3], anywhere: [900, 240e3] } satisfies Record<string, MetRange>;
/** Contacts, Ω: six of ten are metal, the others carbon or printed silver. */
const CONTACTS = { metal: [0.03, 3], printed: [10, 350] } satisfies Record<string, MetRange>;
const METAL_SHARE = 0.6;
/** A chip's pin unplugged, Ω: six of ten show nothing, one more in five shows one junction, the rest both. */
const PINS = { shut: [8e6, 1e9], open: [2e3, 1e6] } satisfies Record<string, MetRange>;
const PIN_SHARES = { shut: 0.6, oneWay: 0.8 } as const;
const BACK_OHMS_MORE = 1.5;
/** Low-voltage ground to the mains pins, Ω: three of ten ties are wires, the others suppressors; untied it is insulation. */
const TIES = { wire: [0.05, 20], suppressor: [20e3, 600e3], insulation: [60e6, 1e9] } satisfies Record<
  string,
  MetRange
>;
const WIRE_SHARE = 0.3;
/** How far supplies lie from their name, as a share: loosely regulated ones, and those of logic. */
const WITHIN = { loose: 0.16, logic: 0.06 } as const;
/** Factors that make a second and a third share out of one: primes, so that they do not go along. */
const SECOND = 7919;
/** The factor of a third share (`again`). */
export const THIRD = 104_729;

/** Pull resistors on boards: around ten kilohms more often than not, and anything from one to two hundred. */
export const pulls = (u: number): number => {
  const [near, v] = split(u, 0.5);
  return near ? hump(PULLS.around, v) : decade(PULLS.anywhere, v);
};
const near = (value: number, share: number, u: number): number => value * (1 + share * (2 * u - 1));
/** A second share out of one, for what is only yes or no. */
export const again = (u: number, factor = SECOND): number => (u * factor) % 1;

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
export const LOGIC_SUPPLIES: Supplies = { list: LOGIC, within: WITHIN.logic };
/** Metal contacts are fractions of an ohm; carbon pills and printed membranes are tens to hundreds. */
export const contact = (u: number): number => {
  const [metal, v] = split(u, METAL_SHARE);
  return decade(metal ? CONTACTS.metal : CONTACTS.printed, v);
};
/** What a chip's pin shows unplugged: hardly anything, unless the ohmmeter's own volts open one of its junctions, or both. */
export function pins(u: number): { pinOhms: number; pinBackOhms: number } {
  const shut = decade(PINS.shut, again(u));
  if (u < PIN_SHARES.shut) return { pinOhms: shut, pinBackOhms: shut };
  const open = decade(PINS.open, again(u, THIRD));
  return { pinOhms: open, pinBackOhms: u < PIN_SHARES.oneWay ? shut : open * BACK_OHMS_MORE };
}
/** Low-voltage ground to the mains pins, Ω; under the share it is tied to them. */
export const tie = (u: number, share: number): number => {
  const [tied, v] = split(u, share);
  if (!tied) return decade(TIES.insulation, v);
  const [wire, w] = split(v, WIRE_SHARE);
  return decade(wire ? TIES.wire : TIES.suppressor, w);
};

/** Supplies that regulate loosely: a sixth either way. */
export const wide = (list: Weighted): Supplies => ({ list, within: WITHIN.loose });
/** Supplies of logic, which regulate well. */
export const steady = (list: Weighted): Supplies => ({ list, within: WITHIN.logic });
