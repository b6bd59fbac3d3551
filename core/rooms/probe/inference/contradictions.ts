import { sayPlace, sayValue, type Reading } from '../../../ground/job';
import { overLimits } from '../isolation/ac-checks';
import { specKey } from './spec-key';
import { posteriorOf, type Prior, type Posterior } from './posterior';
import { agree } from './repeats';

/** Readings that cannot all be right. */
export interface Contradiction {
  /** Ids of the readings that cannot be right together; one alone where it fits no candidate at all. */
  readonly readings: readonly string[];
  readonly text: string;
}

/** How many readings may be reckoned with anew, of one control and of all, to find which two stand against each other. */
const RECKONED = { ofOne: 400, ofAll: 1200 } as const;

/** The same for a control of a board with so many. Beyond it a misfit is named by itself. */
export const mayReckon = (controls: number): number =>
  Math.floor(Math.min(RECKONED.ofOne, RECKONED.ofAll / Math.max(1, controls)));

const say = (r: Reading): string => `${sayPlace(r)}, ${sayValue(r)}`;

/**
 * Readings that cannot both be right, named in pairs where a pair can be told, with the later one to be repeated.
 * @param most how many readings may be reckoned with anew to find out.
 */
export function contradictionsIn(all: readonly Reading[], posterior: Posterior, most: number): Contradiction[] {
  // Dangerous volts are no slip to be repeated: they stop the work, whatever was read before.
  const readings = all.filter((r) => !overLimits(r));
  const out: Contradiction[] = [];
  const named = new Set<string>();
  const pair = (a: Reading, b: Reading): void => {
    const [first, second] = a.at <= b.at ? [a, b] : [b, a];
    if (named.has(first.id) && named.has(second.id)) return;
    named.add(first.id).add(second.id);
    out.push({
      readings: [first.id, second.id],
      text: `These two cannot both be right: ${say(first)}; and ${say(second)}. Repeat the second.`,
    });
  };
  readings.forEach((a, i) =>
    readings.slice(i + 1).forEach((b) => {
      if (specKey(a) === specKey(b) && !agree(a, b, posterior.before.meter)) pair(a, b);
    }),
  );
  let reckoned = 0;
  const affordable = (): boolean => (reckoned += readings.length) <= most;
  for (const r of readings) {
    if ((posterior.slip[r.id] ?? 0) < 0.5 || named.has(r.id)) continue;
    const partner = readings.find(
      (other) =>
        other.id !== r.id && !named.has(other.id) && affordable() && freed(readings, r, other, posterior.before),
    );
    if (partner) pair(r, partner);
    else {
      named.add(r.id);
      out.push({ readings: [r.id], text: `No candidate expects this: ${say(r)}. Repeat it.` });
    }
  }
  return out;
}

/** Whether a reading stops looking like a slip once the other is left out. */
function freed(readings: readonly Reading[], suspect: Reading, other: Reading, before: Prior): boolean {
  return (
    (posteriorOf(
      readings.filter((x) => x.id !== other.id),
      before,
    ).slip[suspect.id] ?? 1) < 0.2
  );
}
