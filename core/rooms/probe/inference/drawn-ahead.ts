import { present } from '../../../ground/lists';
import { CONTROL_KINDS, type ControlKind } from '../../../ground/job';

/**
 * Predictions that were drawn when the program was built, one after the other: of every kind its supplies as 64-bit numbers, then of every
 * row the predictions as 32-bit numbers. Nothing in the file says what it is of: `layout` does, on both sides.
 */
export interface DrawnAhead {
  readonly supplies: ReadonlyMap<ControlKind, Float64Array>;
  /** By kind and key of the reading with its meter. */
  readonly rows: ReadonlyMap<string, Float32Array>;
}

let taken: DrawnAhead | null = null;

/** What was drawn ahead, where something was. */
export const drawnAhead = (): DrawnAhead | null => taken;

/** Puts what was drawn ahead where everybody finds it; null takes it away. */
export const useDrawnAhead = (ahead: DrawnAhead | null): void => void (taken = ahead);

/** Name of a row. @param reading the reading with what of its meter it hangs on. */
export const rowKey = (kind: ControlKind, reading: string): string => `${kind}|${reading}`;

/** How a file of rows is laid out. @param counts builds of each kind. @param readings keys of the rows of every kind, in order. */
function layout(counts: Readonly<Record<ControlKind, number>>, readings: readonly string[]) {
  let at = 0;
  const place = (bytes: number): number => (at += bytes) - bytes;
  const supplies = CONTROL_KINDS.map((kind) => ({ kind, at: place(8 * counts[kind]) }));
  const rows = readings.flatMap((reading) =>
    CONTROL_KINDS.map((kind) => ({ kind, key: rowKey(kind, reading), at: place(4 * counts[kind]) })),
  );
  return { supplies, rows, bytes: at };
}

/** The file as it is read; null where it has another length than such a file has. */
export function readDrawnAhead(
  bytes: ArrayBuffer,
  counts: Readonly<Record<ControlKind, number>>,
  readings: readonly string[],
): DrawnAhead | null {
  const plan = layout(counts, readings);
  if (bytes.byteLength !== plan.bytes) return null;
  return {
    supplies: new Map(plan.supplies.map(({ kind, at }) => [kind, new Float64Array(bytes, at, counts[kind])])),
    rows: new Map(plan.rows.map(({ kind, key, at }) => [key, new Float32Array(bytes, at, counts[kind])])),
  };
}

/** An empty file with its rows to fill in. */
export function freshDrawnAhead(
  counts: Readonly<Record<ControlKind, number>>,
  readings: readonly string[],
): { readonly bytes: ArrayBuffer; readonly ahead: DrawnAhead } {
  const bytes = new ArrayBuffer(layout(counts, readings).bytes);
  return { bytes, ahead: present(readDrawnAhead(bytes, counts, readings)) };
}
