/** What a loop is, in numbers; all that comes to be is worked out from these. */
export interface LoopNumbers {
  /** It warms, else it cools. */
  readonly warms: boolean;
  /** How far its work takes it from what is around in the end, K. */
  readonly kelvin: number;
  /** Time constant and dead time, s. */
  readonly tau: number;
  readonly dead: number;
  /** What is around it, °C. */
  readonly around: number;
  /** Where the thermometer changes its mind, °C. */
  readonly over: number;
  readonly under: number;
  /** From passing where work is called for, or is enough, until it begins, or ends, s. */
  readonly beginsAfter: number;
  readonly endsAfter: number;
  /** For how long work and rest last at least, s. */
  readonly leastOn: number;
  readonly leastOff: number;
}

/** What a loop comes to, over and over: how long it works and rests, s, and how warm and how cold it gets, °C. */
export interface LoopCycle {
  readonly kind: 'cycle';
  readonly on: number;
  readonly off: number;
  readonly highest: number;
  readonly lowest: number;
  /** Where its work begins to be felt, and where it no longer is, °C. */
  readonly turnsAt: readonly [begins: number, ends: number];
}
/** It never gets as far as it is to, or it is there without any work: it stays where it is, °C. */
export interface NoCycle {
  readonly kind: 'never-enough' | 'never-needed';
  readonly stays: number;
}

/** Cycles until what a least time changes has settled. */
const ROUNDS = 200;
const SETTLED = 1e-9;

/**
 * The cycle that a first-order room with a dead time settles into under a thermostat, in closed form: e is left of a way after
 * t/τ time constants, so that each leg's length and both turning points follow from where the one before it ended.
 */
export function cycleOf(n: LoopNumbers): LoopCycle | NoCycle {
  const way = n.warms ? 1 : -1;
  /** Degrees as far as work takes it: what is around is nought. */
  const along = (degrees: number): number => way * (degrees - n.around);
  const back = (x: number): number => n.around + way * x;
  const [calls, enough] = n.warms ? [along(n.under), along(n.over)] : [along(n.over), along(n.under)];
  if (calls <= 0) return { kind: 'never-needed', stays: n.around };
  if (n.kelvin <= enough) return { kind: 'never-enough', stays: back(n.kelvin) };
  const left = (seconds: number): number => Math.exp(-seconds / n.tau);
  let low = calls * left(n.beginsAfter + n.dead);
  let [on, off, high] = [0, 0, 0];
  for (let i = 0; i < ROUNDS; i++) {
    on = Math.max(n.leastOn, n.dead + n.tau * Math.log((n.kelvin - low) / (n.kelvin - enough)) + n.endsAfter);
    high = n.kelvin - (n.kelvin - low) * left(on);
    off = Math.max(n.leastOff, n.dead + n.tau * Math.log(Math.max(1, high / calls)) + n.beginsAfter);
    const next = high * left(off);
    if (Math.abs(next - low) < SETTLED) break;
    low = next;
  }
  const ends = [back(low), back(high)] as const;
  return { kind: 'cycle', on, off, highest: Math.max(...ends), lowest: Math.min(...ends), turnsAt: ends };
}
