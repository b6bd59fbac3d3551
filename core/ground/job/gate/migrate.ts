import { JOB_VERSION } from '../document/types';
import type { Migration } from '../versions/step';
import { toSecond } from '../versions/to-2';
import { toThird } from '../versions/to-3';
import { toFourth } from '../versions/to-4';
import { toFifth } from '../versions/to-5';
import { toSixth } from '../versions/to-6';
import { toSeventh } from '../versions/to-7';
import { toEighth } from '../versions/to-8';
import { toNinth } from '../versions/to-9';
import { toTenth } from '../versions/to-10';
import { toEleventh } from '../versions/to-11';
import { toTwelfth } from '../versions/to-12';
import { toThirteenth } from '../versions/to-13';
import { toFourteenth } from '../versions/to-14';
import { toFifteenth } from '../versions/to-15';
import { toSixteenth } from '../versions/to-16';
import { toSeventeenth } from '../versions/to-17';
import { toEighteenth } from '../versions/to-18';

/** Keyed by the version they start from. */
const MIGRATIONS: Readonly<Record<number, Migration>> = {
  1: toSecond,
  2: toThird,
  3: toFourth,
  4: toFifth,
  5: toSixth,
  6: toSeventh,
  7: toEighth,
  8: toNinth,
  9: toTenth,
  10: toEleventh,
  11: toTwelfth,
  12: toThirteenth,
  13: toFourteenth,
  14: toFifteenth,
  15: toSixteenth,
  16: toSeventeenth,
  17: toEighteenth,
};

/**
 * Brings a document up to the current version, one step at a time.
 * Throws RangeError where a step is missing.
 */
export function migrate(
  document: Readonly<Record<string, unknown>>,
  steps: Readonly<Record<number, Migration>> = MIGRATIONS,
  target: number = JOB_VERSION,
): Record<string, unknown> {
  let current: Record<string, unknown> = { ...document };
  while (current['version'] !== target) {
    const from = current['version'] as number;
    const step = steps[from];
    if (!step) throw new RangeError(`no way is known from version ${from} to ${from + 1}`);
    current = { ...step(current), version: from + 1 };
  }
  return current;
}
