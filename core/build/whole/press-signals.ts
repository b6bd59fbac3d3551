import { present } from '../../ground/lists';
import { lineId } from '../../ground/job';
import { exactly, within } from '../../ground/quantity';
import { ZERO, type Element } from '../../engines/net';
import { takenPart, valueOf } from '../../engines/parts';
import { COLLECTOR_BASE_OHMS, FILTER_OHMS, PULL_OHMS, RESISTOR_SHARE, RETURN_OHMS, signalRelay } from '../ways';
import { npnDriver } from './driver';
import type { Fitted } from './fitted';
import { allPieces, fittedResistor, notApplying, resistorElement, type CircuitPiece } from './piece';
import { pinPiece } from './press-movers';
import { coilPiece } from './press-relays';
import { clampedInput } from './press-scanned';
import { coilSupply, type Site } from './site';

const plan = (s: Site) => present(s.job.presses.find((p) => p.id === s.press.id)).signal;

/** The machine's drive signal as the controller makes it: level shift or filter, enable line, changeover, and the pulses that come back. */
export function driveSignalPiece(s: Site): CircuitPiece {
  const { what, enable, returnVolts, knob } = plan(s);
  return allPieces([
    what === 'level' ? filtered(s) : shifted(s),
    ...(enable === 'none' ? [] : [enabled(s)]),
    ...(knob === 'changeover' ? [changeover(s)] : []),
    ...(returnVolts === null ? [] : [heard(s, returnVolts)]),
  ]);
}

/** The original's high level, from which pull-ups go. */
const highOf = (s: Site): Element => ({
  is: 'source',
  id: `${s.press.id} high level`,
  a: `${s.press.id} high level`,
  b: ZERO,
  volts: exactly(plan(s).highVolts),
  ohms: exactly(1e-3),
});
/** The machine's input, which takes what its signal's load is said to be. */
const loadOf = (s: Site, line: string): Element =>
  resistorElement(`${s.press.id} load`, line, ZERO, exactly(plan(s).loadOhms));

const pullUp = (s: Site, id: string, line: string): CircuitPiece => ({
  elements: () => [resistorElement(id, `${s.press.id} high level`, line, within(PULL_OHMS, RESISTOR_SHARE))],
  parts: [fittedResistor(id, 'pull-up', s.whose, `${s.press.id} high level`, line)],
});

/** A transistor of the signal, told by its own press alone. */
const collector = (s: Site, id: string, from: string, line: string): CircuitPiece =>
  npnDriver(id, takenPart(s.job, 'npn'), COLLECTOR_BASE_OHMS, { from, collector: line }, s.whose, s.on);

function shifted(s: Site): CircuitPiece {
  const { id } = s.press;
  const pin = lineId(id, 'signal');
  const line = `${id} signal`;
  return allPieces([
    pinPiece(s, pin, `signal pin of ${s.press.name}`, true),
    { elements: () => [highOf(s), loadOf(s, line)], parts: [] },
    pullUp(s, `${id} signal pull-up`, line),
    collector(s, `${id} shift`, `pin ${pin}`, line),
  ]);
}

function filtered(s: Site): CircuitPiece {
  const { id } = s.press;
  const [pin, line] = [lineId(id, 'signal'), `${id} level`];
  return allPieces([
    pinPiece(s, pin, `signal pin of ${s.press.name}`, true),
    {
      // What takes the level, the machine's input or an amplifier before it, is held against the filter in Thumb.
      elements: () => [resistorElement(`${id} filter`, `pin ${pin}`, line, within(FILTER_OHMS, RESISTOR_SHARE))],
      parts: [fittedResistor(`${id} filter`, 'filter', s.whose, `pin ${pin}`, line)],
    },
  ]);
}

/** The enable line behind one transistor, or behind two where it is enabled high. */
function enabled(s: Site): CircuitPiece {
  const { id } = s.press;
  const pin = lineId(id, 'enable');
  const [line, between] = [`${id} enable line`, `${id} enable between`];
  const high = plan(s).enable === 'high';
  return allPieces([
    pinPiece(s, pin, `enable pin of ${s.press.name}`, true),
    ...(plan(s).what === 'level' ? [{ elements: () => [highOf(s)], parts: [] }] : []),
    pullUp(s, `${id} enable pull-up`, line),
    collector(s, `${id} enable`, `pin ${pin}`, high ? between : line),
    ...(high
      ? [pullUp(s, `${id} enable first pull-up`, between), released(collector(s, `${id} enable second`, between, line))]
      : []),
  ]);
}

/** The second of two transistors is closed while the first one is not: while it presses nothing asks it to be. */
const released = (piece: CircuitPiece): CircuitPiece => ({
  ...piece,
  parts: piece.parts.map((part) => ({
    ...part,
    ratings: part.ratings.map((r) => (r.key === 'saturated' ? { ...r, states: ['rest'] } : r)),
  })),
});

function changeover(s: Site): CircuitPiece {
  const part = signalRelay(s.job);
  const id = lineId(s.press.id, 'changeover');
  const supply = coilSupply(s, valueOf(part, 'coilVolts'));
  const coil = coilPiece(s, part, id, supply);
  const off = (key: string, name: string) => notApplying(key, name, 'it carries a signal that an input takes');
  const relay: Fitted = {
    id: `${id} relay`,
    kind: 'relay',
    name: part.name,
    ...s.whose,
    ratings: [
      ...coil.ratings,
      off('contact-volts', 'volts across it'),
      off('contact-amps', 'current through it'),
      off('contact-kick', 'what it breaks'),
      off('contact-least-amps', 'least current of the contact'),
    ],
  };
  return allPieces([
    pinPiece(s, id, `changeover pin of ${s.press.name}`, true),
    {
      elements: (state) => [...(state.board ? supply.elements : []), ...coil.elements(state)],
      parts: [...coil.parts, relay],
    },
  ]);
}

/** Pulses that come back, over their resistor. */
const heard = (s: Site, volts: number): CircuitPiece => {
  const id = lineId(s.press.id, 'back');
  const from = `${id} pulses`;
  return allPieces([
    {
      elements: (state) => [
        { is: 'source', id: from, a: from, b: ZERO, volts: exactly(state.machine ? volts : 0), ohms: exactly(1e-3) },
      ],
      parts: [],
    },
    clampedInput(s, id, `pulse pin of ${s.press.name}`, {
      from,
      ohms: within(RETURN_OHMS, RESISTOR_SHARE),
      pinVolts: s.drive.pinVolts,
    }),
  ]);
};
