import { itemAt, lastItem, present } from '../../ground/lists';
import { lookShare, type Build, type ModelKind, type ReadingSpec } from '../circuit';
import { HAND_METER, LOOKS, type Look, type Meter, type Reading } from '../../ground/job';
import type { Random } from '../../ground/quantity';
import { afflicted, predictAfflicted, type StandinFault } from './faults';

/** A stand-in acts where a jumper leaves less than this share of the open voltage: chosen, between what CMOS takes for low and for high. */
const ACTS_BELOW = 0.42;

/** What a meter shows of a stand-in, base units. */
export interface MeterReading {
  readonly value: number;
  readonly digit: number;
  readonly relation: Reading['relation'];
  readonly said: Reading['said'];
}

/** Last digit and over-range of a hand-held meter's ranges, in base units (6 000 counts). Common practice. */
const RANGES: Partial<Record<Reading['kind'], readonly number[]>> = {
  'volts-dc': [0.6, 6, 60, 600, 1000],
  'volts-ac': [6, 60, 600, 750],
  ohms: [600, 6e3, 60e3, 600e3, 6e6, 20e6],
  amps: [6e-3, 60e-3, 0.4, 10],
  hertz: [60, 600, 6e3, 60e3, 600e3, 10e6],
  duty: [1],
  insulation: [2e6, 20e6, 200e6, 2e9],
  // Ends a little under what its current can raise.
  diode: [2.5],
  battery: [0.6, 6, 60],
};
const COUNTS = 6000;

/** What can be measured: one control with what is wrong with it, and how it feels. */
export interface Measurable {
  readonly build: Build;
  readonly faults: readonly StandinFault[];
  /** How the control feels; drawn from how its kind usually feels where it is not told. */
  readonly look?: Look;
}

/**
 * What a meter shows on a stand-in: the circuit's own answer with the meter's loading, its error and its last digit.
 * @param random seeded stream; the error of each reading is drawn from it.
 */
export function readStandin(
  standin: Measurable,
  spec: ReadingSpec,
  random: Random,
  meter: Meter = HAND_METER,
): MeterReading {
  const build = afflicted(standin.build, standin.faults, random);
  if (spec.kind === 'look')
    return { value: 0, digit: 0, relation: '=', said: standin.look ?? drawLook(build.kind, random) };
  const truth = predictAfflicted(build, standin.faults, spec, meter);
  if (spec.kind === 'continuity')
    return { value: 0, digit: 0, relation: '=', said: truth < meter.beepBelowOhms ? 'beep' : 'silent' };
  if (spec.kind === 'jumper')
    return { value: 1000, digit: 0, relation: '=', said: truth < ACTS_BELOW ? 'acts' : 'nothing' };
  const ranges = present(RANGES[spec.kind]).filter((r) => spec.kind !== 'ohms' || r <= meter.mostOhms);
  const top = lastItem(ranges);
  if (Math.abs(truth) > top) return { value: top, digit: 0, relation: '>', said: '' };
  const range = ranges.find((r) => Math.abs(truth) <= r) ?? top;
  const digit = range / COUNTS;
  const dc = spec.kind === 'volts-dc';
  const share = dc ? meter.voltsShare : spec.kind === 'hertz' ? 0.001 : meter.otherShare;
  const digits = dc ? meter.voltsDigits : meter.otherDigits;
  // The stated accuracy is a bound; half of it serves as the standard deviation, cut at the bound.
  const error = Math.max(-1, Math.min(1, random.normal() / 2)) * (Math.abs(truth) * share + digit * digits * 0.5);
  const shown = Math.round((truth + error) / digit) * digit;
  // No share of time is more than all of it.
  const value = dc ? shown : Math.max(0, spec.kind === 'duty' ? Math.min(1, shown) : shown);
  return { value: Number(value.toPrecision(6)), digit: Number(digit.toPrecision(3)), relation: '=', said: '' };
}

function drawLook(kind: ModelKind, random: Random): Look {
  const shares = LOOKS.map((l) => lookShare(kind, l));
  let rest = random.next() * shares.reduce((a, b) => a + b, 0);
  return LOOKS.find((_, i) => (rest -= itemAt(shares, i)) < 0) ?? LOOKS[0];
}
