import { CONTROL_KINDS, type ControlKind } from '../job';
import { buildOf, type Build } from './build';

/** How often each kind is met on a bench, before any reading (`kind-priors`). Adds up to one. */
export const KIND_SHARES: Readonly<Record<ControlKind, number>> = {
  'low-when-pressed': 0.424, 'high-when-pressed': 0.08, ladder: 0.07, 'scanned-matrix': 0.13, 'dry-pair': 0.1, 'switched-load': 0.08,
  'touch-pad': 0.03, 'motor-pair': 0.03, 'latching-switch': 0.008, selector: 0.018, encoder: 0.02, 'serial-bus': 0.01,
};

type Weighted = readonly (readonly [value: number, weight: number])[];

/** One of several values by a share in [0, 1), and the share stretched anew, so that one number serves twice. */
function pick(list: Weighted, u: number): [number, number] {
  const sum = list.reduce((s, [, w]) => s + w, 0);
  let rest = u * sum;
  for (const [value, weight] of list) {
    if (rest < weight) return [value, rest / weight];
    rest -= weight;
  }
  return [list[list.length - 1]![0], 0.5];
}

const decade = (low: number, high: number, u: number): number => low * (high / low) ** u;
/** Log-uniform with a hump in the middle: the sum of two shares would be a triangle; this bends one share into it. */
const hump = (low: number, high: number, u: number): number => decade(low, high, u < 0.5 ? Math.sqrt(u / 2) : 1 - Math.sqrt((1 - u) / 2));
const near = (value: number, share: number, u: number): number => value * (1 + share * (2 * u - 1));

const LOGIC: Weighted = [[1.8, 1], [3.0, 2], [3.3, 8], [5, 10], [9, 0.5], [12, 0.7]];
const logic = (u: number): number => {
  const [volts, v] = pick(LOGIC, u);
  return near(volts, 0.05, v);
};
/** Metal contacts are fractions of an ohm; carbon pills on rubber are tens to hundreds. */
const contact = (u: number): number => (u < 0.75 ? decade(0.04, 4, u / 0.75) : decade(4, 300, (u - 0.75) / 0.25));
const tie = (u: number, share: number): number => (u < share ? (u < share * 0.3 ? decade(0.05, 20, u / share / 0.3) : decade(20e3, 600e3, (u / share - 0.3) / 0.7)) : decade(60e6, 1e9, (u - share) / (1 - share)));

/** Share of ladder buttons without a resistor of their own, and of dry pairs whose return is the ground that is probed. */
export const LADDER_BARE_SHARE = 0.125;
export const DRY_GROUNDED_SHARE = 0.35;

/** Number of shares that one draw uses. */
export const DRAW_DIMENSIONS = 8;

/**
 * One build of a kind from eight shares in [0, 1): even shares give the spread of parts met on benches (`kind-priors`).
 * The same function makes the grid that Probe averages over and the stand-ins that it is tried on.
 * @param tied share of boards whose low-voltage side is tied to mains.
 */
export function drawBuild(kind: ControlKind, u: readonly number[], tied = 0.12): Build {
  const [u0, u1, u2, u3, u4, u5, u6, u7] = u as [number, number, number, number, number, number, number, number];
  const base = {
    kind, signal: u7 < 0.5 ? ('A' as const) : ('B' as const), supplyVolts: logic(u0), seriesOhms: hump(800, 220e3, u1), contactOhms: contact(u2), boardOhms: decade(300, 60e3, u3), mainsOhms: tie(u4, tied),
  };
  switch (kind) {
    case 'low-when-pressed':
    case 'high-when-pressed':
    case 'latching-switch':
      return buildOf(base);
    case 'selector':
      return buildOf({ ...base, flag: u5 < 0.4 });
    case 'ladder': {
      // One button in eight has no resistor of its own and pulls the line all the way down.
      const own = u5 < LADDER_BARE_SHARE ? 0.05 : base.seriesOhms * decade(0.03, 4, (u5 - LADDER_BARE_SHARE) / (1 - LADDER_BARE_SHARE));
      return buildOf({ ...base, keyOhms: own, neighbourOhms: u6 < LADDER_BARE_SHARE ? 0.05 : base.seriesOhms * decade(0.03, 4, (u6 - LADDER_BARE_SHARE) / (1 - LADDER_BARE_SHARE)) });
    }
    case 'scanned-matrix':
      return buildOf({ ...base, seriesOhms: hump(3e3, 200e3, u1), periodSeconds: decade(1e-3, 60e-3, u5), pulseShare: decade(0.02, 0.5, u6), flag: (u5 * 7919) % 1 < 0.8 });
    case 'dry-pair': {
      const [volts, v] = pick([[5, 1.5], [8, 1.5], [12, 6], [15, 2], [24, 4], [-24, 2]], u0);
      return buildOf({ ...base, alternating: volts < 0, supplyVolts: near(Math.abs(volts), 0.15, v), seriesOhms: hump(250, 20e3, u1), groundOhms: u5 < DRY_GROUNDED_SHARE ? 0.05 : decade(30e6, 1e9, (u5 - DRY_GROUNDED_SHARE) / (1 - DRY_GROUNDED_SHARE)) });
    }
    case 'switched-load': {
      const [volts, v] = pick([[-230, 4], [-120, 4], [12, 2], [24, 2]], u0);
      return buildOf({ ...base, alternating: volts < 0, supplyVolts: near(Math.abs(volts), 0.08, v), seriesOhms: volts < 0 ? decade(12, 2e3, u1) : decade(1, 200, u1), contactOhms: decade(0.01, 0.5, u2), mainsOhms: decade(60e6, 1e9, u4) });
    }
    case 'touch-pad':
      return buildOf({ ...base, supplyVolts: decade(0.1, 0.9, u0), seriesOhms: decade(1e6, 40e6, u1) });
    case 'motor-pair': {
      const [volts, v] = pick([[3, 1], [6, 2], [12, 5], [24, 3]], u0);
      return buildOf({ ...base, supplyVolts: near(volts, 0.12, v), seriesOhms: decade(0.8, 150, u1), groundOhms: u5 < 0.5 ? decade(2e3, 200e3, u5 * 2) : decade(5e6, 1e9, u5 * 2 - 1) });
    }
    case 'encoder':
      return buildOf({ ...base, periodSeconds: decade(0.02, 0.5, u5), pulseShare: 0.3 + 0.4 * u6, flag: (u6 * 7919) % 1 < 0.5 });
    case 'serial-bus':
      return buildOf({ ...base, periodSeconds: decade(10e-6, 20e-3, u5), pulseShare: decade(0.02, 0.4, u6), flag: (u6 * 7919) % 1 < 0.6 });
  }
}

/** A kind by one share, as often as it is met. */
export const drawKind = (u: number): ControlKind => {
  let rest = u;
  for (const kind of CONTROL_KINDS) {
    rest -= KIND_SHARES[kind];
    if (rest < 0) return kind;
  }
  return CONTROL_KINDS[0];
};
