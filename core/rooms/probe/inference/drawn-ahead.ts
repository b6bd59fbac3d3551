import { present } from '../../../ground/lists';
import { MODEL_KINDS, type ModelKind } from '../../../engines/circuit';

/**
 * Predictions that were drawn when the program was built, one after the other: of every kind its supplies as 64-bit numbers, then of every
 * row the predictions as 32-bit numbers, then the builds of every kind in the order of each of its values as 16-bit numbers. Nothing in the
 * file says what it is of: `layout` does, on both sides.
 */
export interface DrawnAhead {
  readonly supplies: ReadonlyMap<ModelKind, Float64Array>;
  /** By kind and key of the reading with its meter. */
  readonly rows: ReadonlyMap<string, Float32Array>;
  /** By kind and value: the builds from the least to the most of it. */
  readonly orders: ReadonlyMap<string, Uint16Array>;
}

/** What a file is of: builds of each kind, keys of the rows of every kind and the values that each kind is ordered by, in order. */
export interface Contents {
  readonly counts: Readonly<Record<ModelKind, number>>;
  readonly readings: readonly string[];
  readonly values: Readonly<Record<ModelKind, readonly string[]>>;
}

let taken: DrawnAhead | null = null;

/** What was drawn ahead, where something was. */
export const drawnAhead = (): DrawnAhead | null => taken;

/** Puts what was drawn ahead where everybody finds it; null takes it away. */
export const useDrawnAhead = (ahead: DrawnAhead | null): void => void (taken = ahead);

/** Name of a row or of an order. @param reading the reading with what of its meter it hangs on, or the value. */
export const rowKey = (kind: ModelKind, reading: string): string => `${kind}|${reading}`;

/** How such a file is laid out. */
function layout({ counts, readings, values }: Contents) {
  let at = 0;
  const place = (bytes: number): number => (at += bytes) - bytes;
  const supplies = MODEL_KINDS.map((kind) => ({ kind, at: place(Float64Array.BYTES_PER_ELEMENT * counts[kind]) }));
  const rows = readings.flatMap((reading) =>
    MODEL_KINDS.map((kind) => ({
      kind,
      key: rowKey(kind, reading),
      at: place(Float32Array.BYTES_PER_ELEMENT * counts[kind]),
    })),
  );
  const orders = MODEL_KINDS.flatMap((kind) =>
    values[kind].map((value) => ({
      kind,
      key: rowKey(kind, value),
      at: place(Uint16Array.BYTES_PER_ELEMENT * counts[kind]),
    })),
  );
  return { supplies, rows, orders, bytes: at };
}

/** The file as it is read; null where it has another length than such a file has. */
export function readDrawnAhead(bytes: ArrayBuffer, contents: Contents): DrawnAhead | null {
  const plan = layout(contents);
  if (bytes.byteLength !== plan.bytes) return null;
  const { counts } = contents;
  return {
    supplies: new Map(plan.supplies.map(({ kind, at }) => [kind, new Float64Array(bytes, at, counts[kind])])),
    rows: new Map(plan.rows.map(({ kind, key, at }) => [key, new Float32Array(bytes, at, counts[kind])])),
    orders: new Map(plan.orders.map(({ kind, key, at }) => [key, new Uint16Array(bytes, at, counts[kind])])),
  };
}

/** An empty file with its rows to fill in. */
export function freshDrawnAhead(contents: Contents): { readonly bytes: ArrayBuffer; readonly ahead: DrawnAhead } {
  const bytes = new ArrayBuffer(layout(contents).bytes);
  return { bytes, ahead: present(readDrawnAhead(bytes, contents)) };
}
