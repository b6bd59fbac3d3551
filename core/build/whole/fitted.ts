import type { Origin } from '../../ground/finding';
import type { SourceKey } from '../../ground/sources';
import type { Room } from '../../ground/job';
import type { Unit } from '../../ground/quantity';
import type { CircuitQuantity } from '../../engines/net';

/** Classes of parts of the whole circuit whose ratings are told apart. */
export const FITTED = [
  'resistor',
  'npn',
  'nmos',
  'optocoupler',
  'solid-state-relay',
  'relay',
  'relay-module',
  'bridge',
  'servo',
  'analogue-switch',
  'logic',
  'diode',
  'lamp',
  'pin',
  'programming-lead',
] as const;
/** One of `FITTED`. */
export type FittedKind = (typeof FITTED)[number];

/** What a rating is held against: volts or amperes of the circuit, or the watts of two of them together. */
export type Stress = CircuitQuantity | { readonly watts: readonly [volts: CircuitQuantity, amps: CircuitQuantity] };

/** Why something is no better than tight, or not known. */
export interface Doubt {
  readonly verdict: 'unknown' | 'tight';
  readonly because: string;
}

/** A rating of a part as it stands in the circuit. */
export interface Rating {
  /** One of its kind's ratings. */
  readonly key: string;
  readonly name: string;
  readonly unit: Unit;
  readonly sense: 'at most' | 'at least';
  /** The limit; null where nobody knows it. */
  readonly limit: number | null;
  /** Share of the limit up to which it is settled; for `at least` how many times the limit it must be. */
  readonly share: number;
  readonly origin: Origin;
  readonly source: readonly SourceKey[];
  /** What loads it; null where nobody can say, for the reason in `because`. */
  readonly stress: Stress | null;
  /** In which states it counts; in all where none are named. */
  readonly states?: readonly string[];
  /** Why it does not apply here, or is not known. */
  readonly because: string;
  readonly applies: boolean;
  /** What its stress rests on, where nobody read or confirmed it. */
  readonly rests?: Doubt;
  /** Missing it is tight and no stop. */
  readonly soft?: true;
}

/** A part as it is fitted, with every rating that its kind has. */
export interface Fitted {
  readonly id: string;
  readonly kind: FittedKind;
  readonly name: string;
  /** Id and name of the press, sense, hand or sign that it belongs to. */
  readonly of: string;
  readonly owner: string;
  /** The room that it is judged in. */
  readonly room: Room;
  readonly ratings: readonly Rating[];
}

/** Every rating that a part of each kind has. A part that leaves one out is an error: it was not looked at. */
export const RATINGS_OF: Readonly<Record<FittedKind, readonly string[]>> = {
  resistor: ['watts', 'volts'],
  npn: ['collector-volts', 'collector-amps', 'base-reverse-volts', 'watts', 'saturated'],
  nmos: ['drain-volts', 'drain-amps', 'gate-volts', 'watts', 'open-channel'],
  optocoupler: [
    'led-amps',
    'led-reverse-volts',
    'output-volts',
    'output-amps',
    'output-reverse-volts',
    'watts',
    'saturated',
  ],
  'solid-state-relay': ['led-amps', 'led-least-amps', 'led-reverse-volts', 'load-volts', 'load-amps', 'watts'],
  relay: ['coil-least-volts', 'coil-most-volts', 'contact-volts', 'contact-amps', 'contact-kick', 'contact-least-amps'],
  'relay-module': [
    'input-least-amps',
    'input-off-amps',
    'supply-volts',
    'contact-volts',
    'contact-amps',
    'contact-kick',
  ],
  bridge: ['supply-least-volts', 'supply-most-volts', 'lasting-amps', 'peak-amps', 'input-high-volts'],
  servo: ['supply-least-volts', 'supply-most-volts'],
  'analogue-switch': [
    'supply-least-volts',
    'supply-most-volts',
    'control-high-volts',
    'control-clamp-amps',
    'switch-amps',
  ],
  logic: ['supply-least-volts', 'supply-most-volts', 'input-most-volts', 'select-high-volts', 'select-clamp-amps'],
  diode: ['reverse-volts', 'forward-amps'],
  lamp: ['forward-amps', 'seen-amps', 'reverse-volts'],
  pin: ['amps', 'most-volts', 'least-volts', 'clamp-amps'],
  'programming-lead': ['back-volts', 'amps'],
};

/** A part with its ratings, each of its kind's exactly once. Throws RangeError where one is missing or strange. */
export function fitted(part: Fitted): Fitted {
  const has = part.ratings.map((r) => r.key).sort();
  const wants = [...RATINGS_OF[part.kind]].sort();
  if (has.join() !== wants.join())
    throw new RangeError(`${part.name} has ${has.join(', ')}, and its kind has ${wants.join(', ')}`);
  return part;
}
