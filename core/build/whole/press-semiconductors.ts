import { exactly, within } from '../../ground/quantity';
import { ZERO, type Element } from '../../engines/net';
import { boundsOf, takenPart, valueOf } from '../../engines/parts';
import { GATE_OHMS, HOLD_OHMS, OPTO_AGEING, RESISTOR_SHARE } from '../ways';
import { AMPS_SHARE, ledInput, npnDriver, saturated, VOLTS_SHARE } from './driver';
import type { Rating } from './fitted';
import { amps, common, fittedResistor, rated, resistorElement, smallWatts, volts, type CircuitPiece } from './piece';
import { contactBetween, sideIn, switchRatings, withoutSide, type Site } from './site';

/** What a gate bears either way, V, and what small parts turn into heat, W (`small-parts`). */
const GATE_VOLTS = 12;
const MOSFET_WATTS = 0.3;
const COUPLER_WATTS = 0.15;
const SSR_WATTS = 0.3;
/** What the output of a coupler bears the wrong way round, V (`small-parts`). */
const COUPLER_REVERSE = 6;

export function npnPiece(s: Site): CircuitPiece {
  const part = takenPart(s.job, 'npn');
  const nodes = { from: `pin ${s.press.id}`, collector: sideIn(s).upper };
  return npnDriver(s.press.id, part, s.press.resistorOhms ?? 0, nodes, s.whose, s.on);
}

export function nmosPiece(s: Site): CircuitPiece {
  const { job, press, whose, on } = s;
  const part = takenPart(job, 'nmos');
  const { id } = press;
  const [gate, drain] = [`${id} gate`, sideIn(s).upper];
  const across = volts(drain, ZERO);
  const threshold = boundsOf(part, 'thresholdVolts');
  const full = Math.max(valueOf(part, 'statedAtVolts'), threshold.high);
  const channel: Element = {
    is: 'channel',
    id: `${id} channel`,
    a: drain,
    b: ZERO,
    gate,
    thresholdVolts: threshold,
    fullVolts: exactly(full),
    ohms: boundsOf(part, 'onOhms'),
  };
  const before = press.resistorOhms ?? GATE_OHMS;
  return {
    elements: () => [
      resistorElement(`${id} gate resistor`, `pin ${id}`, gate, within(before, RESISTOR_SHARE)),
      resistorElement(`${id} hold`, gate, ZERO, within(HOLD_OHMS, RESISTOR_SHARE)),
      channel,
    ],
    parts: [
      fittedResistor(`${id} gate resistor`, 'gate resistor', whose, `pin ${id}`, gate),
      fittedResistor(`${id} hold`, 'gate pull-down', whose, gate, ZERO),
      {
        id: `${id} transistor`,
        kind: 'nmos',
        name: part.name,
        ...whose,
        ratings: [
          rated(part, 'drain-volts', 'drainVolts', VOLTS_SHARE, across),
          rated(part, 'drain-amps', 'drainAmps', AMPS_SHARE, amps(channel.id)),
          common('gate-volts', 'small-parts', VOLTS_SHARE, {
            name: 'gate against source',
            unit: 'V',
            limit: GATE_VOLTS,
            stress: volts(gate, ZERO),
          }),
          smallWatts('watts of a small transistor', MOSFET_WATTS, across, channel.id),
          {
            ...common('open-channel', 'gate-drive', 1, {
              name: 'gate volts at which its resistance is sure',
              unit: 'V',
              limit: Math.min(2 * threshold.high, full),
              stress: volts(gate, ZERO),
            }),
            sense: 'at least',
            states: on,
          },
        ],
      },
    ],
  };
}

export function optocouplerPiece(s: Site): CircuitPiece {
  const part = takenPart(s.job, 'optocoupler');
  const { id } = s.press;
  const led = ledInput(id, part, s.press.resistorOhms ?? 0, `pin ${id}`, s.whose);
  const { upper, lower } = sideIn(s);
  const across = volts(upper, lower);
  const transfer = boundsOf(part, 'transfer');
  const output: Element = {
    is: 'follower',
    id: `${id} output`,
    a: upper,
    b: lower,
    of: `${id} LED`,
    gain: { ...transfer, low: OPTO_AGEING * transfer.low },
    leastVolts: boundsOf(part, 'saturationVolts'),
    ohms: exactly(1),
  };
  return {
    elements: (state) => [...led.elements(state), output],
    parts: [
      ...led.parts,
      {
        id: `${id} coupler`,
        kind: 'optocoupler',
        name: part.name,
        ...s.whose,
        ratings: [
          ...led.ratings,
          rated(part, 'output-volts', 'outputVolts', VOLTS_SHARE, across),
          rated(part, 'output-amps', 'outputAmps', AMPS_SHARE, amps(output.id)),
          common('output-reverse-volts', 'small-parts', VOLTS_SHARE, {
            name: 'output the wrong way round',
            unit: 'V',
            limit: COUPLER_REVERSE,
            stress: volts(lower, upper),
          }),
          smallWatts('watts of its output', COUPLER_WATTS, across, output.id),
          saturated(across, boundsOf(part, 'saturationVolts').high, s.on),
        ],
      },
    ],
  };
}

export function solidStateRelayPiece(s: Site): CircuitPiece {
  const part = takenPart(s.job, 'solid-state-relay');
  const { id } = s.press;
  const led = ledInput(id, part, s.press.resistorOhms ?? 0, `pin ${id}`, s.whose);
  const closes = contactBetween(s, boundsOf(part, 'onOhms'));
  const watts: Rating = s.side
    ? {
        ...smallWatts('watts of its output', SSR_WATTS, volts(s.side.upper, s.side.lower), `${id} contact`),
        states: s.on,
      }
    : withoutSide(s, 'watts', 'watts of its output');
  return {
    elements: (state) => [...led.elements(state), ...closes(state)],
    parts: [
      ...led.parts,
      {
        id: `${id} relay`,
        kind: 'solid-state-relay',
        name: part.name,
        ...s.whose,
        ratings: [
          ...led.ratings,
          { ...rated(part, 'led-least-amps', 'operateAmps', 1, amps(`${id} LED`)), sense: 'at least', states: s.on },
          ...switchRatings(s, part, { volts: ['load-volts', 'loadVolts'], amps: ['load-amps', 'loadAmps'] }),
          watts,
        ],
      },
    ],
  };
}
