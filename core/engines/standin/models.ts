import { buildOf, type Build } from '../circuit';
import type { MachineModel } from '../../ground/job';
import type { StandinFault } from './faults';

/** An appliance that can stand in for the real thing: how its controls are built, and how it behaves. */
export interface Standin {
  readonly key: string;
  readonly name: string;
  /** How each control is built, by its name; `build` serves for any other name. */
  readonly controls: Readonly<Record<string, Build>>;
  readonly build: Build;
  /** What each control does under the finger is drawn from its kind unless it is told here. */
  readonly faults: readonly StandinFault[];
  readonly machine: MachineModel;
  /** Levels that its own controller obeys, V. */
  readonly lowBelowVolts: number;
  readonly highAboveVolts: number;
  /** Its contacts bounce for up to this long, s. */
  readonly bounceSeconds: number;
}

const usual = {
  controls: {},
  faults: [],
  machine: { kind: 'starts-and-stops-itself', shortestPressSeconds: 0.04, runSeconds: 1500, afterPowerCut: 'off' },
  lowBelowVolts: 1.5,
  highAboveVolts: 3.5,
  bounceSeconds: 0.0062,
} as const satisfies Partial<Standin>;

/** How a control of a stand-in is built; names it does not know get its main control. */
export const buildFor = (standin: Standin, control: string): Build => standin.controls[control] ?? standin.build;

/** The rice pot: 5 V, 10 kΩ pull-up, isolated, deaf to presses under 40 ms, starts and stops by itself. Invented. */
export const RICE_POT: Standin = {
  ...usual,
  key: 'rice-pot',
  name: 'rice pot',
  build: buildOf({ kind: 'low-when-pressed', supplyVolts: 4.98, seriesOhms: 10_000 }),
};

/** A membrane keypad, 4 by 3, scanned every 16 ms with strobes of 2 ms that go low. Invented. */
const DOUGH_PROOFER: Standin = {
  ...usual,
  key: 'dough-proofer',
  name: 'dough proofer',
  build: buildOf({
    kind: 'scanned-matrix',
    supplyVolts: 4.96,
    seriesOhms: 22_000,
    contactOhms: 85,
    periodSeconds: 0.016,
    pulseShare: 0.125,
  }),
};

/** A cold-room alarm: its mute button low when pressed on 3.3 V, its beeper's two wires carry pulses. Invented. */
const COLD_ROOM_ALARM: Standin = {
  ...usual,
  key: 'cold-room-alarm',
  name: 'cold-room alarm',
  build: buildOf({ kind: 'low-when-pressed', supplyVolts: 3.28, seriesOhms: 47_000, contactOhms: 0.9 }),
  controls: {
    test: buildOf({ kind: 'ladder', supplyVolts: 3.28, seriesOhms: 10_000, keyOhms: 4_700, neighbourOhms: 50 }),
  },
  lowBelowVolts: 1.0,
  highAboveVolts: 2.3,
};

/** A hatch shutter: a 12 V gear motor on two wires, polarity is direction. Invented. */
const HATCH_SHUTTER: Standin = {
  ...usual,
  key: 'hatch-shutter',
  name: 'serving-hatch shutter',
  build: buildOf({ kind: 'motor-pair', supplyVolts: 12.2, seriesOhms: 4.6, groundOhms: 30e3 }),
  machine: { kind: 'open-stop-close-stop', shortestPressSeconds: 0.05, runSeconds: 21, afterPowerCut: 'off' },
};

/** A yard gate: a pair of terminals on a 12 V loop that floats. Invented. */
const YARD_GATE: Standin = {
  ...usual,
  key: 'yard-gate',
  name: 'yard gate',
  build: buildOf({ kind: 'dry-pair', supplyVolts: 11.63, seriesOhms: 1_415, contactOhms: 0.3, groundOhms: 400e6 }),
  machine: { kind: 'open-stop-close-stop', shortestPressSeconds: 0.08, runSeconds: 16, afterPowerCut: 'off' },
};

/** An extractor's wall rocker that switches the mains of a fan. Invented. */
const EXTRACTOR_ROCKER: Standin = {
  ...usual,
  key: 'extractor-rocker',
  name: 'extractor rocker',
  build: buildOf({ kind: 'switched-load', supplyVolts: 231, alternating: true, seriesOhms: 380, contactOhms: 0.05 }),
  machine: { kind: 'flips', shortestPressSeconds: 0.05, runSeconds: 60, afterPowerCut: 'as-before' },
};

const FLAPS = [1, 2, 3, 4, 5, 6, 7, 8];

/** A steam-flap panel with one ladder of buttons on one line, and the small 12 V motors of its flaps. Invented. */
const STEAM_FLAPS: Standin = {
  ...usual,
  key: 'steam-flaps',
  name: 'steam flap panel',
  build: buildOf({ kind: 'ladder', supplyVolts: 5.02, seriesOhms: 4_700, keyOhms: 2_200, neighbourOhms: 6_800 }),
  controls: Object.fromEntries(
    FLAPS.map((n) => [
      `flap.${n}`,
      buildOf({ kind: 'motor-pair', supplyVolts: 12.2, seriesOhms: 15, groundOhms: 30e3 }),
    ]),
  ),
};

/** The stand-ins by their keys. */
export const STANDINS: Readonly<Record<string, Standin>> = Object.fromEntries(
  [RICE_POT, DOUGH_PROOFER, COLD_ROOM_ALARM, HATCH_SHUTTER, YARD_GATE, EXTRACTOR_ROCKER, STEAM_FLAPS].map((s) => [
    s.key,
    s,
  ]),
);
