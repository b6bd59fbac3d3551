import { itemAt } from '../../ground/lists';
import { histogramOf, traceStates } from './levels';
import { noiseOf } from './runs';
import type { Recording } from './trace';

/** A level that a machine stands at, with its noise as a standard deviation. */
export interface NoisyLevel {
  readonly at: number;
  readonly noise: number;
}

/** Two combinations of states of two machines that one meter cannot tell apart. */
export interface AlikeSums {
  /** Numbers of the levels of the first and of the second machine, lowest first. */
  readonly one: readonly [a: number, b: number];
  readonly other: readonly [a: number, b: number];
  /** How far apart their sums lie, and what their noise asks for. */
  readonly apart: number;
  readonly wanted: number;
}

/** Sums that lie closer than so many times their noise are told wrong now and then: common practice. */
const NOISES = 3;

/** The levels of a recording with the noise of each. @param states how many, 1 to 4; found where it is left out. */
export function noisyLevels(r: Recording, states?: number): NoisyLevel[] {
  const { levels, thresholds } = traceStates(histogramOf(r), states);
  return levels.map(({ at }, i) => ({
    at,
    noise: noiseOf(r, thresholds[i - 1] ?? Number.NEGATIVE_INFINITY, thresholds[i] ?? Number.POSITIVE_INFINITY),
  }));
}

/**
 * What a meter that two machines hang on cannot tell apart: combinations of their states whose sums lie closer than their noise asks for,
 * the noises of both added in squares. Empty where each combination is known by its sum.
 */
export function alikeSums(a: readonly NoisyLevel[], b: readonly NoisyLevel[]): AlikeSums[] {
  const sums = a.flatMap((x, i) =>
    b.map((y, k) => ({ of: [i, k] as const, at: x.at + y.at, noise: Math.hypot(x.noise, y.noise) })),
  );
  return sums.flatMap((one, i) =>
    sums.slice(i + 1).flatMap((_, k): AlikeSums[] => {
      const other = itemAt(sums, i + 1 + k);
      const apart = Math.abs(one.at - other.at);
      const wanted = NOISES * Math.max(one.noise, other.noise);
      return apart < wanted || apart === 0 ? [{ one: one.of, other: other.of, apart, wanted }] : [];
    }),
  );
}
