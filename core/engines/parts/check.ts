import type { OwnPart } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { PART_FIELDS } from './fields';

/** What is wrong with a part: which value, and what to do. */
export interface PartProblem {
  readonly field: string;
  readonly text: string;
}

/** Pairs of values of which the first must stay below the second. */
const ORDERED: readonly (readonly [first: string, second: string, text: string])[] = [
  ['leastVolts', 'mostVolts', 'the least supply lies above the highest'],
  ['leastPulseSeconds', 'mostPulseSeconds', 'the pulse at one end is longer than at the other: exchange the two'],
  ['idleAmps', 'stallAmps', 'it draws more at rest than stalled'],
  ['freeAmps', 'stallAmps', 'it draws more without load than stalled'],
  ['motorAmps', 'peakAmps', 'it bears more for long than for a second'],
];

/** What makes a part's data impossible, value by value; empty for a part that can be. */
export function partProblems(part: OwnPart): PartProblem[] {
  const out: PartProblem[] = [];
  if (!part.name.trim())
    out.push({ field: 'name', text: 'give the part a name, so that it can be told from the others' });
  for (const f of PART_FIELDS[part.kind]) {
    const v = part.values[f.key];
    if (!v) out.push({ field: f.key, text: `${f.name} is missing` });
    else if (!v.every(Number.isFinite)) out.push({ field: f.key, text: `${f.name} is not a number` });
    else if (v[0] > v[1] || v[1] > v[2])
      out.push({
        field: f.key,
        text: `${f.name}: lowest, usual, highest must rise, and these fall: ${v.map((x) => formatQuantity(x, f.unit)).join(', ')}`,
      });
    else if (v[0] < f.least || v[2] > f.most)
      out.push({
        field: f.key,
        text: `${f.name} lies between ${formatQuantity(f.least, f.unit)} and ${formatQuantity(f.most, f.unit)}; check the unit`,
      });
  }
  for (const [first, second, text] of ORDERED) {
    const [a, b] = [part.values[first], part.values[second]];
    if (a && b && a[1] > b[1]) out.push({ field: first, text });
  }
  for (const key of Object.keys(part.values))
    if (!PART_FIELDS[part.kind].some((f) => f.key === key))
      out.push({ field: key, text: `a part of this kind has no value ${key}` });
  return out;
}
