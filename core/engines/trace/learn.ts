import { itemAt } from '../../ground/lists';
import { histogramOf, traceStates, type TraceStates } from './levels';
import { lookAt } from './look';
import { bandOf, noiseOf, type Band } from './runs';
import type { Recording } from './trace';

/** A recording with how many runs it holds, where somebody counted them. */
export interface Counted {
  readonly recording: Recording;
  readonly runs: number | null;
}

/** What some recordings together say of where a run begins and ends. */
export interface FoundBands {
  readonly states: TraceStates;
  /** A band for each threshold, lowest first. */
  readonly bands: readonly Band[];
  /** Which of them parts runs from rests: the lowest under which every recording begins and ends; −1 where it stands at one level alone. */
  readonly best: number;
}

/** A value as somebody would write it. */
const written = (x: number): number => Number(x.toPrecision(3));

/** Whether a recording begins and ends under a threshold, and rises over it in between. */
function isWhole({ recording, runs }: Counted, band: Band): boolean {
  const { looked, finish } = lookAt(recording, band, runs ?? undefined);
  return looked.runs > 0 && looked.tailSeconds > 0 && itemAt(finish.runs, 0).fromSeconds > 0;
}

/**
 * Thresholds of some recordings together, with the band that their noise asks for, and which of them tells runs.
 * @param list one recording at least, all of one unit.
 * @param wanted levels, 1 to 4; found where it is left out.
 */
export function proposeBand(list: readonly Counted[], wanted?: number): FoundBands {
  const recordings = list.map((c) => c.recording);
  const states = traceStates(histogramOf(...recordings), wanted);
  const bands = states.thresholds.map((threshold, i): Band => {
    const [below, above] = [itemAt(states.levels, i).at, itemAt(states.levels, i + 1).at];
    const noise = Math.max(
      ...recordings.map((r) =>
        Math.max(
          noiseOf(r, states.thresholds[i - 1] ?? Number.NEGATIVE_INFINITY, threshold),
          noiseOf(r, threshold, states.thresholds[i + 1] ?? Number.POSITIVE_INFINITY),
        ),
      ),
    );
    const band = bandOf(threshold, below, above, noise);
    return { over: written(band.over), under: Math.min(written(band.under), written(band.over)) };
  });
  const whole = bands.findIndex((band) => list.every((c) => isWhole(c, band)));
  return { states, bands, best: whole >= 0 ? whole : bands.length > 0 ? 0 : -1 };
}
