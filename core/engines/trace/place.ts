import { studentT } from './few';

/** Times of one way from end to end, as they were taken. */
export interface WayTimes {
  readonly n: number;
  readonly mean: number;
  /** Standard deviation, n − 1 in its divisor. */
  readonly spread: number;
}
/** Where a part stands after moves by time, as shares of its whole way from where it began. */
export interface PlaceByTime {
  /** Where it should be. */
  readonly at: number;
  /** Within this much either side it is, with the confidence asked for. */
  readonly within: number;
}

/**
 * Where a part stands after partial moves that are timed: each way’s speed varies from move to move, its mean is known from few
 * timings, and the motor starts and stops not quite at once.
 * Normal; degrees of freedom by Welch and Satterthwaite. Source: variance of a sum; NIST e-Handbook 1.3.5.3.
 * @param moves shares of the way, there over 0 and back under 0. @param starts spread of each start and stop together, s.
 * @param confidence over one half and under one.
 */
export function placeAfter(
  moves: readonly number[],
  there: WayTimes,
  back: WayTimes,
  starts: number,
  confidence = 0.95,
): PlaceByTime {
  const ways = (
    [
      [there, moves.filter((x) => x > 0)],
      [back, moves.filter((x) => x < 0)],
    ] as const
  ).map(([way, own]) => {
    const unit = (way.spread / way.mean) ** 2;
    const squares = own.reduce((s, x) => s + x * x, 0);
    const sum = own.reduce((s, x) => s + x, 0);
    // Each move by its own speed, and all of them by a mean that n timings left in doubt.
    return {
      variance: unit * (squares + (sum * sum) / way.n),
      degrees: way.n - 1,
      begun: own.length * (starts / way.mean) ** 2,
    };
  });
  const known = ways.reduce((s, w) => s + w.begun, 0);
  const timed = ways.reduce((s, w) => s + w.variance, 0);
  const all = known + timed;
  const doubt = ways.reduce((s, w) => s + w.variance ** 2 / w.degrees, 0);
  const degrees = doubt === 0 ? Infinity : all ** 2 / doubt;
  const factor = studentT(Math.min(degrees, MOST_DEGREES), (1 + confidence) / 2);
  return { at: moves.reduce((s, x) => s + x, 0), within: factor * Math.sqrt(all) };
}
/** Beyond these Student's t is the normal distribution to a hundredth; the lesser degrees ask for more. */
const MOST_DEGREES = 120;

/** Moves that are counted at most. */
export const MOST_MOVES = 200;

/**
 * After how many partial moves, there and back by turns, a part may be further off than it may miss; it is led to an end before.
 * @param share of the way that each move goes. @param most how far it may miss, as a share. Null where so many as are counted are not
 * too many.
 */
export function movesUntil(
  share: number,
  most: number,
  there: WayTimes,
  back: WayTimes,
  starts: number,
): number | null {
  const moves: number[] = [];
  while (moves.length < MOST_MOVES) {
    moves.push(moves.length % 2 === 0 ? share : -share);
    if (placeAfter(moves, there, back, starts).within > most) return moves.length;
  }
  return null;
}
