/** What a recording can be of. */
export const TRACE_KINDS = ['power', 'current', 'temperature', 'light', 'flow'] as const;
/** One of `TRACE_KINDS`. */
export type TraceKind = (typeof TRACE_KINDS)[number];

/** Units that a maker may say of a file. */
export const SAID_UNITS = ['', 'W', 'kW', 'mW', 'A', 'mA', '°C', '°F', 'lux', 'l/min', 'l/h'] as const;

/** What was found in a recording with a threshold and its band: what a hold is judged by without the file at hand. */
export interface Looked {
  /** The threshold that it was looked at with. */
  over: number;
  under: number;
  /** Runs in it: stretches over, joined over the rests within. */
  runs: number;
  /** The longest rest within a run, s. */
  restSeconds: number;
  /** The shortest time that it stayed under after a run, s: to the next one, or to the end of the recording. */
  tailSeconds: number;
  /** What no sample covers within runs, s. */
  gapSeconds: number;
  /** The highest that is usual under the threshold, and the lowest over it: means of the levels next to it. */
  below: number;
  above: number;
  /** The noise of those two levels, as standard deviations. */
  noiseBelow: number;
  noiseAbove: number;
  /** The longest and the shortest of the runs, s. */
  longestSeconds: number;
  shortestSeconds: number;
  /** Energy of a run at the mean, J; null for what is no power. */
  joules: number | null;
}

/** A recording that is kept beside the job, and what was learned from it. */
export interface JobRecording {
  /** SHA-256 of its bytes, in 64 hexadecimal digits: the recording is known by it wherever it is kept. */
  id: string;
  /** Name of the file. */
  name: string;
  bytes: number;
  kind: TraceKind;
  /** Unit of its values, W for power whatever the file says. */
  unit: string;
  /** Unit that the maker says its numbers are in, where the file names none or another; empty as the file has it. */
  said: (typeof SAID_UNITS)[number];
  /** The file names no unit. */
  unitGuessed: boolean;
  samples: number;
  /** From the first to the last sample, s. */
  seconds: number;
  stepSeconds: number;
  /** Rows that were left out or taken otherwise than they stand. */
  odd: number;
  /** What it shows, in the maker's words, as the programme that ran. */
  shows: string;
  /** Id of the sense that learns from it; empty for none. */
  sense: string;
  /** How many runs it holds, where somebody counted them. */
  runs: number | null;
  /** It is kept back: nothing is learned from it, and what was learned is tried on it. */
  heldOut: boolean;
  /** Another machine hangs on the same meter: what it shows is the sum of both. */
  shared: boolean;
  looked: Looked | null;
}
