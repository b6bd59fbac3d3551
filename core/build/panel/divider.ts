import { upperOhms } from '../../engines/tap';
import type { Sense } from '../../ground/job';

/** The upper resistor of the divider that brings a level down to what the pins bear, Ω; null where none is planned or needed. */
export const dividerOhms = (sense: Sense, pinVolts: number): number | null =>
  sense.joint !== 'divider' || sense.highVolts === null ? null : upperOhms(sense.highVolts, pinVolts);
