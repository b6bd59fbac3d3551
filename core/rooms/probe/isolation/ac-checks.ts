import { firstItem } from '../../../ground/lists';
import type { ReadingSpec } from '../../../engines/circuit';
import { ELV_AC_VOLTS, ELV_DC_VOLTS } from '../../../engines/electrics';
import type { Point, Reading } from '../../../ground/job';
import { joins } from './points';

/** An AC reading to earth over this is taken again with a load (`stray-volts`), Ω and V. */
export const STRAY_VOLTS = 5;
/** The load under which a high AC reading is taken again, Ω. */
export const TEST_LOAD_OHMS = 10e3;
/** Current through that load that a Y capacitor of a sound machine may still push, A. Source: IEC 60335-1 (`touch-current`). */
export const TOUCH_AMPS = 0.25e-3;

const EARTH: Point = { kind: 'earth', name: '' };

/** Positions of the plug in which volts to earth are read. */
const POSITIONS = ['idle', 'plug-turned'] as const;
/**
 * States with a load across the tips in each position, with its ohms, the one that is asked for first: 100 kΩ bear mains for as long as it
 * takes, so that they are clipped across before anything is plugged in and one reading tells. 10 kΩ are what volts that were read open
 * are taken again with.
 */
const LOADS: Readonly<Record<(typeof POSITIONS)[number], readonly (readonly [Reading['state'], number])[]>> = {
  idle: [
    ['loaded-100k', 100e3],
    ['loaded-10k', TEST_LOAD_OHMS],
  ],
  'plug-turned': [
    ['turned-100k', 100e3],
    ['turned-10k', TEST_LOAD_OHMS],
  ],
};

/** The AC check of one point in one position of the plug. */
export interface AcCheck {
  readonly at: (typeof POSITIONS)[number];
  /** Without a load, where read so. */
  readonly open: Reading | null;
  /** With a load across the tips, where taken: the one that passed most. */
  readonly loaded: { readonly reading: Reading; readonly ohms: number } | null;
  /** `stray`: it gives way under the load, or was too small to ask for one. `tied`: it does not. `unloaded`: the load is still wanted. */
  readonly is: 'stray' | 'tied' | 'unloaded';
}

/** True where a reading is over extra-low voltage by a source of its own: not merely between a floating point and earth. */
export const overLimits = (r: Reading): boolean =>
  !toEarth(r) &&
  ((r.kind === 'volts-ac' && r.value > ELV_AC_VOLTS) || (r.kind === 'volts-dc' && Math.abs(r.value) > ELV_DC_VOLTS));

const toEarth = (r: Reading): boolean => r.kind === 'volts-ac' && (r.to.kind === 'earth' || r.from.kind === 'earth');

/** The AC checks against earth of one point, one for each position of the plug that was read. */
export function acChecks(readings: readonly Reading[], point: Point): AcCheck[] {
  const highest = (state: Reading['state']): Reading | null =>
    readings
      .filter((r) => toEarth(r) && r.state === state && joins(r, point, EARTH))
      .sort((a, b) => b.value - a.value)[0] ?? null;
  return POSITIONS.flatMap((at): AcCheck[] => {
    const open = highest(at);
    const loaded =
      LOADS[at]
        .flatMap(([state, ohms]) => {
          const reading = highest(state);
          return reading ? [{ reading, ohms }] : [];
        })
        .sort((a, b) => b.reading.value / b.ohms - a.reading.value / a.ohms)[0] ?? null;
    if (!open && !loaded) return [];
    const passes = loaded !== null && loaded.reading.value / loaded.ohms > TOUCH_AMPS;
    return [{ at, open, loaded, is: passes ? 'tied' : (loaded ?? isSmall(open)) ? 'stray' : 'unloaded' }];
  });
}

const isSmall = (open: Reading | null): boolean => open !== null && open.value <= STRAY_VOLTS;

/** AC readings still wanted of a point: both positions of the plug, with a load from the beginning. */
export function acMissing(checks: readonly AcCheck[], point: Point, second: boolean): ReadingSpec[] {
  return (second ? POSITIONS : (['idle'] as const)).flatMap((at): ReadingSpec[] => {
    const check = checks.find((c) => c.at === at);
    if (check && check.is !== 'unloaded') return [];
    return [wanted(at, point)];
  });
}

const wanted = (at: AcCheck['at'], point: Point): ReadingSpec => ({
  from: point,
  to: EARTH,
  state: firstItem(LOADS[at])[0],
  kind: 'volts-ac',
});

/** Of the AC readings that a point still wants, those of positions that were read open and high: for a point of which no other is asked. */
export const loadsMissing = (checks: readonly AcCheck[], point: Point): ReadingSpec[] =>
  checks.filter((c) => c.is === 'unloaded').map((c) => wanted(c.at, point));
