import type { LineSort, PinNeed, PressFact } from '../../ground/facts';
import type { PinAbility } from '../../ground/job';

/** What a line belongs to. */
export type LineOwner = 'press' | 'sense' | 'hand' | 'sign';

/** A signal between the controller and the rest: derived from presses, senses, hands and signs, and stored nowhere. */
export interface Line {
  /** Whose it is, and which of its outputs or inputs after a stroke where it has several. */
  readonly id: string;
  readonly of: LineOwner;
  /** Id of the press, sense, hand or sign. */
  readonly owner: string;
  /** As it stands in lists: `start`, `shutter K2`, `rocker up`. */
  readonly name: string;
  readonly direction: 'out' | 'in';
  readonly sort: LineSort;
  /** The level at which it is active. */
  readonly active: 'high' | 'low';
  /** What the pin must be able to do. */
  readonly asks: readonly PinAbility[];
  /** What the pin has to give at most, A. */
  readonly amps: number;
  /** The highest level that comes in, V; null where nothing but the pin's own level stands on it. */
  readonly volts: number | null;
  /** True where a twitch moves the machine. */
  readonly acts: boolean;
  /** The press that it drives, with the pin that its wires name; null for the others. */
  readonly press: PressFact | null;
  readonly need: PinNeed | null;
  /** A resistor from the pin to ground. */
  readonly pulledDown: boolean;
}
