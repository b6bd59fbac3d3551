import { createReducer, on } from '@ngrx/store';
import { applyEdit, returnTo, type Job } from '../../core/job';
import { JobsActions } from './jobs.actions';

/** One step that can be taken back: the job before it and what was done. */
export interface Past {
  readonly content: Job;
  readonly said: string;
}

export interface OpenJob {
  readonly job: Job;
  /** Revision in the browser's store that this job rests on; 0 before its first save. */
  readonly revision: number;
  readonly past: readonly Past[];
  readonly future: readonly Past[];
  readonly save: 'kept' | 'saving' | 'failed' | 'changed-elsewhere';
  readonly savedAt: string;
  readonly why: string;
}

export interface JobsState {
  readonly phase: 'loading' | 'ready' | 'forbidden';
  readonly why: string;
  /** Rows of the store that could not be read; they are left untouched there. */
  readonly unreadable: number;
  readonly byId: Readonly<Record<string, OpenJob>>;
}

export const initialState: JobsState = { phase: 'loading', why: '', unreadable: 0, byId: {} };

/** Steps kept for undo; a job is small and shares its parts with its past, so many cost little. */
const UNDO_DEPTH = 200;

const opened = (job: Job, revision: number): OpenJob => ({
  job,
  revision,
  past: [],
  future: [],
  save: revision ? 'kept' : 'saving',
  savedAt: '',
  why: '',
});

function change(state: JobsState, id: string, f: (open: OpenJob) => OpenJob): JobsState {
  const open = state.byId[id];
  return open ? { ...state, byId: { ...state.byId, [id]: f(open) } } : state;
}

/** A save state that an edit must not paint over: the job still differs from the store. */
const saving = (open: OpenJob): OpenJob['save'] => (open.save === 'changed-elsewhere' ? 'changed-elsewhere' : 'saving');

const lastSaid = (job: Job): string => job.log[job.log.length - 1]?.text ?? '';

export const jobsReducer = createReducer(
  initialState,
  on(JobsActions.loaded, (state, { jobs, unreadable }) => ({
    ...state,
    phase: 'ready' as const,
    unreadable,
    byId: { ...Object.fromEntries(jobs.map((j) => [j.job.id, opened(j.job, j.revision)])), ...state.byId },
  })),
  on(JobsActions.storeForbidden, (state, { why }) => ({ ...state, phase: 'forbidden' as const, why })),
  on(JobsActions.added, (state, { jobs }) => ({
    ...state,
    byId: { ...state.byId, ...Object.fromEntries(jobs.map((j) => [j.id, opened(j, 0)])) },
  })),
  on(JobsActions.edited, (state, { id, edit, now }) =>
    change(state, id, (open) => {
      const job = applyEdit(open.job, edit, now);
      return {
        ...open,
        job,
        past: [...open.past.slice(1 - UNDO_DEPTH), { content: open.job, said: lastSaid(job) }],
        future: [],
        save: saving(open),
      };
    }),
  ),
  on(JobsActions.undone, (state, { id, now }) =>
    change(state, id, (open) => {
      const step = open.past[open.past.length - 1];
      if (!step) return open;
      return {
        ...open,
        job: returnTo(open.job, step.content, now, `undone: ${step.said}`),
        past: open.past.slice(0, -1),
        future: [...open.future, { content: open.job, said: step.said }],
        save: saving(open),
      };
    }),
  ),
  on(JobsActions.redone, (state, { id, now }) =>
    change(state, id, (open) => {
      const step = open.future[open.future.length - 1];
      if (!step) return open;
      return {
        ...open,
        job: returnTo(open.job, step.content, now, `redone: ${step.said}`),
        future: open.future.slice(0, -1),
        past: [...open.past, { content: open.job, said: step.said }],
        save: saving(open),
      };
    }),
  ),
  on(JobsActions.saved, (state, { id, revision, now }) =>
    change(state, id, (open) => ({
      ...open,
      revision,
      savedAt: now,
      save: open.save === 'changed-elsewhere' ? open.save : 'kept',
      why: '',
    })),
  ),
  on(JobsActions.saveFailed, (state, { id, why }) => change(state, id, (open) => ({ ...open, save: 'failed', why }))),
  on(JobsActions.changedElsewhere, (state, { id }) =>
    change(state, id, (open) => ({ ...open, save: 'changed-elsewhere' })),
  ),
  on(JobsActions.refreshed, (state, { job, revision }) => ({
    ...state,
    byId: { ...state.byId, [job.id]: opened(job, revision) },
  })),
  on(JobsActions.keepAsCopy, (state, { id, copyId, now }) => {
    const open = state.byId[id];
    if (!open) return state;
    const copy: Job = {
      ...open.job,
      id: copyId,
      title: `${open.job.title}, copy`,
      touchedAt: now,
      log: [...open.job.log, { at: now, room: '', text: 'kept as a copy beside a change from another tab' }],
    };
    return { ...state, byId: { ...state.byId, [copyId]: opened(copy, 0) } };
  }),
);
