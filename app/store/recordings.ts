import { computed, inject, Injectable, signal } from '@angular/core';
import { RECORDING_LIMIT, type JobRecording } from '../../core/ground/job';
import type { Beside } from '../../core/house/zip';
import type { ReadTrace, TraceOrder, TraceResults, TraceSource } from '../workers/trace.worker';
import { Database } from './database';
import { storeTrouble } from './store-trouble';
import { Unanswered, WorkerClient } from './worker-client';

/** A recording that gives no sign of progress for this long is given up, ms. */
const SILENCE_MS = 60_000;

/** Recordings of jobs: their bytes in the browser's store, known by their hash, and the worker that reads them. */
@Injectable({ providedIn: 'root' })
export class Recordings {
  private readonly database = inject(Database);
  private readonly client = new WorkerClient<TraceOrder, TraceResults[keyof TraceResults], number>(
    () => new Worker(new URL('../workers/trace.worker', import.meta.url), { type: 'module' }),
  );
  private readonly files = signal<Readonly<Record<string, Blob | null>>>({});
  private readonly bytes = signal<{ readonly done: number; readonly all: number } | null>(null);
  /** Share read, in percent, while something is read; null otherwise. */
  readonly progress = computed(() => {
    const b = this.bytes();
    return b && Math.min(99, Math.round((100 * b.done) / Math.max(1, b.all)));
  });

  /** Whether this browser has the bytes of a recording; undefined before it was looked. */
  readonly has = (id: string): boolean | undefined => {
    const file = this.files()[id];
    return file === undefined ? undefined : file !== null;
  };

  /** Looks for the bytes of recordings that were not looked for yet. */
  async find(list: readonly Pick<JobRecording, 'id'>[]): Promise<void> {
    for (const { id } of list) {
      if (this.files()[id]) continue;
      const file = await this.database.recording(id).catch(() => undefined);
      this.files.update((all) => ({ ...all, [id]: file ?? null }));
    }
  }

  /** Reads a file as a recording and keeps its bytes. Throws Error with what to do where it is none. */
  async take(file: File): Promise<ReadTrace> {
    if (file.size > RECORDING_LIMIT)
      throw new Error(
        `${file.name} is ${Math.round(file.size / 1e6)} MB; a recording is at most ${RECORDING_LIMIT / 1e6} MB. ` +
          'Cut it into weeks, or record less often: nothing was changed.',
      );
    const read = await this.ask({ do: 'read', file, said: '' }, file.size).catch((why: Unanswered) => {
      throw new Unanswered(`${file.name}: ${why.message}`, why.because);
    });
    await this.keep(read.facts.id, file).catch((why: unknown) => {
      throw new Error(`${file.name} could not be kept: ${storeTrouble(why)}`);
    });
    return read;
  }

  private async keep(id: string, file: Blob): Promise<void> {
    await this.database.putRecording(id, file);
    this.files.update((all) => ({ ...all, [id]: file }));
  }

  /** What the worker is given of a recording; null where its bytes are not in this browser. */
  sourceOf({ id, name, said, runs }: JobRecording): TraceSource | null {
    const file = this.files()[id];
    return file ? { id, name, said, runs, file } : null;
  }

  /** Asks the worker. @param bytes of what it may have to read, for its progress. */
  async ask<K extends keyof TraceResults>(order: TraceOrder & { readonly do: K }, bytes = 0): Promise<TraceResults[K]> {
    if (bytes > 0) this.bytes.set({ done: 0, all: bytes });
    try {
      return (await this.client.ask(order, {
        limitMs: SILENCE_MS,
        onNews: (done) => this.bytes.update((b) => b && { ...b, done }),
      })) as TraceResults[K];
    } finally {
      if (!this.client.busy) this.bytes.set(null);
    }
  }

  /** Ends what is under way; nothing of it is kept. */
  stop(): void {
    this.client.stop();
    this.bytes.set(null);
  }

  /** The bytes of these recordings that this browser has. */
  async all(list: readonly Pick<JobRecording, 'id'>[]): Promise<Beside[]> {
    const found: Beside[] = [];
    for (const { id } of list) {
      const file = await this.database.recording(id).catch(() => undefined);
      if (file) found.push({ id, bytes: new Uint8Array(await file.arrayBuffer()) });
    }
    return found;
  }

  /** Takes recordings that came with a file; what is not the bytes that its name says is left, and said. */
  async bring(list: readonly Beside[]): Promise<readonly string[]> {
    const changed: string[] = [];
    for (const { id, bytes } of list) {
      const hash = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes as BufferSource));
      if ([...hash].map((b) => b.toString(16).padStart(2, '0')).join('') !== id) changed.push(id);
      else await this.keep(id, new Blob([bytes as BlobPart], { type: 'text/csv' }));
    }
    return changed.length === 0
      ? []
      : [`${changed.length} of its recordings are not the bytes that the job names, and were left in the zip.`];
  }
}
