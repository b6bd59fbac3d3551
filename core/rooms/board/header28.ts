import type { BoardPin, BoardProfile, PinAbility } from '../../ground/job';
import { boardPin, starting } from './make-pin';

/** Place on the header of 40 pins by chip number. */
const PLACE: readonly number[] = [
  27, 28, 3, 5, 7, 29, 31, 26, 24, 21, 19, 23, 32, 33, 8, 10, 36, 11, 12, 35, 38, 40, 15, 16, 18, 22, 37, 13,
];
const PULSES = new Set([12, 13, 18, 19]);
const IO: PinAbility[] = ['output', 'input', 'pull-up', 'interrupt'];

/** Pins that do something of their own at the start: what, and their levels until the program sets them. */
const SPECIAL: Readonly<Record<number, Pick<BoardPin, 'nature'> & { readonly at: 'toggles' | 'high' }>> = {
  0: { nature: 'read for an add-on board at the start', at: 'toggles' },
  1: { nature: 'read for an add-on board at the start', at: 'toggles' },
  2: { nature: 'fixed pull-up of 1.8 kΩ', at: 'high' },
  3: { nature: 'fixed pull-up of 1.8 kΩ', at: 'high' },
  14: { nature: 'the console talks here', at: 'toggles' },
  15: { nature: 'the console talks here', at: 'toggles' },
};
/** The last pin that is pulled up until the program sets it; the others are pulled down. */
const LAST_PULLED_UP = 8;

const headerPin = (gpio: number): BoardPin => {
  const up = gpio <= LAST_PULLED_UP;
  const level = up ? ('weak-high' as const) : ('weak-low' as const);
  const special = SPECIAL[gpio];
  const fixed = special?.at === 'high' ? 'high' : level;
  return boardPin(gpio, `GPIO${gpio}`, `pin ${PLACE[gpio]}`, {
    can: PULSES.has(gpio) ? [...IO, 'pulse-width'] : IO,
    nature: special?.nature ?? (up ? 'pulled up until set' : 'pulled down until set'),
    levels: { ...starting(special?.at ?? level), rising: fixed, reset: fixed },
  });
};

/** Single-board computer header, 28 GPIO, 3.3 V. Every value from memory (`board-header28`): measure your own board. */
export const HEADER_28: BoardProfile = {
  key: 'header-28',
  name: 'single-board computer header, 28 GPIO',
  volts: 3.3,
  highVolts: [2.6, 3.2, 3.4],
  pinAmps: 0.016,
  allPinsAmps: 0.05,
  weakOhms: [50e3, 65e3],
  supplyVolts: [4.75, 5, 5.25],
  meanAmps: 0.6,
  peakAmps: 1.2,
  regulator: 'switching',
  dropVolts: null,
  chipLeastVolts: null,
  chipMostVolts: null,
  sleepAmps: null,
  chipSleepAmps: null,
  riseSeconds: 0.05,
  readySeconds: 25,
  resetSeconds: 1,
  programSeconds: 0,
  tags: {},
  module: null,
  pins: PLACE.map((_, gpio) => headerPin(gpio)),
};
