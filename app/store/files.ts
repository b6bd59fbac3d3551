import { Injectable } from '@angular/core';
import type { FileOrder, FileResults } from '../workers/files.worker';
import { WorkerClient } from './worker-client';

/** The longest that a file may take to open or to be packed, ms. */
const LIMIT_MS = 60_000;

/** Reads and packs files in a worker. */
@Injectable({ providedIn: 'root' })
export class Files {
  private readonly client = new WorkerClient<FileOrder, FileResults[keyof FileResults]>(
    () => new Worker(new URL('../workers/files.worker', import.meta.url), { type: 'module' }),
  );

  /** Rejects with an Error in words where it cannot be done. */
  async do<K extends keyof FileResults>(order: FileOrder & { readonly do: K }): Promise<FileResults[K]> {
    return (await this.client.ask(order, { limitMs: LIMIT_MS })) as FileResults[K];
  }
}
