import { again, contact, decade, hump, pick, split, type MetRange, type Weighted } from './draws';
import type { BuildDraw, Variant } from './variant';

type ButtonKind =
  'low-when-pressed' | 'high-when-pressed' | 'ladder' | 'scanned-matrix' | 'latching-switch' | 'selector';

/** Spans that are met (`builds-met`): resistances in Ω, times in s, shares of one. */
const MET = {
  /** Pull resistors inside chips, warm and cold. */
  chipPull: [18e3, 110e3],
  boardPull: [3e3, 120e3],
  /** Resistors in a return or a supply leg. */
  leg: [90, 1100],
  /** A ladder's resistors against its pull. */
  rung: [0.03, 5],
  membrane: [15, 350],
  scanPeriod: [0.8e-3, 60e-3],
  scanWidth: [0.004, 0.5],
  /** What an ohmmeter sees through a key's diode, which hangs on the volts it puts there. */
  diodeShut: [1e6, 1e10],
  diodeOpen: [1e3, 1e6],
} satisfies Record<string, MetRange>;
/** How often something is so. */
const OFTEN = {
  /** A scanned pad's pull is inside the chip; its strobes go low; its neighbours share a line; its diode stays shut. */
  chip: 0.55,
  strobesLow: 0.77,
  neighbourJoins: 0.4,
  diodeShut: 0.75,
  /** A ladder's key that is joined to the supply by a wire; a selector's first contact that rests closed; an output with a pull. */
  wire: 0.15,
  restsClosed: 0.4,
  outputPull: 0.4,
} as const;
const DIODE_VOLTS = 0.6;
const KEY_OHMS = 0.05;
const NEIGHBOUR_OHMS = { joined: 1, apart: 1e9 } as const;

/** A pull inside the chip. */
const inside = (d: BuildDraw): { inChip: true; seriesOhms: number } => ({
  inChip: true,
  seriesOhms: decade(MET.chipPull, d.u1),
});
const leg = (u: number): number => decade(MET.leg, u);

const LINES: readonly (Variant & { readonly ofRail: boolean })[] = [
  { name: 'pull on the board', ofRail: false, share: 0.53, count: 768, draw: () => ({}) },
  { name: 'pull inside the chip', ofRail: false, share: 0.3, count: 640, draw: inside },
  {
    name: 'pull on the board, resistor',
    ofRail: true,
    share: 0.1,
    count: 448,
    draw: (d) => ({ returnOhms: leg(d.u5) }),
  },
  {
    name: 'pull inside the chip, resistor',
    ofRail: true,
    share: 0.07,
    count: 320,
    draw: (d) => ({ ...inside(d), returnOhms: leg(d.u5) }),
  },
];
const line = (rail: string): readonly Variant[] =>
  LINES.map(({ ofRail, name, ...v }) => ({ name: ofRail ? `${name} ${rail}` : name, ...v }));

/** A ladder's resistors against its pull. */
const rung = (d: BuildDraw, u: number): number => d.base.seriesOhms * decade(MET.rung, u);
const MEMBRANE: Weighted = [
  [0, 3],
  [1, 7],
];

const throughDiode = (u: number): number => {
  const [shut, v] = split(u, OFTEN.diodeShut);
  return decade(shut ? MET.diodeShut : MET.diodeOpen, v);
};

const scan = (
  name: string,
  share: number,
  count: number,
  set: Partial<{ layout: 'released' | 'asleep'; diode: boolean }>,
): Variant => ({
  name,
  share,
  count,
  draw: (d) => {
    const chip = d.u10 < OFTEN.chip;
    const [membrane, v] = pick(MEMBRANE, d.u2);
    return {
      layout: set.layout ?? 'usual',
      flag: again(d.u5) < OFTEN.strobesLow,
      inChip: chip,
      seriesOhms: chip ? decade(MET.chipPull, d.u1) : hump(MET.boardPull, d.u1),
      contactOhms: membrane ? decade(MET.membrane, v) : contact(v),
      periodSeconds: decade(MET.scanPeriod, d.u5),
      pulseShare: decade(MET.scanWidth, d.u6),
      neighbourOhms: again(d.u9) < OFTEN.neighbourJoins ? NEIGHBOUR_OHMS.joined : NEIGHBOUR_OHMS.apart,
      ...(set.diode ? { dropVolts: DIODE_VOLTS, keyOhms: throughDiode(d.u9) } : {}),
    };
  },
});

/** Structures of buttons, ladders, keypads, latches and selectors (`builds-met`). */
export const BUTTON_VARIANTS: Readonly<Record<ButtonKind, readonly Variant[]>> = {
  'low-when-pressed': line('in the return'),
  'high-when-pressed': line('in the supply leg'),
  ladder: [
    {
      name: 'resistor to ground',
      share: 0.29,
      count: 1024,
      draw: (d) => ({ keyOhms: rung(d, d.u5), neighbourOhms: rung(d, d.u6) }),
    },
    {
      name: 'resistor on the side of the line',
      share: 0.19,
      count: 896,
      draw: (d) => ({ layout: 'at-line', keyOhms: rung(d, d.u5), neighbourOhms: rung(d, d.u6) }),
    },
    {
      name: 'tap of a chain',
      share: 0.17,
      count: 896,
      draw: (d) => ({ layout: 'chain', keyOhms: rung(d, d.u5), neighbourOhms: rung(d, d.u6), flag: again(d.u9) < 0.5 }),
    },
    {
      name: 'no resistor of its own',
      share: 0.14,
      count: 768,
      draw: (d) => ({ keyOhms: KEY_OHMS, neighbourOhms: rung(d, d.u6) }),
    },
    {
      name: 'joined to the supply',
      share: 0.12,
      count: 768,
      draw: (d) => ({
        layout: 'to-supply',
        keyOhms: again(d.u9) < OFTEN.wire ? KEY_OHMS : rung(d, d.u5),
        neighbourOhms: rung(d, d.u6),
      }),
    },
    {
      name: 'joined to the supply, resistor on the side of the line',
      share: 0.09,
      count: 640,
      draw: (d) => ({ layout: 'to-supply-at-line', keyOhms: rung(d, d.u5), neighbourOhms: rung(d, d.u6) }),
    },
  ],
  'scanned-matrix': [
    scan('always scanned', 0.5, 896, {}),
    scan('strobes released between turns', 0.12, 448, { layout: 'released' }),
    scan('asleep until a key is pressed', 0.18, 640, { layout: 'asleep' }),
    scan('always scanned, a diode at each key', 0.12, 448, { diode: true }),
    scan('strobes released, a diode at each key', 0.03, 256, { layout: 'released', diode: true }),
    scan('asleep, a diode at each key', 0.05, 320, { layout: 'asleep', diode: true }),
  ],
  'latching-switch': [
    { name: 'to ground', share: 0.48, count: 640, draw: () => ({}) },
    { name: 'to ground, pull inside the chip', share: 0.22, count: 448, draw: inside },
    { name: 'to the supply', share: 0.2, count: 512, draw: () => ({ layout: 'to-supply' }) },
    {
      name: 'to the supply, pull inside the chip',
      share: 0.1,
      count: 320,
      draw: (d) => ({ ...inside(d), layout: 'to-supply' }),
    },
  ],
  selector: [
    { name: 'common at ground', share: 0.36, count: 512, draw: (d) => ({ flag: d.u5 < OFTEN.restsClosed }) },
    {
      name: 'common at ground, pull inside the chip',
      share: 0.22,
      count: 384,
      draw: (d) => ({ ...inside(d), flag: d.u5 < OFTEN.restsClosed }),
    },
    {
      name: 'common at the supply',
      share: 0.2,
      count: 448,
      draw: (d) => ({ layout: 'to-supply', flag: d.u5 < OFTEN.restsClosed }),
    },
    {
      name: 'common at the supply, pull inside the chip',
      share: 0.1,
      count: 256,
      draw: (d) => ({ ...inside(d), layout: 'to-supply', flag: d.u5 < OFTEN.restsClosed }),
    },
    {
      name: 'common at an output',
      share: 0.12,
      count: 320,
      draw: (d) => ({
        ...(again(d.u9) < OFTEN.outputPull ? inside(d) : {}),
        layout: 'driven',
        flag: d.u5 < OFTEN.restsClosed,
      }),
    },
  ],
};
