import type { Reading, ReadingKind } from '../job';

/** A meter: share of the reading plus a number of last digits, and its loading of the circuit. */
export interface Meter {
  readonly voltsShare: number;
  readonly otherShare: number;
  readonly voltsDigits: number;
  readonly otherDigits: number;
  readonly inputOhms: number;
  readonly burdenOhms: number;
}

/** A common hand-held meter. Source: common practice (`meter-hand`). */
export const HAND_METER: Meter = { voltsShare: 0.005, otherShare: 0.01, voltsDigits: 2, otherDigits: 3, inputOhms: 10e6, burdenOhms: 1 };

// Ohms and amperes span decades, so their errors are judged on a logarithmic scale; the floor is where the display ends.
const FLOOR: Record<ReadingKind, number> = { 'volts-dc': 0, 'volts-ac': 0, ohms: 0.5, amps: 20e-6 };

/** The scale on which readings of a kind are compared: linear for volts, logarithmic for ohms and amperes. */
export function onScale(kind: ReadingKind, value: number): number {
  return FLOOR[kind] === 0 ? value : Math.log(Math.max(0, value) + FLOOR[kind]);
}

/** Back from the scale to base units. */
export function offScale(kind: ReadingKind, y: number): number {
  return FLOOR[kind] === 0 ? y : Math.max(0, Math.exp(y) - FLOOR[kind]);
}

/** One standard error of a reading on its own scale, from accuracy and last digit (half of the stated bound). */
export function meterError(r: Pick<Reading, 'kind' | 'value' | 'digit'>, meter: Meter = HAND_METER): number {
  const volts = r.kind === 'volts-dc';
  const bound = Math.abs(r.value) * (volts ? meter.voltsShare : meter.otherShare) + r.digit * (volts ? meter.voltsDigits : meter.otherDigits);
  const absolute = Math.max(bound, r.kind.startsWith('volts') ? 2e-3 : 0) / 2;
  return FLOOR[r.kind] === 0 ? absolute : absolute / (Math.abs(r.value) + FLOOR[r.kind]);
}

/** The stated bounds of a reading in base units: [lowest, highest] true value. */
export function readingBounds(r: Pick<Reading, 'kind' | 'value' | 'digit'>, meter: Meter = HAND_METER): [number, number] {
  const volts = r.kind === 'volts-dc';
  const bound = Math.abs(r.value) * (volts ? meter.voltsShare : meter.otherShare) + r.digit * (volts ? meter.voltsDigits : meter.otherDigits);
  return [r.value - bound, r.value + bound];
}
