import type { ReadingSpec } from '../../../engines/circuit';
import type { Point, Reading } from '../../../ground/job';
import { specKey } from '../inference/spec-key';
import { isGround } from '../isolation/isolation';

const GROUND: Point = { kind: 'ground', name: '' };

/** A reading by its nodes: a terminal that is ground itself, and which tip stands where, make no other reading of it. */
function nodes(s: ReadingSpec, grounds: readonly Point[]): string {
  const node = (p: Point): Point => (grounds.some((g) => g.kind === p.kind && g.name === p.name) ? GROUND : p);
  const [from, to] = [node(s.from), node(s.to)];
  return specKey({ ...s, from, to });
}

/**
 * Whether a reading follows from those that were taken: between the same two nodes in the same state, one of its tips on a terminal that
 * was read to be ground. Nothing new would be learned of it.
 */
export function followsFrom(spec: ReadingSpec, readings: readonly Reading[]): boolean {
  const grounds = (['A', 'B'] as const).flatMap((name): Point[] => {
    const point: Point = { kind: 'contact', name };
    return isGround(readings, point) ? [point] : [];
  });
  if (grounds.length === 0) return false;
  const key = nodes(spec, grounds);
  return readings.some((r) => specKey(r) !== specKey(spec) && nodes(r, grounds) === key);
}
