import { idOf } from '../reference';
import {
  choice,
  flag,
  list,
  maybeGroup,
  maybeQuantity,
  name,
  quantity,
  text,
  untried,
  type Field,
  type Fields,
} from '../../../field';
import type {
  Sense,
  SenseCoil,
  SenseCount,
  SenseJoint,
  SenseKind,
  SenseLead,
  SenseLimit,
  SenseMagnet,
  SenseSignal,
} from './types';

/** A year and a leap day. */
const YEAR_SECONDS = 366 * 86400;
/** Common practice: the worst bounce of a common switch is 6.2 ms, and a hand is never faster than some tens of milliseconds. */
const DEBOUNCE_SECONDS = 0.03;

/** How long what is moved at the controller has to stand. */
export const debounce = quantity('Settles within', 's', DEBOUNCE_SECONDS, { least: 0, most: 60, hint: '30 ms' });

/** Fields of where a number says yes. */
export const senseLimitFields: Fields<SenseLimit> = {
  over: quantity('Says so over', '1', 10, { least: -1e6, most: 1e9 }),
  under: quantity('says not so under', '1', 8, { least: -1e6, most: 1e9 }),
  holdSeconds: quantity('once it stood there for', 's', 60, { least: 0, most: 86400 }),
};

/** Fields of what comes in. */
export const senseSignalFields: Fields<SenseSignal> = {
  nature: choice(
    'On the ranges DC and AC it is',
    {
      unknown: 'not read',
      steady: 'steady: no AC',
      alternating: 'alternating: AC, and hardly any DC',
      flickering: 'both: it flickers between low and high',
      'pulls-low': 'open, and only pulled low',
    } satisfies Record<SenseSignal['nature'], string>,
    'unknown',
  ),
  lowVolts: maybeQuantity('Low level', 'V', { least: -60, most: 60, hint: 'not read' }),
  sourceOhms: maybeQuantity('It stands behind', 'Ω', { most: 1e7, hint: 'not read' }),
  hertz: maybeQuantity('Up and down, at its slowest', 'Hz', { least: 0.1, most: 1e6, hint: 'not read' }),
  duty: maybeQuantity('up for this share, at its least', '1', { least: 1e-3, most: 1, hint: 'not read' }),
  shortestSeconds: maybeQuantity('It lasts at its shortest', 's', { least: 1e-6, most: 86400, hint: 'not timed' }),
};

/** Fields of a current transformer round a lead. */
export const senseCoilFields: Fields<SenseCoil> = {
  round: choice(
    'Round',
    { unknown: 'not said', 'one-lead': 'one conductor by itself', 'whole-cord': 'the whole cord' },
    'unknown',
  ),
  current: choice('The current is', { unknown: 'not said', alternating: 'alternating', direct: 'direct' }, 'unknown'),
  turns: quantity('The conductor goes through', '1', 1, { least: 1, most: 100, whole: true }),
  ratio: maybeQuantity('Turns of its winding for one', '1', { least: 10, most: 100_000, hint: 'not read' }),
  burdenOhms: maybeQuantity('Resistor across it', 'Ω', { least: 0.1, most: 1e5, hint: 'none' }),
  mostAmps: maybeQuantity('Most that flows', 'A', { least: 1e-3, most: 1000, hint: 'not said' }),
};

/** Fields of a lead. */
export const senseLeadFields: Fields<SenseLead> = {
  metres: quantity('Its lead', 'm', 1, { least: 0.01, most: 1000 }),
  beside: choice(
    'Beside it run',
    { unknown: 'not said', apart: 'no other leads', 'mains-or-motor': 'leads of mains, motors or relays' },
    'unknown',
  ),
  pullUpOhms: maybeQuantity('Pull-up of its own', 'Ω', { least: 100, most: 1e6, hint: 'the one inside' }),
  filtered: flag('10 kΩ and 100 nF stand before the pin'),
  devices: quantity('Thermometers on this wire', '1', 1, { least: 1, most: 100, whole: true }),
};

const distance = (label: string): Field<number | null> => maybeQuantity(label, 'm', { most: 1, hint: 'not measured' });
/** Fields of a magnet and its contact. */
export const senseMagnetFields: Fields<SenseMagnet> = {
  closesMetres: distance('It closes within'),
  opensMetres: distance('and opens beyond'),
  nearMetres: distance('Closed, the gap is'),
  farMetres: distance('Open, it is at least'),
  sideMetres: distance('It passes beside by'),
  shakeMetres: distance('It shakes by'),
};

/** Fields of what a sense counts. */
export const senseCountFields: Fields<SenseCount> = {
  unit: text('It counts', { most: 40 }),
  worth: maybeQuantity('One is worth', '1', { least: 1e-9, most: 1e9, hint: 'not measured' }),
  off: maybeQuantity('which may be off by', '1', { most: 0.9, hint: 'not said' }),
  budget: maybeQuantity('Care is due after', '1', { least: 1e-9, most: 1e12, hint: 'never' }),
  budgetUnit: text('said in', { most: 40 }),
  perDay: maybeQuantity('On a day it counts at most', '1', { most: 1e9, hint: 'not said' }),
  saveEvery: quantity('Saved every so many', '1', 100, { least: 1, most: 1e9, whole: true }),
  endurance: quantity('A page bears so many writes', '1', 10_000, { least: 100, most: 1e12 }),
  pages: quantity('spread over pages', '1', 1, { least: 1, most: 10_000, whole: true }),
};

/** Fields of a sense. */
export const senseFields: Fields<Sense> = {
  id: name('id'),
  name: untried(name('Called')),
  kind: choice(
    'It is',
    {
      contact: 'a contact',
      level: 'a level of the machine',
      light: 'a lamp that is read by its light',
      lamp: 'a lamp that is read by its volts',
      beep: 'a beep that is heard',
      pulses: 'pulses',
      current: 'a current in a lead',
      watts: 'the watts of a meter',
      flow: 'a flow of water',
      temperature: 'a temperature',
      message: 'a message',
    } satisfies Record<SenseKind, string>,
    'contact',
  ),
  touches: choice(
    'Its wires go to',
    {
      unknown: 'not said',
      own: 'a part of its own, apart from the machine',
      machine: 'the machine’s own circuit',
      coupled: 'the machine’s circuit, over an optocoupler',
      module: 'nowhere: the module’s own',
    } satisfies Record<Sense['touches'], string>,
    'unknown',
  ),
  tells: choice(
    'It tells',
    { 'at-rest': 'the rest', 'at-work': 'the work', 'at-end': 'the far end', other: 'something else' },
    'at-rest',
  ),
  part: idOf('Of', { to: ['part'], gone: 'clear', todo: 'Say in Sense of which part {name} tells first.' }),
  states: list('says so while it is', name('a state'), 20, { once: true }),
  takenFor: choice('Runs take it for', { unknown: 'not said', yes: 'so', no: 'not so' }, 'unknown'),
  meaning: text('Which is', { most: 200 }),
  closedThen: flag('closed, or high, then', true),
  debounceSeconds: debounce,
  staleSeconds: maybeQuantity('No news for this long is unknown', 's', {
    most: YEAR_SECONDS,
    hint: 'read at each look',
  }),
  wakes: flag('wakes the controller'),
  limit: maybeGroup('threshold', senseLimitFields),
  highVolts: maybeQuantity('High level of what comes in', 'V', { least: 0.1, most: 60, hint: 'a bare contact' }),
  joint: choice(
    'Before its pin',
    {
      direct: 'nothing: its wire goes to the pin',
      divider: 'two resistors bring it down',
      coupler: 'an optocoupler',
      pump: 'capacitor, diodes, transistor: for what alternates',
      hold: 'diode and transistor that hold what flickers',
    } satisfies Record<SenseJoint, string>,
    'direct',
  ),
  signal: maybeGroup('what comes in', senseSignalFields),
  coil: maybeGroup('current transformer', senseCoilFields),
  lead: maybeGroup('its lead', senseLeadFields),
  magnet: maybeGroup('magnet and contact', senseMagnetFields),
  count: maybeGroup('counter', senseCountFields),
  place: choice(
    'The thermometer sits',
    {
      unknown: 'not said',
      'at-it': 'at what it measures',
      apart: 'in a case of its own, apart from all electronics',
      'with-electronics': 'in the case of the controller or on its board',
    } satisfies Record<Sense['place'], string>,
    'unknown',
  ),
  topic: text('Topic', { most: 200 }),
};
