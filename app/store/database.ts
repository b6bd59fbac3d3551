import { Injectable } from '@angular/core';
import Dexie, { type EntityTable } from 'dexie';
import type { Job } from '../../core/job';
import type { Drawer } from '../../core/parts';

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

export interface Kept {
  document: unknown;
  revision: number;
}

/**
 * The browser's own store of jobs, one row a job, and of their pictures. Every write of a job is one transaction that
 * checks the revision first.
 */
@Injectable({ providedIn: 'root' })
export class Database {
  private readonly db = new Dexie('gentle-thumb') as Dexie & {
    jobs: EntityTable<Row, 'id'>;
    photos: EntityTable<PhotoRow, 'id'>;
    drawers: EntityTable<DrawerRow, 'id'>;
  };

  constructor() {
    this.db.version(1).stores({ jobs: 'id' });
    this.db.version(2).stores({ jobs: 'id', photos: 'id' });
    this.db.version(3).stores({ jobs: 'id', photos: 'id', drawers: 'id' });
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

  /** Pictures are written once under a fresh id and never changed; undo brings their entry back, so they are kept. */
  async putPhoto(id: string, picture: Blob): Promise<void> {
    await this.db.photos.put({ id, picture });
  }

  /** The drawer as it was written; whoever reads it checks it. */
  async drawer(): Promise<unknown> {
    return (await this.db.drawers.get('mine'))?.drawer;
  }

  async putDrawer(drawer: Drawer): Promise<void> {
    await this.db.drawers.put({ id: 'mine', drawer });
  }

  async photo(id: string): Promise<Blob | undefined> {
    return (await this.db.photos.get(id))?.picture;
  }
}
