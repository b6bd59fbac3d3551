import type { Interval } from '../quantity';
import type { Way } from './types';

/** The ways a control can be built. */
export const CONTROL_KINDS = [
  'low-when-pressed', 'high-when-pressed', 'ladder', 'scanned-matrix', 'dry-pair', 'switched-load', 'touch-pad', 'motor-pair',
  'latching-switch', 'selector', 'encoder', 'serial-bus',
] as const;
export type ControlKind = (typeof CONTROL_KINDS)[number];

export type Isolation = 'isolated' | 'not-isolated' | 'unknown';

/** What Probe hands to the other rooms about one control. */
export interface ControlFact {
  /** The kind, once known at 95 %; null before. */
  kind: ControlKind | null;
  leading: ControlKind;
  probability: number;
  /** Estimated values with their bounds, in base units: supplyVolts, pullUpOhms, contactOhms, loopVolts, loopAmps … */
  parameters: Record<string, Interval>;
  /** ISO times of the readings that the estimates rest on, last one first. */
  lastReadingAt: string;
  isolation: Isolation;
  /** Over the limits of extra-low voltage somewhere on the control. */
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
  /** The level that presses, where the part does not leave it open. */
  pressesOn: 'high' | 'low' | null;
  /** What draws `supplyAmps`, and its current at the worst instant, A. */
  load: string;
  peakAmps: number;
  /** Outputs of the controller that it takes. */
  outputs: number;
  sequence: readonly SequenceRule[];
}

/** What Board hands on about the chosen controller's pins. */
export interface DriveFact {
  controller: string;
  /** Lowest and highest level of a driven-high pin, volts. */
  highVolts: Interval;
  limitAmps: number;
  /** Draw of the controller itself, amperes. */
  meanAmps: number;
  peakAmps: number;
}

/** What rooms learn from each other; `assess` fills it in the order of the work. */
export interface Facts {
  controls: Record<string, ControlFact>;
  drive: DriveFact | null;
  press: PressFact | null;
}

