import type { BoardPin, BoardProfile, PinAbility } from '../../ground/job';
import { boardPin, starting, taken } from './make-pin';

const IO: PinAbility[] = ['output', 'input', 'pull-up', 'interrupt', 'pulse-width'];
const WAKES: PinAbility[] = [...IO, 'wake'];
const quiet = (gpio: number, header: string, can: PinAbility[] = IO): BoardPin =>
  boardPin(gpio, `IO${gpio}`, header, { can });
const inputOnly = (gpio: number, header: string): BoardPin =>
  boardPin(gpio, `IO${gpio}`, header, {
    can: ['input', 'interrupt', 'wake', 'analogue'],
    nature: 'input only, no pulls',
    levels: { running: 'float' },
  });

/** Wi-Fi module, 34 GPIO, 3.3 V. Every value from memory (`board-wifi34`): measure your own board. */
export const WIFI_34: BoardProfile = {
  key: 'wifi-34',
  name: 'Wi-Fi module, 34 GPIO',
  volts: 3.3,
  highVolts: [2.64, 3.2, 3.4],
  pinAmps: 0.02,
  allPinsAmps: null,
  weakOhms: [30e3, 80e3],
  supplyVolts: [4.5, 5, 5.5],
  meanAmps: 0.1,
  peakAmps: 0.5,
  regulator: 'linear',
  dropVolts: 1.2,
  chipLeastVolts: 3,
  chipMostVolts: 3.6,
  sleepAmps: 0.01,
  chipSleepAmps: 10e-6,
  riseSeconds: 0.05,
  readySeconds: 0.4,
  resetSeconds: 0.01,
  programSeconds: 20,
  tags: {},
  module: null,
  pins: [
    boardPin(0, 'IO0', 'right 14', {
      can: WAKES,
      strap: 'high',
      nature: 'must be high at reset',
      levels: { ...starting('weak-high'), programming: 'low' },
    }),
    boardPin(1, 'TX', 'right 4', {
      nature: 'prints while booting',
      levels: { ...starting('high'), boot: 'toggles', programming: 'toggles' },
    }),
    boardPin(2, 'IO2', 'right 15', {
      can: WAKES,
      strap: 'low',
      nature: 'must not be high when programmed',
      levels: starting('weak-low'),
    }),
    boardPin(3, 'RX', 'right 5', { nature: 'high, serial input', levels: starting('high') }),
    quiet(4, 'right 13', WAKES),
    boardPin(5, 'IO5', 'right 10', {
      strap: 'high',
      nature: 'high at reset, toggles at boot',
      levels: { ...starting('weak-high'), boot: 'toggles' },
    }),
    ...[6, 7, 8, 9, 10, 11].map((gpio) => taken(gpio, `S${gpio}`)),
    boardPin(12, 'IO12', 'left 13', {
      can: WAKES,
      strap: 'low',
      nature: 'must be low at reset',
      levels: starting('weak-low'),
    }),
    quiet(13, 'left 15', WAKES),
    boardPin(14, 'IO14', 'left 12', {
      can: WAKES,
      nature: 'toggles at boot',
      levels: { ...starting('weak-high'), boot: 'toggles' },
    }),
    boardPin(15, 'IO15', 'right 16', {
      can: WAKES,
      strap: 'high',
      nature: 'high at reset, toggles at boot',
      levels: { ...starting('weak-high'), boot: 'toggles' },
    }),
    quiet(16, 'right 12'),
    quiet(17, 'right 11'),
    quiet(18, 'right 9'),
    quiet(19, 'right 8'),
    quiet(21, 'right 6'),
    quiet(22, 'right 3'),
    quiet(23, 'right 2'),
    quiet(25, 'left 9', WAKES),
    quiet(26, 'left 10', WAKES),
    quiet(27, 'left 11', WAKES),
    quiet(32, 'left 7', [...WAKES, 'analogue']),
    quiet(33, 'left 8', [...WAKES, 'analogue']),
    inputOnly(34, 'left 5'),
    inputOnly(35, 'left 6'),
    inputOnly(36, 'left 3'),
    inputOnly(37, ''),
    inputOnly(38, ''),
    inputOnly(39, 'left 4'),
  ],
};
