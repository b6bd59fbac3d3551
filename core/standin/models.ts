import type { Build } from '../circuit';
import type { MachineModel } from '../job';

/** An appliance that can stand in for the real thing: how its control is built, and how it behaves. */
export interface Standin {
  readonly key: string;
  readonly name: string;
  readonly build: Build;
  readonly machine: MachineModel;
  /** Levels that its own controller obeys, V. */
  readonly lowBelowVolts: number;
  readonly highAboveVolts: number;
  /** Its contacts bounce for up to this long, s. */
  readonly bounceSeconds: number;
}

/** The rice pot: 5 V, 10 kΩ pull-up, isolated, deaf to presses under 40 ms, starts and stops by itself. Invented. */
export const RICE_POT: Standin = {
  key: 'rice-pot',
  name: 'rice pot',
  build: { kind: 'low-when-pressed', signal: 'A', supplyVolts: 4.98, alternating: false, seriesOhms: 10_000, contactOhms: 0.4, mainsOhms: 150e6, groundOhms: 0.05 },
  machine: { kind: 'starts-and-stops-itself', shortestPressSeconds: 0.04, runSeconds: 1500, afterPowerCut: 'off' },
  lowBelowVolts: 1.5,
  highAboveVolts: 3.5,
  bounceSeconds: 0.0062,
};

export const STANDINS: Readonly<Record<string, Standin>> = { [RICE_POT.key]: RICE_POT };
