import { again, contact, decade, hump, pick, type Weighted } from './draws';
import type { BuildDraw, Variant } from './variant';

type ButtonKind =
  'low-when-pressed' | 'high-when-pressed' | 'ladder' | 'scanned-matrix' | 'latching-switch' | 'selector';

/** Pull resistors inside chips, warm and cold, Ω. */
const inside = (d: BuildDraw): { inChip: true; seriesOhms: number } => ({
  inChip: true,
  seriesOhms: decade(18e3, 110e3, d.u1),
});
/** Resistors in a return or a supply leg, Ω. */
const leg = (u: number): number => decade(90, 1100, u);

const line = (rail: string): readonly Variant[] => [
  { name: `pull on the board`, share: 0.53, count: 768, draw: () => ({}) },
  { name: 'pull inside the chip', share: 0.3, count: 640, draw: inside },
  { name: `pull on the board, resistor ${rail}`, share: 0.1, count: 448, draw: (d) => ({ returnOhms: leg(d.u5) }) },
  {
    name: `pull inside the chip, resistor ${rail}`,
    share: 0.07,
    count: 320,
    draw: (d) => ({ ...inside(d), returnOhms: leg(d.u5) }),
  },
];

/** A ladder's resistors against its pull. */
const rung = (d: BuildDraw, u: number): number => d.base.seriesOhms * decade(0.03, 5, u);
const MEMBRANE: Weighted = [
  [0, 3],
  [1, 7],
];

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
    const chip = d.u10 < 0.55;
    const [membrane, v] = pick(MEMBRANE, d.u2);
    return {
      layout: set.layout ?? 'usual',
      flag: again(d.u5) < 0.77,
      inChip: chip,
      seriesOhms: chip ? decade(18e3, 110e3, d.u1) : hump(3e3, 120e3, d.u1),
      contactOhms: membrane ? decade(15, 350, v) : contact(v),
      periodSeconds: decade(0.8e-3, 60e-3, d.u5),
      pulseShare: decade(0.004, 0.5, d.u6),
      neighbourOhms: again(d.u9) < 0.4 ? 1 : 1e9,
      // What an ohmmeter sees through the key's diode hangs on the volts it puts there.
      ...(set.diode
        ? {
            dropVolts: 0.6,
            keyOhms: d.u9 < 0.75 ? decade(1e6, 1e10, d.u9 / 0.75) : decade(1e3, 1e6, (d.u9 - 0.75) / 0.25),
          }
        : {}),
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
      draw: (d) => ({ keyOhms: 0.05, neighbourOhms: rung(d, d.u6) }),
    },
    {
      name: 'joined to the supply',
      share: 0.12,
      count: 768,
      draw: (d) => ({
        layout: 'to-supply',
        keyOhms: again(d.u9) < 0.15 ? 0.05 : rung(d, d.u5),
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
    { name: 'common at ground', share: 0.36, count: 512, draw: (d) => ({ flag: d.u5 < 0.4 }) },
    {
      name: 'common at ground, pull inside the chip',
      share: 0.22,
      count: 384,
      draw: (d) => ({ ...inside(d), flag: d.u5 < 0.4 }),
    },
    { name: 'common at the supply', share: 0.2, count: 448, draw: (d) => ({ layout: 'to-supply', flag: d.u5 < 0.4 }) },
    {
      name: 'common at the supply, pull inside the chip',
      share: 0.1,
      count: 256,
      draw: (d) => ({ ...inside(d), layout: 'to-supply', flag: d.u5 < 0.4 }),
    },
    {
      name: 'common at an output',
      share: 0.12,
      count: 320,
      draw: (d) => ({ ...(again(d.u9) < 0.4 ? inside(d) : {}), layout: 'driven', flag: d.u5 < 0.4 }),
    },
  ],
};
