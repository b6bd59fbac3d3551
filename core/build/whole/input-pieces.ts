import type { DriveFact } from '../../ground/facts';
import { lineId, type Hand, type Sense } from '../../ground/job';
import { exactly, within, type Interval } from '../../ground/quantity';
import { ZERO, type Element } from '../../engines/net';
import { LOWER_OHMS, TAP_SHARES } from '../../engines/tap';
import { isBare, needsPin, ownPullOf, pulledLow, SENSES } from '../lines';
import { DIVIDER_SHARE, dividerOhms, highShare, LEAK_AMPS, LEVEL_SHARE, OVER_VOLTS } from '../panel';
import { RESISTOR_SHARE } from '../ways';
import type { Whose } from './driver';
import type { Fitted } from './fitted';
import {
  common,
  fittedResistor,
  allPieces,
  notApplying,
  OPEN_SWITCH_OHMS,
  resistorElement,
  volts,
  type CircuitPiece,
} from './piece';

/** A pin that reads. @param high in which states it must read a high; null for one that reads any level. */
function inputPin(pin: string, name: string, whose: Whose, drive: DriveFact, high: readonly string[] | null): Fitted {
  return {
    id: pin,
    kind: 'pin',
    name,
    ...whose,
    ratings: [
      notApplying('amps', 'current of the pin', 'it reads'),
      common('most-volts', 'pin-input', 1, {
        name: 'highest level at the pin',
        unit: 'V',
        limit: drive.pinVolts + OVER_VOLTS,
        stress: volts(pin, ZERO),
      }),
      high
        ? {
            ...common('least-volts', 'pin-input', 1, {
              name: 'lowest high at the pin',
              unit: 'V',
              limit: drive.pinVolts * highShare(drive.pinVolts),
              stress: volts(pin, ZERO),
            }),
            sense: 'at least' as const,
            states: high,
          }
        : notApplying('least-volts', 'lowest high at the pin', 'an analogue pin reads any level'),
      notApplying(
        'clamp-amps',
        'current into its clamp',
        'Feed holds what comes in against a controller without power',
      ),
    ],
  };
}

/** A pull-up from the pins' own supply, and what the pin leaks against it. */
function pulledUp(id: string, pin: string, drive: DriveFact, ohms: Interval): Element[] {
  const rail = `${id} pull-up supply`;
  return [
    { is: 'source', id: rail, a: rail, b: ZERO, volts: exactly(drive.pinVolts), ohms: exactly(0) },
    resistorElement(`${id} pull-up`, rail, pin, ohms),
    { is: 'drain', id: `${id} leak`, a: pin, b: ZERO, amps: { low: 0, nominal: LEAK_AMPS / 2, high: LEAK_AMPS } },
  ];
}

/** A signal that comes in, over its divider where it has one; a bare contact against the pin's pull-up. */
export function sensePiece(sense: Sense, drive: DriveFact, weak: Interval): CircuitPiece | null {
  const { sort } = SENSES[sense.kind];
  if (sort === null || !needsPin(sense)) return null;
  const whose: Whose = { of: sense.id, owner: sense.name, room: 'board' };
  const pin = `pin ${sense.id}`;
  // What pulls its pin low does so while it is so; until then the pull-up has to bring a high.
  const open = isBare(sense) || pulledLow(sense) || sense.highVolts === null;
  const own = ownPullOf(sense);
  const input = inputPin(pin, `pin of ${sense.name}`, whose, drive, sort === 'analogue' ? null : ['rest']);
  if (open)
    return {
      elements: () => pulledUp(sense.id, pin, drive, own === null ? weak : within(own, TAP_SHARES.ohms)),
      parts: [
        input,
        ...(own === null
          ? []
          : [fittedResistor(`${sense.id} pull-up`, 'pull-up of a sense', whose, `${sense.id} pull-up supply`, pin)]),
      ],
    };
  const upper = dividerOhms(sense, drive.highVolts.high);
  const signal = `${sense.id} signal`;
  const level = within(sense.highVolts ?? 0, LEVEL_SHARE);
  if (upper === null)
    return {
      elements: () => [{ is: 'source', id: signal, a: pin, b: ZERO, volts: level, ohms: exactly(0) }],
      parts: [input],
    };
  return {
    elements: () => [
      { is: 'source', id: signal, a: signal, b: ZERO, volts: level, ohms: exactly(0) },
      resistorElement(`${sense.id} upper`, signal, pin, within(upper, DIVIDER_SHARE)),
      resistorElement(`${sense.id} lower`, pin, ZERO, within(LOWER_OHMS, DIVIDER_SHARE)),
    ],
    parts: [
      fittedResistor(`${sense.id} upper`, 'upper resistor of a divider', whose, signal, pin),
      fittedResistor(`${sense.id} lower`, 'lower resistor of a divider', whose, pin, ZERO),
      input,
    ],
  };
}

/** A closed contact of a hand, Ω. */
const CONTACT_OHMS = 0.1;

/** What people move at the controller: a contact from a pin to ground, against a pull-up of its own or the one inside. */
export function handPiece(hand: Hand, drive: DriveFact, weak: Interval): CircuitPiece | null {
  if (hand.kind === 'command') return null;
  const whose: Whose = { of: hand.id, owner: hand.name, room: 'board' };
  const own = hand.pullUpOhms;
  const sides = hand.kind === 'rocker' ? (['up', 'down'] as const) : ([''] as const);
  return allPieces(
    sides.map((side): CircuitPiece => {
      const id = lineId(hand.id, side);
      const pin = `pin ${id}`;
      return {
        elements: (state) => [
          ...pulledUp(id, pin, drive, own === null ? weak : within(own, RESISTOR_SHARE)),
          // A stop is closed until it is pressed; all others until then are open.
          resistorElement(
            `${id} contact`,
            pin,
            ZERO,
            exactly(state.hands === (hand.kind !== 'stop') ? CONTACT_OHMS : OPEN_SWITCH_OHMS),
          ),
        ],
        parts: [
          inputPin(pin, `pin of ${hand.name}`, whose, drive, [hand.kind === 'stop' ? 'hands' : 'rest']),
          ...(own === null
            ? []
            : [fittedResistor(`${id} pull-up`, 'pull-up of a hand', whose, `${id} pull-up supply`, pin)]),
        ],
      };
    }),
  );
}
