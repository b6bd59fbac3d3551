import { decade, wide } from './draws';
import type { BuildDraw, Variant } from './variant';
import type { Build } from './build';

const LOADS = wide([
  [3, 0.5],
  [5, 2],
  [6, 1],
  [9, 1],
  [12, 5],
  [24, 3],
]);
const lowLoad = (d: BuildDraw): Partial<Build> => ({
  seriesOhms: decade(1, 600, d.u1),
  contactOhms: decade(0.01, 0.5, d.u2),
  flag: d.u6 < 0.8,
});
/** Loads with junctions: LEDs take most of the supply before they pass anything, a board's diode a little. */
const junctions = (d: BuildDraw): Partial<Build> => {
  const volts = d.base.supplyVolts;
  return {
    ...lowLoad(d),
    dropVolts: d.u9 < 0.6 ? volts * decade(0.5, 0.85, d.u9 / 0.6) : 0.35,
    pinOhms: decade(1e5, 1e9, d.u10),
  };
};
const MAINS = wide([
  [230, 4],
  [120, 2],
]);

const MOTORS = wide([
  [3, 1],
  [6, 2],
  [12, 5],
  [24, 3],
]);
const winding = (d: BuildDraw): Partial<Build> => ({ seriesOhms: decade(0.8, 150, d.u1) });
const coasts = (d: BuildDraw): Partial<Build> => ({
  groundOhms: d.u5 < 0.5 ? decade(2e3, 200e3, d.u5 * 2) : decade(5e6, 1e9, d.u5 * 2 - 1),
});
/** What an ohmmeter sees of a winding behind an end switch's diode. */
const ended = (d: BuildDraw): Partial<Build> => ({
  dropVolts: 0.6,
  keyOhms: d.u9 < 0.7 ? decade(3e5, 1e10, d.u9 / 0.7) : decade(100, 3e5, (d.u9 - 0.7) / 0.3),
});

/** Structures of loads that the machine switches, and of motors (`builds-met`). */
export const LOAD_VARIANTS: Readonly<Record<'switched-load' | 'motor-pair', readonly Variant[]>> = {
  'switched-load': [
    {
      name: 'mains',
      share: 0.3,
      count: 384,
      supplies: MAINS,
      draw: (d) => ({
        alternating: true,
        seriesOhms: decade(12, 2e3, d.u1),
        contactOhms: decade(0.01, 0.5, d.u2),
        mainsOhms: decade(60e6, 1e9, d.u4),
        flag: d.u6 < 0.8,
      }),
    },
    { name: 'above its load', share: 0.18, count: 512, supplies: LOADS, draw: lowLoad },
    {
      name: 'between its load and ground',
      share: 0.18,
      count: 512,
      supplies: LOADS,
      draw: (d) => ({ ...lowLoad(d), layout: 'low-side' }),
    },
    { name: 'above LEDs or a board', share: 0.17, count: 512, supplies: LOADS, draw: junctions },
    {
      name: 'between LEDs or a board and ground',
      share: 0.17,
      count: 640,
      supplies: LOADS,
      draw: (d) => ({ ...junctions(d), layout: 'low-side' }),
    },
  ],
  'motor-pair': [
    {
      name: 'bridge that coasts',
      share: 0.34,
      count: 448,
      supplies: MOTORS,
      draw: (d) => ({ ...winding(d), ...coasts(d) }),
    },
    {
      name: 'bridge that brakes',
      share: 0.2,
      count: 320,
      supplies: MOTORS,
      draw: (d) => ({ ...winding(d), ...coasts(d), layout: 'brakes' }),
    },
    {
      name: 'relay bridge',
      share: 0.22,
      count: 320,
      supplies: MOTORS,
      draw: (d) => ({ ...winding(d), layout: 'relay' }),
    },
    {
      name: 'bridge, standing at an end switch',
      share: 0.14,
      count: 320,
      supplies: MOTORS,
      draw: (d) => ({ ...winding(d), ...coasts(d), ...ended(d), ...(d.u6 < 0.4 ? { layout: 'brakes' as const } : {}) }),
    },
    {
      name: 'relay bridge, standing at an end switch',
      share: 0.1,
      count: 256,
      supplies: MOTORS,
      draw: (d) => ({ ...winding(d), ...ended(d), layout: 'relay' }),
    },
  ],
};
