import type { Origin } from '../finding';
import type { SourceKey } from '../sources';
import type { Interval } from '../quantity';
import type { ControlKind, SwitchModule, Way } from '../job';

/**
 * Whether a control is apart from mains. `low-voltage`: all that a meter tells without an insulation test was read and shows nothing; what
 * gives way at mains voltage alone is not seen so, hence both sides are kept apart as if it were tied.
 */
export type Isolation = 'isolated' | 'low-voltage' | 'not-isolated' | 'unknown';

/** What Probe hands to the other rooms about one control. */
export interface ControlFact {
  /** The kind, once known at 95 %; null before. */
  kind: ControlKind | null;
  leading: ControlKind;
  probability: number;
  /** Estimated values with their bounds, in base units: supplyVolts, pullUpOhms, contactOhms, loopVolts, loopAmps … */
  parameters: Record<string, Interval>;
  /** Of each of these values that rests on readings, the ISO time of the last; a value that is not here is what its kind usually has. */
  read: Record<string, string>;
  /** All of it was read of another control that this one is taken to be like. */
  borrowed: boolean;
  /** Readings of the control itself, looks included. */
  readings: number;
  /** ISO time of the last reading that an estimate rests on. */
  lastReadingAt: string;
  /** Whether its voltage alternates. */
  alternating: 'yes' | 'no' | 'unknown';
  /** Whether strobes go low, for a scanned key. */
  strobesLow: 'yes' | 'no' | 'unknown';
  /** Where the contact's other side stands: it joins the signal to ground or to the supply, or floats with its own loop. */
  farSide: 'ground' | 'supply' | 'floats' | 'unknown';
  /** The highest current that was ever read through its closed contact, A; null where none was. */
  mostAmps: number | null;
  /** Readings that cannot all be right. */
  contradicted: boolean;
  isolation: Isolation;
  /** Over the limits of extra-low voltage somewhere on the control, loaded or from a source. */
  dangerous: boolean;
  /** Which terminal carries the signal. */
  signal: 'A' | 'B';
  /**
   * Where no reading left tells several kinds apart: this control as each of them, likeliest first, each with its kind known. Whatever is
   * to be settled has to hold for all. Empty where there is no such tie.
   */
  tied: readonly ControlFact[];
}

/** A control as one kind, where it is that, is likeliest that, or may be that for ever; undefined where it is something else. */
export const asKind = (fact: ControlFact, kind: ControlKind): ControlFact | undefined =>
  fact.leading === kind ? fact : fact.tied.find((f) => f.leading === kind);

/** An order that outputs must keep: `first`, then a wait of at least `waitSeconds`, then `then`. */
export interface SequenceRule {
  readonly first: string;
  readonly then: string;
  readonly waitSeconds: number;
  readonly why: string;
}

/** How a signal goes over a line. */
export type LineSort = 'level' | 'pulses' | 'pulse-width' | 'analogue' | 'frequency';

/** A pin that a way asks for. */
export interface PinNeed {
  /** As the wires of the way call it: `pin`, `pin 2`, `pin, enable`. */
  readonly end: string;
  /** What it is for, as `K1` or `direction`; empty where a way takes one pin alone. */
  readonly part: string;
  readonly direction: 'out' | 'in';
  readonly sort: LineSort;
  /** Whether the machine acts on it by itself, so that a twitch is a press; a select bit or a direction alone moves nothing. */
  readonly acts: boolean;
}

/** What a way draws from a supply while it presses. */
export interface Draw {
  /** Empty for what the press is known by, `motor` for a motor that hangs on a supply of its own. */
  readonly part: string;
  readonly name: string;
  /** Between which voltages it works; null where any that the controller runs from will do. */
  readonly volts: Interval | null;
  /** At work, and for a moment at its start, A; null where nobody said or read it. */
  readonly runAmps: number | null;
  readonly startAmps: number | null;
  readonly startSeconds: number;
  /** At rest, A. */
  readonly idleAmps: number;
  /** Where these currents come from. */
  readonly origin: Origin;
  /** Its minus and the controller's ground must be one. */
  readonly sharesGround: boolean;
}

/** All that a press draws from supplies at work, as far as it is known, A. */
export const drawnAmps = (draws: readonly Draw[]): number => draws.reduce((sum, d) => sum + (d.runAmps ?? 0), 0);

/** What Thumb hands on about the chosen way. */
export interface PressFact {
  /** Id and name of the press, and the control that it presses. */
  id: string;
  name: string;
  control: string;
  way: Way;
  /** Whether the way has anything to do with its control; where it has not, nothing of it is built. */
  applies: boolean;
  verdict: 'settled' | 'tight' | 'stop' | 'unknown';
  sharesGround: boolean;
  galvanicallyApart: boolean;
  /** Pin level at which the driver starts to conduct, volts. */
  turnOnVolts: number;
  /** Current that the driver needs from the pin before the contact closes, amperes. A weak pull-up gives less. */
  turnOnAmps: number;
  /** The driver's own resistor from its input to ground, Ω, or null where it has none. */
  holdOhms: number | null;
  pinAmps: number;
  /** What it draws from supplies. */
  draws: readonly Draw[];
  resistorOhms: number | null;
  /** What the pin gives: a level that holds the press, pulses that place it, or nothing at all. */
  input: 'level' | 'pulses';
  /** The pulses of a servo and the time that it takes from one to the other, s; null where it is no servo. */
  pulses: {
    readonly rest: number;
    readonly press: number;
    /** Of a rocker's other side; null where only one is pressed. */
    readonly other: number | null;
    readonly swing: number;
  } | null;
  /** The level that presses: by the way, its wires and its part, and so in the strip and in the packed program. */
  pressesOn: 'high' | 'low';
  /** Its key's number on a row of select lines that several keys share, and whose lines they are, by press; null for a way without. */
  select: { readonly value: number; readonly of: string } | null;
  /** Outputs of the controller that it takes. */
  outputs: number;
  /** The pins that it takes, as its wires name them; the first is the one that presses. */
  pins: readonly PinNeed[];
  /** A resistor from its pin to ground. */
  pullDown: boolean;
  /** The part whose contact carries the load, with its ratings; null where it carries none. */
  contact: ContactFact | null;
  /** A module that pulls its own input while the controller’s rail is still dead. */
  deadRailCloses: boolean;
  /** How long a press lasts at most once it has begun, whatever the pin does then: a one-shot holds it, s; 0 where the pin alone does. */
  latchSeconds: number;
  /** A servo that may jerk when it gets power. */
  jerks: boolean;
  /** Mains conductors are wired by this way. */
  mains: boolean;
  sequence: readonly SequenceRule[];
}

/** A contact that carries a load, as Guard holds it against the load. */
export interface ContactFact {
  readonly name: string;
  readonly amps: number;
  readonly inrushAmps: number;
  readonly volts: number;
  readonly origin: Origin;
}

/** What Board hands on about the chosen controller's pins. */
export interface DriveFact {
  controller: string;
  /** Where the numbers of this board come from. */
  source: SourceKey;
  /** Lowest and highest level of a driven-high pin, volts. */
  highVolts: Interval;
  limitAmps: number;
  /** Draw of the controller itself, amperes. */
  meanAmps: number;
  peakAmps: number;
  /** Between which voltages it may be fed. */
  supplyVolts: Interval;
  /** Between which voltages its chip runs, for a supply that goes round its regulator; null where nobody says. */
  chipVolts: Interval | null;
  /** What its regulator makes, V; how it does so, and what it needs above that, V. */
  pinVolts: number;
  regulator: 'unknown' | 'none' | 'linear' | 'switching';
  dropVolts: number | null;
  /** Draw in deep sleep, of the board and of the chip by itself, A; null where it has none. */
  sleepAmps: number | null;
  chipSleepAmps: number | null;
  /** What makes it a bought switch, and its contact as Guard holds it against a load; null for a bare board. */
  module: SwitchModule | null;
  moduleContact: ContactFact | null;
}

/** What rooms learn from each other; `assess` fills it in the order of the work. */
export interface Facts {
  controls: Record<string, ControlFact>;
  drive: DriveFact | null;
  /** Of each press whose way is chosen. */
  presses: readonly PressFact[];
}
