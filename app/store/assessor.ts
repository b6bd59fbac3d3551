import { Injectable, signal, type Signal } from '@angular/core';
import type { Answer } from '../../core/answer';
import type { Job } from '../../core/job';
import type { Planned } from '../../core/probe';
import type { Bead } from '../../core/thread';

/** What follows from one version of a job. */
export interface Assessed {
  readonly job: Job;
  readonly answer: Answer;
  readonly thread: readonly Bead[];
}

type Skip = Readonly<Record<string, readonly string[]>>;
interface Wanted {
  readonly job: Job;
  readonly skip: Skip;
}

/**
 * Has jobs assessed in a worker, since Bayes over a board can take longer than a frame. Of several versions of one job only the
 * newest is computed; until its answer is there, the one before it stands. Without workers the page computes by itself.
 */
@Injectable({ providedIn: 'root' })
export class Assessor {
  private worker: Worker | null | undefined;
  private readonly waiting = new Map<string, Wanted>();
  private asked: { readonly id: number; readonly wanted: Wanted } | null = null;
  private count = 0;
  private readonly plans = new Map<number, (plan: readonly Planned[]) => void>();
  private readonly done = signal<Readonly<Record<string, Assessed>>>({});
  /** The newest answers by job. */
  readonly results: Signal<Readonly<Record<string, Assessed>>> = this.done.asReadonly();
  private readonly threadOf = import('../../core/thread').then((m) => m.threadOf);

  /** Asks for a job's answer; an older question about the same job is dropped. */
  request(job: Job, skip: Skip = {}): void {
    this.waiting.set(job.id, { job, skip });
    void this.pump();
  }

  /** The order for the whole board, made in the worker. */
  async plan(job: Job): Promise<readonly Planned[]> {
    const worker = this.start();
    if (!worker) return (await import('../../core/answer')).planFor(job);
    const id = ++this.count;
    return new Promise((resolve) => {
      this.plans.set(id, resolve);
      worker.postMessage({ id, job, skip: {}, plan: true });
    });
  }

  private async pump(): Promise<void> {
    if (this.asked) return;
    const next = this.waiting.entries().next();
    if (next.done) return;
    const [key, wanted] = next.value;
    this.waiting.delete(key);
    const id = ++this.count;
    this.asked = { id, wanted };
    const worker = this.start();
    if (worker) worker.postMessage({ id, ...wanted });
    else await this.here(id, wanted);
  }

  private start(): Worker | null {
    if (this.worker !== undefined) return this.worker;
    try {
      this.worker = new Worker(new URL('../workers/answer.worker', import.meta.url), { type: 'module' });
      this.worker.addEventListener(
        'message',
        ({ data }: MessageEvent<{ id: number; answer?: Answer; plan?: readonly Planned[] }>) => {
          if (data.answer) void this.keep(data.id, data.answer);
          if (data.plan) this.plans.get(data.id)?.(data.plan);
          this.plans.delete(data.id);
        },
      );
      this.worker.addEventListener('error', () => {
        // A worker that cannot start or breaks is given up; the page goes on by itself.
        this.worker?.terminate();
        this.worker = null;
        if (this.asked) void this.here(this.asked.id, this.asked.wanted);
      });
    } catch {
      this.worker = null;
    }
    return this.worker ?? null;
  }

  private async here(id: number, wanted: Wanted): Promise<void> {
    const { answerFor } = await import('../../core/answer');
    await this.keep(id, answerFor(wanted.job, wanted.skip));
  }

  private async keep(id: number, answer: Answer): Promise<void> {
    if (this.asked?.id !== id) return;
    const { job } = this.asked.wanted;
    const thread = (await this.threadOf)(answer.assessment.findings);
    this.asked = null;
    this.done.update((all) => ({ ...all, [job.id]: { job, answer, thread } }));
    void this.pump();
  }
}
