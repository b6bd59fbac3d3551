import { inject, Injectable, signal } from '@angular/core';
import { studyId, type StudyVerdict } from '../../core/ground/finding';
import { Database, type StudyRow } from './database';

/**
 * The studies of all jobs, kept in this browser. What came of one is told to whoever judges the job; when its inputs change it stays,
 * and says that it is out of date.
 */
@Injectable({ providedIn: 'root' })
export class Studies {
  private readonly database = inject(Database);
  private readonly rows = signal<Readonly<Record<string, readonly StudyRow[]>>>({});
  /** False until what was kept from before is here, or known not to be. */
  readonly ready = signal(false);

  constructor() {
    this.database.studies().then(
      (all) => {
        const by: Record<string, StudyRow[]> = {};
        for (const row of all) (by[row.job] ??= []).push(row);
        this.rows.set(by);
        this.ready.set(true);
      },
      () => this.ready.set(true),
    );
  }

  /** The studies of a job. */
  of(job: string): readonly StudyRow[] {
    return this.rows()[job] ?? NONE;
  }

  /** What is judged of them; the data that they are drawn from stay on the page. */
  verdicts(job: string): readonly StudyVerdict[] {
    return this.of(job).map(({ kind, of, basis, at, findings }) => ({ kind, of, basis, at, findings }));
  }

  /** Keeps what came of a study, in place of the one before it. */
  keep(job: string, study: StudyVerdict, result: unknown): void {
    const row: StudyRow = { ...study, id: `${job} ${studyId(study.kind, study.of)}`, job, result };
    this.rows.update((all) => ({ ...all, [job]: [...(all[job] ?? []).filter((r) => r.id !== row.id), row] }));
    // Worth keeping, and no loss where it cannot be: it can be run anew.
    this.database.putStudy(row).catch(() => undefined);
  }
}

/** One empty list, so that a job without studies is not judged anew because of them. */
const NONE: readonly StudyRow[] = [];
