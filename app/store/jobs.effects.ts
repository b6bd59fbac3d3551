import { inject, Injectable } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store, type Action } from '@ngrx/store';
import {
  catchError,
  concatMap,
  delay,
  EMPTY,
  filter,
  from,
  fromEvent,
  groupBy,
  map,
  merge,
  mergeMap,
  of,
  share,
  switchMap,
  takeUntil,
  timer,
  withLatestFrom,
  type Observable,
} from 'rxjs';
import { checkJob, type Job, type LoadProblem } from '../../core/ground/job';
import { Conflict, Database, type Kept } from './database';
import { JobsActions, type Unreadable } from './jobs.actions';
import type { OpenJob } from './jobs.reducer';
import { selectJobs } from './jobs.selectors';
import { storeTrouble } from './store-trouble';

/** After a write that failed the next try comes by itself, ms. */
const AGAIN_MS = 15_000;
/** A store that has said nothing for so long is said to be silent, ms. */
const SILENT_MS = 15_000;
/** Rows are checked for so long before the page has its turn, ms. */
const FRAME_MS = 8;
/** What belongs to nothing any more is thrown away once the page stands, ms after its start; pictures of the last day are kept. */
const PRUNE_AFTER_MS = 10_000;
const A_DAY_MS = 86_400_000;

const titleOf = (document: unknown): string => {
  const title = (document as { title?: unknown } | null)?.title;
  return typeof title === 'string' && title ? title.slice(0, 200) : 'a job without a title';
};

/** A row under another id than its job's own: saved under the one, it would be written under the other. */
const otherId = (id: string): LoadProblem => ({
  what: `It stands in the store under another id, ${id}.`,
  where: 'field "id"',
  todo: 'Save its file and open that.',
});

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

@Injectable()
export class JobsEffects {
  private readonly actions = inject(Actions);
  private readonly store = inject(Store);
  private readonly database = inject(Database);
  private readonly tabs = new BroadcastChannel('gentle-thumb');
  private readonly state = this.store.selectSignal(selectJobs);

  constructor() {
    // Closing in the middle of a write, or with what the store did not take, is the maker's to decide.
    addEventListener('beforeunload', (event) => {
      const open = Object.values(this.state().byId);
      if (open.some((o) => o.save === 'saving' || o.save === 'failed')) event.preventDefault();
    });
  }

  readonly load = createEffect(() =>
    this.actions.pipe(
      ofType(JobsActions.begin),
      switchMap(() => {
        const answer = from(this.read()).pipe(
          catchError((error: unknown) => of(JobsActions.storeForbidden({ why: storeTrouble(error) }))),
          share(),
        );
        // A store may never answer at all; what it says later is taken all the same.
        const silent = timer(SILENT_MS).pipe(
          map(() => JobsActions.storeForbidden({ why: 'The browser’s store does not answer.' })),
          takeUntil(answer),
        );
        return merge(answer, silent);
      }),
    ),
  );

  /** All rows, checked a few at a time: hundreds of them take longer than a frame. */
  private async read(): Promise<Action> {
    const rows = await this.database.all();
    const jobs: { job: Job; revision: number }[] = [];
    const unreadable: Unreadable[] = [];
    let since = performance.now();
    for (const { id, document, revision } of rows) {
      const loaded = checkJob(document);
      const problem = loaded.ok ? (loaded.job.id === id ? null : otherId(id)) : loaded.problem;
      if (loaded.ok && !problem) jobs.push({ job: loaded.job, revision: revision ?? 0 });
      else if (problem) unreadable.push({ id, title: titleOf(document), document, problem });
      if (performance.now() - since < FRAME_MS) continue;
      await new Promise((done) => setTimeout(done));
      since = performance.now();
    }
    setTimeout(() => void this.database.prune(Date.now() - A_DAY_MS).catch(() => undefined), PRUNE_AFTER_MS);
    return JobsActions.loaded({ jobs, unreadable });
  }

  /** A store that was opened anew may be an empty one: what the page has, and it has not, is written again. */
  readonly reopened = createEffect(() =>
    this.database.reopened.pipe(
      switchMap(() => from(this.database.ids()).pipe(catchError(() => EMPTY))),
      mergeMap((ids) =>
        Object.values(this.state().byId)
          .filter((o) => o.save === 'failed' || (o.save === 'kept' && !ids.includes(o.job.id)))
          .map((o) => JobsActions.saveWanted({ id: o.job.id })),
      ),
    ),
  );

  /** One write of a job after the other, so that each rests on the revision that the one before it made; only the newest is written. */
  readonly save = createEffect(() =>
    this.actions.pipe(
      ofType(
        JobsActions.edited,
        JobsActions.undone,
        JobsActions.redone,
        JobsActions.added,
        JobsActions.keepAsCopy,
        JobsActions.saveWanted,
        JobsActions.removed,
      ),
      mergeMap((action) => {
        const gone = action.type === JobsActions.removed.type;
        const ids = 'jobs' in action ? action.jobs.map((j) => j.id) : ['copyId' in action ? action.copyId : action.id];
        return ids.map((id) => ({ id, gone }));
      }),
      groupBy(({ id }) => id),
      mergeMap((ofOne) =>
        ofOne.pipe(
          concatMap(({ id, gone }) =>
            of(id).pipe(
              withLatestFrom(this.store.select(selectJobs)),
              // Taken away and brought back at once: then it stands here, and is written as any other.
              concatMap(([, state]) => (gone ? this.unwrite(id, state.byId[id]) : this.write(id, state.byId[id]))),
            ),
          ),
        ),
      ),
    ),
  );

  private write(id: string, open: OpenJob | undefined): Observable<Action> {
    // What stands in the store already is not written again: several edits in a row end in one write, a refused one in none. What
    // another tab has changed is the maker's to settle.
    if (!open || open.save === 'kept' || open.save === 'changed-elsewhere') return EMPTY;
    const { job, revision } = open;
    return from(this.database.put(job, revision)).pipe(
      map((next): Action => this.saved(job, next)),
      catchError((error: unknown) => {
        if (!(error instanceof Conflict)) return of(JobsActions.saveFailed({ id, why: storeTrouble(error) }));
        // Nothing stands there, and no tab said that it took it away: the store was emptied, and the job is written anew.
        if (error.gone)
          return from(this.database.put(job, 0)).pipe(
            map((next): Action => this.saved(job, next)),
            catchError((why: unknown) => of(JobsActions.saveFailed({ id, why: storeTrouble(why) }))),
          );
        // Two tabs that began with the same job, as with the demo, have nothing to settle.
        if (same(error.document, job)) return of(this.saved(job, error.revision));
        return of(JobsActions.changedElsewhere({ id }));
      }),
    );
  }

  /** Takes a job's row out of the store. Where that fails, the row is still there at the next start, and nothing is lost. */
  private unwrite(id: string, open: OpenJob | undefined): Observable<Action> {
    return from(this.database.remove(id)).pipe(
      map(() => {
        this.tabs.postMessage({ id, revision: Number.POSITIVE_INFINITY });
        return open ? JobsActions.saveWanted({ id }) : JobsActions.refusalRead({ id });
      }),
      catchError(() => EMPTY),
    );
  }

  private saved(job: Job, revision: number) {
    this.tabs.postMessage({ id: job.id, revision });
    return JobsActions.saved({ id: job.id, job, revision, now: new Date().toISOString() });
  }

  /** A store that was full or away may be there again. */
  readonly again = createEffect(() =>
    this.actions.pipe(
      ofType(JobsActions.saveFailed),
      delay(AGAIN_MS),
      filter(({ id }) => this.state().byId[id]?.save === 'failed'),
      map(({ id }) => JobsActions.saveWanted({ id })),
    ),
  );

  readonly hearOtherTabs = createEffect(() =>
    fromEvent<MessageEvent<{ id: string; revision: number }>>(this.tabs, 'message').pipe(
      withLatestFrom(this.store.select(selectJobs)),
      mergeMap(([{ data }, state]) => {
        const open = typeof data?.id === 'string' ? state.byId[data.id] : undefined;
        if (!open || !(open.revision < data.revision)) return EMPTY;
        // A job that only stands on the shelf here is simply read anew; one that is looked at is the maker's to settle.
        const lookedAt = location.pathname.split('/').includes(data.id);
        if (open.save === 'kept' && !lookedAt)
          return Number.isFinite(data.revision) ? this.theirs(data.id) : of(JobsActions.forgotten({ id: data.id }));
        return of(JobsActions.changedElsewhere({ id: data.id }));
      }),
    ),
  );

  readonly takeTheirs = createEffect(() =>
    this.actions.pipe(
      ofType(JobsActions.takeTheirs, JobsActions.keepAsCopy),
      concatMap(({ id }) => this.theirs(id)),
    ),
  );

  /** Reads another tab's version; a store that fails once can be asked again. */
  private theirs(id: string): Observable<Action> {
    const read = (kept: Kept | undefined): Action => {
      if (!kept)
        return JobsActions.saveFailed({
          id,
          why: 'Another tab took this job away. Its copy in this tab is the last one.',
        });
      const loaded = checkJob(kept?.document);
      return loaded.ok
        ? JobsActions.refreshed({ job: loaded.job, revision: kept.revision ?? 0, now: new Date().toISOString() })
        : JobsActions.saveFailed({ id, why: 'The other tab’s version cannot be read.' });
    };
    return from(this.database.one(id)).pipe(
      map(read),
      catchError((error: unknown) => of(JobsActions.saveFailed({ id, why: storeTrouble(error) }))),
    );
  }

  readonly takeAway = createEffect(() =>
    this.actions.pipe(
      ofType(JobsActions.takeAwayUnreadable),
      concatMap(({ id }) =>
        from(this.database.remove(id)).pipe(
          map(() => JobsActions.unreadableGone({ id })),
          catchError(() => EMPTY),
        ),
      ),
    ),
  );
}
