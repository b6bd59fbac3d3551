import type { Origin, SourceKey } from '../finding';
import type { Interval } from '../quantity';
import type { ControlKind, Way } from '../job';

export type Isolation = 'isolated' | 'not-isolated' | 'unknown';

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
}

/** An order that outputs must keep: `first`, then a wait of at least `waitSeconds`, then `then`. */
export interface SequenceRule {
  readonly first: string;
  readonly then: string;
  readonly waitSeconds: number;
  readonly why: string;
}

/** What Thumb hands on about the chosen way. */
export interface PressFact {
  way: Way;
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
  /** Drawn from the controller's supply while pressing, amperes. */
  supplyAmps: number;
  needsVolts: number;
  resistorOhms: number | null;
  /** What the pin gives: a level that holds the press, pulses that place it, or nothing at all. */
  input: 'level' | 'pulses';
  /** The two pulses of a servo and the time that it takes from one to the other, s; null where it is no servo. */
  pulses: { readonly rest: number; readonly press: number; readonly swing: number } | null;
  /** The level that presses: by the way, its wires and its part, and so in the strip and in the packed program. */
  pressesOn: 'high' | 'low';
  /** What draws `supplyAmps`, and its current at the worst instant, A. */
  load: string;
  peakAmps: number;
  /** Where that current comes from. */
  drawOrigin: Origin;
  /** Outputs of the controller that it takes. */
  outputs: number;
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
  /** Pins that read a contact against their own pull-up, and that neither hold a reset nor talk at power-up. */
  contactPins: readonly number[];
}

/** What rooms learn from each other; `assess` fills it in the order of the work. */
export interface Facts {
  controls: Record<string, ControlFact>;
  drive: DriveFact | null;
  press: PressFact | null;
}
