// Meters as they are: input, ranges, accuracy, averaging, the ohmmeter's own volts; and hands that slip.
import { HAND_METER, type Meter } from '../../core/ground/job';
import type { Random } from '../../core/ground/quantity';
import { chance, decades, pick } from './draw';

export interface BenchMeter {
  readonly is: Meter;
  /** Whether the maker told the tool what it is; else the tool takes the usual one for it. */
  readonly stated: boolean;
  /** What it puts on its tips for ohms, V, behind how many ohms. */
  readonly testVolts: number;
  readonly testOhms: number;
  /** AC that its leads pick up on what floats, V at 10 MΩ. */
  readonly hum: number;
  /** Whether its AC setting has no capacitor, and shows 2.22 times of DC, one way round. */
  readonly showsDc: boolean;
  /** Swing from which its counter counts, V. */
  readonly countsFrom: number;
}

export function drawMeter(random: Random): BenchMeter {
  const counts = pick(random, [
    [2000, 2],
    [4000, 2],
    [6000, 4],
    [20000, 1],
  ]);
  const is: Meter = {
    ...HAND_METER,
    name: `${counts} counts`,
    inputOhms: pick(random, [
      [10e6, 8],
      [1e6, 1.5],
      [11e6, 0.5],
    ]),
    burdenOhms: pick(random, [
      [1, 3],
      [2, 2],
      [10, 1],
    ]),
    mostOhms: pick(random, [
      [20e6, 4],
      [40e6, 3],
      [60e6, 2],
      [2e6, 0.4],
    ]),
    voltsShare: pick(random, [
      [0.005, 4],
      [0.008, 2],
      [0.0009, 1],
    ]),
    otherShare: pick(random, [
      [0.01, 3],
      [0.015, 2],
    ]),
    trueRms: chance(random, 0.5),
  };
  return {
    is,
    stated: chance(random, 0.6),
    testVolts: pick(random, [
      [0.4, 3],
      [1, 2],
      [2.6, 1],
    ]),
    testOhms: decades(random, 5e3, 30e3),
    hum: decades(random, 0.01, 0.6),
    countsFrom: decades(random, 0.3, 1),
    showsDc: !is.trueRms && chance(random, 0.2),
  };
}

const COUNTS = (m: BenchMeter): number => Number(/^\d+/.exec(m.is.name)![0]);
const DECADES: readonly number[] = [1e-3, 1e-2, 0.1, 1, 10, 100, 1e3, 1e4, 1e5, 1e6, 1e7, 1e8];

/** What the display makes of a true value: error within the stated bound, cut to its last digit. */
export function shown(
  m: BenchMeter,
  truth: number,
  dc: boolean,
  random: Random,
  counter = false,
): { value: number; digit: number } {
  const top = COUNTS(m) / 1000;
  const decade = DECADES.find((d) => Math.abs(truth) < d * top) ?? 1e8;
  const digit = (decade * top) / COUNTS(m);
  const share = counter ? 0.0005 : dc ? m.is.voltsShare : m.is.otherShare;
  const digits = dc ? m.is.voltsDigits : m.is.otherDigits;
  const error = (2 * random.next() - 1) * (Math.abs(truth) * share + digit * digits) * 0.8;
  const value = Number((Math.round((truth + error) / digit) * digit).toPrecision(6));
  // Only the DC settings have a sign.
  return { value: dc ? value : Math.max(0, value), digit: Number(digit.toPrecision(3)) };
}
