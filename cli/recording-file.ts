import { open, type FileHandle } from 'node:fs/promises';
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads';
import {
  MOST_SAMPLES,
  PartReader,
  readPart,
  readRecording,
  type ByteSource,
  type OtherThread,
  type PlainOrder,
  type PlainPart,
  type Recording,
  type TraceReader,
} from '../core/engines/trace';

/** What another thread is given: a part of a file, and how its rows are read. */
interface PartOrder {
  readonly file: string;
  readonly order: PlainOrder;
  readonly from: number;
  readonly to: number;
}

const sourceOf = (file: FileHandle, size: number): ByteSource => ({
  size,
  bytes: async (from, to) => {
    const { buffer, bytesRead } = await file.read(new Uint8Array(to - from), 0, to - from, from);
    return buffer.subarray(0, bytesRead);
  },
});

/** The same program once more, as the thread at the end of this file. */
const inAnotherThread =
  (file: string): OtherThread =>
  (order, from, to) =>
    new Promise((done) => {
      const worker = new Worker(new URL(import.meta.url), { workerData: { part: { file, order, from, to } } });
      const answer = (part: PlainPart | null): void => {
        done(part);
        void worker.terminate();
      };
      worker.once('message', answer);
      worker.once('error', () => answer(null));
    });

/** Reads a recording from a file, a long one in two threads. Throws as the reader does, and what opening the file throws. */
export async function readRecordingFile(reader: TraceReader, name: string): Promise<Recording> {
  const file = await open(name);
  try {
    const { size } = await file.stat();
    return await readRecording(reader, sourceOf(file, size), inAnotherThread(name));
  } finally {
    await file.close();
  }
}

if (!isMainThread && parentPort) {
  // Other threads of this program have other orders.
  const { part } = workerData as { readonly part?: PartOrder };
  if (part) {
    const file = await open(part.file);
    const read = await readPart(new PartReader(part.order, MOST_SAMPLES), sourceOf(file, part.to), part.from, part.to);
    await file.close();
    parentPort.postMessage(read, read ? [read.seconds.buffer as ArrayBuffer, read.values.buffer as ArrayBuffer] : []);
  }
}
