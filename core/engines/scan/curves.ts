import type { ScanPlan } from '../../ground/job';
import { hitChance } from './hit';
import { runChance } from './runs';

/** Widths of a strobe that are met, from 0.1 ms to 0.1 s, evenly on a logarithmic scale; s. */
export const STROBE_WIDTHS: readonly number[] = Array.from({ length: 121 }, (_, i) => 1e-4 * 1000 ** (i / 120));

/** A pad is scanned about this often where nobody has looked, s; common practice. */
const USUAL_PERIOD_SECONDS = 16e-3;

/** Over the widths: the chance that one scan is answered in time, and that a press of the planned length is then seen. */
export function scanCurves(
  plan: ScanPlan,
  periodSeconds: number | undefined,
): { readonly hit: readonly number[]; readonly seen: readonly number[] } {
  const trials = Math.floor(plan.holdSeconds / (periodSeconds ?? USUAL_PERIOD_SECONDS));
  const hit = STROBE_WIDTHS.map((w) => hitChance(plan, w));
  return { hit, seen: hit.map((p) => runChance(p, plan.scansNeeded, trials)) };
}
