import type { PartReader, PlainOrder, PlainPart } from './part';
import type { TraceReader } from './read';
import type { Recording } from './trace';

/** A file that can be read from anywhere in it. */
export interface ByteSource {
  readonly size: number;
  /** The bytes from one place up to and without another. */
  readonly bytes: (from: number, to: number) => Promise<Uint8Array>;
}
/** Reads a part of the same file in another thread; null where its rows are not plain. */
export type OtherThread = (order: PlainOrder, from: number, to: number) => Promise<PlainPart | null>;

/** What a reader is given at once, bytes. */
const PIECE = 1 << 20;
/** A smaller file is read before another thread has begun, bytes. */
const LEAST_PARTED = 8 << 20;
/** Within so many bytes a line ends, or there are none. */
const LINE_WITHIN = 4096;
const LF = 10;

/**
 * Reads a recording of any length: where its rows are plain and there are many, its second half in another thread. Whatever that half
 * cannot do is read here, so that the answer is the same either way.
 * @param other null where there is no other thread. @param tell is called with the bytes that were read here.
 */
export async function readRecording(
  reader: TraceReader,
  source: ByteSource,
  other: OtherThread | null,
  tell: (bytes: number) => void = () => undefined,
): Promise<Recording> {
  let at = 0;
  const upTo = async (end: number): Promise<void> => {
    while (at < end) {
      const to = Math.min(end, at + PIECE);
      reader.push(await source.bytes(at, to));
      at = to;
      tell(at);
    }
  };
  await upTo(Math.min(PIECE, source.size));
  reader.expect(source.size / Math.max(1, at));
  const order = other && source.size >= LEAST_PARTED ? reader.plainOrder() : null;
  const middle = order ? await lineAfter(source, source.size >> 1) : null;
  if (other && order && middle !== null) {
    // Whoever cannot work beside us says so by null; we have the bytes ourselves.
    const part = other(order, middle, source.size).catch(() => null);
    await upTo(middle);
    const read = await part;
    if (read && reader.append(read)) return reader.end();
  }
  await upTo(source.size);
  return reader.end();
}

/** Where the first line behind a place begins; null where none ends near it. */
async function lineAfter(source: ByteSource, place: number): Promise<number | null> {
  const found = (await source.bytes(place, Math.min(source.size, place + LINE_WITHIN))).indexOf(LF);
  return found < 0 ? null : place + found + 1;
}

/** Reads a part to its end, as the other thread does. */
export async function readPart(
  reader: PartReader,
  source: ByteSource,
  from: number,
  to: number,
): Promise<PlainPart | null> {
  for (let at = from; at < to; at += PIECE)
    if (!reader.push(await source.bytes(at, Math.min(to, at + PIECE)))) return null;
  return reader.end();
}
