import { inject, Injectable, signal } from '@angular/core';
import type { Job } from '../../core/ground/job';
import type { Rehearsal } from '../../core/house/rehearsed';
import type { RehearsalNews, RehearsalOrder, RehearsalResult } from '../workers/rehearsal.worker';
import { LongWork } from './long-work';
import { Unanswered, WorkerClient } from './worker-client';

/** How long a program may run without its time going on before it is ended, ms: one that hangs never comes back. */
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
  private readonly client = new WorkerClient<RehearsalOrder, RehearsalResult, RehearsalNews>(
    () => new Worker(new URL('../workers/rehearsal.worker', import.meta.url), { type: 'module' }),
  );
  readonly done = signal<Rehearsing | null>(null);
  /** Which share of the day has passed; null while none runs. */
  readonly share = signal<number | null>(null);
  /** The newest one: an older one that is still under way has been ended. */
  private count = 0;
  private job = '';
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
    const turn = ++this.count;
    this.job = job.id;
    this.problem.set('');
    this.share.set(0);
    try {
      const rehearsal = await this.work.do(job.id, { do: 'rehearsal', job, own: own?.text ?? null });
      if (turn !== this.count) return;
      if (!rehearsal) {
        const why = this.work.problem(job.id, 'rehearsal');
        this.problem.set(why || 'No program in MicroPython is written for this job: there is nothing to rehearse.');
        return;
      }
      const onNews = ({ share }: RehearsalNews): void => this.share.set(share);
      const result = await this.client.ask({ base: document.baseURI, rehearsal }, { limitMs: LIMIT_MS, onNews });
      const text = rehearsal.bench.files['main.py'] ?? '';
      this.done.set({ job, own: own?.name ?? '', rehearsal, result, text });
    } catch (error) {
      if (turn !== this.count) return;
      this.problem.set(
        error instanceof Unanswered && error.because === 'late'
          ? 'The program did not go on for a minute and was ended: it goes round without ever resting.'
          : error instanceof Error
            ? error.message
            : 'It could not be run.',
      );
    } finally {
      if (turn === this.count) this.stop();
    }
  }

  stop(): void {
    this.count++;
    if (this.job) this.work.stop(this.job, 'rehearsal');
    this.client.stop();
    this.share.set(null);
  }
}
