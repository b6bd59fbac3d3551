import type { TraceKind } from '../../ground/job';

/** What was odd in a row, and what was done with it. */
export const MARKS = ['no-number', 'no-time', 'backwards', 'clock-set-back', 'other-unit'] as const;
/** One of `MARKS`. */
export type OddReason = (typeof MARKS)[number];
/** A row that was not taken as it stands. */
export interface OddRow {
  readonly line: number;
  readonly reason: OddReason;
  /** The cell, cut short. */
  readonly cell: string;
}

/** A stretch without samples, in the times of the recording, s. */
export interface Gap {
  readonly fromSeconds: number;
  readonly toSeconds: number;
}

/** A recording as it was read: samples in order of time, what was odd, what is missing. */
export interface Recording {
  readonly kind: TraceKind;
  /** Unit of the values: W, A, °C, lux, l/min, or what the head says. */
  readonly unit: string;
  readonly name: string;
  /** True where the file names no unit, and watts are taken. */
  readonly unitGuessed: boolean;
  /** What the columns are called that were taken, and what else stood there. */
  readonly columns: { readonly time: string; readonly value: string; readonly others: readonly string[] };
  /** Seconds since the first sample, never falling. */
  readonly seconds: Float64Array;
  /** Values in the unit above, W for power whatever the file says. */
  readonly values: Float64Array;
  /** The first sample's own time as the file has it: ms since 1970, or null for elapsed times. */
  readonly startsAtMs: number | null;
  /** Last digit that the values are written with, in the unit above. */
  readonly digit: number;
  /** Usual step between samples, s: the median. */
  readonly stepSeconds: number;
  readonly gaps: readonly Gap[];
  /** Samples at the same time as the one before. */
  readonly repeats: number;
  /** The first of the odd rows, and how many there are of each sort. */
  readonly marks: readonly OddRow[];
  readonly odd: Readonly<Record<OddReason, number>>;
  /** True where day and month could be either way round: taken as day first. */
  readonly dayOrMonth: boolean;
  readonly rows: number;
}
