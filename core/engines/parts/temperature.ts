import type { PartKind } from '../../ground/job';
import type { Interval } from '../../ground/quantity';

/** What a part inside a case meets, °C (`temperature`); class values and data sheets are stated at 25, copper at 20. */
export const COLD = 0;
/** The case that parts are reckoned with when it is warm, °C. */
export const HOT = 60;
const ROOM = 25;

/** Volts that a junction loses for each kelvin (`temperature`). */
const JUNCTION = 2e-3;
/** Resistance of copper for each kelvin at 20 °C. Source: IEC 60028 (`copper`). */
export const COPPER = 3.93e-3;
/** What is left of an optocoupler's transfer when it is warm (`parts-opto`). */
const WARM_TRANSFER = 0.75;

/** Leakage doubles for each 10 K, an optocoupler's dark current grows tenfold for each 25 K. */
const leakageFactor = (kind: PartKind): number =>
  kind === 'optocoupler' ? 10 ** ((HOT - ROOM) / 25) : 2 ** ((HOT - ROOM) / 10);

const WITH_JUNCTIONS: readonly string[] = ['baseVolts', 'ledVolts', 'thresholdVolts', 'dropVolts'];

/** Whether a value of a part moves with temperature. */
export const movesWithHeat = (key: string): boolean =>
  WITH_JUNCTIONS.includes(key) || key === 'leakageAmps' || key === 'coilOhms' || key === 'transfer';

/** The bounds of a value over temperature; `at25` holds the spread from part to part. */
export function overTemperature(kind: PartKind, key: string, at25: Interval): Interval {
  const { low, nominal, high } = at25;
  if (WITH_JUNCTIONS.includes(key)) {
    // Two junctions in series, as in a Darlington or two LEDs, move twice as far.
    const junctions = key !== 'ledVolts' && key !== 'thresholdVolts' && nominal > 1.1 ? 2 : 1;
    return {
      low: Math.max(0, low - junctions * JUNCTION * (HOT - ROOM)),
      nominal,
      high: high + junctions * JUNCTION * (ROOM - COLD),
    };
  }
  switch (key) {
    case 'leakageAmps':
      return { low, nominal, high: high * leakageFactor(kind) };
    case 'coilOhms':
      return { low: low * (1 + COPPER * (COLD - 20)), nominal, high: high * (1 + COPPER * (HOT - 20)) };
    case 'transfer':
      return { low: low * WARM_TRANSFER, nominal, high };
    default:
      return at25;
  }
}
