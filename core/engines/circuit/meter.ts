import { HAND_METER, type Meter, type Reading, type ReadingKind } from '../../ground/job';

/** The small battery that is put in series with a meter on volts, V. Common practice. */
export const TEST_BATTERY_VOLTS = 9;
/** A meter's diode range: its current, A, and the volts at which its display ends. Common practice. */
export const DIODE_RANGE = { amps: 1e-3, volts: 2.8 } as const;

// Ohms, amperes and hertz span decades, so their errors are judged on a logarithmic scale; the floor is where the display ends.
const FLOOR: Record<ReadingKind, number> = {
  'volts-dc': 0,
  'volts-ac': 0,
  ohms: 0.5,
  continuity: 0.5,
  amps: 20e-6,
  hertz: 0.5,
  duty: 0,
  jumper: 0,
  look: 0,
  insulation: 0.5,
  diode: 0,
  battery: 0,
};

/** The scale on which readings of a kind are compared: linear for volts and shares, logarithmic for ohms, amperes and hertz. */
export function onScale(kind: ReadingKind, value: number): number {
  return FLOOR[kind] === 0 ? value : Math.log(Math.max(0, value) + FLOOR[kind]);
}

/** Back from the scale to base units. */
export function offScale(kind: ReadingKind, y: number): number {
  return FLOOR[kind] === 0 ? y : Math.max(0, Math.exp(y) - FLOOR[kind]);
}

/** The stated bound of a reading, base units: a share of it and a number of last digits. A counter is a quartz clock and far better. */
function statedBound(r: Pick<Reading, 'kind' | 'value' | 'digit'>, meter: Meter): number {
  const dc = r.kind === 'volts-dc';
  const share = dc ? meter.voltsShare : r.kind === 'hertz' ? 0.001 : meter.otherShare;
  return Math.abs(r.value) * share + r.digit * (dc ? meter.voltsDigits : meter.otherDigits);
}

/** One standard error of a reading on its own scale, from accuracy and last digit (half of the stated bound). */
export function meterError(r: Pick<Reading, 'kind' | 'value' | 'digit'>, meter: Meter = HAND_METER): number {
  const absolute = Math.max(statedBound(r, meter), r.kind.startsWith('volts') ? 2e-3 : 0) / 2;
  return FLOOR[r.kind] === 0 ? absolute : absolute / (Math.abs(r.value) + FLOOR[r.kind]);
}

/** The stated bounds of a reading in base units: [lowest, highest] true value. */
export function readingBounds(
  r: Pick<Reading, 'kind' | 'value' | 'digit'>,
  meter: Meter = HAND_METER,
): [number, number] {
  const bound = statedBound(r, meter);
  return [r.value - bound, r.value + bound];
}
