import { nextAbove, nextBelow, type Interval } from '../../ground/quantity';
import type { Tap, TapJoint, TapSignal } from './tap';

/** The lower resistor of a divider, Ω (`sense-divider`). */
export const LOWER_OHMS = 10e3;
/** A divider brings what comes in down to this share of the pins’ supply. */
const WANTED_SHARE = 0.9;

/** The upper resistor of the divider that brings a level down to what a pin bears, Ω; null where none is needed. */
export function upperOhms(highVolts: number, pinVolts: number): number | null {
  if (highVolts <= WANTED_SHARE * pinVolts) return null;
  return Math.round(LOWER_OHMS * (highVolts / (WANTED_SHARE * pinVolts) - 1));
}

/** The lamp of a coupler is given this much, A: of which a quarter is left in the worst and oldest part (`tap-parts`). */
const LED_AMPS = 1e-3;
/** Its resistor is no smaller than this, Ω. */
const LEAST_OHMS = 220;

/** The resistor before a coupler’s lamp, Ω. */
const ledOhms = (highVolts: number, ledVolts: number): number =>
  Math.max(LEAST_OHMS, nextBelow(Math.max(1, (highVolts - ledVolts) / LED_AMPS), 'E12'));

/** The pin behind a coupler climbs this much of its supply between two waves, at most. */
const CLIMBS = 0.1;
/** The capacitor at the pin behind a coupler that sees waves, F. */
const pinFarads = (hertz: number, pullOhms: number): number =>
  nextAbove(1 / hertz / (-Math.log(1 - CLIMBS) * pullOhms), 'E6');

/** What a pump brings for each volt, S; its resistor to the base takes half of that. */
const BRINGS = 20e-6;
/** Resistor to the base, and the one that a hold is charged through, Ω (`tap-parts`). */
const BASE_OHMS = 100e3;
const CHARGE_OHMS = 10e3;
/** From base to ground, Ω. */
const BLEED_OHMS = 470e3;
/** What is kept is ten times what is brought at once, or so many turns of what flickers. */
const KEPT = 10;
const KEPT_TURNS = 3;
const LEAST_FARADS = 100e-9;

/** The capacitor that a pump takes over once a turn, F. */
const couplingFarads = (hertz: number): number => nextAbove(BRINGS / hertz, 'E6');
/** The capacitor that keeps a base fed from turn to turn, F. */
const keepFarads = (joint: 'pump' | 'hold', hertz: number | null): number =>
  hertz === null
    ? LEAST_FARADS
    : joint === 'pump'
      ? KEPT * couplingFarads(hertz)
      : Math.max(LEAST_FARADS, nextAbove(KEPT_TURNS / hertz / BASE_OHMS, 'E6'));

/** The pull-up of a pin that a tap pulls low, Ω, where nobody chose another (`tap-parts`). */
export const TAP_PULL_OHMS = 22e3;

/**
 * What the parts of a tap may be, from part to part, warm and aged: lamp and transistor of a coupler, small Schottky diodes, a
 * small-signal NPN (`parts-opto`, `parts-npn`, `small-diode`).
 */
export const TAP_PARTS = {
  ledVolts: { low: 1, nominal: 1.2, high: 1.5 },
  transfer: { low: 0.25, nominal: 1, high: 6 },
  leftVolts: { low: 0.05, nominal: 0.1, high: 0.4 },
  diodeVolts: { low: 0.2, nominal: 0.3, high: 0.45 },
  baseVolts: { low: 0.5, nominal: 0.6, high: 0.75 },
  gain: { low: 100, nominal: 200, high: 400 },
  leakAmps: { low: 0, nominal: 0.5e-6, high: 1e-6 },
} as const satisfies Partial<Record<keyof Tap, Interval>>;
/** Resistors of 5 %, film capacitors of 10 % over temperature 20 %, as shares; what was entered of the signal. */
export const TAP_SHARES = { ohms: 0.05, farads: 0.2, volts: 0.05 } as const;

/** What a tap has to do with: joint, signal, and the pin with its pull-up. */
export interface TapAsked {
  readonly joint: TapJoint;
  readonly signal: TapSignal;
  readonly pinVolts: number;
  readonly pullOhms: number;
}

/** A tap whose parts fit what it reads, every value the usual one. */
export function designedTap({ joint, signal, pinVolts, pullOhms }: TapAsked): Tap {
  const { highVolts, hertz } = signal;
  const usual = Object.fromEntries(Object.entries(TAP_PARTS).map(([key, range]) => [key, range.nominal])) as Record<
    keyof typeof TAP_PARTS,
    number
  >;
  return {
    ...usual,
    joint,
    signal,
    pinVolts,
    pullOhms,
    upperOhms: upperOhms(highVolts, pinVolts) ?? 0,
    lowerOhms: LOWER_OHMS,
    ledOhms: ledOhms(highVolts, usual.ledVolts),
    pinFarads: joint === 'coupler' && hertz !== null ? pinFarads(hertz, pullOhms) : 0,
    couplingFarads: joint === 'pump' && hertz !== null ? couplingFarads(hertz) : 0,
    chargeOhms: CHARGE_OHMS,
    keepFarads: joint === 'pump' || joint === 'hold' ? keepFarads(joint, hertz) : 0,
    baseOhms: BASE_OHMS,
    bleedOhms: BLEED_OHMS,
  };
}
