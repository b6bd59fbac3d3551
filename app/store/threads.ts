import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import type { Job } from '../../core/ground/job';
import { Assessor } from './assessor';
import type { DemoRow } from '../../core/house/demo-rows';
import type { RowBead } from '../../core/house/thread';
import { Database, type ThreadRow } from './database';
import { program } from './program';
import { Studies } from './studies';

/**
 * The small threads of the shelf: the newest that was worked out, or the one kept from before. A job that nobody changed since, by the
 * same program, is not worked out anew only to be listed.
 */
@Injectable({ providedIn: 'root' })
export class Threads {
  private readonly database = inject(Database);
  private readonly assessor = inject(Assessor);
  private readonly studies = inject(Studies);
  private readonly kept = signal<Readonly<Record<string, ThreadRow>> | null>(null);
  /** False until what was kept from before is here, or known not to be. */
  readonly ready = computed(() => this.kept() !== null);
  /** By job. */
  readonly all = computed((): Readonly<Record<string, readonly RowBead[]>> => ({
    ...Object.fromEntries(
      Object.entries(this.kept() ?? {}).flatMap(([id, row]) => (row.failed ? [] : [[id, row.thread]])),
    ),
    ...Object.fromEntries(Object.entries(this.assessor.rows()).map(([id, r]) => [id, r.beads])),
  }));
  /** A worker was asked for a row. */
  private warm = false;
  /** What was written of each version, so that it is written once. */
  private readonly written = new WeakMap<Job, string>();

  constructor() {
    this.database.threads().then(
      (rows) => this.kept.update((all) => ({ ...Object.fromEntries(rows.map((r) => [r.id, r])), ...all })),
      () => this.kept.update((all) => all ?? {}),
    );
    effect(() => {
      for (const { job, beads } of Object.values(this.assessor.rows())) this.keep(job, beads, '');
    });
    // A job that could not be worked out is not tried again before it, or the program, is another one.
    effect(() => {
      for (const { job, why } of Object.values(this.assessor.failures())) this.keep(job, [], why);
    });
  }

  private keep(job: Job, thread: readonly RowBead[], failed: string): void {
    if (this.written.get(job) === failed) return;
    this.written.set(job, failed);
    const row: ThreadRow = { id: job.id, touchedAt: job.touchedAt, program: program(), thread, failed };
    untracked(() => this.kept.update((all) => ({ ...all, [job.id]: row })));
    // Worth keeping, and no loss where it cannot be.
    this.database.putThread(row).catch(() => undefined);
  }

  /** Takes over what was worked out of jobs when this very program was built. */
  adopt(rows: readonly DemoRow[]): void {
    const taken = rows.map((row): ThreadRow => ({ ...row, program: program(), failed: '' }));
    this.kept.update((all) => ({ ...all, ...Object.fromEntries(taken.map((row) => [row.id, row])) }));
    for (const row of taken) this.database.putThread(row).catch(() => undefined);
  }

  /** Whether what stands in a job's row is of this very version and program. */
  isConfirmed(job: Job): boolean {
    const row = this.kept()?.[job.id];
    return row?.touchedAt === job.touchedAt && row.program === program();
  }

  /** Why this very version could not be worked out, now or when it was tried last; empty where it was. */
  failure(job: Job): string {
    const now = this.assessor.failures()[job.id];
    if (now?.job === job) return now.why;
    return this.isConfirmed(job) ? (this.kept()?.[job.id]?.failed ?? '') : '';
  }

  /** Nobody looks at the rows any more. */
  rest(): void {
    this.assessor.restRows();
  }

  /** Has the jobs worked out whose thread is not of this very version and program. */
  want(jobs: readonly Job[]): void {
    const kept = this.kept();
    if (!kept) return;
    const done = untracked(this.assessor.rows);
    const failed = untracked(this.assessor.failures);
    const isNew = (job: Job): boolean => done[job.id]?.job !== job && failed[job.id]?.job !== job;
    const unknown = jobs.filter((job) => !this.isConfirmed(job) && isNew(job));
    // Where nothing is to be worked out, one row is all the same: whatever is opened next finds a worker that is warm.
    const asked = unknown.length > 0 || this.warm ? unknown : jobs.slice(0, 1);
    for (const job of asked) this.assessor.requestRow(job, this.studies.verdicts(job.id));
    this.warm ||= asked.length > 0;
  }
}
