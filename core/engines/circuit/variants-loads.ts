import { decade, split, wide, type MetRange } from './draws';
import type { BuildDraw, Variant } from './variant';
import type { Build } from './build';

/** Spans that are met (`builds-met`): resistances in Ω, shares of one. */
const MET = {
  lowLoad: [1, 600],
  mainsLoad: [12, 2e3],
  switch: [0.01, 0.5],
  /** What LEDs take of the supply before they pass anything. */
  ledShare: [0.5, 0.85],
  junctionLeak: [1e5, 1e9],
  insulation: [60e6, 1e9],
  winding: [0.8, 150],
  /** A bridge's outputs to ground while it coasts: through its own resistors, or not at all. */
  coastsThrough: [2e3, 200e3],
  coastsOpen: [5e6, 1e9],
  /** What an ohmmeter sees of a winding behind an end switch's diode. */
  diodeShut: [3e5, 1e10],
  diodeOpen: [100, 3e5],
} satisfies Record<string, MetRange>;
/** How often a load's switch stays where it was put, a load is of LEDs, a diode stays shut, a bridge brakes. */
const OFTEN = { stays: 0.8, leds: 0.6, diodeShut: 0.7, brakes: 0.4 } as const;
const DIODE_VOLTS = 0.6;
/** A diode before a board, under the little that a meter draws. */
const BOARD_DIODE_VOLTS = 0.35;

const LOADS = wide([
  [3, 0.5],
  [5, 2],
  [6, 1],
  [9, 1],
  [12, 5],
  [24, 3],
]);
const lowLoad = (d: BuildDraw): Partial<Build> => ({
  seriesOhms: decade(MET.lowLoad, d.u1),
  contactOhms: decade(MET.switch, d.u2),
  flag: d.u6 < OFTEN.stays,
});
/** Loads with junctions: LEDs take most of the supply before they pass anything, a board's diode a little. */
const junctions = (d: BuildDraw): Partial<Build> => {
  const [leds, v] = split(d.u9, OFTEN.leds);
  return {
    ...lowLoad(d),
    dropVolts: leds ? d.base.supplyVolts * decade(MET.ledShare, v) : BOARD_DIODE_VOLTS,
    pinOhms: decade(MET.junctionLeak, d.u10),
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
const winding = (d: BuildDraw): Partial<Build> => ({ seriesOhms: decade(MET.winding, d.u1) });
const coasts = (d: BuildDraw): Partial<Build> => {
  const [through, v] = split(d.u5, 0.5);
  return { groundOhms: decade(through ? MET.coastsThrough : MET.coastsOpen, v) };
};
const ended = (d: BuildDraw): Partial<Build> => {
  const [shut, v] = split(d.u9, OFTEN.diodeShut);
  return { dropVolts: DIODE_VOLTS, keyOhms: decade(shut ? MET.diodeShut : MET.diodeOpen, v) };
};

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
        seriesOhms: decade(MET.mainsLoad, d.u1),
        contactOhms: decade(MET.switch, d.u2),
        mainsOhms: decade(MET.insulation, d.u4),
        flag: d.u6 < OFTEN.stays,
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
      draw: (d) => ({
        ...winding(d),
        ...coasts(d),
        ...ended(d),
        ...(d.u6 < OFTEN.brakes ? { layout: 'brakes' as const } : {}),
      }),
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
