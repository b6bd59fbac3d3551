import { Injectable, signal, type Signal } from '@angular/core';
import type { Answer, Answered } from '../../core/house/answer';
import type { GuideStep } from '../../core/house/guide';
import type { Job } from '../../core/ground/job';
import type { PackFile } from '../../core/rooms/pack';
import type { PlannedReading } from '../../core/rooms/probe';
import type { StudyVerdict } from '../../core/ground/finding';
import { rowOf, type Bead, type RowBead } from '../../core/house/thread';
import { AnswerLane } from './answer-lane';

/** What follows from one version of a job. */
export interface Assessed {
  readonly job: Job;
  readonly answer: Answer;
  readonly thread: readonly Bead[];
  /** What to do next, and why. */
  readonly guide: GuideStep;
  /** It was worked out at an earlier visit. */
  readonly recalled?: boolean;
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

/**
 * Has jobs assessed in workers, since Bayes over a board can take longer than a frame: the job that is open in one of its own, the rows of
 * the shelf in another, so that no row holds up what is looked at. The first job that is opened takes the shelf's worker, which is warm.
 * Until an answer is there, the one before it stands. A job that cannot be
 * worked out, or takes too long, says so and the others go on.
 */
@Injectable({ providedIn: 'root' })
export class Assessor {
  private readonly done = signal<Readonly<Record<string, Assessed>>>({});
  private readonly listed = signal<Readonly<Record<string, Row>>>({});
  private readonly failed = signal<Readonly<Record<string, Failed>>>({});
  /** The newest answers by job. */
  readonly results: Signal<Readonly<Record<string, Assessed>>> = this.done.asReadonly();
  /** The newest beads by job. */
  readonly rows: Signal<Readonly<Record<string, Row>>> = this.listed.asReadonly();
  /** The jobs whose newest version could not be worked out. */
  readonly failures: Signal<Readonly<Record<string, Failed>>> = this.failed.asReadonly();
  /** Verdicts of the job that is open, where the rest of its first answer is still being worked out. */
  readonly verdicts = signal<{ readonly id: string; readonly thread: readonly Bead[] } | null>(null);
  private readonly heard = {
    verdicts: (job: Job, thread: readonly Bead[]): void => this.verdicts.set({ id: job.id, thread }),
    answered: (job: Job, answered: Answered): void => this.keep(job, answered),
    failed: (job: Job, why: string): void => this.failed.update((all) => ({ ...all, [job.id]: { job, why } })),
  };
  private readonly open = new AnswerLane(this.heard, true);
  private readonly shelf = new AnswerLane(this.heard, false);

  /** The job that is looked at: it goes before all that wait. */
  first(id: string): void {
    this.open.first(id);
  }

  /** Asks for a job's answer, with the next readings of some controls; an older question about the same job is dropped. */
  request(job: Job, skip: Skip = {}, studies: readonly StudyVerdict[] = [], asked: readonly string[] = []): void {
    this.open.takeOver(this.shelf);
    this.open.request({ job, skip, studies, asked, of: 'job' });
  }

  /** Asks for the beads of a job's row. */
  requestRow(job: Job, studies: readonly StudyVerdict[] = []): void {
    this.shelf.request({ job, skip: {}, studies, asked: [], of: 'row' });
  }

  /** The shelf is not shown any more: rows that were not begun wait until it is. */
  restRows(): void {
    this.shelf.rest();
  }

  /** The order for the whole board. Rejects with why where it cannot be made. */
  async plan(job: Job): Promise<readonly PlannedReading[]> {
    const answered = await this.open.ask({ job, skip: {}, studies: [], asked: [], of: 'board' });
    return answered.of === 'board' ? answered.plan : [];
  }

  /** The files that leave, as Pack shows them. Rejects with why where they cannot be made. */
  async files(job: Job, studies: readonly StudyVerdict[]): Promise<readonly PackFile[]> {
    const answered = await this.open.ask({ job, skip: {}, studies, asked: [], of: 'files' });
    return answered.of === 'files' ? answered.files : [];
  }

  /** Puts back what was worked out of a job before, until it is worked out anew; nothing where that is there already. */
  recall(id: string, assessed: Assessed): void {
    if (!this.done()[id]) this.put(id, { ...assessed, recalled: true });
  }

  private put(id: string, assessed: Assessed): void {
    this.done.update(({ [id]: _old, ...others }) =>
      Object.fromEntries([...Object.entries(others).slice(1 - KEPT_ANSWERS), [id, assessed]]),
    );
  }

  private keep(job: Job, answered: Answered): void {
    if (answered.of === 'board' || answered.of === 'files') return;
    this.failed.update(({ [job.id]: _gone, ...rest }) => rest);
    const beads = answered.of === 'row' ? answered.beads : rowOf(answered.thread);
    this.listed.update((all) => ({ ...all, [job.id]: { job, beads } }));
    if (answered.of === 'row') return;
    const { answer, thread, guide } = answered;
    this.put(job.id, { job, answer, thread, guide });
  }
}
