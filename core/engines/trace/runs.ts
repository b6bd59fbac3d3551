import type { Recording } from './trace';

/** A threshold with its band: over the one a run goes on, under the other it rests; in between it stays what it was. */
export interface Band {
  readonly over: number;
  readonly under: number;
}

/** A stretch of time, in the times of the recording, s. */
export interface Stretch {
  readonly fromSeconds: number;
  readonly toSeconds: number;
}

/** The median absolute deviation of a normal spread is this share of its standard deviation. */
const MAD_SHARE = 1.4826;
/** A band is at least so many times the noise within either state. */
const BAND_NOISES = 3;
/** Most values that noise is told from. */
const MOST_VALUES = 50_001;

/**
 * Noise of the values from one value up to and without another: the median absolute deviation, scaled to a standard deviation. 0 where
 * none lies there.
 */
export function noiseOf({ values }: Recording, from: number, to: number): number {
  const every = Math.max(1, Math.floor(values.length / MOST_VALUES));
  const own: number[] = [];
  for (let i = 0; i < values.length; i += every) if (values[i]! >= from && values[i]! < to) own.push(values[i]!);
  if (own.length === 0) return 0;
  const median = (list: Float64Array): number => list.sort()[list.length >> 1]!;
  const middle = median(Float64Array.from(own));
  return MAD_SHARE * median(Float64Array.from(own, (v) => Math.abs(v - middle)));
}

/**
 * The band around a threshold: three times the noise of either state wide, and on each side no further than half way to the level that
 * lies there.
 * @param noise the greater of the noises of the two levels, as a standard deviation.
 */
export function bandOf(threshold: number, below: number, above: number, noise: number): Band {
  const half = (BAND_NOISES * noise) / 2;
  return {
    under: Math.max(threshold - half, (below + threshold) / 2),
    over: Math.min(threshold + half, (above + threshold) / 2),
  };
}

/** The stretches for which a recording stands above, with hysteresis; a gap ends what was before it. */
export function aboveOf({ seconds, values, gaps }: Recording, band: Band): Stretch[] {
  const out: Stretch[] = [];
  let began = -1;
  let g = 0;
  const end = (at: number): void => {
    if (began >= 0) out.push({ fromSeconds: seconds[began]!, toSeconds: at });
    began = -1;
  };
  const { over, under } = band;
  let gapTo = gaps[0]?.toSeconds ?? Infinity;
  for (let i = 0; i < values.length; i++) {
    if (seconds[i]! >= gapTo) {
      end(gaps[g]!.fromSeconds);
      gapTo = gaps[++g]?.toSeconds ?? Infinity;
    }
    const v = values[i]!;
    if (began < 0) {
      if (v > over) began = i;
    } else if (v < under) end(seconds[i]!);
  }
  end(seconds[seconds.length - 1]!);
  return out.filter((s) => s.toSeconds > s.fromSeconds || out.length === 1);
}

/** A run: from the first rise to the last fall before it rests for longer than the hold. */
export interface Run extends Stretch {
  /** Rests within it, s, in their order. */
  readonly dips: readonly Stretch[];
}

/** Runs of a recording: stretches above, joined over every rest that is shorter than the hold. */
export function runsOf(above: readonly Stretch[], holdSeconds: number): Run[] {
  const runs: { fromSeconds: number; toSeconds: number; dips: Stretch[] }[] = [];
  for (const s of above) {
    const last = runs.at(-1);
    if (last && s.fromSeconds - last.toSeconds < holdSeconds) {
      last.dips.push({ fromSeconds: last.toSeconds, toSeconds: s.fromSeconds });
      last.toSeconds = s.toSeconds;
    } else runs.push({ ...s, dips: [] });
  }
  return runs;
}
