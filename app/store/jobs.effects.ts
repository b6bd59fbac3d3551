import { inject, Injectable } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { catchError, concatMap, filter, from, fromEvent, map, mergeMap, of, switchMap, withLatestFrom } from 'rxjs';
import { checkJob, type Job } from '../../core/job';
import { Conflict, Database } from './database';
import { JobsActions } from './jobs.actions';
import { selectJobs } from './jobs.selectors';

/** Why the browser's store refused, in words that say what to do. */
export function storeTrouble(error: unknown): string {
  const text = `${error instanceof Error ? `${error.name} ${error.message}` : String(error)}`;
  if (/quota/i.test(text)) return 'The browser’s store is full.';
  return 'The browser forbids its store here.';
}

@Injectable()
export class JobsEffects {
  private readonly actions = inject(Actions);
  private readonly store = inject(Store);
  private readonly database = inject(Database);
  private readonly tabs = new BroadcastChannel('gentle-thumb');

  readonly load = createEffect(() =>
    this.actions.pipe(
      ofType(JobsActions.begin),
      switchMap(() =>
        from(this.database.all()).pipe(
          map((rows) => {
            const checked = rows.map((r) => ({ loaded: checkJob(r.document), revision: r.revision }));
            const jobs = checked.flatMap((c) => (c.loaded.ok ? [{ job: c.loaded.job, revision: c.revision }] : []));
            return JobsActions.loaded({ jobs, unreadable: checked.length - jobs.length });
          }),
          catchError((error: unknown) => of(JobsActions.storeForbidden({ why: storeTrouble(error) }))),
        ),
      ),
    ),
  );

  /** One write after the other, so that each rests on the revision that the one before it made. */
  readonly save = createEffect(() =>
    this.actions.pipe(
      ofType(JobsActions.edited, JobsActions.undone, JobsActions.redone, JobsActions.added, JobsActions.keepAsCopy),
      mergeMap((action) =>
        'jobs' in action ? action.jobs.map((j) => j.id) : 'copyId' in action ? [action.copyId] : [action.id],
      ),
      concatMap((id) =>
        of(id).pipe(
          withLatestFrom(this.store.select(selectJobs)),
          concatMap(([, state]) => this.write(id, state.byId[id]?.job, state.byId[id]?.revision ?? 0)),
        ),
      ),
    ),
  );

  private write(id: string, job: Job | undefined, revision: number) {
    if (!job) return of();
    return from(this.database.put(job, revision)).pipe(
      map((next) => {
        this.tabs.postMessage({ id, revision: next });
        return JobsActions.saved({ id, revision: next, now: new Date().toISOString() });
      }),
      catchError((error: unknown) =>
        of(
          error instanceof Conflict
            ? JobsActions.changedElsewhere({ id })
            : JobsActions.saveFailed({ id, why: storeTrouble(error) }),
        ),
      ),
    );
  }

  readonly hearOtherTabs = createEffect(() =>
    fromEvent<MessageEvent<{ id: string; revision: number }>>(this.tabs, 'message').pipe(
      withLatestFrom(this.store.select(selectJobs)),
      filter(([{ data }, state]) => {
        const open = state.byId[data?.id];
        return open !== undefined && open.revision < data.revision;
      }),
      map(([{ data }]) => JobsActions.changedElsewhere({ id: data.id })),
    ),
  );

  readonly takeTheirs = createEffect(() =>
    this.actions.pipe(
      ofType(JobsActions.takeTheirs, JobsActions.keepAsCopy),
      concatMap(({ id }) => from(this.database.one(id)).pipe(map((kept) => ({ id, kept })))),
      map(({ id, kept }) => {
        const loaded = checkJob(kept?.document);
        return loaded.ok && kept
          ? JobsActions.refreshed({ job: loaded.job, revision: kept.revision })
          : JobsActions.saveFailed({ id, why: 'The other tab’s version cannot be read.' });
      }),
      catchError((error: unknown) => of(JobsActions.storeForbidden({ why: storeTrouble(error) }))),
    ),
  );
}
