import { Injectable, signal, type Signal } from '@angular/core';
import type { Answer, Answered, Question } from '../../core/answer';
import type { Step } from '../../core/guide';
import type { Job } from '../../core/job';
import type { Planned } from '../../core/probe';
import type { StudyVerdict } from '../../core/study';
import { rowOf, type Bead, type RowBead } from '../../core/thread';
import { Unanswered, WorkerClient } from './worker-client';

/** What follows from one version of a job. */
export interface Assessed {
  readonly job: Job;
  readonly answer: Answer;
  readonly thread: readonly Bead[];
  /** What to do next, and why. */
  readonly guide: Step;
}

/** A version of a job that could not be worked out, and why. */
export interface Failed {
  readonly job: Job;
  readonly why: string;
}

/** The beads of one version of a job, for its row. */
export interface Row {
  readonly job: Job;
  readonly beads: readonly RowBead[];
}

type Skip = Readonly<Record<string, readonly string[]>>;

/** Whole answers are large: those of the jobs that were looked at last are kept. */
const KEPT_ANSWERS = 3;

/** How long one job may take, ms: far above the slowest honest one on a slow machine. The first answer also draws the tables. */
const LIMIT_MS = 20_000;

/**
 * Has jobs assessed in a worker, since Bayes over a board can take longer than a frame. Of several versions of one job only the
 * newest is computed, and the open job before all others; until its answer is there, the one before it stands. A job that cannot
 * be worked out, or takes too long, says so and the others go on. Without workers the page computes by itself.
 */
@Injectable({ providedIn: 'root' })
export class Assessor {
  private readonly waiting = new Map<string, Question>();
  private busy = false;
  private ahead = '';
  private alone = false;
  private readonly client = new WorkerClient<Question, Answered>(
    () => new Worker(new URL('../workers/answer.worker', import.meta.url), { type: 'module' }),
  );
  private readonly done = signal<Readonly<Record<string, Assessed>>>({});
  private readonly listed = signal<Readonly<Record<string, Row>>>({});
  private readonly failed = signal<Readonly<Record<string, Failed>>>({});
  /** The newest answers by job. */
  readonly results: Signal<Readonly<Record<string, Assessed>>> = this.done.asReadonly();
  /** The newest beads by job. */
  readonly rows: Signal<Readonly<Record<string, Row>>> = this.listed.asReadonly();
  /** The jobs whose newest version could not be worked out. */
  readonly failures: Signal<Readonly<Record<string, Failed>>> = this.failed.asReadonly();

  /** The job that is looked at: it goes before all that wait. */
  first(id: string): void {
    this.ahead = id;
  }

  /** Asks for a job's answer; an older question about the same job is dropped. */
  request(job: Job, skip: Skip = {}, studies: readonly StudyVerdict[] = []): void {
    this.waiting.set(job.id, { job, skip, studies, of: 'job' });
    void this.pump();
  }

  /** Asks for the beads of a job's row; a whole answer that is wanted of it gives them as well. */
  requestRow(job: Job, studies: readonly StudyVerdict[] = []): void {
    if (this.waiting.get(job.id)?.of !== 'job') this.waiting.set(job.id, { job, skip: {}, studies, of: 'row' });
    void this.pump();
  }

  /** The order for the whole board, made in the worker. Rejects with why where it cannot be made. */
  async plan(job: Job): Promise<readonly Planned[]> {
    const answered = await this.ask({ job, skip: {}, studies: [], of: 'board' });
    return answered.of === 'board' ? answered.plan : [];
  }

  private async ask(question: Question): Promise<Answered> {
    if (!this.alone) {
      try {
        return await this.client.ask(question, { limitMs: LIMIT_MS });
      } catch (error) {
        if (!(error instanceof Unanswered && error.because === 'broken')) throw error;
        // A worker that cannot start or breaks is given up; the page goes on by itself.
        this.alone = true;
      }
    }
    const { answered } = await import('../../core/answer');
    return answered(question);
  }

  private async pump(): Promise<void> {
    if (this.busy) return;
    const wanted = this.waiting.get(this.ahead) ?? this.waiting.values().next().value;
    if (!wanted) return;
    const { job } = wanted;
    this.waiting.delete(job.id);
    this.busy = true;
    try {
      this.keep(job, await this.ask(wanted));
      this.failed.update(({ [job.id]: _gone, ...rest }) => rest);
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      this.failed.update((all) => ({ ...all, [job.id]: { job, why } }));
    } finally {
      this.busy = false;
      void this.pump();
    }
  }

  private keep(job: Job, answered: Answered): void {
    if (answered.of === 'board') throw new Error('the worker answered another question');
    const beads = answered.of === 'row' ? answered.beads : rowOf(answered.thread);
    this.listed.update((all) => ({ ...all, [job.id]: { job, beads } }));
    if (answered.of === 'row') return;
    const { answer, thread, guide } = answered;
    this.done.update(({ [job.id]: _old, ...others }) =>
      Object.fromEntries([...Object.entries(others).slice(1 - KEPT_ANSWERS), [job.id, { job, answer, thread, guide }]]),
    );
  }
}
