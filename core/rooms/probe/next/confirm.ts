import { present } from '../../../ground/lists';
import type { Reading } from '../../../ground/job';
import { MODEL_KINDS, type ModelKind, type ReadingSpec } from '../../../engines/circuit';
import { posteriorOf, type Posterior } from '../inference/posterior';
import { specKey } from '../inference/spec-key';

/** Without one reading the leading kind must keep this probability; else that reading is taken once more (`outliers`). */
const KEEPS = 0.7;
/** Readings tried, those first that spoke strongest for the leader against the runner-up. */
const TRIED = 3;

/**
 * The reading on which a verdict hangs alone: swapped leads, a wrong terminal, a bad contact or a forgotten press at that one place
 * would turn it. Taken again alike, it stands. Looks and readings that were repeated are not asked for again.
 * @param skip keys of readings that the maker cannot or will not take now.
 * @param kind what the verdict is, a kind or a stranger.
 */
export function hangsOn(
  all: readonly Reading[],
  p: Posterior,
  skip: ReadonlySet<string> = new Set(),
  kind: ModelKind = p.leading,
): ReadingSpec | undefined {
  const others = MODEL_KINDS.filter((k) => k !== kind);
  // What tells of the meter alone is no evidence.
  const readings = all.filter((r) => r.id in p.evidence);
  const strength = (r: Reading): number => {
    const own = present(p.evidence[r.id])[kind];
    // Against whichever rival this reading alone holds off.
    return Math.max(...others.map((k) => own - present(p.evidence[r.id])[k] + Math.log2(Math.max(1e-9, p.kinds[k]))));
  };
  const single = readings.filter(
    (r) => r.kind !== 'look' && !skip.has(specKey(r)) && readings.filter((x) => specKey(x) === specKey(r)).length === 1,
  );
  const tried = [...single].sort((a, b) => strength(b) - strength(a)).slice(0, TRIED);
  return tried.find(
    (r) =>
      posteriorOf(
        readings.filter((x) => x.id !== r.id),
        p.before,
      ).kinds[kind] < KEEPS,
  );
}
