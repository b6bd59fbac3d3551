import { computed, Injectable, signal } from '@angular/core';
import { CAPTURE_LIMIT } from '../../core/engines/capture';
import type { LabelledTiming } from '../../core/engines/scan';
import { WorkerClient, type Unanswered } from './worker-client';
import type { CaptureOrder, ReadCapture } from '../workers/capture.worker';

const labelOf = (name: string): string => name.replace(/\.(vcd|csv|txt)$/i, '');

/** A capture that gives no sign of progress for this long is given up, ms. */
const SILENCE_MS = 30_000;

type Labelled = LabelledTiming & { readonly cutOff: boolean };

/** Reads logic captures in a worker, with progress and a way to stop; what was read before stays, and stays with its job. */
@Injectable({ providedIn: 'root' })
export class Captures {
  private readonly byJob = signal<Readonly<Record<string, readonly Labelled[]>>>({});
  private readonly job = signal('');
  readonly list = computed(() => this.byJob()[this.job()] ?? []);
  /** Share read, in percent, while reading; null otherwise. */
  readonly progress = signal<number | null>(null);
  readonly problem = signal('');
  private readonly client = new WorkerClient<CaptureOrder, readonly ReadCapture[], number>(
    () => new Worker(new URL('../workers/capture.worker', import.meta.url), { type: 'module' }),
  );

  /** The job whose captures these are from now on; a reading for another one ends. */
  belongTo(job: string): void {
    if (job === this.job()) return;
    this.stop();
    this.problem.set('');
    this.job.set(job);
  }

  read(files: readonly File[]): void {
    this.stop();
    this.problem.set('');
    const large = files.find((f) => f.size > CAPTURE_LIMIT);
    if (large)
      return this.problem.set(
        `${large.name} is ${Math.round(large.size / 1e6)} MB; a capture is at most ` +
          `${CAPTURE_LIMIT / 1e6} MB. A few seconds with one key held are enough.`,
      );
    const total = files.reduce((s, f) => s + f.size, 0) || 1;
    this.progress.set(0);
    this.client
      .ask(
        { files: files.map((file) => ({ label: labelOf(file.name), file })) },
        { limitMs: SILENCE_MS, onNews: (bytes) => this.progress.set(Math.min(99, Math.round((100 * bytes) / total))) },
      )
      .then((captures) => this.add(captures))
      .catch((why: Unanswered) => {
        if (why.because === 'refused') this.problem.set(`${why.message} Nothing of what was read before is lost.`);
        else if (why.because !== 'stopped') this.problem.set('The reading broke off. Try one file at a time.');
      })
      // A reading that was stopped for the next one must not end its progress.
      .finally(() => {
        if (!this.client.busy) this.progress.set(null);
      });
  }

  /** Ends a reading that is under way; nothing of it is kept. */
  stop(): void {
    this.client.stop();
    this.progress.set(null);
  }

  private change(f: (list: readonly Labelled[]) => readonly Labelled[]): void {
    this.byJob.update((all) => ({ ...all, [this.job()]: f(all[this.job()] ?? []) }));
  }

  /** A later capture of the same key takes the place of the earlier one. */
  private add(captures: readonly Labelled[]): void {
    this.change((old) => [...old.filter((o) => !captures.some((c) => c.label === o.label)), ...captures]);
  }

  rename(from: string, to: string): void {
    this.change((list) => list.map((c) => (c.label === from ? { ...c, label: to } : c)));
  }

  drop(label: string): void {
    this.change((list) => list.filter((c) => c.label !== label));
  }
}
