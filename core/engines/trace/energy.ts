import { indexAt } from './columns';
import type { Stretch } from './runs';
import type { Recording } from './trace';

/** What a stretch of a power recording used. */
export interface Energy {
  readonly joules: number;
  /** Time within it that no sample covers, s: nothing is counted there. */
  readonly gapSeconds: number;
}

const JOULES_PER_KWH = 3.6e6;
/** Kilowatt hours of joules. */
export const kilowattHours = (joules: number): number => joules / JOULES_PER_KWH;

/** Energy of a stretch by trapezoids over the real steps; in a gap nothing is counted, and the gap is told. */
export function energyOf({ seconds, values, gaps }: Recording, { fromSeconds, toSeconds }: Stretch): Energy {
  let joules = 0;
  let gapSeconds = 0;
  // Gaps and samples before it are passed over at once: a recording may hold many runs.
  let g = gaps.findIndex((x) => x.toSeconds > fromSeconds);
  if (g < 0) g = gaps.length;
  let gapFrom = gaps[g]?.fromSeconds ?? Infinity;
  for (let i = Math.max(1, indexAt(seconds, fromSeconds)); i < seconds.length; i++) {
    const a = seconds[i - 1]!;
    const b = seconds[i]!;
    if (a > gapFrom) gapFrom = gaps[++g]?.fromSeconds ?? Infinity;
    if (a >= fromSeconds && b <= toSeconds && a !== gapFrom) {
      joules += ((values[i - 1]! + values[i]!) / 2) * (b - a);
      continue;
    }
    if (b <= fromSeconds) continue;
    if (a >= toSeconds) break;
    const [from, to] = [Math.max(a, fromSeconds), Math.min(b, toSeconds)];
    if (gapFrom === a) {
      gapSeconds += to - from;
      continue;
    }
    const slope = b > a ? (values[i]! - values[i - 1]!) / (b - a) : 0;
    const at = (t: number): number => values[i - 1]! + slope * (t - a);
    joules += ((at(from) + at(to)) / 2) * (to - from);
  }
  return { joules, gapSeconds };
}
