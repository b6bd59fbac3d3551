import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import type { Job } from '../../core/job';
import { Assessor } from './assessor';
import type { RowBead } from '../../core/thread';
import { Database, type ThreadRow } from './database';
import { Studies } from './studies';

/** Which build of the program worked a thread out; its main script carries a hash of all of it. */
const program = (): string => document.querySelector('script[src*="main"]')?.getAttribute('src') ?? '';

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
    ...Object.fromEntries(Object.entries(this.kept() ?? {}).map(([id, row]) => [id, row.thread])),
    ...Object.fromEntries(Object.entries(this.assessor.rows()).map(([id, r]) => [id, r.beads])),
  }));
  private readonly written = new WeakSet<Job>();

  constructor() {
    this.database.threads().then(
      (rows) => this.kept.set(Object.fromEntries(rows.map((r) => [r.id, r]))),
      () => this.kept.set({}),
    );
    effect(() => {
      for (const [id, { job, beads }] of Object.entries(this.assessor.rows())) {
        if (this.written.has(job)) continue;
        this.written.add(job);
        const row: ThreadRow = { id, touchedAt: job.touchedAt, program: program(), thread: beads };
        untracked(() => this.kept.update((all) => ({ ...all, [id]: row })));
        // Worth keeping, and no loss where it cannot be.
        this.database.putThread(row).catch(() => undefined);
      }
    });
  }

  /** Has the jobs worked out whose thread is not of this very version and program. */
  want(jobs: readonly Job[]): void {
    const kept = this.kept();
    if (!kept) return;
    const done = untracked(this.assessor.rows);
    const failed = untracked(this.assessor.failures);
    for (const job of jobs) {
      const row = kept[job.id];
      const old = row?.touchedAt !== job.touchedAt || row.program !== program();
      if (old && done[job.id]?.job !== job && failed[job.id]?.job !== job)
        this.assessor.requestRow(job, this.studies.verdicts(job.id));
    }
  }
}
