import type { ReadingSpec } from '../../../engines/circuit';
import type { Point, Reading } from '../../../ground/job';
import { specKey } from '../inference/spec-key';
import { groundSide } from '../isolation/isolation';

const GROUND: Point = { kind: 'ground', name: '' };

/** A reading by its nodes: the terminal that is ground itself makes no other reading of it. */
function nodes(s: ReadingSpec, ground: Point): string {
  const node = (p: Point): Point => (p.kind === ground.kind && p.name === ground.name ? GROUND : p);
  return specKey({ ...s, from: node(s.from), to: node(s.to) });
}

/**
 * Tells of a reading whether it follows from those that were taken: between the same two nodes in the same state, one of its tips on the
 * terminal that was read to be ground. Nothing new would be learned of it.
 */
export function following(readings: readonly Reading[]): (spec: ReadingSpec) => boolean {
  const ground = groundSide(readings);
  if (!ground) return () => false;
  const taken = readings.map((r) => ({ own: specKey(r), nodes: nodes(r, ground) }));
  return (spec) => {
    const [own, key] = [specKey(spec), nodes(spec, ground)];
    return taken.some((t) => t.own !== own && t.nodes === key);
  };
}
