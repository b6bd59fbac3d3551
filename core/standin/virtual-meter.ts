import type { Reading } from '../job';
import { HAND_METER, predict, type Meter, type ReadingSpec } from '../circuit';
import type { Random } from '../quantity';
import type { Standin } from './models';

export interface MeterReading {
  readonly value: number;
  readonly digit: number;
  readonly relation: Reading['relation'];
}

/** Last digit and over-range of a hand-held meter's ranges, in base units (6 000 counts). Common practice. */
const RANGES: Record<Reading['kind'], readonly number[]> = {
  'volts-dc': [0.6, 6, 60, 600, 1000], 'volts-ac': [6, 60, 600, 750], ohms: [600, 6e3, 60e3, 600e3, 6e6, 20e6], amps: [6e-3, 60e-3, 0.4, 10],
};
const COUNTS = 6000;

/**
 * What a meter shows on a stand-in: the circuit's own answer with the meter's loading, its error and its last digit.
 * @param random seeded stream; the error of each reading is drawn from it.
 */
export function readStandin(standin: Standin, spec: ReadingSpec, random: Random, meter: Meter = HAND_METER): MeterReading {
  const truth = predict(standin.build, spec, meter);
  const ranges = RANGES[spec.kind];
  const top = ranges[ranges.length - 1]!;
  if (Math.abs(truth) > top) return { value: top, digit: 0, relation: '>' };
  const range = ranges.find((r) => Math.abs(truth) <= r) ?? top;
  const digit = range / COUNTS;
  const share = spec.kind === 'volts-dc' ? meter.voltsShare : meter.otherShare;
  const digits = spec.kind === 'volts-dc' ? meter.voltsDigits : meter.otherDigits;
  // The stated accuracy is a bound; half of it serves as the standard deviation, cut at the bound.
  const error = Math.max(-1, Math.min(1, random.normal() / 2)) * (Math.abs(truth) * share + digit * digits * 0.5);
  const shown = Math.round((truth + error) / digit) * digit;
  const value = spec.kind === 'volts-dc' ? shown : Math.max(0, shown);
  return { value: Number(value.toPrecision(6)), digit: Number(digit.toPrecision(3)), relation: '=' };
}
