import { again, decade, hump, steady, THIRD, wide, type MetRange, type Supplies } from './draws';
import type { BuildDraw, Variant } from './variant';
import type { Build } from './build';

type OtherKind = 'dry-pair' | 'touch-pad' | 'encoder' | 'serial-bus';

/** Spans that are met (`builds-met`): resistances in Ω, volts in V, times in s, shares of one. */
const MET = {
  /** Behind a loop that a machine feeds out, and behind a header's pull. */
  loop: [250, 15e3],
  header: [800, 15e3],
  alternatingLoop: [25, 20e3],
  insulation: [30e6, 1e9],
  chipPull: [18e3, 110e3],
  stepPeriod: [0.015, 0.5],
  bit: [15e-6, 25e-3],
  talk: [0.015, 0.45],
  floatingPad: [0.05, 1.2],
  floatingOhms: [1e6, 40e6],
  padOhms: [3e5, 40e6],
  padShare: [0.02, 0.7],
  swingOhms: [8e3, 3e6],
  swingPeriod: [2e-6, 4e-3],
  openDrainPull: [900, 12e3],
  singleWirePull: [800, 2e3],
} satisfies Record<string, MetRange>;
/** Shares of time at the other level: from, and how much more at most. */
const STEP_SHARE = { from: 0.3, more: 0.4 } as const;
const SWING_SHARE = { from: 0.15, more: 0.7 } as const;
/** How often a knob's or an encoder's pull is inside the chip, and a header's return floats. */
const OFTEN = { chip: 0.4, headerFloats: 0.4 } as const;

const LOOPS = wide([
  [5, 1.2],
  [8, 1.2],
  [12, 6],
  [15, 1.8],
  [24, 5],
]);
const ALTERNATING: Supplies = { list: [[24.5, 1]], within: 0.2 };
const LOGIC_PAIR = steady([
  [3.3, 1],
  [5, 1.3],
]);
/** Loops that a machine feeds out: their supply and what is behind it. */
const loopOf = (d: BuildDraw): Partial<Build> => ({ seriesOhms: hump(MET.loop, d.u1) });
/** Three or five volts on a header, behind a pull of the board. */
const headerOf = (d: BuildDraw): Partial<Build> => ({ seriesOhms: hump(MET.header, d.u1) });
const floats = (d: BuildDraw): Partial<Build> => ({ groundOhms: decade(MET.insulation, d.u5) });

const PADS = steady([
  [2.5, 1],
  [3.3, 6],
  [5, 6],
]);

const steps = (d: BuildDraw): Partial<Build> => ({
  periodSeconds: decade(MET.stepPeriod, d.u5),
  pulseShare: STEP_SHARE.from + STEP_SHARE.more * d.u6,
  flag: again(d.u6) < 0.5,
  second: again(d.u5) < 0.5,
  movesFirst: again(d.u5, THIRD) < 0.5,
  inChip: d.u9 < OFTEN.chip,
  seriesOhms: d.u9 < OFTEN.chip ? decade(MET.chipPull, d.u1) : d.base.seriesOhms,
});

const talk = (d: BuildDraw): Partial<Build> => ({
  periodSeconds: decade(MET.bit, d.u5),
  pulseShare: decade(MET.talk, d.u6),
});

/** Structures of pairs, pads, knobs and buses (`builds-met`). */
export const OTHER_VARIANTS: Readonly<Record<OtherKind, readonly Variant[]>> = {
  'dry-pair': [
    { name: 'floating loop', share: 0.31, count: 512, supplies: LOOPS, draw: (d) => ({ ...loopOf(d), ...floats(d) }) },
    { name: 'return at ground', share: 0.28, count: 640, supplies: LOOPS, draw: loopOf },
    {
      name: 'one side at the supply',
      share: 0.09,
      count: 384,
      supplies: LOOPS,
      draw: (d) => ({ ...loopOf(d), layout: 'to-supply' }),
    },
    {
      name: 'low-voltage header',
      share: 0.09,
      count: 384,
      supplies: LOGIC_PAIR,
      draw: (d) => ({ ...headerOf(d), ...(d.u6 < OFTEN.headerFloats ? floats(d) : {}) }),
    },
    {
      name: 'unfiltered supply',
      share: 0.09,
      count: 320,
      supplies: LOOPS,
      draw: (d) => ({ ...loopOf(d), layout: 'unfiltered', ...(d.u6 < 0.5 ? floats(d) : {}) }),
    },
    {
      name: 'alternating loop',
      share: 0.14,
      count: 384,
      supplies: ALTERNATING,
      draw: (d) => ({
        ...loopOf(d),
        seriesOhms: decade(MET.alternatingLoop, d.u1),
        alternating: true,
        ...(d.u6 < 0.5 ? floats(d) : {}),
      }),
    },
  ],
  'touch-pad': [
    {
      name: 'pads that float',
      share: 0.3,
      count: 256,
      supplies: null,
      draw: (d) => ({ supplyVolts: decade(MET.floatingPad, d.u0), seriesOhms: decade(MET.floatingOhms, d.u1) }),
    },
    {
      name: 'pads on a level',
      share: 0.15,
      count: 256,
      supplies: PADS,
      draw: (d) => ({
        layout: 'driven',
        seriesOhms: decade(MET.padOhms, d.u1),
        pulseShare: decade(MET.padShare, d.u6),
      }),
    },
    {
      name: 'pads that swing',
      share: 0.28,
      count: 384,
      supplies: PADS,
      draw: (d) => ({
        layout: 'oscillating',
        seriesOhms: decade(MET.swingOhms, d.u1),
        pulseShare: SWING_SHARE.from + SWING_SHARE.more * d.u6,
        periodSeconds: decade(MET.swingPeriod, d.u5),
      }),
    },
    {
      name: 'pad and output of its chip',
      share: 0.27,
      count: 384,
      supplies: PADS,
      draw: (d) => ({
        layout: 'output',
        seriesOhms: decade(MET.padOhms, d.u1),
        pulseShare: decade(MET.padShare, d.u6),
        flag: d.u9 < 0.5,
      }),
    },
  ],
  encoder: [
    { name: 'two phases to ground', share: 0.36, count: 448, supplies: LOGIC_PAIR, draw: steps },
    {
      name: 'two phases to the supply',
      share: 0.1,
      count: 256,
      supplies: LOGIC_PAIR,
      draw: (d) => ({ ...steps(d), layout: 'to-supply' }),
    },
    {
      name: 'two driven outputs',
      share: 0.14,
      count: 256,
      supplies: LOGIC_PAIR,
      draw: (d) => ({ ...steps(d), layout: 'driven' }),
    },
    {
      name: 'a phase and its common at ground',
      share: 0.24,
      count: 384,
      supplies: LOGIC_PAIR,
      draw: (d) => ({ ...steps(d), layout: 'common' }),
    },
    {
      name: 'a phase and its common at the supply',
      share: 0.08,
      count: 256,
      supplies: LOGIC_PAIR,
      draw: (d) => ({ ...steps(d), layout: 'common-to-supply' }),
    },
    {
      name: 'a driven output and ground',
      share: 0.08,
      count: 192,
      supplies: LOGIC_PAIR,
      draw: (d) => ({ ...steps(d), layout: 'common-driven' }),
    },
  ],
  'serial-bus': [
    { name: 'driven line and ground, talking', share: 0.22, count: 320, supplies: LOGIC_PAIR, draw: (d) => talk(d) },
    {
      name: 'driven line and ground, silent',
      share: 0.18,
      count: 192,
      supplies: LOGIC_PAIR,
      draw: () => ({ pulseShare: 0 }),
    },
    {
      name: 'two driven lines',
      share: 0.12,
      count: 256,
      supplies: LOGIC_PAIR,
      draw: (d) => ({ ...talk(d), flag: false }),
    },
    {
      name: 'two driven lines, silent',
      share: 0.1,
      count: 128,
      supplies: LOGIC_PAIR,
      draw: () => ({ flag: false, pulseShare: 0 }),
    },
    {
      name: 'two open-drain lines, talking',
      share: 0.11,
      count: 256,
      supplies: LOGIC_PAIR,
      draw: (d) => ({ ...talk(d), layout: 'open-drain', flag: false, seriesOhms: decade(MET.openDrainPull, d.u1) }),
    },
    {
      name: 'two open-drain lines, silent',
      share: 0.11,
      count: 192,
      supplies: LOGIC_PAIR,
      draw: (d) => ({ layout: 'open-drain', flag: false, pulseShare: 0, seriesOhms: decade(MET.openDrainPull, d.u1) }),
    },
    {
      name: 'single wire at 12 V',
      share: 0.16,
      count: 256,
      supplies: wide([[12.5, 1]]),
      draw: (d) => ({
        ...talk(d),
        layout: 'open-drain',
        seriesOhms: decade(MET.singleWirePull, d.u1),
        ...(again(d.u9) < 0.5 ? { pulseShare: 0 } : {}),
      }),
    },
  ],
};
