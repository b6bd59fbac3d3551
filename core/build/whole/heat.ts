import { longestPress, type Job } from '../../ground/job';
import { boundsOf, takenPart } from '../../engines/parts';
import type { LedgerRow } from './ledger';

/** What lasts for less than this warms a closed box in proportion only, s: common practice for boxes of some litres. */
export const WARMS_SECONDS = 600;

/** Heat in one part of a press at its worst, W; a bridge's is what flows through the resistance of its two switches. */
function wattsOf(job: Job, { part, rating, stress }: LedgerRow): number {
  if (stress === null || !Number.isFinite(stress)) return 0;
  if (rating.key === 'watts') return stress;
  if (part.kind === 'bridge' && rating.key === 'lasting-amps')
    return stress ** 2 * boundsOf(takenPart(job, 'bridge'), 'onOhms').high;
  return 0;
}

/**
 * Heat of the transistors, couplers, bridges and resistors of all presses together, W: each at its worst and for as long as its press lasts
 * at most, as if all were pressed within one time. An upper bound; coils are told by the supplies.
 */
export const heatOfPresses = (job: Job, rows: readonly LedgerRow[]): number =>
  rows.reduce((sum, row) => {
    const watts = wattsOf(job, row);
    if (watts === 0) return sum;
    const seconds = longestPress(job, row.part.of);
    return sum + watts * Math.min(1, seconds / WARMS_SECONDS);
  }, 0);
