import { LOWER_OHMS, type Tap } from '../../engines/tap';
import type { Sense } from '../../ground/job';
import { formatQuantity, type Unit } from '../../ground/quantity';
import { GROUND, lineEnd, RAIL, type End } from '../ends';
import { panelEnd, type PanelPart, type PanelWire } from './thing';

/** How a tap is wired and what is bought for it. */
export interface TapKit {
  readonly wires: readonly PanelWire[];
  readonly parts: readonly PanelPart[];
}

const resistor = (what: string, ohms: number, share = '5 %'): PanelPart => ({
  name: `resistor, ${what}`,
  value: `${formatQuantity(ohms, 'Ω')}, ${share}, 0.25 W`,
  quantity: 1,
});
const bought = (name: string, value: number, unit: Unit, rest: string): PanelPart => ({
  name,
  value: `${formatQuantity(value, unit)}${rest}`,
  quantity: 1,
});

/** A pull-up at the pin of a sense: its wire and its part. */
export const pullUpKit = (name: string, ohms: number | null): TapKit =>
  ohms === null
    ? { wires: [], parts: [] }
    : { wires: [[RAIL, panelEnd(`pull-up at ${name}`)]], parts: [resistor('pull-up of a sense', ohms)] };

/** The way from a pin to what it reads: a wire, or a resistor with a capacitor at the pin (`coupled-hum`). */
export const filterKit = (name: string, pin: End, far: End, filtered: boolean): TapKit =>
  filtered
    ? {
        wires: [
          [pin, panelEnd(`filter resistor of ${name}`)],
          [panelEnd(`filter resistor of ${name}, far end`), far],
          [panelEnd(`filter capacitor of ${name}`), GROUND],
        ],
        parts: [
          resistor('filter before a pin', FILTER_OHMS),
          bought('capacitor, filter before a pin', FILTER_FARADS, 'F', ', 16 V'),
        ],
      }
    : { wires: [[pin, far]], parts: [] };
const FILTER_OHMS = 10e3;
const FILTER_FARADS = 100e-9;

/** Base, its bleeder and the transistor at the pin, from the capacitor that keeps it fed. */
function keptKit(sense: Sense, t: Tap, at: (what: string) => End): TapKit {
  const pull = pullUpKit(sense.name, t.pullOhms);
  return {
    wires: [
      [at('kept capacitor, plus'), at('base resistor')],
      [at('kept capacitor, minus'), GROUND],
      [at('base resistor, far end'), at('transistor base')],
      [at('bleeder'), at('transistor base')],
      [at('bleeder, far end'), GROUND],
      [at('transistor emitter'), GROUND],
      [lineEnd(sense.id), at('transistor collector')],
      ...pull.wires,
      [panelEnd(`${sense.name} ground`), GROUND],
    ],
    parts: [
      bought('capacitor that keeps a base fed', t.keepFarads, 'F', `, ${voltsOf(t)} V`),
      resistor('to the base', t.baseOhms),
      resistor('from base to ground', t.bleedOhms),
      { name: 'small-signal NPN transistor', value: 'gain of 100 or more', quantity: 1 },
      ...pull.parts,
    ],
  };
}

/** A capacitor bears twice the signal, V, of the usual ones. */
const voltsOf = (t: Tap): number => [16, 25, 50, 100].find((v) => v >= 2 * t.signal.highVolts) ?? 250;

/** Wires and parts of a tap; the signal's ground goes to the controller's, but behind an optocoupler. */
export function tapKit(sense: Sense, t: Tap): TapKit {
  const at = (what: string): End => panelEnd(`${what} of ${sense.name}`);
  const signal = panelEnd(`${sense.name} signal`);
  const ground: PanelWire = [panelEnd(`${sense.name} ground`), GROUND];
  switch (t.joint) {
    case 'direct':
      return { wires: [[lineEnd(sense.id), signal], ground], parts: [] };
    case 'divider':
      if (t.upperOhms === 0) return { wires: [[lineEnd(sense.id), signal], ground], parts: [] };
      return {
        wires: [
          [signal, at('upper resistor')],
          [lineEnd(sense.id), at('divider')],
          [at('lower resistor'), GROUND],
          ground,
        ],
        parts: [resistor('upper of a divider', t.upperOhms, '1 %'), resistor('lower of a divider', LOWER_OHMS, '1 %')],
      };
    case 'coupler':
      return couplerKit(sense, t, at, signal);
    case 'pump': {
      const rest = keptKit(sense, t, at);
      return {
        wires: [
          [signal, at('coupling capacitor')],
          [at('coupling capacitor, far end'), at('diodes, middle')],
          [at('diodes, anode end'), GROUND],
          [at('diodes, cathode end'), at('kept capacitor, plus')],
          ...rest.wires,
        ],
        parts: [
          bought('film capacitor that lets through what alternates', t.couplingFarads, 'F', `, ${voltsOf(t)} V`),
          { name: 'small Schottky diode', value: '40 V', quantity: 2 },
          ...rest.parts,
        ],
      };
    }
    case 'hold': {
      const rest = keptKit(sense, t, at);
      return {
        wires: [
          [signal, at('charging resistor')],
          [at('charging resistor, far end'), at('diode, anode')],
          [at('diode, cathode'), at('kept capacitor, plus')],
          ...rest.wires,
        ],
        parts: [
          resistor('through which it is charged', t.chargeOhms),
          { name: 'small Schottky diode', value: '100 V', quantity: 1 },
          ...rest.parts,
        ],
      };
    }
  }
}

/** Its lamp hangs on the machine alone: nothing of the machine is joined to the controller. */
function couplerKit(sense: Sense, t: Tap, at: (what: string) => End, signal: End): TapKit {
  const pull = pullUpKit(sense.name, t.pullOhms);
  const waves = t.signal.hertz !== null;
  return {
    wires: [
      [signal, at('lamp resistor')],
      [at('lamp resistor, far end'), at('optocoupler, anode')],
      [panelEnd(`${sense.name} ground`), at('optocoupler, cathode')],
      [lineEnd(sense.id), at('optocoupler, collector')],
      [at('optocoupler, emitter'), GROUND],
      ...pull.wires,
      ...(waves
        ? ([[at('capacitor at the pin, minus'), GROUND]] satisfies PanelWire[])
        : ([
            [at('diode across the lamp, cathode'), at('optocoupler, anode')],
            [at('diode across the lamp, anode'), at('optocoupler, cathode')],
          ] satisfies PanelWire[])),
    ],
    parts: [
      resistor('before the lamp of an optocoupler', t.ledOhms),
      {
        name: waves ? 'optocoupler, two lamps against each other' : 'optocoupler, transistor output',
        value: 'transfer of 50 % or more at 1 mA',
        quantity: 1,
      },
      // What goes under zero must not stand at a lamp the wrong way round.
      waves
        ? bought('capacitor at the pin', t.pinFarads, 'F', ', 16 V')
        : { name: 'small-signal diode, across the lamp of an optocoupler', value: '100 V', quantity: 1 },
      ...pull.parts,
    ],
  };
}
