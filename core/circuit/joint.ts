import type { Way } from '../job';

/** Thermal voltage at 27 °C, V. Source: k·T/q (CODATA). */
export const THERMAL_VOLTS = 0.025852;

/** Pull-down at the driver's input that the tool proposes, Ω: common practice. */
export const PULL_DOWN_OHMS = 10e3;

/** One button, the part that presses it and the pin that drives the part, with nominal values. */
export interface Joint {
  readonly way: Way;
  /** `low`: the button pulls a pulled-up line to ground. `high`: it pulls a pulled-down line to the supply. */
  readonly polarity: 'low' | 'high';
  readonly supplyVolts: number;
  readonly pullOhms: number;
  readonly pinHighVolts: number;
  /** Resistor at the base or at the LED. */
  readonly seriesOhms: number;
  /** Closed contact of a relay, on-resistance of a solid-state relay or of a MOSFET at this pin's level. */
  readonly onOhms: number;
  /** Open contact: leakage as a resistance. */
  readonly offOhms: number;
  readonly coilOhms: number;
  /** Forward and reverse current gain of the transistor (also of an optocoupler's). */
  readonly gainForward: number;
  readonly gainReverse: number;
  /** Photocurrent gain of an optocoupler: collector over LED current, as a ratio. */
  readonly transferRatio: number;
  readonly groundWireOhms: number;
  /** Gate voltage at which a MOSFET begins to conduct, V. */
  readonly thresholdVolts: number;
}

/** Nominal parts of the classes that ship; a joint overrides what is known better. Common practice. */
export const NOMINAL_PARTS = {
  pinHighVolts: 3.2, seriesOhms: 1000, onOhms: 0.1, offOhms: 1e9, coilOhms: 70, gainForward: 200, gainReverse: 4, transferRatio: 1, groundWireOhms: 0.03, thresholdVolts: 1.2,
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
export const ledAmps = (j: Joint): number => Math.max(0, (j.pinHighVolts - LED_VOLTS) / j.seriesOhms);

/** Base current of the transistor that does the switching, A. */
const baseAmps = (j: Joint): number =>
  j.way === 'npn-to-ground' ? Math.max(0, (j.pinHighVolts - BASE_VOLTS) / j.seriesOhms) : (ledAmps(j) * j.transferRatio) / j.gainForward;

/** Drop across the closed switch, V: resistive for contacts, saturated or current-limited for transistors. */
function switchVolts(j: Joint): number {
  if (j.way === 'relay-contact' || j.way === 'solid-state-relay' || j.way === 'nmos-to-ground') return (j.supplyVolts * j.onOhms) / (j.pullOhms + j.onOhms);
  const base = baseAmps(j);
  const limited = j.supplyVolts - j.gainForward * base * j.pullOhms;
  // Two passes of V = Vcc − drop settle to a millivolt for any transistor that saturates.
  let drop = 0;
  for (let pass = 0; pass < 2; pass++) drop = saturationVolts((j.supplyVolts - drop) / j.pullOhms / base, j.gainForward, j.gainReverse);
  return Number.isFinite(drop) && limited < drop ? drop : Math.min(Math.max(limited, 0), j.supplyVolts);
}

/**
 * Levels of the button's signal line while pressed and while idle, V against the appliance's ground, at nominal values.
 */
export function settledLevels(j: Joint): { pressed: number; idle: number } {
  const amps = Math.max(0, j.supplyVolts - switchVolts(j)) / j.pullOhms;
  const drop = Math.min(switchVolts(j) + (j.way === 'npn-to-ground' || j.way === 'nmos-to-ground' ? amps * j.groundWireOhms : 0), j.supplyVolts);
  const off = j.way === 'solid-state-relay' || j.way === 'nmos-to-ground' ? j.offOhms : 1e12;
  const leakShare = j.pullOhms / (j.pullOhms + off);
  return j.polarity === 'low'
    ? { pressed: drop, idle: j.supplyVolts * (1 - leakShare) }
    : { pressed: j.supplyVolts - drop, idle: j.supplyVolts * leakShare };
}
