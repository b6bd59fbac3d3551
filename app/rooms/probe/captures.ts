import { Injectable, signal } from '@angular/core';
import { CAPTURE_LIMIT } from '../../../core/capture';
import type { LabelledTiming } from '../../../core/scan';
import type { CaptureNews } from '../../workers/capture.worker';

const labelOf = (name: string): string => name.replace(/\.(vcd|csv|txt)$/i, '');

/** Reads logic captures in a worker, with progress and a way to stop; what was read before stays. */
@Injectable({ providedIn: 'root' })
export class Captures {
  readonly list = signal<readonly (LabelledTiming & { readonly cutOff: boolean })[]>([]);
  /** Share read, in percent, while reading; null otherwise. */
  readonly progress = signal<number | null>(null);
  readonly problem = signal('');
  private worker: Worker | undefined;

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
    const worker = (this.worker = new Worker(new URL('../../workers/capture.worker', import.meta.url), {
      type: 'module',
    }));
    worker.addEventListener('message', ({ data }: MessageEvent<CaptureNews>) => {
      if (data.news === 'progress') return this.progress.set(Math.min(99, Math.round((100 * data.bytes) / total)));
      if (data.news === 'problem')
        this.problem.set(
          `${data.file}: ${data.what} (${data.where}) ${data.todo} Nothing of what was read before is lost.`,
        );
      else this.add(data.captures);
      this.stop();
    });
    worker.addEventListener('error', () => {
      this.problem.set('The reading broke off. Try one file at a time.');
      this.stop();
    });
    worker.postMessage({ files: files.map((file) => ({ label: labelOf(file.name), file })) });
  }

  /** Ends a reading that is under way; nothing of it is kept. */
  stop(): void {
    this.worker?.terminate();
    this.worker = undefined;
    this.progress.set(null);
  }

  /** A later capture of the same key takes the place of the earlier one. */
  private add(captures: readonly (LabelledTiming & { readonly cutOff: boolean })[]): void {
    this.list.update((old) => [...old.filter((o) => !captures.some((c) => c.label === o.label)), ...captures]);
  }

  rename(from: string, to: string): void {
    this.list.update((list) => list.map((c) => (c.label === from ? { ...c, label: to } : c)));
  }

  drop(label: string): void {
    this.list.update((list) => list.filter((c) => c.label !== label));
  }
}
