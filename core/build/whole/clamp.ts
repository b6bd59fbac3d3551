import type { Interval } from '../../ground/quantity';
import { exactly } from '../../ground/quantity';
import type { Element } from '../../engines/net';
import { CLAMP_AMPS } from '../ways';
import type { Rating } from './fitted';
import { amps, common } from './piece';

/** Over its supply a clamp conducts from these volts on, V, and with this slope, Ω (`clamp`, `unpowered`). */
const CLAMP_VOLTS: Interval = { low: 0.3, nominal: 0.6, high: 0.7 };
const CLAMP_OHMS = 10;
const NEAR = 0.9;

/** The clamp of an input to its supply. */
export const clampOf = (id: string, input: string, supply: string): Element => ({
  is: 'junction',
  id,
  a: input,
  b: supply,
  volts: CLAMP_VOLTS,
  ohms: exactly(CLAMP_OHMS),
});

/** What flows into a clamp, whichever of the two sides has no power. */
export const clampRating = (key: string, name: string, clamp: string): Rating =>
  common(key, 'unpowered', NEAR, { name, unit: 'A', limit: CLAMP_AMPS, stress: amps(clamp) });
