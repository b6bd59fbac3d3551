import { Injectable, signal } from '@angular/core';
import { Subject } from 'rxjs';
import Dexie, { type EntityTable } from 'dexie';
import { JOB_VERSION, type Job } from '../../core/ground/job';
import type { RowBead } from '../../core/house/thread';
import type { Assessed } from './assessor';
import type { StudyVerdict } from '../../core/ground/finding';

interface Row {
  id: string;
  revision?: number;
  document: unknown;
}

/** Another tab wrote the job since it was read here. */
export class Conflict extends Error {
  constructor(
    readonly id: string,
    readonly revision: number,
    /** What stands there now. */
    readonly document: unknown,
    /** Nothing stands there. */
    readonly gone = false,
  ) {
    super(`job ${id} was changed in another tab`);
  }
}

/** A picture of a photograph, by its id. */
interface PhotoRow {
  id: string;
  picture: Blob;
  /** When it was written, ms of the clock. */
  at?: number;
}

/** The bytes of a recording, by their hash. */
interface RecordingRow {
  id: string;
  file: Blob;
  /** When it was written, ms of the clock. */
  at: number;
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
  /** Why it could not be worked out; empty where it was. */
  failed?: string;
}

/** What fills a file of the browser's, and is thrown away at once. */
interface ScratchRow {
  id: string;
  bytes: Uint8Array;
}
/** More than any file of what is written holds before another is begun: twelve times a megabyte, in rows that stay within it. */
const RENEW_TIMES = 12;
const RENEW_ROWS = 25;
const RENEW_BYTES = 40_000;

/** A study as the browser keeps it: what came of it, and the data that it is drawn from. */
export interface StudyRow extends StudyVerdict {
  /** Id of the job and of the study. */
  readonly id: string;
  readonly job: string;
  readonly result: unknown;
}

/** What was worked out of a job last, and by which program. */
export interface AnswerRow {
  id: string;
  program: string;
  assessed: Assessed;
}

export interface Kept {
  id: string;
  document: unknown;
  revision?: number;
}

/** Ids of the photographs and recordings that a document names; null where it is none of this version. */
function namedIn(document: unknown): string[] | null {
  const { version, survey, recordings } = (document ?? {}) as {
    version?: unknown;
    survey?: { photos?: unknown };
    recordings?: unknown;
  };
  if (version !== JOB_VERSION || !Array.isArray(survey?.photos) || !Array.isArray(recordings)) return null;
  return [...(survey.photos as unknown[]), ...(recordings as unknown[])].flatMap((p) => {
    const { id } = (p ?? {}) as { id?: unknown };
    return typeof id === 'string' ? [id] : [];
  });
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
    recordings: EntityTable<RecordingRow, 'id'>;
    drawers: EntityTable<DrawerRow, 'id'>;
    threads: EntityTable<ThreadRow, 'id'>;
    studies: EntityTable<StudyRow, 'id'>;
    answers: EntityTable<AnswerRow, 'id'>;
    scratch: EntityTable<ScratchRow, 'id'>;
  };
  /** A newer program has the store now. */
  private given = false;
  private opening: Promise<void> | null = null;
  /** Each time that the store was opened anew. */
  readonly reopened = new Subject<void>();
  /** What happened to the store under the page's feet; empty while nothing did. */
  readonly lost = signal('');

  constructor() {
    this.db.version(1).stores({ jobs: 'id' });
    this.db.version(2).stores({ jobs: 'id', photos: 'id' });
    this.db.version(3).stores({ jobs: 'id', photos: 'id', drawers: 'id' });
    this.db.version(4).stores({ jobs: 'id', photos: 'id', drawers: 'id', threads: 'id' });
    this.db.version(5).stores({ jobs: 'id', photos: 'id', drawers: 'id', threads: 'id', studies: 'id, job' });
    this.db.version(6).stores({ answers: 'id', scratch: 'id' });
    this.db.version(7).stores({ recordings: 'id' });
    this.db.on('blocked', () =>
      this.lost.set('Another tab holds an older version of this app open. Close it, and this one goes on.'),
    );
    this.db.on('ready', () => this.lost.set(''));
    this.db.on('versionchange', () => {
      // A newer version in another tab wants the store; holding on to it would block that tab for good.
      this.given = true;
      this.db.close();
      this.lost.set('A newer version of this app was opened in another tab, and this one no longer keeps anything.');
    });
    this.db.on('close', () => {
      // Closing it is also how it is opened anew.
      if (this.opening || this.given) return;
      this.lost.set('The browser has closed its store while the page stood open. It is opened anew.');
      void this.reopen().catch(() => undefined);
    });
  }

  /**
   * Asks the store for something. A store that refuses, as one does whose disk was full, is closed and opened anew, and asked once more:
   * else it would refuse for as long as the page stands open.
   */
  private async ask<T>(f: () => Promise<T>): Promise<T> {
    try {
      return await f();
    } catch (error) {
      if (error instanceof Conflict || this.given) throw error;
      await this.reopen();
      return f();
    }
  }

  /** Rejects where the store does not open. */
  private async reopen(): Promise<void> {
    this.opening ??= Promise.resolve()
      .then(async () => {
        this.db.close({ disableAutoOpen: false });
        await this.db.open();
        await this.renew();
        this.lost.set('');
        this.reopened.next();
      })
      .finally(() => (this.opening = null));
    await this.opening;
  }

  /**
   * Has the browser begin a fresh file of what it writes. What was being written as the disk got full lies torn in the one before; were
   * more written behind it, the browser would find it damaged at its next start, and throw the whole store away. It begins another once
   * some megabytes were written.
   */
  private async renew(): Promise<void> {
    const { scratch } = this.db;
    for (let n = 0; n < RENEW_TIMES; n++)
      await this.db.transaction('rw', scratch, async () => {
        await scratch.bulkPut(
          Array.from({ length: RENEW_ROWS }, (_, i) => ({
            id: `${i}`,
            bytes: crypto.getRandomValues(new Uint8Array(RENEW_BYTES)),
          })),
        );
      });
    await scratch.clear();
  }

  /** All rows as they were written; whoever reads them checks them. */
  async all(): Promise<Kept[]> {
    return this.ask(() => this.db.jobs.toArray());
  }

  /** Ids of all rows. */
  async ids(): Promise<string[]> {
    return this.ask(() => this.db.jobs.toCollection().primaryKeys());
  }

  async one(id: string): Promise<Kept | undefined> {
    return this.ask(() => this.db.jobs.get(id));
  }

  /** Writes a job over the revision it was read at; gives the new revision. Throws Conflict where another one is there. */
  async put(job: Job, over: number): Promise<number> {
    return this.ask(() =>
      this.db.transaction('rw', this.db.jobs, async () => {
        const there = await this.db.jobs.get(job.id);
        const revision = there?.revision ?? 0;
        if (revision !== over) throw new Conflict(job.id, revision, there?.document, there === undefined);
        await this.db.jobs.put({ id: job.id, revision: revision + 1, document: job });
        return revision + 1;
      }),
    );
  }

  /** Takes a row away, whatever it holds. */
  async remove(id: string): Promise<void> {
    await this.ask(() => this.db.jobs.delete(id));
  }

  /** Pictures are written once under a fresh id and never changed; undo brings their entry back, so they are kept. */
  async putPhoto(id: string, picture: Blob): Promise<void> {
    await this.ask(() => this.db.photos.put({ id, picture, at: Date.now() }));
  }

  async photo(id: string): Promise<Blob | undefined> {
    return (await this.ask(() => this.db.photos.get(id)))?.picture;
  }

  /** Recordings are known by the hash of their bytes: one that is there already is the same. */
  async putRecording(id: string, file: Blob): Promise<void> {
    await this.ask(() => this.db.recordings.put({ id, file, at: Date.now() }));
  }

  async recording(id: string): Promise<Blob | undefined> {
    return (await this.ask(() => this.db.recordings.get(id)))?.file;
  }

  /** The drawer as it was written; whoever reads it checks it. */
  async drawer(): Promise<unknown> {
    return (await this.ask(() => this.db.drawers.get('mine')))?.drawer;
  }

  /** Changes the drawer from what stands in the store at this very moment, so that two tabs lose nothing of each other. */
  async changeDrawer<D>(change: (there: unknown) => D): Promise<D> {
    return this.ask(() =>
      this.db.transaction('rw', this.db.drawers, async () => {
        const drawer = change((await this.db.drawers.get('mine'))?.drawer);
        await this.db.drawers.put({ id: 'mine', drawer });
        return drawer;
      }),
    );
  }

  async threads(): Promise<ThreadRow[]> {
    return this.ask(() => this.db.threads.toArray());
  }

  async studies(): Promise<StudyRow[]> {
    return this.ask(() => this.db.studies.toArray());
  }

  /**
   * Throws away what belongs to jobs that are gone: what was worked out of them, and pictures and recordings that no job names any more.
   * Asked for at the start of a page and not when a job goes, so that an undo finds it all.
   * @param older pictures and recordings that were written since, ms, may belong to a job that another tab is about to keep.
   */
  async prune(older: number): Promise<void> {
    const { jobs, photos, recordings, threads, studies, answers } = this.db;
    await this.db.transaction('rw', [jobs, photos, recordings, threads, studies, answers], async () => {
      const rows = await jobs.toArray();
      const ids = new Set(rows.map((row) => row.id));
      await threads.filter((row) => !ids.has(row.id)).delete();
      await answers.filter((row) => !ids.has(row.id)).delete();
      await studies.filter((row) => !ids.has(row.job)).delete();
      const named = rows.map((row) => namedIn(row.document));
      // What a document of another version names, this program cannot know.
      if (named.includes(null)) return;
      const kept = new Set(named.flat());
      const keys = await photos.filter((row) => !kept.has(row.id) && (row.at ?? 0) < older).primaryKeys();
      await photos.bulkDelete(keys);
      const loose = await recordings.filter((row) => !kept.has(row.id) && row.at < older).primaryKeys();
      await recordings.bulkDelete(loose);
    });
  }

  async answer(id: string): Promise<AnswerRow | undefined> {
    return this.db.answers.get(id);
  }

  async putAnswer(row: AnswerRow): Promise<void> {
    await this.db.answers.put(row);
  }

  async putStudy(row: StudyRow): Promise<void> {
    await this.db.studies.put(row);
  }

  async putThread(row: ThreadRow): Promise<void> {
    await this.db.threads.put(row);
  }
}
