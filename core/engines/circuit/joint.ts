import type { JointWay } from '../../ground/job';

/** Thermal voltage at 27 °C, V. Source: k·T/q (CODATA). */
export const THERMAL_VOLTS = 0.025852;

/**
 * Pull-down from the pin to ground that the tool proposes, Ω: holds a driver under 0.4 V against any pull-up inside a
 * controller (`weak-pulls`).
 */
export const PULL_DOWN_OHMS = 3.3e3;

/** One button, the part that presses it and the pin that drives the part, with nominal values. */
export interface Joint {
  readonly way: JointWay;
  /** `low`: the button pulls a pulled-up line to ground. `high`: it pulls a pulled-down line to the supply. */
  readonly polarity: 'low' | 'high';
  readonly supplyVolts: number;
  readonly pullOhms: number;
  readonly pinHighVolts: number;
  /** Resistor at the base or at the LED. */
  readonly seriesOhms: number;
  /** Closed contact of a relay, on-resistance of a solid-state relay or of a MOSFET at this pin's level. */
  readonly onOhms: number;
  /** Open contact as a resistance, and what a semiconductor leaks through it from the higher side to the lower, A. */
  readonly offOhms: number;
  readonly leakAmps: number;
  readonly coilOhms: number;
  /** Rated voltage of the coil, V, and what it is fed with. */
  readonly coilVolts: number;
  /** Forward and reverse current gain of the transistor (also of an optocoupler's). */
  readonly gainForward: number;
  readonly gainReverse: number;
  /** Photocurrent gain of an optocoupler: collector over LED current, as a ratio. */
  readonly transferRatio: number;
  readonly groundWireOhms: number;
  /** Gate voltage at which a MOSFET begins to conduct, V. */
  readonly thresholdVolts: number;
  /** A relay module's input: its supply, the drop before current flows, the current that pulls it in, and whether a low pin presses. */
  readonly moduleVolts: number;
  readonly moduleDropVolts: number;
  readonly moduleOnAmps: number;
  readonly moduleOnLow: boolean;
}

/** Nominal parts of the classes that ship; a joint overrides what is known better. Common practice. */
export const NOMINAL_PARTS = {
  pinHighVolts: 3.2,
  seriesOhms: 1000,
  onOhms: 0.1,
  offOhms: 1e9,
  leakAmps: 0,
  coilOhms: 70,
  coilVolts: 5,
  gainForward: 200,
  gainReverse: 4,
  transferRatio: 1,
  groundWireOhms: 0.03,
  thresholdVolts: 1.2,
  moduleVolts: 5,
  moduleDropVolts: 3,
  moduleOnAmps: 1e-3,
  moduleOnLow: true,
} as const;

const LED_VOLTS = 1.2;
const BASE_VOLTS = 0.68;

/**
 * Collector-emitter voltage of a saturated transistor, V.
 * @param forcedGain collector over base current, 0 up to below the forward gain; beyond it the transistor is not saturated (Infinity).
 * Source: Ebers and Moll, "Large-Signal Behavior of Junction Transistors", Proc. IRE 1954.
 */
export function saturationVolts(forcedGain: number, gainForward: number, gainReverse: number): number {
  if (forcedGain >= gainForward) return Number.POSITIVE_INFINITY;
  return THERMAL_VOLTS * Math.log((1 + 1 / gainReverse + forcedGain / gainReverse) / (1 - forcedGain / gainForward));
}

/** LED current of a joint's input, A. */
const ledAmps = (j: Joint): number => Math.max(0, (j.pinHighVolts - LED_VOLTS) / j.seriesOhms);

/** Base current of the transistor that does the switching, A. */
const baseAmps = (j: Joint): number =>
  j.way === 'npn-to-ground'
    ? Math.max(0, (j.pinHighVolts - BASE_VOLTS) / j.seriesOhms)
    : (ledAmps(j) * j.transferRatio) / j.gainForward;

/** Share of the stated pull-in current from which a module's driver turns its coil on: common practice (`parts-module`). */
export const MODULE_TURNS_AT = 0.8;

/** Current through a relay module's input, A; the drop is taken as a step. */
const moduleAmps = (j: Joint, pressed: boolean): number => {
  const pin = pressed === j.moduleOnLow ? 0 : j.pinHighVolts;
  return Math.max(0, (j.moduleOnLow ? j.moduleVolts - pin : pin) - j.moduleDropVolts) / j.seriesOhms;
};

const RESISTIVE: ReadonlySet<JointWay> = new Set([
  'relay-contact',
  'relay-module',
  'solid-state-relay',
  'nmos-to-ground',
  'analogue-switch',
]);
/** Ways whose closed switch stands between the line and the shared ground wire. */
const TO_GROUND: ReadonlySet<JointWay> = new Set(['npn-to-ground', 'nmos-to-ground']);

/** Drop across the closed switch, V: resistive for contacts, saturated or current-limited for transistors. */
function switchVolts(j: Joint): number {
  if (RESISTIVE.has(j.way)) return (j.supplyVolts * j.onOhms) / (j.pullOhms + j.onOhms);
  const base = baseAmps(j);
  const limited = j.supplyVolts - j.gainForward * base * j.pullOhms;
  // Two passes of V = Vcc − drop settle to a millivolt for any transistor that saturates.
  let drop = 0;
  for (let pass = 0; pass < 2; pass++)
    drop = saturationVolts((j.supplyVolts - drop) / j.pullOhms / base, j.gainForward, j.gainReverse);
  return Number.isFinite(drop) && limited < drop ? drop : Math.min(Math.max(limited, 0), j.supplyVolts);
}

/**
 * Levels of the button's signal line while pressed and while idle, V against the appliance's ground, at nominal values.
 */
export function settledLevels(j: Joint): { pressed: number; idle: number } {
  const amps = Math.max(0, j.supplyVolts - switchVolts(j)) / j.pullOhms;
  const drop = Math.min(switchVolts(j) + (TO_GROUND.has(j.way) ? amps * j.groundWireOhms : 0), j.supplyVolts);
  // A leak takes its current until nothing is left of the supply.
  const leaked = Math.min(j.supplyVolts, j.leakAmps * j.pullOhms);
  const [closed, open] = j.polarity === 'low' ? [drop, j.supplyVolts - leaked] : [j.supplyVolts - drop, leaked];
  if (j.way !== 'relay-module') return { pressed: closed, idle: open };
  // A module may stay pulled in at rest, or never pull in: its contact follows its input and not the wish.
  const follows = (pressed: boolean): number =>
    moduleAmps(j, pressed) >= MODULE_TURNS_AT * j.moduleOnAmps ? closed : open;
  return { pressed: follows(true), idle: follows(false) };
}
