import { measured, type Remedy } from '../../../ground/finding';
import { sayPlace, sayPoint, sayValue, type Reading } from '../../../ground/job';

/** Between which places a reading was taken, as it is said. */
export const sayPoints = (r: Reading): string => `${sayPoint(r.from)} to ${sayPoint(r.to)}`;

/** A reading as what a number is worked out from. */
export const readAs = (symbol: string, r: Reading, unit: 'V' | 'Ω' | 'A') =>
  measured(symbol, sayPoints(r), r.value, unit, r.at, `${sayPlace(r)}, ${sayValue(r)}`);

/** What is left where the low-voltage side is tied to mains. */
export const NOT_ISOLATED: Remedy = {
  text:
    'No shared ground, no transistor to ground, no USB lead while it is plugged in. Only ' +
    'a contact or an optocoupler with reinforced insulation, with a controller on its ' +
    'own isolated supply; the part inside belongs to someone licensed.',
};
