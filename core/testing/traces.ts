import { TraceReader, type LayoutChange, type Recording } from '../engines/trace';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
/** Reads a text in pieces of so many bytes. */
export function readText(text: string, piece = 1 << 20, change: LayoutChange = {}): Recording {
  const reader = new TraceReader('t', change);
  const all = bytes(text);
  for (let i = 0; i < all.length; i += piece) reader.push(all.subarray(i, i + piece));
  return reader.end();
}
/** A table of times and watts. */
export const rowsOf = (list: readonly (readonly [number, number])[], head = 'time,power (W)\n'): string =>
  head + list.map(([t, v]) => `${t},${v}\n`).join('');
/** A trace of steps: so many seconds at so many watts, a sample a second. */
export const stepsOf = (...list: readonly (readonly [seconds: number, watts: number])[]): Recording =>
  readText(
    rowsOf(
      list
        .flatMap(([n, w]) => Array.from({ length: n }, () => w))
        .map((w, i): [number, number] => [i, w + (i % 3) * 0.1]),
    ),
  );
