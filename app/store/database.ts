import { Injectable, signal } from '@angular/core';
import Dexie, { type EntityTable } from 'dexie';
import type { Job } from '../../core/job';
import type { RowBead } from '../../core/thread';
import type { StudyRow } from './studies';

interface Row {
  id: string;
  revision: number;
  document: unknown;
}

/** Another tab wrote the job since it was read here. */
export class Conflict extends Error {
  constructor(
    readonly id: string,
    readonly revision: number,
    /** What stands there now. */
    readonly document: unknown,
  ) {
    super(`job ${id} was changed in another tab`);
  }
}

/** A picture of a photograph, by its id. */
interface PhotoRow {
  id: string;
  picture: Blob;
}

/** The one drawer of parts of this browser. */
interface DrawerRow {
  id: 'mine';
  drawer: unknown;
}

/** A job's thread as it was last worked out, so that the shelf need not wait for it. */
export interface ThreadRow {
  id: string;
  /** The job's `touchedAt` and the program that worked it out: another of either makes it old. */
  touchedAt: string;
  program: string;
  thread: readonly RowBead[];
}

export interface Kept {
  id: string;
  document: unknown;
  revision: number;
}

/**
 * The browser's own store of jobs, one row a job, and of their pictures. Every write of a job is one transaction that
 * checks the revision first.
 */
@Injectable({ providedIn: 'root' })
export class Database {
  // Strict: a write is told as done only once it is on the disk, so that "kept" outlives a crash.
  private readonly db = new Dexie('gentle-thumb', { chromeTransactionDurability: 'strict' }) as Dexie & {
    jobs: EntityTable<Row, 'id'>;
    photos: EntityTable<PhotoRow, 'id'>;
    drawers: EntityTable<DrawerRow, 'id'>;
    threads: EntityTable<ThreadRow, 'id'>;
    studies: EntityTable<StudyRow, 'id'>;
  };
  /** What happened to the store under the page's feet; empty while nothing did. */
  readonly lost = signal('');

  constructor() {
    this.db.version(1).stores({ jobs: 'id' });
    this.db.version(2).stores({ jobs: 'id', photos: 'id' });
    this.db.version(3).stores({ jobs: 'id', photos: 'id', drawers: 'id' });
    this.db.version(4).stores({ jobs: 'id', photos: 'id', drawers: 'id', threads: 'id' });
    this.db.version(5).stores({ jobs: 'id', photos: 'id', drawers: 'id', threads: 'id', studies: 'id, job' });
    this.db.on('blocked', () =>
      this.lost.set('Another tab holds an older version of this app open. Close it, and this one goes on.'),
    );
    this.db.on('ready', () => this.lost.set(''));
    this.db.on('versionchange', () => {
      // A newer version in another tab wants the store; holding on to it would block that tab for good.
      this.db.close();
      this.lost.set('A newer version of this app was opened in another tab. Load this page anew.');
    });
    this.db.on('close', () =>
      this.lost.set(
        'The browser has taken its store away while the page stood open. Save the job as a file, then load the page anew.',
      ),
    );
  }

  /** All rows as they were written; whoever reads them checks them. */
  async all(): Promise<Kept[]> {
    return this.db.jobs.toArray();
  }

  async one(id: string): Promise<Kept | undefined> {
    return this.db.jobs.get(id);
  }

  /** Writes a job over the revision it was read at; gives the new revision. Throws Conflict where another one is there. */
  async put(job: Job, over: number): Promise<number> {
    return this.db.transaction('rw', this.db.jobs, async () => {
      const there = await this.db.jobs.get(job.id);
      const revision = there?.revision ?? 0;
      if (revision !== over) throw new Conflict(job.id, revision, there?.document);
      await this.db.jobs.put({ id: job.id, revision: revision + 1, document: job });
      return revision + 1;
    });
  }

  /** Takes a row away, whatever it holds. */
  async remove(id: string): Promise<void> {
    await this.db.jobs.delete(id);
  }

  /** Pictures are written once under a fresh id and never changed; undo brings their entry back, so they are kept. */
  async putPhoto(id: string, picture: Blob): Promise<void> {
    await this.db.photos.put({ id, picture });
  }

  async photo(id: string): Promise<Blob | undefined> {
    return (await this.db.photos.get(id))?.picture;
  }

  /** The drawer as it was written; whoever reads it checks it. */
  async drawer(): Promise<unknown> {
    return (await this.db.drawers.get('mine'))?.drawer;
  }

  /** Changes the drawer from what stands in the store at this very moment, so that two tabs lose nothing of each other. */
  async changeDrawer<D>(change: (there: unknown) => D): Promise<D> {
    return this.db.transaction('rw', this.db.drawers, async () => {
      const drawer = change((await this.db.drawers.get('mine'))?.drawer);
      await this.db.drawers.put({ id: 'mine', drawer });
      return drawer;
    });
  }

  async threads(): Promise<ThreadRow[]> {
    return this.ofJobs(this.db.threads, (row) => row.id);
  }

  async studies(): Promise<StudyRow[]> {
    return this.ofJobs(this.db.studies, (row) => row.job);
  }

  /**
   * What was worked out of the jobs that are here. That of jobs which are gone is thrown away, at the next start and not at once, so that
   * an undo finds it.
   */
  private async ofJobs<Row extends { readonly id: string }>(
    table: EntityTable<Row, 'id'>,
    jobOf: (row: Row) => string,
  ): Promise<Row[]> {
    return this.db.transaction('rw', this.db.jobs, table, async () => {
      const jobs = new Set(await this.db.jobs.toCollection().primaryKeys());
      const rows = await table.toArray();
      const gone = rows.filter((row) => !jobs.has(jobOf(row)));
      await Promise.all(gone.map((row) => table.where('id').equals(row.id).delete()));
      return rows.filter((row) => jobs.has(jobOf(row)));
    });
  }

  async putStudy(row: StudyRow): Promise<void> {
    await this.db.studies.put(row);
  }

  async putThread(row: ThreadRow): Promise<void> {
    await this.db.threads.put(row);
  }
}
