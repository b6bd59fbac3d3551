import { exactly, within, type Interval } from '../../ground/quantity';
import { ZERO, type Element } from '../../engines/net';
import { boundsOf, type TakenPart } from '../../engines/parts';
import { RESISTOR_SHARE } from '../ways';
import {
  amps,
  common,
  fittedResistor,
  notApplying,
  rated,
  resistorElement,
  smallWatts,
  volts,
  type CircuitPiece,
} from './piece';
import type { Fitted, Rating } from './fitted';
import type { State } from './state';

/** Whose a driver is. */
export type Whose = Pick<Fitted, 'of' | 'owner' | 'room'>;

/** Slope of a junction of a driver, and what stands behind a closed collector, Ω: next to nothing beside what is around them. */
const SLOPE = 1;
const BULK = 0.05;
/** Share of a rating up to which volts and amperes are settled (`part-share`). */
export const VOLTS_SHARE = 0.8;
export const AMPS_SHARE = 0.5;
const NEAR = 0.9;
/** Common to small transistors and to lamps of couplers (`small-parts`). */
const BASE_REVERSE = 5;
const SMALL_WATTS = 0.3;
const LED = { amps: 0.05, reverse: 3 } as const;

/** A pin that drives: `on` tells in which states it presses; without power it floats. */
export const drivenPin = (
  id: string,
  high: Interval,
  on: (state: State) => boolean,
  pressesOn: 'high' | 'low',
): CircuitPiece['elements'] => {
  const low = exactly(0);
  return (state) => {
    if (!state.board) return [resistorElement(`pin ${id}`, `pin ${id}`, ZERO, exactly(1e9))];
    const isHigh = on(state) === (pressesOn === 'high');
    return [{ is: 'source', id: `pin ${id}`, a: `pin ${id}`, b: ZERO, volts: isHigh ? high : low, ohms: exactly(0) }];
  };
};

/** A pin with its ratings as an output. */
export const outputPin = (
  id: string,
  name: string,
  whose: Whose,
  limitAmps: number,
  origin: Rating['origin'],
): Fitted => ({
  id: `pin ${id}`,
  kind: 'pin',
  name,
  ...whose,
  room: 'board',
  ratings: [
    {
      ...common('amps', 'pin-drive', NEAR, {
        name: 'current of the pin',
        unit: 'A',
        limit: limitAmps,
        stress: amps(`pin ${id}`),
      }),
      origin,
    },
    notApplying('most-volts', 'highest level at the pin', 'it drives: nothing else stands on it'),
    notApplying('least-volts', 'lowest high at the pin', 'it drives: nothing is read'),
    notApplying('clamp-amps', 'current into its clamp', 'it drives: nothing else stands on it'),
  ],
});

/** A transistor between a collector and ground, its base driven from a node through a resistor. */
export function npnDriver(
  id: string,
  part: TakenPart,
  ohms: number,
  nodes: { readonly from: string; readonly collector: string },
  whose: Whose,
  on: readonly string[],
): CircuitPiece {
  const base = `${id} base`;
  const elements: Element[] = [
    resistorElement(`${id} base resistor`, nodes.from, base, within(ohms, RESISTOR_SHARE)),
    {
      is: 'junction',
      id: `${id} base-emitter`,
      a: base,
      b: ZERO,
      volts: boundsOf(part, 'baseVolts'),
      ohms: exactly(SLOPE),
    },
    {
      is: 'follower',
      id: `${id} collector`,
      a: nodes.collector,
      b: ZERO,
      of: `${id} base-emitter`,
      gain: boundsOf(part, 'gain'),
      leastVolts: boundsOf(part, 'saturationVolts'),
      ohms: exactly(BULK),
    },
  ];
  const across = volts(nodes.collector, ZERO);
  return {
    elements: () => elements,
    parts: [
      fittedResistor(`${id} base resistor`, 'base resistor', whose, nodes.from, base),
      {
        id: `${id} transistor`,
        kind: 'npn',
        name: part.name,
        ...whose,
        ratings: [
          rated(part, 'collector-volts', 'collectorVolts', VOLTS_SHARE, across),
          rated(part, 'collector-amps', 'collectorAmps', AMPS_SHARE, amps(`${id} collector`)),
          common('base-reverse-volts', 'small-parts', VOLTS_SHARE, {
            name: 'base against emitter, the wrong way round',
            unit: 'V',
            limit: BASE_REVERSE,
            stress: volts(ZERO, base),
          }),
          smallWatts('watts of a small transistor', SMALL_WATTS, across, `${id} collector`),
          saturated(across, boundsOf(part, 'saturationVolts').high, on),
        ],
      },
    ],
  };
}

/** What a closed transistor may leave over its saturation before it counts as half open, V. */
const HALF_OPEN = 0.1;
/** Whether a transistor is closed for certain while it presses. */
export const saturated = (across: Rating['stress'], highest: number, on: readonly string[]): Rating => ({
  ...common('saturated', 'forced-gain', 1, {
    name: 'volts left across it while it is closed',
    unit: 'V',
    limit: highest + HALF_OPEN,
    stress: across,
  }),
  states: on,
});

/** The lamp of a coupler or of a solid-state relay, behind its resistor. */
export function ledInput(
  id: string,
  part: TakenPart,
  ohms: number,
  from: string,
  whose: Whose,
): CircuitPiece & { readonly ratings: readonly Rating[] } {
  const anode = `${id} anode`;
  return {
    elements: () => [
      resistorElement(`${id} LED resistor`, from, anode, within(ohms, RESISTOR_SHARE)),
      { is: 'junction', id: `${id} LED`, a: anode, b: ZERO, volts: boundsOf(part, 'ledVolts'), ohms: exactly(SLOPE) },
    ],
    parts: [fittedResistor(`${id} LED resistor`, 'LED resistor', whose, from, anode)],
    ratings: [
      common('led-amps', 'small-parts', AMPS_SHARE, {
        name: 'LED current',
        unit: 'A',
        limit: LED.amps,
        stress: amps(`${id} LED`),
      }),
      common('led-reverse-volts', 'small-parts', VOLTS_SHARE, {
        name: 'LED the wrong way round',
        unit: 'V',
        limit: LED.reverse,
        stress: volts(ZERO, anode),
      }),
    ],
  };
}
