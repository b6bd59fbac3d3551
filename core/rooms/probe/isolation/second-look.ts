import type { MainsSide, Meter, Reading } from '../../../ground/job';
import { exchanged } from './points';

/**
 * The second look at each way round, where nobody can test insulation. An ohmmeter puts a few tenths of a volt on its tips in its highest
 * ranges, which opens no two junctions in a row and no light-emitting diode, and a diode range ends before an optocoupler's diode with its
 * resistor. A battery of 9 to 24 V in series with the meter on volts opens them all, and the meter's own input keeps the current under some
 * microamperes: what lies between the tips and that input share the battery's volts (`second-look`).
 */

/** Under this the battery is flat, or none of 9 V at all: it opens too little, V. */
export const BATTERY_LEAST_VOLTS = 8;
/** Input of meters on volts, Ω, where nobody said what this one has: the least proves, the most ties. Common practice. */
const INPUTS = { least: 1e6, most: 11e6 } as const;
/** A junction lets most of the battery's volts through one way round, and next to none the other. */
const ONE_WAY = { through: 0.5, shut: 0.25 } as const;

/** True where nobody can test insulation, and no battery was read, or a flat one: 0 says that there is none. */
export const batteryWanted = (m: MainsSide): boolean =>
  m.tester === 'none' && m.batteryVolts !== 0 && (m.batteryVolts ?? 0) < BATTERY_LEAST_VOLTS;

/** True where each way round can be read with a battery. */
export const hasBattery = (m: MainsSide): boolean => (m.batteryVolts ?? 0) >= BATTERY_LEAST_VOLTS;

/** What a reading may hide, V: its last digit, and never less than a millivolt. */
export const lastDigit = (r: Pick<Reading, 'digit'>): number => Math.max(r.digit, FINEST_VOLTS);
const FINEST_VOLTS = 1e-3;

/** Input that a meter on volts has at least and at most, Ω: what it is said to have, or what meters have. */
export const inputOf = (m: Pick<Meter, 'stated' | 'inputOhms'>): { readonly least: number; readonly most: number } =>
  m.stated ? { least: m.inputOhms, most: m.inputOhms } : INPUTS;

/** What lies between the tips at least and at most, Ω, by the volts that are left for the meter. */
export function ohmsPast(r: Reading, battery: number, meter: Meter): { readonly least: number; readonly most: number } {
  const input = inputOf(meter);
  const shown = Math.abs(r.value);
  const at = (ohms: number, volts: number): number =>
    volts > 0 ? Math.max(0, ohms * (battery / volts - 1)) : Number.POSITIVE_INFINITY;
  return {
    least: r.relation === '>' ? 0 : at(input.least, shown + lastDigit(r)),
    most: r.relation === '<' ? Number.POSITIVE_INFINITY : at(input.most, shown),
  };
}

/** Whether a second look shows a way to the mains pin by itself: any volts that a diode range shows, or next to all of the battery's. */
export function showsTie(r: Reading, battery: number | null, meter: Meter, tiedBelow: number): boolean {
  if (r.kind === 'diode') return r.relation !== '>';
  return r.kind === 'battery' && battery !== null && battery > 0 && ohmsPast(r, battery, meter).most < tiedBelow;
}

/** Whether a reading with the battery proves so many ohms. */
export const showsNone = (r: Reading, battery: number | null, meter: Meter, apartAbove: number): boolean =>
  r.kind === 'battery' &&
  battery !== null &&
  battery >= BATTERY_LEAST_VOLTS &&
  ohmsPast(r, battery, meter).least >= apartAbove;

/** The reading with the battery that a junction lets through, where another, with the tips exchanged, was shut; undefined where none is. */
export function throughJunction(seconds: readonly Reading[], battery: number | null): Reading | undefined {
  const volts = battery ?? 0;
  const past = seconds.filter((r) => r.kind === 'battery');
  return past.find(
    (r) =>
      volts > 0 &&
      Math.abs(r.value) >= ONE_WAY.through * volts &&
      past.some((q) => exchanged(r, q) && Math.abs(q.value) <= ONE_WAY.shut * volts),
  );
}
