import type { BoardPin, BoardProfile, PinAbility } from '../../ground/job';
import { boardPin } from './make-pin';

const IO: PinAbility[] = ['output', 'input', 'pull-up', 'interrupt', 'wake', 'five-volt'];
const PULSES = new Set([3, 5, 6, 9, 10, 11]);
const digital = (gpio: number): BoardPin =>
  boardPin(gpio, `D${gpio}`, `digital ${gpio}`, {
    can: PULSES.has(gpio) ? [...IO, 'pulse-width'] : IO,
    nature: 'floats until set up',
  });
const analogue = (n: number): BoardPin =>
  boardPin(14 + n, `A${n}`, `analogue ${n}`, { can: [...IO, 'analogue'], nature: 'floats until set up' });

/** 8-bit board, 20 I/O, 5 V. Every value from memory (`board-8bit`): measure your own board. */
export const EIGHT_BIT: BoardProfile = {
  key: 'eight-bit-20',
  name: '8-bit board, 20 I/O, 5 V',
  volts: 5,
  highVolts: [4.2, 4.9, 5.25],
  pinAmps: 0.02,
  allPinsAmps: 0.2,
  weakOhms: [20e3, 50e3],
  supplyVolts: [4.5, 5, 5.5],
  meanAmps: 0.03,
  peakAmps: 0.06,
  regulator: 'none',
  dropVolts: null,
  chipLeastVolts: 4.5,
  chipMostVolts: 5.5,
  sleepAmps: 0.016,
  chipSleepAmps: 6e-6,
  riseSeconds: 0.07,
  readySeconds: 1.7,
  resetSeconds: 0.07,
  programSeconds: 8,
  tags: {},
  module: null,
  pins: [
    boardPin(0, 'RX', 'digital 0', {
      can: IO,
      nature: 'serial input',
      levels: { boot: 'weak-high', programming: 'toggles' },
    }),
    boardPin(1, 'TX', 'digital 1', {
      can: IO,
      nature: 'serial output',
      levels: { boot: 'high', programming: 'toggles' },
    }),
    ...[2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12].map(digital),
    boardPin(13, 'D13', 'digital 13', {
      can: IO,
      nature: 'blinks in the bootloader',
      levels: { boot: 'toggles', programming: 'toggles' },
    }),
    ...[0, 1, 2, 3, 4, 5].map(analogue),
  ],
};
