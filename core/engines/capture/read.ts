import { CsvReader } from './csv';
import { CaptureProblem } from './problem';
import type { CaptureTiming } from './timing';
import { VcdReader } from './vcd';

/** Largest capture read, bytes. */
export const CAPTURE_LIMIT = 200_000_000;

/** How a file of a logic capture is read. */
export interface ReadOptions {
  /** Lines to follow; without it all of them. */
  readonly only?: readonly string[];
  /** Called with the bytes read so far. */
  readonly onProgress?: (bytes: number) => void;
  /** Looked at between pieces; a read that is no longer wanted ends with a CaptureProblem. */
  readonly signal?: { readonly aborted: boolean };
}

/** A logic capture: its lines and their edges. */
export interface Capture {
  readonly timing: CaptureTiming;
  /** The file ends in the middle of a word or row; what came before was read. */
  readonly cutOff: boolean;
}

/**
 * Reads a logic capture from its pieces: a value change dump where the name ends in .vcd or the text begins with $, a table otherwise.
 * Throws CaptureProblem with the place; the pieces are read once and not kept.
 */
export async function readCapture(
  name: string,
  pieces: AsyncIterable<Uint8Array>,
  options: ReadOptions = {},
): Promise<Capture> {
  let reader: VcdReader | CsvReader | undefined;
  let bytes = 0;
  for await (const piece of pieces) {
    if (options.signal?.aborted)
      throw new CaptureProblem(
        'The reading was stopped.',
        `after ${Math.round(bytes / 1e6)} MB`,
        'Nothing was changed.',
      );
    if (bytes === 0 && piece.subarray(0, 4096).includes(0))
      throw new CaptureProblem('This is no text file.', 'the beginning', 'Export the capture as VCD or CSV.');
    reader ??=
      /\.vcd$/i.test(name) || /^\s*\$/.test(new TextDecoder().decode(piece.subarray(0, 64)))
        ? new VcdReader(options.only)
        : new CsvReader(options.only);
    reader.push(piece);
    bytes += piece.length;
    if (bytes > CAPTURE_LIMIT)
      throw new CaptureProblem(
        `The capture is over ${CAPTURE_LIMIT / 1e6} MB.`,
        'the whole file',
        'A few seconds with one key held are enough.',
      );
    options.onProgress?.(bytes);
  }
  if (!reader) throw new CaptureProblem('The file is empty.', 'the beginning', 'Record again.');
  return reader.end();
}
