import type { MachineModel, MachinePlan } from './types';

/** The ways a control can be built. */
export const CONTROL_KINDS = [
  'low-when-pressed',
  'high-when-pressed',
  'ladder',
  'scanned-matrix',
  'dry-pair',
  'switched-load',
  'touch-pad',
  'motor-pair',
  'latching-switch',
  'selector',
  'encoder',
  'serial-bus',
] as const;
export type ControlKind = (typeof CONTROL_KINDS)[number];

/** The machine as it can be simulated, or null while its kind or a time that the kind wants is not known. */
export function knownMachine(plan: MachinePlan): MachineModel | null {
  const { kind, shortestPressSeconds, runSeconds, afterPowerCut } = plan;
  if (kind === 'unknown' || shortestPressSeconds === null) return null;
  // What flips has no run of its own.
  const run = kind === 'flips' ? (runSeconds ?? 0) : runSeconds;
  return run === null ? null : { kind, shortestPressSeconds, runSeconds: run, afterPowerCut };
}
