import type { PartKind } from '../../ground/job';
import type { Unit } from '../../ground/quantity';

/** One value that every part of a kind has. `least` and `most` are what can be, not what is usual. */
export interface PartField {
  readonly key: string;
  readonly symbol: string;
  readonly name: string;
  readonly unit: Unit;
  readonly least: number;
  readonly most: number;
  /** False for a rating or a choice, which is one number and has no spread. */
  readonly spread: boolean;
}

const spread = (key: string, symbol: string, name: string, unit: Unit, least: number, most: number): PartField => ({
  key,
  symbol,
  name,
  unit,
  least,
  most,
  spread: true,
});
const rating = (key: string, symbol: string, name: string, unit: Unit, least: number, most: number): PartField => ({
  key,
  symbol,
  name,
  unit,
  least,
  most,
  spread: false,
});

const leakage = (name: string): PartField => spread('leakageAmps', 'I_leak', name, 'A', 0, 0.1);
const led = spread('ledVolts', 'V_F', 'LED forward voltage', 'V', 0.5, 4);
const saturation = spread('saturationVolts', 'V_sat', 'collector-emitter saturation', 'V', 0, 3);
const closed = (name: string, most = 1e4): PartField => spread('onOhms', 'R_on', name, 'Ω', 0, most);
const apartVolts = rating('isolationVolts', 'V_iso', 'isolation test voltage', 'V', 100, 20000);
const gap = rating('gapMetres', 'd', 'creepage between its two sides', 'm', 0, 0.1);
const contact = [
  closed('closed contact', 10),
  rating('minimumAmps', 'I_min', 'least current the contact wants', 'A', 0, 10),
  rating('contactAmps', 'I_rated', 'contact rating, resistive', 'A', 1e-3, 1000),
  rating('inrushAmps', 'I_make', 'inrush that the contact bears', 'A', 1e-3, 5000),
  rating('contactVolts', 'V_rated', 'contact rating', 'V', 1, 2000),
];

/** Which values a part of each kind has. */
export const PART_FIELDS: Readonly<Record<PartKind, readonly PartField[]>> = {
  npn: [
    spread('baseVolts', 'V_BE', 'base-emitter voltage', 'V', 0.3, 2),
    saturation,
    leakage('collector leakage'),
    spread('gain', 'β', 'current gain', '1', 5, 1e5),
    rating('collectorVolts', 'V_CEO', 'collector rating', 'V', 1, 2000),
    rating('collectorAmps', 'I_C', 'collector rating', 'A', 1e-3, 100),
  ],
  nmos: [
    spread('thresholdVolts', 'V_th', 'gate threshold', 'V', 0.1, 10),
    closed('on-resistance'),
    rating('statedAtVolts', 'V_GS', 'gate voltage at which the on-resistance is stated', 'V', 0.5, 20),
    leakage('drain leakage'),
    rating('drainVolts', 'V_DS', 'drain rating', 'V', 1, 2000),
    rating('drainAmps', 'I_D', 'drain rating', 'A', 1e-3, 1000),
  ],
  optocoupler: [
    led,
    spread('transfer', 'CTR', 'current transfer ratio', '1', 0.01, 100),
    saturation,
    leakage('dark current, warm'),
    rating('outputVolts', 'V_CEO', 'output rating', 'V', 1, 2000),
    rating('outputAmps', 'I_C', 'output rating', 'A', 1e-3, 10),
    apartVolts,
    gap,
  ],
  'solid-state-relay': [
    led,
    rating('operateAmps', 'I_F', 'LED current that closes it for certain', 'A', 1e-4, 0.1),
    closed('on-resistance'),
    leakage('off-state leakage'),
    rating('loadVolts', 'V_L', 'load rating', 'V', 1, 2000),
    rating('loadAmps', 'I_L', 'load rating', 'A', 1e-3, 100),
    apartVolts,
    gap,
  ],
  relay: [
    rating('coilVolts', 'V_coil', 'coil voltage', 'V', 1, 250),
    spread('coilOhms', 'R_coil', 'coil resistance', 'Ω', 1, 1e5),
    ...contact,
    rating('poles', 'n', 'changeover poles', '1', 1, 8),
    spread('operateSeconds', 't_op', 'operate and release time', 's', 0, 1),
    apartVolts,
    gap,
  ],
  'relay-module': [
    rating('supplyVolts', 'V_mod', 'supply of its input', 'V', 1, 60),
    spread('dropVolts', 'V_drop', 'drop of its input before current flows', 'V', 0, 20),
    rating('inputOhms', 'R_in', 'resistor in its input', 'Ω', 1, 1e6),
    rating('onAmps', 'I_on', 'input current that pulls it in', 'A', 1e-6, 0.1),
    rating('onLow', 'low', '1 where it presses on a low pin, 0 on a high one', '1', 0, 1),
    rating('coilAmps', 'I_coil', 'current of a coil', 'A', 1e-3, 1),
    ...contact,
    rating('channels', 'n', 'relays on the module', '1', 1, 16),
    rating(
      'apart',
      'apart',
      '1 where light carries the press inside it, 0 where its input is tied to the coil’s supply',
      '1',
      0,
      1,
    ),
    apartVolts,
    gap,
  ],
  'analogue-switch': [
    rating('leastVolts', 'V_least', 'least supply', 'V', 0.5, 50),
    rating('mostVolts', 'V_most', 'highest supply', 'V', 0.5, 50),
    closed('on-resistance'),
    leakage('off-state leakage'),
    rating('switchAmps', 'I_S', 'current through a switch', 'A', 1e-4, 10),
    rating('lines', 'n', 'crossings', '1', 1, 1024),
    rating('isCrosspoint', 'x', '1 where rows and columns cross in it, 0 for single switches', '1', 0, 1),
  ],
  logic: [
    rating('leastVolts', 'V_least', 'least supply', 'V', 0.5, 50),
    rating('mostVolts', 'V_most', 'highest supply', 'V', 0.5, 50),
    rating('inputVolts', 'V_in', 'highest level that its inputs bear', 'V', 0.5, 50),
    spread('delaySeconds', 't_pd', 'from strobe to answer', 's', 0, 1),
    rating('lines', 'n', 'lines', '1', 2, 1024),
    closed('output resistance', 1e4),
  ],
  bridge: [
    rating('leastVolts', 'V_least', 'least motor supply', 'V', 0.5, 100),
    rating('mostVolts', 'V_most', 'highest motor supply', 'V', 0.5, 100),
    rating('motorAmps', 'I_rated', 'motor current for long', 'A', 0.01, 200),
    rating('peakAmps', 'I_peak', 'motor current for a second', 'A', 0.01, 500),
    closed('both switches together', 100),
    rating('inputHighVolts', 'V_IH', 'input taken as high from', 'V', 0.5, 10),
  ],
  servo: [
    rating('supplyVolts', 'V', 'supply', 'V', 2, 30),
    spread('torqueNewtonMetres', 'τ', 'torque before it stalls', 'N·m', 1e-3, 100),
    spread('secondsPer60', 't_60', 'time for 60°', 's', 0.01, 5),
    rating('leastPulseSeconds', 't_0', 'pulse at one end', 's', 1e-4, 5e-3),
    rating('mostPulseSeconds', 't_1', 'pulse at the other end', 's', 1e-4, 5e-3),
    rating('rangeDegrees', 'range', 'angle from end to end', '°', 10, 1440),
    rating('idleAmps', 'I_idle', 'current at rest', 'A', 0, 5),
    rating('stallAmps', 'I_stall', 'current when stalled', 'A', 0.01, 50),
  ],
  stepper: [
    rating('fullSteps', 'n', 'full steps of the motor for one turn', '1', 4, 1000),
    rating('gear', 'i', 'gear ratio', '1', 1, 10000),
    spread('phaseOhms', 'R', 'resistance of half a winding', 'Ω', 0.05, 1e4),
    rating('ratedVolts', 'V', 'rated voltage', 'V', 0.5, 100),
    spread('torqueNewtonMetres', 'τ', 'torque at the shaft, as it comes', 'N·m', 1e-4, 1000),
    rating('stepRateHertz', 'f', 'full steps a second it follows', 'Hz', 1, 1e5),
    rating('torqueHertz', 'f_τ', 'full steps a second up to which that torque holds', 'Hz', 1, 1e5),
    rating('centreTapped', 'tap', '1 where the windings have a centre tap, 0 where not', '1', 0, 1),
  ],
  'gear-motor': [
    rating('ratedVolts', 'V', 'rated voltage', 'V', 1, 400),
    spread('freeRpm', 'n_0', 'speed without load', 'rpm', 0.1, 30000),
    spread('stallNewtonMetres', 'τ_stall', 'torque when stalled', 'N·m', 1e-3, 10000),
    rating('stallAmps', 'I_stall', 'current when stalled', 'A', 0.01, 1000),
    rating('freeAmps', 'I_0', 'current without load', 'A', 0, 100),
    rating('selfLocking', 'lock', '1 where a load cannot turn it back, 0 where it can', '1', 0, 1),
  ],
};

/** What each kind of part is called. */
export const PART_KIND_WORDS: Readonly<Record<PartKind, string>> = {
  npn: 'NPN transistor',
  nmos: 'N-MOSFET',
  optocoupler: 'optocoupler',
  'solid-state-relay': 'solid-state relay',
  relay: 'relay',
  'relay-module': 'relay module',
  'analogue-switch': 'analogue switch',
  logic: 'programmable logic',
  bridge: 'motor bridge',
  servo: 'servo',
  stepper: 'stepper',
  'gear-motor': 'DC gear motor',
};
