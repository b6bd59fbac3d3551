import { again, decade, hump, pick, split, wide, type MetRange, type Weighted } from './draws';
import type { StrangerKind } from './model-kinds';
import type { Variant } from './variant';

/** Spans that are met (`strangers`): resistances in Ω, volts in V, shares of one. */
const MET = {
  chipPull: [18e3, 110e3],
  loop: [250, 15e3],
  insulation: [30e6, 1e9],
  place: [0.03, 0.97],
  beside: [1e3, 100e3],
  sensor: [80, 500e3],
  lampFeed: [180, 10e3],
  lampVolts: [1.5, 3.3],
  leg: [800, 150e3],
  coil: [4, 150],
  piezo: [1e6, 1e9],
  lampSeries: [47, 1500],
  refresh: [2e-3, 25e-3],
  lit: [0.05, 0.5],
  collector: [1.5e3, 33e3],
  turns: [2e-3, 0.1],
  dims: [40e-6, 10e-3],
  shut: [1e5, 1e9],
  junction: [500, 10e3],
} satisfies Record<string, MetRange>;
/** Batteries and supplies that boards are fed from, V. */
const FED = wide([
  [1.5, 1],
  [3, 3],
  [4.5, 1],
  [5, 3],
  [6, 1],
  [9, 1],
  [12, 3],
  [24, 1],
]);
/** What the speed of a fan or a motor is told on. */
const SPEED = wide([
  [3.3, 1],
  [5, 2],
  [12, 2],
]);
/** Shares of time at the other level: about half of what turns, nearly any of what is dimmed. */
const EVEN = { from: 0.35, more: 0.3 } as const;
const DIMMED = { from: 0.05, more: 0.65 } as const;
const TRACKS: Weighted = [
  [1e3, 1],
  [4.7e3, 1],
  [10e3, 4],
  [22e3, 1],
  [47e3, 2],
  [100e3, 3],
  [470e3, 1],
];
/** A track is what is printed on it within a fifth. */
const TRACK_WITHIN = 0.4;
const track = (u: number): number => {
  const [ohms, v] = pick(TRACKS, u);
  return ohms * (1 + TRACK_WITHIN * (v - 0.5));
};

/** Structures of what is none of the kinds (`strangers`). */
export const STRANGER_VARIANTS: Readonly<Record<StrangerKind, readonly Variant[]>> = {
  'opens-when-pressed': [
    { name: 'to ground', share: 0.36, count: 256, draw: () => ({}) },
    {
      name: 'to ground, pull inside the chip',
      share: 0.26,
      count: 192,
      draw: (d) => ({ inChip: true, seriesOhms: decade(MET.chipPull, d.u1) }),
    },
    { name: 'to the supply', share: 0.18, count: 192, draw: () => ({ layout: 'to-supply' }) },
    {
      name: 'in a loop',
      share: 0.2,
      count: 192,
      draw: (d) => ({
        layout: 'loop',
        seriesOhms: hump(MET.loop, d.u1),
        groundOhms: again(d.u5) < 0.5 ? decade(MET.insulation, d.u5) : 0.05,
      }),
    },
  ],
  changeover: [
    { name: 'rests at ground', share: 0.6, count: 128, draw: (d) => ({ flag: d.u5 < 0.5 }) },
    { name: 'rests at the supply', share: 0.4, count: 128, draw: (d) => ({ layout: 'to-supply', flag: d.u5 < 0.5 }) },
  ],
  'variable-resistor': [
    {
      name: 'wiper and the end at ground',
      share: 0.45,
      count: 320,
      draw: (d) => ({ seriesOhms: track(d.u1), pulseShare: decade(MET.place, d.u5) }),
    },
    {
      name: 'wiper and the end at the supply',
      share: 0.25,
      count: 192,
      draw: (d) => ({ layout: 'to-supply', seriesOhms: track(d.u1), pulseShare: decade(MET.place, d.u5) }),
    },
    {
      name: 'behind a pull',
      share: 0.3,
      count: 256,
      draw: (d) => ({
        layout: 'behind-pull',
        seriesOhms: track(d.u1),
        pulseShare: decade(MET.place, d.u5),
        neighbourOhms: decade(MET.beside, d.u6),
      }),
    },
  ],
  sensor: [
    {
      name: 'to ground',
      share: 0.7,
      count: 384,
      draw: (d) => ({ keyOhms: decade(MET.sensor, d.u5), flag: d.u6 < 0.5 }),
    },
    {
      name: 'to the supply',
      share: 0.3,
      count: 256,
      draw: (d) => ({ layout: 'to-supply', keyOhms: decade(MET.sensor, d.u5), flag: d.u6 < 0.5 }),
    },
  ],
  'lamp-across': [
    {
      name: 'at ground',
      share: 0.7,
      count: 256,
      draw: (d) => ({ seriesOhms: decade(MET.lampFeed, d.u1), dropVolts: decade(MET.lampVolts, d.u5) }),
    },
    {
      name: 'at the supply',
      share: 0.3,
      count: 192,
      draw: (d) => ({
        layout: 'to-supply',
        seriesOhms: decade(MET.lampFeed, d.u1),
        dropVolts: decade(MET.lampVolts, d.u5),
      }),
    },
  ],
  'two-levels': [
    {
      name: 'two dividers',
      share: 1,
      count: 384,
      draw: (d) => ({
        seriesOhms: decade(MET.leg, d.u1),
        keyOhms: decade(MET.leg, d.u5),
        neighbourOhms: decade(MET.leg, d.u6),
        returnOhms: decade(MET.leg, d.u9),
      }),
    },
  ],
  indicator: [
    {
      name: 'lit in its turn',
      share: 0.5,
      count: 320,
      draw: (d) => ({
        layout: 'oscillating',
        seriesOhms: decade(MET.lampSeries, d.u1),
        dropVolts: decade(MET.lampVolts, d.u9),
        periodSeconds: decade(MET.refresh, d.u5),
        pulseShare: decade(MET.lit, d.u6),
      }),
    },
    {
      name: 'lit for good, or dark',
      share: 0.5,
      count: 256,
      draw: (d) => ({
        seriesOhms: decade(MET.lampSeries, d.u1),
        dropVolts: decade(MET.lampVolts, d.u9),
        flag: d.u5 < 0.5,
      }),
    },
  ],
  rails: [{ name: 'a board’s own', share: 1, count: 192, supplies: FED, draw: () => ({}) }],
  output: [
    {
      name: 'pulses of what turns',
      share: 0.35,
      count: 320,
      supplies: SPEED,
      draw: (d) => ({
        layout: 'open-drain',
        seriesOhms: decade(MET.collector, d.u1),
        periodSeconds: decade(MET.turns, d.u5),
        pulseShare: EVEN.from + EVEN.more * d.u6,
      }),
    },
    {
      name: 'open collector at rest',
      share: 0.35,
      count: 192,
      supplies: SPEED,
      draw: (d) => ({
        layout: 'open-drain',
        seriesOhms: decade(MET.collector, d.u1),
        second: d.u6 < 0.5,
        pulseShare: 0,
      }),
    },
    {
      name: 'driven by a share of time',
      share: 0.15,
      count: 192,
      draw: (d) => ({ periodSeconds: decade(MET.dims, d.u5), pulseShare: DIMMED.from + DIMMED.more * d.u6 }),
    },
    { name: 'driven, at rest', share: 0.15, count: 128, draw: (d) => ({ second: d.u6 < 0.5, pulseShare: 0 }) },
  ],
  'fed-elsewhere': [
    {
      name: 'input of a coupler, or a coil of another board',
      share: 1,
      count: 320,
      draw: (d) => {
        const [atGround, v] = split(d.u9, 0.5);
        return {
          keyOhms: decade(again(d.u6) < 0.5 ? MET.junction : MET.shut, d.u5),
          groundOhms: atGround ? 0.05 : decade(MET.insulation, v),
        };
      },
    },
  ],
  sounder: [
    { name: 'coil', share: 0.6, count: 192, draw: (d) => ({ seriesOhms: decade(MET.coil, d.u1) }) },
    { name: 'piezo', share: 0.4, count: 128, draw: (d) => ({ seriesOhms: decade(MET.piezo, d.u1) }) },
  ],
};
