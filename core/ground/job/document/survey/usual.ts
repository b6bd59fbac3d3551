import type { MainsSide, Meter } from './types';

/** A common hand-held meter. Source: common practice (`meter-hand`). */
export const HAND_METER: Meter = {
  name: 'hand-held, 6 000 counts',
  voltsShare: 0.005,
  voltsDigits: 2,
  otherShare: 0.01,
  otherDigits: 3,
  inputOhms: 10e6,
  burdenOhms: 1,
  mostOhms: 20e6,
  beepBelowOhms: 50,
  trueRms: true,
  stated: false,
};

/** Whether a meter was described by its maker: said so, or other than the usual one in any number. */
export const isStated = (m: Meter): boolean =>
  m.stated ||
  (Object.keys(HAND_METER) as (keyof Meter)[]).some((k) => k !== 'name' && k !== 'stated' && m[k] !== HAND_METER[k]);

/** How it meets mains, before anybody said. */
export const UNKNOWN_MAINS: MainsSide = {
  feed: 'unknown',
  mainSwitch: 'unknown',
  cables: 'unknown',
  earth: 'unknown',
  tester: 'unknown',
  batteryVolts: null,
};

/**
 * How a stand-in meets mains, as it would be asked of a real machine: a plug that turns round, its main switch closed,
 * earth at the pin.
 */
export const BENCH_MAINS: MainsSide = {
  ...UNKNOWN_MAINS,
  feed: 'plug-turns',
  mainSwitch: 'closed',
  cables: 'none',
  earth: 'pin',
};
