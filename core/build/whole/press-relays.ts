import { exactly, type Interval } from '../../ground/quantity';
import { ZERO, type CircuitQuantity } from '../../engines/net';
import { boundsOf, takenPart, valueOf, type TakenPart } from '../../engines/parts';
import { AMPS_SHARE, npnDriver, VOLTS_SHARE } from './driver';
import type { Fitted, Rating } from './fitted';
import { amps, common, notApplying, notKnown, rated, resistorElement, volts, type CircuitPiece } from './piece';
import { coilSupply, type Supplied, contactBetween, kick, switchRatings, withoutSide, type Site } from './site';

/** A diode across a coil: what it bears, V and A, and its drop (`coil-diode`). */
const DIODE = { volts: 50, amps: 1, drop: { low: 0.5, nominal: 0.7, high: 1 } } as const;

/** A coil works from this share of its rating, and bears this much (`coil-range`). */
const COIL = { least: 0.75, most: 1.3 } as const;

/**
 * A relay's coil behind its transistor, with the ratings of the coil.
 * @param id how it is called, as its press and its pin
 * @param supply what feeds it, whose elements stand in the circuit once
 */
export function coilPiece(
  s: Site,
  part: TakenPart,
  id: string,
  supply: Supplied,
): CircuitPiece & { readonly ratings: readonly Rating[] } {
  const rating = valueOf(part, 'coilVolts');
  const collector = `${id} coil −`;
  const driver = npnDriver(
    id,
    takenPart(s.job, 'npn'),
    s.press.resistorOhms ?? 0,
    { from: `pin ${id}`, collector },
    s.whose,
    s.on,
  );
  const coil = volts(supply.plus, collector);
  const coilOf = (key: string, name: string, share: number, sense: Rating['sense']): Rating =>
    supply.unknown === ''
      ? {
          ...rated(part, key, 'coilVolts', 1, coil),
          name,
          sense,
          limit: share * rating,
          ...(sense === 'at least' ? { states: s.on } : {}),
        }
      : notKnown(key, name, supply.unknown);
  const { id: press } = s.press;
  return {
    elements: (state) => [
      // As it is let go a coil carries on what flowed in it, whatever volts that takes.
      state.board && state.released.has(press)
        ? { is: 'drain', id: `${id} coil`, a: supply.plus, b: collector, amps: coilAmps(part) }
        : resistorElement(`${id} coil`, supply.plus, collector, boundsOf(part, 'coilOhms')),
      { is: 'junction', id: `${id} diode`, a: collector, b: supply.plus, volts: DIODE.drop, ohms: exactly(0.1) },
      ...driver.elements(state),
    ],
    parts: [...driver.parts, coilDiode(s, coil, id)],
    ratings: [
      coilOf('coil-least-volts', 'volts at which the coil pulls in', warmShare(part), 'at least'),
      coilOf('coil-most-volts', 'most volts of the coil', COIL.most, 'at most'),
    ],
  };
}

/** A relay that closes the pair. */
export function relayContactPiece(s: Site): CircuitPiece {
  const part = takenPart(s.job, 'relay');
  const { id } = s.press;
  const supply = coilSupply(s, valueOf(part, 'coilVolts'));
  const coil = coilPiece(s, part, id, supply);
  const closes = contactBetween(s, boundsOf(part, 'onOhms'));
  return {
    elements: (state) => [...(state.board ? supply.elements : []), ...coil.elements(state), ...closes(state)],
    parts: [
      ...coil.parts,
      {
        id: `${id} relay`,
        kind: 'relay',
        name: part.name,
        ...s.whose,
        ratings: [
          ...coil.ratings,
          ...switchRatings(s, part, {
            volts: ['contact-volts', 'contactVolts'],
            amps: ['contact-amps', 'contactAmps'],
          }),
          kick(s),
          leastAmps(s, part),
        ],
      },
    ],
  };
}

/** The least current of a contact. A film fails now and then and hurts nobody: a reason for another contact and not to stop. */
function leastAmps(s: Site, part: TakenPart): Rating {
  const [key, name] = ['contact-least-amps', 'least current of the contact'];
  if (!s.side) return withoutSide(s, key, name);
  if (s.side.line.alternating !== 'no')
    return notApplying(key, name, 'it alternates: its own finding in Thumb holds it by its effective value');
  return {
    ...rated(part, key, 'minimumAmps', 1, amps(`${s.press.id} contact`)),
    sense: 'at least',
    states: s.on,
    soft: true,
  };
}

/** The diode across a coil, which carries on what flows in it as it is let go. */
const coilDiode = (s: Site, coil: CircuitQuantity, id: string): Fitted => ({
  id: `${id} diode`,
  kind: 'diode',
  name: 'diode across the coil, 1 A, 50 V',
  ...s.whose,
  ratings: [
    common('reverse-volts', 'coil-diode', VOLTS_SHARE, {
      name: 'volts it blocks',
      unit: 'V',
      limit: DIODE.volts,
      stress: coil,
    }),
    common('forward-amps', 'coil-diode', AMPS_SHARE, {
      name: 'current when the coil is let go',
      unit: 'A',
      limit: DIODE.amps,
      stress: amps(`${id} diode`),
    }),
  ],
});

/** What flows in a coil between the least volts that pull it in and the most that it bears, A. */
function coilAmps(part: TakenPart): Interval {
  const ohms = boundsOf(part, 'coilOhms');
  const rating = valueOf(part, 'coilVolts');
  return {
    low: (COIL.least * rating) / ohms.high,
    nominal: rating / ohms.nominal,
    high: (COIL.most * rating) / ohms.low,
  };
}

/** A warm coil has more resistance and pulls in at more volts. */
const warmShare = (part: TakenPart): number => {
  const { nominal, high } = boundsOf(part, 'coilOhms');
  const [, stated = nominal, stiff = nominal] = part.values['coilOhms'] ?? [];
  // What warmth adds to the resistance, the spread from part to part left out.
  return COIL.least * (high / stiff) * (stated / nominal);
};

/** An input of a relay module on its pin, with what its relay pulls in and lets go by. @param id how its pin is called. */
export function moduleInput(
  s: Site,
  part: TakenPart,
  id: string,
  supply: Supplied,
): Pick<CircuitPiece, 'elements'> & { readonly ratings: readonly Rating[] } {
  const inner = `${id} input`;
  const onLow = valueOf(part, 'onLow') === 1;
  const [from, to] = onLow ? [supply.plus, `pin ${id}`] : [`pin ${id}`, ZERO];
  const input = amps(inner);
  return {
    elements: () => [
      resistorElement(`${id} input resistor`, from, inner, exactly(valueOf(part, 'inputOhms'))),
      { is: 'junction', id: inner, a: inner, b: to, volts: boundsOf(part, 'dropVolts'), ohms: exactly(1) },
    ],
    ratings: [
      { ...rated(part, 'input-least-amps', 'onAmps', 1, input), sense: 'at least', states: s.on },
      {
        ...rated(part, 'input-off-amps', 'onAmps', 1, input),
        name: 'input current that leaves it open',
        limit: valueOf(part, 'onAmps') / 2,
        states: ['rest', 'signs', 'machine-dead'],
      },
      supply.unknown === ''
        ? {
            ...rated(part, 'supply-volts', 'supplyVolts', 1, volts(supply.plus, supply.minus)),
            name: 'most volts of its supply',
            limit: COIL.most * valueOf(part, 'supplyVolts'),
          }
        : notKnown('supply-volts', 'most volts of its supply', supply.unknown),
    ],
  };
}

/** A relay module whose contact closes the pair. */
export function relayModulePiece(s: Site): CircuitPiece {
  const part = takenPart(s.job, 'relay-module');
  const { id } = s.press;
  const supply = coilSupply(s, valueOf(part, 'supplyVolts'));
  const input = moduleInput(s, part, id, supply);
  const closes = contactBetween(s, boundsOf(part, 'onOhms'));
  return {
    elements: (state) => [...(state.board ? supply.elements : []), ...input.elements(state), ...closes(state)],
    parts: [
      {
        id: `${id} module`,
        kind: 'relay-module',
        name: part.name,
        ...s.whose,
        ratings: [
          ...input.ratings,
          ...switchRatings(s, part, {
            volts: ['contact-volts', 'contactVolts'],
            amps: ['contact-amps', 'contactAmps'],
          }),
          kick(s),
        ],
      },
    ],
  };
}
