import type { Origin } from '../../ground/finding';
import type { SourceKey } from '../../ground/sources';
import { exactly, type Interval } from '../../ground/quantity';
import type { Element, CircuitQuantity } from '../../engines/net';
import { partInput, valueOf, type TakenPart } from '../../engines/parts';
import type { Doubt, Fitted, Rating } from './fitted';
import type { State } from './state';

/** An element that rests on what nobody read or confirmed: a row that it matters to is no better than that. */
export interface UnreadElement extends Doubt {
  readonly element: string;
}

/** A piece of the circuit: its elements in a state, and its parts. */
export interface CircuitPiece {
  readonly elements: (state: State) => readonly Element[];
  readonly parts: readonly Fitted[];
  readonly guesses?: readonly UnreadElement[];
}
/** Several pieces as one. */
export const allPieces = (pieces: readonly CircuitPiece[]): CircuitPiece => ({
  elements: (state) => pieces.flatMap((p) => p.elements(state)),
  parts: pieces.flatMap((p) => p.parts),
  guesses: pieces.flatMap((p) => p.guesses ?? []),
});

/** Volts of `a` over `b`. */
export const volts = (a: string, b: string): CircuitQuantity => ({ volts: [a, b] });
/** Amperes through an element. */
export const amps = (id: string): CircuitQuantity => ({ amps: id });

const MOST = { sense: 'at most', applies: true, because: '', source: [] } as const;
type Held = Pick<Rating, 'name' | 'unit' | 'limit' | 'stress'> & Partial<Rating>;

/** A rating of a part as its class or its maker gives it. @param share up to which it is settled. */
export const rated = (part: TakenPart, key: string, field: string, share: number, stress: Rating['stress']): Rating => {
  const input = partInput(part, field);
  return {
    ...MOST,
    key,
    name: key.replaceAll('-', ' '),
    unit: input.unit,
    limit: valueOf(part, field),
    share,
    origin: part.origin,
    stress,
  };
};
/** A rating that a whole class has, from memory or practice. */
export const common = (key: string, source: SourceKey, share: number, held: Held): Rating => ({
  ...MOST,
  key,
  share,
  origin: { from: 'source', key: source },
  source: [source],
  ...held,
});
/** The heat in something small, W: the volts across it times what flows through an element. */
export const smallWatts = (name: string, limit: number, across: CircuitQuantity, element: string): Rating =>
  common('watts', 'small-parts', HALF, { name, unit: 'W', limit, stress: { watts: [across, amps(element)] } });
/** A rating that does not apply here. */
export const notApplying = (key: string, name: string, because: string): Rating => ({
  ...MOST,
  key,
  name,
  unit: '1',
  limit: null,
  share: 1,
  origin: NOWHERE,
  stress: null,
  applies: false,
  because,
});
/** A rating that counts here and that nobody can say. */
export const notKnown = (key: string, name: string, because: string): Rating => ({
  ...notApplying(key, name, because),
  applies: true,
});
const NOWHERE: Origin = { from: 'computed', what: 'no limit' };

/** What a resistor of a quarter watt bears, W and V (`small-parts`). */
const QUARTER_WATT = 0.25;
const RESISTOR_VOLTS = 250;
const HALF = 0.5;

export const resistorElement = (id: string, a: string, b: string, ohms: Interval): Element => ({
  is: 'resistor',
  id,
  a,
  b,
  ohms,
});
/** A wire: what is called by two names is one node. */
export const shorted = (id: string, a: string, b: string): Element => resistorElement(id, a, b, exactly(WIRE_OHMS));
const WIRE_OHMS = 1e-3;
/** A switch that is open: a metal contact has next to no leakage. */
export const OPEN_SWITCH_OHMS = 1e12;

/** A resistor with its ratings. */
export const fittedResistor = (
  id: string,
  name: string,
  whose: Pick<Fitted, 'of' | 'owner' | 'room'>,
  a: string,
  b: string,
): Fitted => ({
  id,
  kind: 'resistor',
  name,
  ...whose,
  ratings: [
    smallWatts('watts of a quarter-watt resistor', QUARTER_WATT, volts(a, b), id),
    common('volts', 'small-parts', HALF, {
      name: 'volts across it',
      unit: 'V',
      limit: RESISTOR_VOLTS,
      stress: volts(a, b),
    }),
  ],
});

/** A tolerance as bounds. */
export const over = (range: Interval, factor: number): Interval => ({
  low: range.low * factor,
  nominal: range.nominal * factor,
  high: range.high * factor,
});
