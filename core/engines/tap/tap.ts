/** How what a machine gives comes to a pin. */
export type TapJoint = 'direct' | 'divider' | 'coupler' | 'pump' | 'hold';

/** What the machine gives, as far as it matters to what reads it. */
export interface TapSignal {
  /** Levels while it is so and while it is not, V; of what alternates the two ends of its swing while it is so. */
  readonly highVolts: number;
  readonly lowVolts: number;
  /** What stands behind it, Ω, 0 and more. */
  readonly sourceOhms: number;
  /** How often it goes up and down while it is so, Hz; null where it stands. */
  readonly hertz: number | null;
  /** Share of each turn that it is up, over 0 and up to 1. */
  readonly duty: number;
}

/** A tap with the values of its parts: Ω, F, V, A. Parts that its joint has not count for nothing. */
export interface Tap {
  readonly joint: TapJoint;
  readonly signal: TapSignal;
  /** Supply of the pin, its pull-up, what it leaks. */
  readonly pinVolts: number;
  readonly pullOhms: number;
  readonly leakAmps: number;
  /** Resistors of a divider. */
  readonly upperOhms: number;
  readonly lowerOhms: number;
  /** Resistor of the coupler’s lamp, what that drops, how much of its current comes through, and what its transistor leaves. */
  readonly ledOhms: number;
  readonly ledVolts: number;
  readonly transfer: number;
  readonly leftVolts: number;
  /** Capacitor at the pin behind a coupler; 0 for none. */
  readonly pinFarads: number;
  /** Pump: the capacitor that lets through what alternates. Hold: the resistor that it is charged through. */
  readonly couplingFarads: number;
  readonly chargeOhms: number;
  /** What both keep: its capacitor, the resistor to the base, what diode and base drop, and its gain. */
  readonly keepFarads: number;
  readonly baseOhms: number;
  /** From base to ground: it lets the transistor open for certain. */
  readonly bleedOhms: number;
  readonly diodeVolts: number;
  readonly baseVolts: number;
  readonly gain: number;
}

/** Joints whose transistor pulls the pin low while the signal is so; the pin has a pull-up then. */
export const PULLS_LOW: Readonly<Record<TapJoint, boolean>> = {
  direct: false,
  divider: false,
  coupler: true,
  pump: true,
  hold: true,
};

/** What is worked out of a tap: V, A, s. */
export interface TapLevels {
  /** The pin while the signal is so, and while it is not. */
  readonly on: number;
  readonly off: number;
  /** What is taken from the signal at its high level and at its low one, mean over a turn of what alternates. */
  readonly takesHigh: number;
  readonly takesLow: number;
  /** Volts that stand at the base’s capacitor while the signal is so; 0 where there is none. */
  readonly kept: number;
}

/** A transistor’s collector at the pin: all that its base asks for, but no lower than what it leaves. */
const collector = (t: Tap, amps: number): number =>
  Math.max(t.leftVolts, t.pinVolts - t.pullOhms * (amps + t.leakAmps));

/** How much a pump brings for each volt, S: what its capacitor takes over once a turn. */
const pumped = (t: Pick<Tap, 'signal' | 'couplingFarads'>): number => (t.signal.hertz ?? 0) * t.couplingFarads;

/** Where the kept volts settle, given what brings them (S) from where (V). */
function settled(t: Tap, brings: number, from: number): number {
  if (from <= t.baseVolts) return Math.max(0, from);
  return brings === 0 ? 0 : (brings * from + t.baseVolts / t.baseOhms) / (brings + 1 / t.baseOhms);
}

/** The base’s current at kept volts, A. */
const based = (t: Tap, kept: number): number =>
  Math.max(0, (kept - t.baseVolts) / t.baseOhms - t.baseVolts / t.bleedOhms);

/** What brings the kept volts while the signal is so and while it is not: how much, S, and from where, V. */
function charges(t: Tap): { readonly on: readonly [number, number]; readonly off: readonly [number, number] } {
  const { highVolts, lowVolts, sourceOhms, duty } = t.signal;
  if (t.joint === 'pump') return { on: [pumped(t), highVolts - lowVolts - 2 * t.diodeVolts], off: [0, 0] };
  const through = 1 / (t.chargeOhms + sourceOhms);
  return { on: [duty * through, highVolts - t.diodeVolts], off: [through, lowVolts - t.diodeVolts] };
}

/** Current through the coupler’s lamp at a level, A. */
const lit = (t: Tap, volts: number): number => Math.max(0, (volts - t.ledVolts) / (t.ledOhms + t.signal.sourceOhms));

/** What the pin behind a coupler has climbed to before the next wave pulls it down again, V. */
function recovered(t: Tap, low: number): number {
  const { hertz, duty } = t.signal;
  if (hertz === null) return low;
  if (t.pinFarads === 0) return t.pinVolts;
  const dark = (1 - (duty < 1 ? duty : 0)) / hertz;
  return t.pinVolts - (t.pinVolts - low) * Math.exp(-dark / (t.pullOhms * t.pinFarads));
}

/**
 * Levels of a tap once they have settled, in closed form: junctions and lamps drop what is stated, a transistor gives its gain until
 * nothing is left. Source: Ohm and Kirchhoff; a pumped capacitor as a conductance f·C (switched capacitor).
 */
export function tapLevels(t: Tap): TapLevels {
  const { highVolts, lowVolts, sourceOhms } = t.signal;
  switch (t.joint) {
    case 'direct': {
      const at = (v: number): number => v - t.leakAmps * sourceOhms;
      return { on: at(highVolts), off: at(lowVolts), takesHigh: t.leakAmps, takesLow: t.leakAmps, kept: 0 };
    }
    case 'divider': {
      const whole = sourceOhms + t.upperOhms + t.lowerOhms;
      const behind = (t.lowerOhms * (sourceOhms + t.upperOhms)) / whole;
      const at = (v: number): number => (v * t.lowerOhms) / whole - t.leakAmps * behind;
      return {
        on: at(highVolts),
        off: at(lowVolts),
        takesHigh: highVolts / whole,
        takesLow: lowVolts / whole,
        kept: 0,
      };
    }
    case 'coupler': {
      const [high, low] = [lit(t, highVolts), lit(t, lowVolts)];
      return {
        on: recovered(t, collector(t, t.transfer * high)),
        off: collector(t, t.transfer * low),
        takesHigh: high,
        // Under zero the diode across the lamp conducts.
        takesLow: Math.max(low, -lowVolts / (t.ledOhms + sourceOhms)),
        kept: 0,
      };
    }
    default: {
      const { on, off } = charges(t);
      const [kept, rest] = [settled(t, ...on), settled(t, ...off)];
      const takes = ([brings, from]: readonly [number, number], at: number): number =>
        Math.max(0, brings * (from - at));
      return {
        on: collector(t, t.gain * based(t, kept)),
        off: collector(t, t.gain * based(t, rest)),
        takesHigh: takes(on, kept),
        takesLow: takes(off, rest),
        kept,
      };
    }
  }
}

/** How long a tap takes to tell that it is so, and that it is no longer, s; infinite where it never does. */
export interface TapTimes {
  readonly seen: number;
  readonly gone: number;
}

/**
 * When the pin is beyond a level after the signal came and after it went, s.
 * @param low under this the pin reads low, V. @param high over this it reads high, V.
 */
export function tapTimes(t: Tap, low: number, high: number): TapTimes {
  const { on, off } = tapLevels(t);
  if (t.joint === 'direct' || t.joint === 'divider')
    return { seen: on >= high ? 0 : Infinity, gone: off <= low ? 0 : Infinity };
  if (on > low || off < high) return { seen: on > low ? Infinity : 0, gone: off < high ? Infinity : 0 };
  if (t.joint === 'coupler') {
    const climb = t.pullOhms * t.pinFarads * Math.log((t.pinVolts - t.leftVolts) / (off - high || 1e-12));
    return { seen: 0, gone: t.pinFarads === 0 ? 0 : Math.max(0, climb) };
  }
  return keptTimes(t, low, high);
}

/** The kept volts at which the collector leaves the pin at a level, V. */
const keptAt = (t: Tap, volts: number): number =>
  t.baseVolts +
  t.baseOhms * (Math.max(0, (t.pinVolts - volts) / t.pullOhms - t.leakAmps) / t.gain + t.baseVolts / t.bleedOhms);

function keptTimes(t: Tap, low: number, high: number): TapTimes {
  const [brings, from] = charges(t).on;
  const { kept } = tapLevels(t);
  const until = keptAt(t, low);
  // Until the base conducts nothing is taken away; from there it draws as well.
  const first = brings === 0 ? Infinity : (t.keepFarads / brings) * Math.log(from / (from - t.baseVolts));
  const second = (t.keepFarads / (brings + 1 / t.baseOhms)) * Math.log((kept - t.baseVolts) / (kept - until));
  const gone = t.baseOhms * t.keepFarads * Math.log((kept - t.baseVolts) / (keptAt(t, high) - t.baseVolts));
  return { seen: first + Math.max(0, second), gone: Math.max(0, gone) };
}
