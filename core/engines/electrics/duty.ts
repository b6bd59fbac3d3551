import { itemAt, lastItem } from '../../ground/lists';
import { constant, derive, type Input, type Step } from '../../ground/finding';
import type { GuardRecord } from '../../ground/job';

/** What a load is, as far as it matters to the contact that switches it. */
export type LoadKind = Exclude<GuardRecord['loadKind'], 'unknown'>;

/** Inrush over steady current per kind of load, upper end (`inrush`). */
export const INRUSH: Readonly<Record<LoadKind, number>> = {
  resistive: 1,
  filament: 15,
  motor: 10,
  solenoid: 20,
  'switched-mode': 40,
  transformer: 15,
};
/** Share of the resistive rating that a contact breaks, AC (`contact-duty`). */
const BREAKS: Readonly<Record<LoadKind, number>> = {
  resistive: 1,
  filament: 0.4,
  motor: 0.25,
  solenoid: 0.25,
  'switched-mode': 1,
  transformer: 0.25,
};
/** Power factor of a load of which only the watts are known (`power-factor`). */
export const POWER_FACTOR: Readonly<Record<LoadKind, number>> = {
  resistive: 1,
  filament: 1,
  motor: 0.6,
  solenoid: 0.6,
  'switched-mode': 0.6,
  transformer: 0.6,
};
/** Share of its rating that a contact breaks of direct current, by volts (`contact-duty`); even in logarithms between. */
const DIRECT: readonly (readonly [volts: number, share: number])[] = [
  [30, 1],
  [48, 0.15],
  [110, 0.03],
  [220, 0.01],
];
/** A coil in the load keeps the arc burning: half of that. */
const COIL_SHARE = 0.5;

/** Share of its rating that a contact breaks of direct current at a voltage; what lies over the curve is a hundredth. */
export function directShare(volts: number): number {
  const next = DIRECT.findIndex(([v]) => volts <= v);
  if (next === 0) return 1;
  if (next < 0) return lastItem(DIRECT)[1];
  const [[v0, s0], [v1, s1]] = [itemAt(DIRECT, next - 1), itemAt(DIRECT, next)];
  return s0 * (s1 / s0) ** (Math.log(volts / v0) / Math.log(v1 / v0));
}

/**
 * What a contact breaks of a load for long, A, as a step: its resistive rating times the share for this kind of load,
 * of alternating or direct current.
 */
export function breakingStep(rated: Input, kind: LoadKind, volts: number, direct: boolean): Step {
  const inductive = kind === 'motor' || kind === 'solenoid';
  const inputs: Input[] = [{ ...rated, symbol: 'I_rated' }];
  if (!direct)
    return derive('what the contact breaks of such a load', 'I_break', 'k_b * I_rated', 'A', [
      constant('k_b', `share for a ${kind} load`, BREAKS[kind], '1', 'contact-duty'),
      ...inputs,
    ]);
  return derive('what the contact breaks of such a load', 'I_break', 'k_dc * k_l * I_rated', 'A', [
    constant(
      'k_dc',
      `share of direct current at ${Number(volts.toPrecision(3))} V`,
      directShare(volts),
      '1',
      'contact-duty',
    ),
    constant(
      'k_l',
      inductive ? 'a coil in the load' : 'no coil in the load',
      inductive ? COIL_SHARE : 1,
      '1',
      'contact-duty',
    ),
    ...inputs,
  ]);
}
