import { inject, Injectable, signal } from '@angular/core';
import type { Job } from '../../core/ground/job';
import type { Rehearsal } from '../../core/house/rehearsed';
import type { RehearsalOrder, RehearsalResult } from '../workers/rehearsal.worker';
import { LongWork } from './long-work';
import { Unanswered, WorkerClient } from './worker-client';

/** How long a program may run before it is ended, ms: one of ours takes some seconds for a day, one that hangs never comes back. */
const LIMIT_MS = 60_000;

/** A day that was rehearsed. */
export interface Rehearsing {
  readonly job: Job;
  /** Name of the file, where it is one of the maker's own. */
  readonly own: string;
  readonly rehearsal: Rehearsal;
  readonly result: RehearsalResult;
  readonly text: string;
}

/** Has programs rehearsed in a worker of their own, one at a time; a program that hangs is ended with it. */
@Injectable({ providedIn: 'root' })
export class Rehearser {
  private readonly work = inject(LongWork);
  private readonly client = new WorkerClient<RehearsalOrder, RehearsalResult>(
    () => new Worker(new URL('../workers/rehearsal.worker', import.meta.url), { type: 'module' }),
  );
  readonly done = signal<Rehearsing | null>(null);
  readonly under = signal(false);
  readonly problem = signal('');

  constructor() {
    this.work.whenLeft('rehearsal', (open) => {
      if (this.done()?.job.id !== open) this.done.set(null);
      this.stop();
    });
  }

  /** @param own a program of the maker's own, with the name of its file. */
  async rehearse(job: Job, own: { readonly name: string; readonly text: string } | null): Promise<void> {
    this.stop();
    this.problem.set('');
    this.under.set(true);
    try {
      const rehearsal = await this.work.do(job.id, { do: 'rehearsal', job, own: own?.text ?? null });
      if (!rehearsal) {
        const why = this.work.problem(job.id, 'rehearsal');
        this.problem.set(why || 'No program in MicroPython is written for this job: there is nothing to rehearse.');
        return;
      }
      const result = await this.client.ask({ base: document.baseURI, rehearsal }, { limitMs: LIMIT_MS });
      const text = rehearsal.bench.files['main.py'] ?? '';
      this.done.set({ job, own: own?.name ?? '', rehearsal, result, text });
    } catch (error) {
      if (error instanceof Unanswered && error.because === 'stopped') return;
      this.problem.set(
        error instanceof Unanswered && error.because === 'late'
          ? 'The program did not come back within a minute and was ended: it goes round without ever resting.'
          : error instanceof Error
            ? error.message
            : 'It could not be run.',
      );
    } finally {
      this.under.set(false);
      this.client.stop();
    }
  }

  stop(): void {
    this.client.stop();
    this.under.set(false);
  }
}
