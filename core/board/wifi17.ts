import type { LevelSegment, Pin, PinAbility, Profile } from './profile';

const RISE = 0.05;
const READY = 0.35;
const IO: readonly PinAbility[] = ['output', 'input', 'pull-up', 'interrupt'];

const whole = (level: LevelSegment['level']): LevelSegment[] => [{ from: 0, to: READY, level }];
const quiet = (gpio: number, nature = 'keeps still'): Pin => ({
  gpio,
  can: IO,
  strap: null,
  powerUp: whole('float'),
  nature,
});
const weaklyHigh = (gpio: number): Pin => ({
  gpio,
  can: IO,
  strap: null,
  nature: 'weakly high for 0.1 s',
  powerUp: [
    { from: 0, to: RISE, level: 'float' },
    { from: RISE, to: RISE + 0.1, level: 'weak-high' },
    { from: RISE + 0.1, to: READY, level: 'float' },
  ],
});
const busy = (gpio: number, strap: Pin['strap'], nature: string, level: LevelSegment['level']): Pin => ({
  gpio,
  can: IO,
  strap,
  nature,
  powerUp: [
    { from: 0, to: RISE, level: 'weak-high' },
    { from: RISE, to: READY, level },
  ],
});

/** Wi-Fi module, 17 GPIO, 3.3 V. Every value from memory (`board-wifi17`): measure your own board. */
export const WIFI_17: Profile = {
  key: 'wifi-17',
  source: 'board-wifi17',
  name: 'Wi-Fi module, 17 GPIO',
  volts: 3.3,
  highVolts: { low: 2.9, nominal: 3.2, high: 3.4 },
  pinLimitAmps: 0.012,
  weakOhms: { low: 30e3, high: 100e3 },
  supplyVolts: { low: 4.5, nominal: 5, high: 5.5 },
  meanAmps: 0.075,
  peakAmps: 0.4,
  readySeconds: READY,
  pins: [
    busy(0, 'high', 'must be high at reset, toggles', 'toggles'),
    busy(1, null, 'prints while booting', 'toggles'),
    busy(2, 'high', 'must be high at reset, blinks', 'toggles'),
    busy(3, null, 'high, serial input', 'high'),
    quiet(4),
    quiet(5),
    ...[6, 7, 8, 9, 10, 11].map((gpio): Pin => ({
      gpio,
      can: [],
      strap: null,
      powerUp: whole('toggles'),
      nature: 'taken by the memory',
    })),
    weaklyHigh(12),
    weaklyHigh(13),
    weaklyHigh(14),
    { gpio: 15, can: IO, strap: 'low', powerUp: whole('low'), nature: 'must be low at reset' },
    {
      gpio: 16,
      can: ['output', 'input', 'wake'],
      strap: null,
      powerUp: whole('high'),
      nature: 'high, no interrupts, wakes the chip',
    },
  ],
};

/** Profiles by key. */
export const PROFILES: Readonly<Record<string, Profile>> = { [WIFI_17.key]: WIFI_17 };
