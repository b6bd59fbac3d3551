import { parseQuantity, type Parsed } from '../quantity';
import { UNIT_OF, type Meter, type ReadingKind } from '../job';

/** What a diode range shows at least before it is over range, V. Common practice: between 1.5 and 3 V. */
const DIODE_ENDS_VOLTS = 1.5;

/** Where a setting's display ends, in base units: what OL says is no more than above that. Undefined where it has no such word. */
function endOf(kind: ReadingKind, meter: Pick<Meter, 'mostOhms'>): number | undefined {
  if (kind === 'diode') return DIODE_ENDS_VOLTS;
  return UNIT_OF[kind] === 'Ω' ? meter.mostOhms : undefined;
}

/** What is typed for a reading of a kind, with the unit that goes with it; shares as they are typed, in percent. */
export function typedValue(kind: ReadingKind, text: string, meter: Pick<Meter, 'mostOhms'>): Parsed {
  // A bare number of a current is said in milliamperes.
  const typed = kind === 'amps' && /^[\s<>\d.,+-]+$/.test(text) ? `${text.trim()} mA` : text;
  return parseQuantity(typed, UNIT_OF[kind], endOf(kind, meter));
}
