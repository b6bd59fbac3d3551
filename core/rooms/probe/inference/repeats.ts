import { firstItem, itemAt, lastItem } from '../../../ground/lists';
import { meterError, onScale, type ReadingSpec } from '../../../engines/circuit';
import type { Meter, Reading } from '../../../ground/job';
import { specKey } from './spec-key';

/** Readings of one place, state and setting that say the same, as one reading with less noise. */
export interface Agreed {
  readonly reading: Reading;
  readonly ids: readonly string[];
  /** How likely it is that these, of all that were read there, are right. */
  readonly share: number;
}

/** All readings of one place, state and setting: one piece of evidence, however often it was taken. */
export interface Evidence {
  readonly spec: ReadingSpec;
  readonly ids: readonly string[];
  readonly agreed: readonly Agreed[];
}

/** Volts move by hum and everything by contact and hand between two readings, on the reading's scale: common practice. */
const HAND = (kind: Reading['kind']): number => (kind.startsWith('volts') ? 0.05 : 0.15);
/** Where repeats disagree, each that stands alone is this much less likely than one more that agrees (`outliers`). */
const ALONE = 0.06;

/** Whether two readings of one place say the same, within their errors. */
export function agree(a: Reading, b: Reading, meter: Meter): boolean {
  if (a.said !== b.said) return false;
  if (a.said || (a.relation !== '=' && b.relation !== '=')) return a.relation === b.relation;
  if (a.relation !== b.relation) {
    // Over a range and a number beyond it say the same.
    const [bound, number] = a.relation === '=' ? [b, a] : [a, b];
    const beyond = onScale(a.kind, number.value) - onScale(a.kind, bound.value);
    return (bound.relation === '>' ? beyond : -beyond) >= -HAND(a.kind);
  }
  const apart = Math.abs(onScale(a.kind, a.value) - onScale(b.kind, b.value));
  return apart <= 4 * Math.hypot(meterError(a, meter), meterError(b, meter), HAND(a.kind));
}

/** Readings by place, state and setting, each group with what it agrees on. */
export function evidenceOf(readings: readonly Reading[], meter: Meter): Evidence[] {
  const groups = new Map<string, Reading[]>();
  for (const r of readings) {
    const key = specKey(r);
    groups.set(key, [...(groups.get(key) ?? []), r]);
  }
  return [...groups.values()].map((list) => {
    const clusters: Reading[][] = [];
    for (const r of list) {
      const same = clusters.find((c) => c.some((x) => agree(x, r, meter)));
      if (same) same.push(r);
      else clusters.push([r]);
    }
    const most = Math.max(...clusters.map((c) => c.length));
    const raw = clusters.map((c) => ALONE ** (most - c.length));
    const sum = raw.reduce((a, b) => a + b, 0);
    return {
      spec: firstItem(list),
      ids: list.map((r) => r.id),
      agreed: clusters.map((c, i) => ({ reading: mean(c), ids: c.map((r) => r.id), share: itemAt(raw, i) / sum })),
    };
  });
}

/** What readings that agree say together: the mean of the numbers, their digit with the noise of fewer. */
function mean(all: readonly Reading[]): Reading {
  const numbers = all.filter((r) => r.relation === '=');
  const list = numbers.length > 0 ? numbers : all;
  const last = lastItem(list);
  if (list.length === 1 || last.said || last.relation !== '=') return last;
  return {
    ...last,
    value: list.reduce((s, r) => s + r.value, 0) / list.length,
    digit: Math.max(...list.map((r) => r.digit)) / Math.sqrt(list.length),
  };
}
