import { idOf, sided, type Sort } from '../reference';
import {
  choice,
  flag,
  group,
  list,
  maybeChoice,
  maybeQuantity,
  name,
  naming,
  plainWords,
  quantity,
  record,
  text,
  untried,
  type Field,
  type Fields,
} from '../../../field';
import {
  BOX_WIRINGS,
  KNOBS,
  MODULE_MODES,
  MOTOR_WIRINGS,
  MOUNTS,
  PART_KINDS,
  UNIT_SIDES,
  WAY_WISHES,
  WAYS,
  type AlikeUnit,
  type BenchPlan,
  type Bounds,
  type FingerPlan,
  type HandPlan,
  type MotorPlan,
  type OwnPart,
  type Press,
  type RemotePlan,
  type ScanPlan,
  type SignalPlan,
  type StockLine,
  type SupplyPlan,
} from './types';
import type { YES_NO } from '../yes-no';

const ASKED = { unknown: 'not said', yes: 'yes', no: 'no' } as const satisfies Record<(typeof YES_NO)[number], string>;

/** Fields of a finger on a servo. */
export const fingerFields: Fields<FingerPlan> = {
  on: choice('presses', { button: 'a button', rocker: 'a rocker' }, 'button'),
  hornMetres: quantity('Horn', 'm', 0.022, { least: 1e-4, most: 1 }),
  axisMetres: quantity('Axis above the button', 'm', 0.016, { least: 1e-4, most: 1 }),
  restDegrees: quantity('Angle at rest', '°', 0, { least: -180, most: 180 }),
  pressDegrees: quantity('Angle pressed', '°', 50, { least: -180, most: 180 }),
  otherDegrees: maybeQuantity('Angle on the other side', '°', { least: -180, most: 180, hint: 'one side only' }),
  mount: choice('held by', plainWords(MOUNTS), 'foam-tape'),
  padLengthMetres: quantity('Pad, along', 'm', 0.06, { least: 1e-4, most: 1 }),
  padWidthMetres: quantity('Pad, across', 'm', 0.025, { least: 1e-4, most: 1 }),
  leverMetres: quantity('Pad to press', 'm', 0.03, { most: 1 }),
};

/** Fields of a motor that is run both ways. */
export const motorFields: Fields<MotorPlan> = {
  wiring: choice('wiring', plainWords(MOTOR_WIRINGS), 'two-changeovers'),
  boxWiring: choice('wiring of the box', plainWords(BOX_WIRINGS), 'box-interlocked'),
  supplyVolts: quantity('Motor supply', 'V', 12, { least: 0.5, most: 1000 }),
  runningAmps: maybeQuantity('Running current', 'A', { least: 1e-6, most: 1000, hint: 'from its plate' }),
  stallAmps: maybeQuantity('Stalled current', 'A', { least: 1e-6, most: 1000, hint: 'measured or stated' }),
  windingOhms: maybeQuantity('Winding, if measured', 'Ω', { least: 1e-6, most: 1e6, hint: 'supply over it stalls' }),
  coastSeconds: quantity('It turns on after power is taken for', 's', 0.5, { most: 366 * 86400 }),
  swapped: flag('up and down exchanged'),
  mirrored: flag('a second motor that faces the first'),
  runCapacitor: choice('run capacitor', ASKED, 'unknown'),
};

/** Fields of a drive signal that is taken over. */
export const signalFields: Fields<SignalPlan> = {
  what: choice('the signal is', { level: 'a level', frequency: 'a frequency' }, 'level'),
  points: list(
    'points of the signal',
    group('a point', {
      step: quantity('step', '1', 0, { least: -1e6, most: 1e6 }),
      value: quantity('value', '1', 0, { least: -1e9, most: 1e9 }),
    }),
    200,
  ),
  topStep: quantity('Highest step asked for', '1', 0, { least: -1e6, most: 1e6 }),
  highVolts: quantity('High level of the original', 'V', 5, { least: 0.5, most: 100 }),
  enable: choice('enable line', { none: 'there is none', high: 'enabled by high', low: 'enabled by low' }, 'none'),
  loadOhms: quantity('Its input’s resistance', 'Ω', 10e3, { least: 1, most: 1e9 }),
  returnVolts: maybeQuantity('Pulses back, high level', 'V', { least: 0.1, most: 100, hint: 'none' }),
  pwmHertz: quantity('Pulse width output of the pin', 'Hz', 1000, { least: 1, most: 1e7 }),
  knob: choice('the old knob', plainWords(KNOBS), 'changeover'),
};

/** Fields of a supply that is switched. */
export const supplyFields: Fields<SupplyPlan> = {
  resumes: choice('it resumes when power comes', { untested: 'not tried', yes: 'yes', no: 'no' }, 'untested'),
  atRest: choice('the contact at rest', { open: 'open', closed: 'closed' }, 'open'),
};

/** Fields of a motor on a crank or in a tube. */
export const handFields: Fields<HandPlan> = {
  drive: choice('it is turned at', { tube: 'a tube that lifts', crank: 'a crank' }, 'crank'),
  motor: choice('motor', { 'gear-motor': 'DC gear motor', stepper: 'stepper' }, 'gear-motor'),
  loadKilograms: quantity('What hangs on it', 'kg', 2, { most: 1000 }),
  tubeMetres: quantity('Diameter of the tube', 'm', 0.04, { least: 1e-4, most: 1 }),
  crankNewtons: quantity('Force on the handle', 'N', 10, { most: 1e4 }),
  crankMetres: quantity('Length of the crank', 'm', 0.1, { least: 1e-4, most: 2 }),
  turns: quantity('Turns from end to end', '1', 20, { least: 1e-3, most: 1e5 }),
  rewired: flag('centre tap cut'),
  driverVolts: quantity('Supply of its driver', 'V', 12, { least: 0.5, most: 100 }),
  mirrored: flag('a second motor that faces the first'),
  fits: list('fits', group('a fit', { inner: name('inner piece'), outer: name('outer piece') }), 20),
};

/** Fields of a scanned key that is answered. */
export const scanFields: Fields<ScanPlan> = {
  key: text('Key of the pad', { most: 60 }),
  medianSeconds: quantity('Usual response of the controller', 's', 2e-3, { least: 1e-9, most: 10 }),
  mostSeconds: quantity('95 % respond within', 's', 8e-3, { least: 1e-9, most: 100 }),
  leadSeconds: quantity('It looks before the strobe ends by', 's', 0.2e-3, { most: 1 }),
  scansNeeded: quantity('Scans it wants in a row', '1', 3, { least: 1, most: 100, whole: true }),
  holdSeconds: quantity('Length of the press', 's', 0.3, { least: 1e-3, most: 60 }),
};

/** Fields of a spare remote. */
export const remoteFields: Fields<RemotePlan> = {
  has: choice('a spare remote', ASKED, 'unknown'),
  batteryVolts: quantity('Its battery', 'V', 3, { least: 0.5, most: 100 }),
  pullOhms: quantity('Pull-up behind its button', 'Ω', 100e3, { least: 100, most: 1e9 }),
};

/** Lowest, usual, highest. */
const bounds = list('bounds', quantity('a bound', '1', 0, { least: -1e15, most: 1e15 }), 3, {
  least: 3,
  rising: true,
}) as unknown as Field<Bounds>;

/** Fields of a part of one’s own. */
export const ownPartFields: Fields<OwnPart> = {
  id: name('id'),
  kind: choice('kind', plainWords(PART_KINDS), 'npn'),
  name: untried(name('name')),
  values: record('values', bounds, 60),
};

/** Fields of what is at hand of a part. */
export const stockFields: Fields<StockLine> = {
  name: name('name'),
  price: maybeQuantity('price each', '1', { most: 1e7 }),
  have: quantity('at hand', '1', 0, { most: 1e6, whole: true }),
};

const OF_CONTROL = { to: ['control'], gone: 'refuse', todo: 'Name a control that the job has.' } as const;

/** One press with the plans of the ways that it might go. */
export const pressFields: Fields<Press> = {
  id: name('id'),
  name: untried(name('Called')),
  control: idOf('control to press', OF_CONTROL),
  way: maybeChoice('way of pressing', plainWords(WAYS)),
  resistorOhms: maybeQuantity('Resistor', 'Ω', { least: 1e-3, most: 1e9, hint: 'computed' }),
  groundWireMetres: quantity('Shared ground wire', 'm', 0.3, { most: 1000, bare: 'm' }),
  pullDown: flag('a resistor from the pin to ground'),
  twoContacts: flag('two contacts in series'),
  moduleMode: choice(
    'The module’s jumper stands on',
    { ...plainWords(MODULE_MODES), unknown: 'not looked at' },
    'unknown',
  ),
  finger: group('finger', fingerFields),
  motor: group('motor', motorFields),
  signal: group('drive signal', signalFields),
  supply: group('switched supply', supplyFields),
  hand: group('hand mechanism', handFields),
  scan: group('scanned key', scanFields),
  remote: group('remote', remoteFields),
  given: untried(list('', name('a value that was given'), 200, { once: true })),
};

/** Fields of how one of several machines differs. */
export const unitFields: Fields<AlikeUnit> = {
  id: name('id'),
  name: name('Called'),
  side: choice('side', plainWords(UNIT_SIDES), 'as drawn'),
  order: quantity('Order', '1', 1, { least: 1, most: 1000, whole: true }),
  differs: text('What else differs', { most: 500 }),
  pins: naming(record('pins of its own', quantity('a pin', '1', 0, { most: 199, whole: true }), 60), {
    to: ['press', 'sense', 'hand', 'sign'] satisfies Sort[],
    gone: 'drop',
    todo: 'Name a line that the job has.',
    loose: true,
    parted: sided(['press', 'sense', 'hand', 'sign']),
  }),
};

/** What all presses share. */
export const benchFields: Fields<BenchPlan> = {
  colours: untried(record('colours of wires', text('a colour', { most: 40 }))),
  wishes: untried(
    list('wishes', choice('a wish', plainWords(WAY_WISHES), 'isolated'), WAY_WISHES.length, {
      least: WAY_WISHES.length,
      once: true,
      usual: WAY_WISHES,
    }),
  ),
  parts: list('own parts', group('a part', ownPartFields), 100, { key: 'id' }),
  picks: record('parts taken', text('a part', { most: 200 })) as unknown as Fields<BenchPlan>['picks'],
  stock: untried(list('prices and stock', group('a line', stockFields), 200, { key: 'name' })),
  currency: untried(
    text('prices in', {
      most: 3,
      pattern: /^[A-Z]{3}$/,
      words: 'a currency of three letters such as EUR',
      usual: 'EUR',
    }),
  ),
  machines: untried(quantity('Machines alike', '1', 1, { least: 1, most: 1000, whole: true })),
  units: untried(list('machines that differ', group('a machine', unitFields), 100, { key: 'id' })),
};
