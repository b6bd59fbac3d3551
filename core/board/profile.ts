import type { SourceKey } from '../finding';

/** What a pin's level does over a stretch of the power-up, seconds from power rising. */
export interface LevelSegment {
  readonly from: number;
  readonly to: number;
  /** `weak-high` is a pull-up inside the chip; `toggles` is any traffic; `float` is an input without a pull. */
  readonly level: 'low' | 'high' | 'weak-high' | 'float' | 'toggles';
}

export type PinAbility = 'output' | 'input' | 'pull-up' | 'interrupt' | 'wake' | 'analogue';

export interface Pin {
  readonly gpio: number;
  readonly can: readonly PinAbility[];
  /** Level that the pin must have while the chip comes out of reset, or null. */
  readonly strap: 'high' | 'low' | null;
  readonly powerUp: readonly LevelSegment[];
  readonly nature: string;
}

/** A controller board as data. */
export interface Profile {
  readonly key: string;
  /** Where its values come from. */
  readonly source: SourceKey;
  readonly name: string;
  readonly volts: number;
  /** Lowest, usual and highest level of a pin driven high under load, V. */
  readonly highVolts: { readonly low: number; readonly nominal: number; readonly high: number };
  readonly pinLimitAmps: number;
  /** Pull-up inside the chip from part to part, Ω. */
  readonly weakOhms: { readonly low: number; readonly high: number };
  /** Between which voltages the board may be fed at its supply input, V. */
  readonly supplyVolts: { readonly low: number; readonly nominal: number; readonly high: number };
  readonly meanAmps: number;
  readonly peakAmps: number;
  /** Seconds from power rising until the program has set its pins. */
  readonly readySeconds: number;
  readonly pins: readonly Pin[];
}
