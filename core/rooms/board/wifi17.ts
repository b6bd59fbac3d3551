import type { BoardPin, BoardProfile, Level } from '../../ground/job';
import { boardPin, starting, taken } from './make-pin';

/** High while it starts, then what the boot does with it. */
const busy = (
  gpio: number,
  label: string,
  header: string,
  strap: BoardPin['strap'],
  nature: string,
  level: Level,
): BoardPin =>
  boardPin(gpio, label, header, {
    strap,
    nature,
    levels: { ...starting('weak-high'), boot: level, programming: level },
  });
const weaklyHigh = (gpio: number, label: string, header: string): BoardPin =>
  boardPin(gpio, label, header, { nature: 'weakly high for 0.1 s', pulse: 'weak-high', pulseSeconds: 0.1 });

/** Wi-Fi module, 17 GPIO, 3.3 V. Every value from memory (`board-wifi17`): measure your own board. */
export const WIFI_17: BoardProfile = {
  key: 'wifi-17',
  name: 'Wi-Fi module, 17 GPIO',
  volts: 3.3,
  highVolts: [2.9, 3.2, 3.4],
  pinAmps: 0.012,
  allPinsAmps: null,
  weakOhms: [30e3, 100e3],
  supplyVolts: [4.5, 5, 5.5],
  meanAmps: 0.075,
  peakAmps: 0.4,
  regulator: 'linear',
  dropVolts: 1.2,
  chipLeastVolts: 3,
  chipMostVolts: 3.6,
  sleepAmps: 0.01,
  chipSleepAmps: 20e-6,
  riseSeconds: 0.05,
  readySeconds: 0.35,
  resetSeconds: 0.01,
  programSeconds: 15,
  tags: {},
  module: null,
  pins: [
    busy(0, 'D3', 'right 4', 'high', 'must be high at reset, toggles', 'toggles'),
    busy(1, 'TX', 'right 13', null, 'prints while booting', 'toggles'),
    busy(2, 'D4', 'right 5', 'high', 'must be high at reset, blinks', 'toggles'),
    busy(3, 'RX', 'right 12', null, 'high, serial input', 'high'),
    boardPin(4, 'D2', 'right 3'),
    boardPin(5, 'D1', 'right 2'),
    ...[6, 7, 8, 9, 10, 11].map((gpio) => taken(gpio, `S${gpio}`)),
    weaklyHigh(12, 'D6', 'right 9'),
    weaklyHigh(13, 'D7', 'right 10'),
    weaklyHigh(14, 'D5', 'right 8'),
    boardPin(15, 'D8', 'right 11', { strap: 'low', nature: 'must be low at reset', levels: starting('low') }),
    boardPin(16, 'D0', 'right 1', {
      can: ['output', 'input', 'wake'],
      nature: 'high, no interrupts, wakes the chip',
      levels: starting('high'),
    }),
    boardPin(17, 'A0', 'left 1', { can: ['analogue'], nature: 'analogue only', levels: { running: 'float' } }),
  ],
};
