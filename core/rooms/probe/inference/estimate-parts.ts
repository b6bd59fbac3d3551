import { measured, type Input, type Step } from '../../../ground/finding';
import { sayValue, UNIT_OF, type ControlKind, type Reading } from '../../../ground/job';
import type { Interval } from '../../../ground/quantity';
import type { Posterior } from './posterior';
import { groundSide } from '../isolation/isolation';

/** An estimated value with its bounds and what it rests on. */
export interface Estimate {
  readonly value: Interval;
  /** How it follows from readings; empty where only the usual values of the kind speak. */
  readonly steps: readonly Step[];
  readonly at: string;
  /** True where a usual value of the kind stands in for a reading on the way. */
  readonly guessed?: boolean;
}

/** The last of some readings by its time; undefined for an empty list. */
export const latest = (list: readonly Reading[]): Reading | undefined =>
  [...list].sort((a, b) => b.at.localeCompare(a.at))[0];
/** A reading as an input of an estimate. */
export const input = (symbol: string, r: Reading): Input =>
  measured(symbol, sayValue(r), r.value, UNIT_OF[r.kind], r.at, sayValue(r));

/** The readings of one control that can carry an estimate, and where its signal is. */
export interface EstimateReadings {
  readonly kind: ControlKind;
  readonly signal: 'A' | 'B';
  readonly usable: readonly Reading[];
  readonly p: Posterior;
  readonly bounds: (r: Reading) => [number, number];
}

/** Whether a reading goes across the button: from one terminal to the other, or to the ground that the other was read to be. */
export function isAcross({ usable }: EstimateReadings, r: Reading): boolean {
  const [from, to] = r.from.kind === 'contact' ? [r.from, r.to] : [r.to, r.from];
  if (from.kind !== 'contact') return false;
  if (to.kind === 'contact') return true;
  const ground = groundSide(usable);
  return to.kind === 'ground' && ground !== null && ground.name !== from.name;
}
