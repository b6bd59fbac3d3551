import { itemAt } from '../../ground/lists';
import { CONTROL_KINDS, type ControlKind } from '../../ground/job';
import { buildOf, type Build } from './build';
import {
  contact,
  decade,
  LOGIC_SUPPLIES,
  pick,
  pins,
  pulls,
  supplyOf,
  tie,
  type Supplies,
  type MetRange,
} from './draws';
import type { ModelKind } from './model-kinds';
import { BUTTON_VARIANTS } from './variants-buttons';
import { LOAD_VARIANTS } from './variants-loads';
import { OTHER_VARIANTS } from './variants-others';
import { STRANGER_VARIANTS } from './variants-strangers';
import type { Base, Variant } from './variant';

/** How often each kind is met on a bench, before any reading (`kind-priors`). Adds up to one. */
const KIND_SHARES: Readonly<Record<ControlKind, number>> = {
  'low-when-pressed': 0.424,
  'high-when-pressed': 0.08,
  ladder: 0.07,
  'scanned-matrix': 0.13,
  'dry-pair': 0.1,
  'switched-load': 0.08,
  'touch-pad': 0.03,
  'motor-pair': 0.03,
  'latching-switch': 0.008,
  selector: 0.018,
  encoder: 0.02,
  'serial-bus': 0.01,
};

/**
 * How far Probe trusts those shares: machines that a maker opens are not drawn evenly from all machines, and a rare kind must not
 * need twenty readings' worth of proof. Between 0, every kind alike, and 1, as met (`kind-priors`).
 */
const TRUST = 0.45;

/** The shares that Probe begins with: those as met, drawn towards even ones. They add up to one. */
export const FIRST_SHARES: Readonly<Record<ControlKind, number>> = (() => {
  const raw = CONTROL_KINDS.map((k) => KIND_SHARES[k] ** TRUST);
  const sum = raw.reduce((a, b) => a + b, 0);
  return Object.fromEntries(CONTROL_KINDS.map((k, i) => [k, itemAt(raw, i) / sum])) as Record<ControlKind, number>;
})();

/** The structures that each kind, and what is none, is met in, with their shares, which add up to one for each. */
export const VARIANTS: Readonly<Record<ModelKind, readonly Variant[]>> = {
  ...BUTTON_VARIANTS,
  ...OTHER_VARIANTS,
  ...LOAD_VARIANTS,
  ...STRANGER_VARIANTS,
};

/** The supplies that a structure is met on; null where its level is no supply. */
export const suppliesOf = (v: Variant): Supplies | null => (v.supplies === undefined ? LOGIC_SUPPLIES : v.supplies);

/** Number of shares that one draw uses. */
export const DRAW_DIMENSIONS = 12;

/** Which share of a draw tells the signal's terminal. */
const SIGNAL = 7;
/** On which terminal of a draw the signal is, without drawing the rest. */
export const signalOf = (u: readonly number[]): Build['signal'] => (itemAt(u, SIGNAL) < 0.5 ? 'A' : 'B');

/**
 * One build of a variant from twelve shares in [0, 1): even shares give the spread of parts met on benches (`kind-priors`).
 * @param tied share of boards whose low-voltage side is tied to mains.
 */
export function drawVariant(kind: ModelKind, variant: Variant, u: readonly number[], tied = 0.12): Build {
  const [u0, u1, u2, u3, u4, u5, u6, , u8, u9, u10] = u as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const base: Base = {
    kind,
    signal: signalOf(u),
    supplyVolts: supplyOf(suppliesOf(variant) ?? LOGIC_SUPPLIES, u0),
    seriesOhms: pulls(u1),
    contactOhms: contact(u2),
    boardOhms: decade(BOARD_OHMS, u3),
    mainsOhms: tie(u4, tied),
    ...pins(u8),
  };
  return buildOf({ ...base, ...variant.draw({ base, u0, u1, u2, u3, u4, u5, u6, u9, u10 }) });
}

/** What is met between supply and ground of a board, Ω (`builds-met`). */
const BOARD_OHMS: MetRange = [120, 300e3];

/** One build of a kind, its structure by the last of the shares. The stand-ins of the practice shelf are drawn so. */
export function drawBuild(kind: ModelKind, u: readonly number[], tied = 0.12): Build {
  const list = VARIANTS[kind];
  const [index] = pick(
    list.map((v, i) => [i, v.share]),
    itemAt(u, DRAW_DIMENSIONS - 1),
  );
  return drawVariant(kind, itemAt(list, index), u, tied);
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
