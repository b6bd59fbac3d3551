// Chance for the bench's boards.
import type { Random } from '../../core/ground/quantity';

/** One of several, each as likely as its weight. */
export function pick<T>(random: Random, list: readonly (readonly [T, number])[]): T {
  let rest = random.next() * list.reduce((s, [, w]) => s + w, 0);
  for (const [value, weight] of list) {
    rest -= weight;
    if (rest < 0) return value;
  }
  return list[list.length - 1]![0];
}
export const chance = (random: Random, share: number): boolean => random.next() < share;
export const between = (random: Random, low: number, high: number): number => low + (high - low) * random.next();
/** Even over decades. */
export const decades = (random: Random, low: number, high: number): number => low * (high / low) ** random.next();

/** Values as they are bought: E6 steps of a decade, with the tolerance of carbon film. */
const E6 = [1, 1.5, 2.2, 3.3, 4.7, 6.8];
export function resistor(random: Random, low: number, high: number): number {
  const values: number[] = [];
  for (let d = 0.1; d < 1e8; d *= 10)
    for (const e of E6) if (e * d >= low * 0.99 && e * d <= high * 1.01) values.push(e * d);
  return values[Math.floor(random.next() * values.length)]! * (1 + 0.05 * (2 * random.next() - 1));
}

/** A closed contact: metal, carbon pill or printed membrane, Ω. */
export const closedOhms = (random: Random, membrane = false): number =>
  pick(
    random,
    membrane
      ? [
          [decades(random, 20, 300), 4],
          [decades(random, 0.5, 20), 1],
        ]
      : [
          [decades(random, 0.03, 2), 7],
          [decades(random, 20, 300), 2],
        ],
  );

/** Logic supplies, V. */
export const logicVolts = (random: Random): number =>
  pick(random, [
    [1.8, 1],
    [2.5, 0.7],
    [3, 1.5],
    [3.3, 7],
    [5, 8],
    [6, 0.4],
    [9, 0.7],
    [12, 1.2],
    [24, 0.5],
  ]) *
  (1 + 0.04 * (2 * random.next() - 1));
