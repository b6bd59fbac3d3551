import type { Sense } from '../../ground/job';

/** The lower resistor of a divider, Ω; the upper one follows from the level that comes in (`sense-divider`). */
export const LOWER_OHMS = 10e3;
/** A divider brings what comes in down to this share of the pins' supply. */
const WANTED_SHARE = 0.9;

/** The upper resistor of the divider that brings a level down to what the pins bear, Ω; null where none is planned or needed. */
export function dividerOhms(sense: Sense, pinVolts: number): number | null {
  if (!sense.divider || sense.highVolts === null || sense.highVolts <= WANTED_SHARE * pinVolts) return null;
  return Math.round(LOWER_OHMS * (sense.highVolts / (WANTED_SHARE * pinVolts) - 1));
}
