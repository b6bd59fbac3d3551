import { itemAt } from '../lists';
/** A value known to lie between two bounds; `nominal` is the best guess. All in the same unit. */
export interface Interval {
  readonly low: number;
  readonly nominal: number;
  readonly high: number;
}

/** A value known exactly. */
export const exactly = (value: number): Interval => ({ low: value, nominal: value, high: value });

/** A value with a symmetric tolerance given as a share (0.05 is ±5 %). */
export const within = (nominal: number, share: number): Interval => ({
  low: nominal - Math.abs(nominal) * share,
  nominal,
  high: nominal + Math.abs(nominal) * share,
});

/** Bounds in any order, with the nominal between them. Throws RangeError where the nominal lies outside. */
export function between(low: number, nominal: number, high: number): Interval {
  if (!(low <= nominal && nominal <= high)) throw new RangeError(`${nominal} is not between ${low} and ${high}`);
  return { low, nominal, high };
}

/** A value at its corners, base units. */
export interface CornerRange<K extends string> {
  readonly low: number;
  readonly nominal: number;
  readonly high: number;
  /** Which end of each input gave the lowest and the highest result. */
  readonly atLow: Readonly<Record<K, number>>;
  readonly atHigh: Readonly<Record<K, number>>;
}

/**
 * Evaluates `f` at every corner of its inputs' intervals (2ⁿ calls, n up to 12) and at the nominal values.
 * Exact for functions monotonic in each input, as all joint formulas here are.
 */
export function corners<K extends string>(
  inputs: Readonly<Record<K, Interval>>,
  f: (at: Record<K, number>) => number,
): CornerRange<K> {
  const keys = (Object.keys(inputs) as K[]).filter((k) => inputs[k].low !== inputs[k].high);
  if (keys.length > 12) throw new RangeError(`too many inputs with a tolerance: ${keys.length}`);
  const nominalAt = Object.fromEntries((Object.keys(inputs) as K[]).map((k) => [k, inputs[k].nominal])) as Record<
    K,
    number
  >;
  const nominal = f(nominalAt);
  let low = nominal;
  let high = nominal;
  let atLow = nominalAt;
  let atHigh = nominalAt;
  const at = { ...nominalAt };
  for (let bits = 0; bits < 2 ** keys.length; bits++) {
    for (let i = 0; i < keys.length; i++)
      at[itemAt(keys, i)] = bits & (1 << i) ? inputs[itemAt(keys, i)].high : inputs[itemAt(keys, i)].low;
    const y = f(at);
    if (y < low) {
      low = y;
      atLow = { ...at };
    }
    if (y > high) {
      high = y;
      atHigh = { ...at };
    }
  }
  return { low, nominal, high, atLow, atHigh };
}
