import { itemAt } from '../../../ground/lists';
import { FIRST_SHARES } from '../../../engines/circuit';
import { CONTROL_KINDS, type ControlKind } from '../../../ground/job';
import type { Prior } from './posterior';

/** What a known control tells of the others on its board. */
export interface KnownSibling {
  readonly control: string;
  readonly kind: ControlKind;
  /** Its logic supply where that was read, V. */
  readonly supplyVolts: number | null;
}

/** Each known neighbour makes its own kind this much likelier, three at most (`siblings`). */
const LEAN = 3;
const MOST_COUNTED = 3;

/** The shares to begin with for a control, given what its neighbours on the same board turned out to be. */
export function beforeWith(siblings: readonly KnownSibling[], meter: Prior['meter']): Prior {
  if (siblings.length === 0) return { meter, kinds: FIRST_SHARES, supplyVolts: null };
  const raw = CONTROL_KINDS.map(
    (k) => FIRST_SHARES[k] * (1 + LEAN * Math.min(MOST_COUNTED, siblings.filter((s) => s.kind === k).length)),
  );
  const sum = raw.reduce((a, b) => a + b, 0);
  const volts = siblings.flatMap((s) => (s.supplyVolts === null ? [] : [s.supplyVolts])).sort((a, b) => a - b);
  return {
    meter,
    kinds: Object.fromEntries(CONTROL_KINDS.map((k, i) => [k, itemAt(raw, i) / sum])) as Record<ControlKind, number>,
    supplyVolts: volts[Math.floor(volts.length / 2)] ?? null,
  };
}
