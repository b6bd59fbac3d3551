import Dexie, { type EntityTable } from 'dexie';
import type { Job } from '../../core/job';

interface Row {
  id: string;
  revision: number;
  document: unknown;
}

/** Another tab wrote the job since it was read here. */
export class Conflict extends Error {
  constructor(readonly id: string, readonly revision: number) {
    super(`job ${id} was changed in another tab`);
  }
}

export interface Kept {
  document: unknown;
  revision: number;
}

/** The browser's own store of jobs, one row a job. Every write is one transaction that checks the revision first. */
export class Database {
  private readonly db = new Dexie('gentle-thumb') as Dexie & { jobs: EntityTable<Row, 'id'> };

  constructor() {
    this.db.version(1).stores({ jobs: 'id' });
  }

  /** All rows as they were written; whoever reads them checks them. */
  async all(): Promise<Kept[]> {
    return (await this.db.jobs.toArray()).map(({ document, revision }) => ({ document, revision }));
  }

  async one(id: string): Promise<Kept | undefined> {
    return this.db.jobs.get(id);
  }

  /** Writes a job over the revision it was read at; gives the new revision. Throws Conflict where another one is there. */
  async put(job: Job, over: number): Promise<number> {
    return this.db.transaction('rw', this.db.jobs, async () => {
      const there = await this.db.jobs.get(job.id);
      const revision = there?.revision ?? 0;
      if (revision !== over) throw new Conflict(job.id, revision);
      await this.db.jobs.put({ id: job.id, revision: revision + 1, document: job });
      return revision + 1;
    });
  }
}
