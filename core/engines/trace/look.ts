import { lastItem } from '../../ground/lists';
import type { Looked } from '../../ground/job';
import { energyOf } from './energy';
import { finishOf, type Finish } from './hold';
import { histogramOf, traceStates } from './levels';
import { aboveOf, noiseOf, type Band, type Stretch } from './runs';
import type { Gap, Recording } from './trace';

/** What a threshold finds in a recording: its runs, and what a hold is judged by. */
export interface LookedWith {
  readonly looked: Looked;
  readonly finish: Finish;
}

/** What no sample covers within runs, s; both in order of time. */
function gapsWithin(gaps: readonly Gap[], runs: readonly Stretch[]): number {
  let [sum, g] = [0, 0];
  for (const { fromSeconds, toSeconds } of runs) {
    for (let gap = gaps[g]; gap && gap.fromSeconds < toSeconds; gap = gaps[g]) {
      sum += Math.max(0, Math.min(gap.toSeconds, toSeconds) - Math.max(gap.fromSeconds, fromSeconds));
      // One that goes on past this run may reach into the next.
      if (gap.toSeconds > toSeconds) break;
      g++;
    }
  }
  return sum;
}

/** The least and the greatest of some lengths; 0 for none. */
const ends = (list: readonly number[]): { readonly least: number; readonly most: number } => ({
  least: list.reduce((a, b) => Math.min(a, b), list[0] ?? 0),
  most: list.reduce((a, b) => Math.max(a, b), 0),
});

/** The levels next to a threshold, and their noises; what lies between is nobody's. */
function sides(r: Recording, band: Band): Pick<Looked, 'below' | 'above' | 'noiseBelow' | 'noiseAbove'> {
  const { levels } = traceStates(histogramOf(r));
  const under = levels.filter((l) => l.at < band.under);
  const over = levels.filter((l) => l.at > band.over);
  const below = under.length > 0 ? lastItem(under).at : band.under;
  const above = over[0]?.at ?? band.over;
  // The noise of a level is that of what lies nearer to it than to the next one away from the threshold.
  const [lower, higher] = [under.at(-2), over[1]];
  const between = (a: number, b: number): number =>
    r.kind === 'temperature' ? (a + b) / 2 : Math.sqrt(Math.max(0, a * b));
  const floor = lower ? between(lower.at, below) : Number.NEGATIVE_INFINITY;
  const roof = higher ? between(above, higher.at) : Number.POSITIVE_INFINITY;
  return {
    below,
    above,
    noiseBelow: noiseOf(r, floor, band.under),
    noiseAbove: noiseOf(r, band.over, roof),
  };
}

/**
 * What a threshold with its band finds in a recording.
 * @param runs how many it holds, where somebody counted them; else they are parted where its rests leap in length.
 */
export function lookAt(r: Recording, band: Band, runs?: number): LookedWith {
  const end = lastItem(r.seconds);
  const above = aboveOf(r, band);
  const finish = finishOf(above, end, runs);
  const lengths = finish.runs.map((x) => x.toSeconds - x.fromSeconds);
  const tails = finish.runs.map((x, i) => (finish.runs[i + 1]?.fromSeconds ?? end) - x.toSeconds);
  const joules =
    r.kind === 'power' && lengths.length > 0
      ? finish.runs.reduce((s, x) => s + energyOf(r, x).joules, 0) / lengths.length
      : null;
  return {
    finish,
    looked: {
      over: band.over,
      under: band.under,
      runs: finish.runs.length,
      restSeconds: finish.shortestSeconds,
      tailSeconds: ends(tails).least,
      gapSeconds: gapsWithin(r.gaps, finish.runs),
      ...sides(r, band),
      longestSeconds: ends(lengths).most,
      shortestSeconds: ends(lengths).least,
      joules,
    },
  };
}
