import { createReducer, on } from '@ngrx/store';
import { applyEdit, copyOf, returnTo, type Job, type LoadProblem } from '../../core/ground/job';
import { JobsActions, type Unreadable } from './jobs.actions';

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
  /** `kept` is said only of the very version that stands in the store. */
  readonly save: 'kept' | 'saving' | 'failed' | 'changed-elsewhere';
  readonly savedAt: string;
  readonly why: string;
  /** The last edit, where it was refused: the job is as it was before it. */
  readonly refused: LoadProblem | null;
}

export interface JobsState {
  readonly phase: 'loading' | 'ready' | 'forbidden';
  readonly why: string;
  readonly unreadable: readonly Unreadable[];
  readonly byId: Readonly<Record<string, OpenJob>>;
}

export const initialState: JobsState = { phase: 'loading', why: '', unreadable: [], byId: {} };

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
  refused: null,
});

// Every reducer is total: what names a job or a step that is gone changes nothing, and an edit that is refused is told.
function change(state: JobsState, id: string, f: (open: OpenJob) => OpenJob): JobsState {
  const open = Object.hasOwn(state.byId, id) ? state.byId[id] : undefined;
  return open ? { ...state, byId: { ...state.byId, [id]: f(open) } } : state;
}

/** A save state that an edit must not paint over: the job still differs from the store. */
const saving = (open: OpenJob): OpenJob['save'] => (open.save === 'changed-elsewhere' ? 'changed-elsewhere' : 'saving');

const lastSaid = (job: Job): string => job.log.at(-1)?.text ?? '';
const grown = (past: readonly Past[], step: Past): readonly Past[] => [...past.slice(1 - UNDO_DEPTH), step];

export const jobsReducer = createReducer(
  initialState,
  on(JobsActions.loaded, (state, { jobs, unreadable }) => ({
    ...state,
    phase: 'ready' as const,
    unreadable,
    byId: {
      ...Object.fromEntries(jobs.map((j) => [j.job.id, { ...opened(j.job, j.revision), save: 'kept' as const }])),
      ...state.byId,
    },
  })),
  on(JobsActions.storeForbidden, (state, { why }) => ({ ...state, phase: 'forbidden' as const, why })),
  on(JobsActions.added, (state, { jobs }) => ({
    ...state,
    byId: { ...state.byId, ...Object.fromEntries(jobs.map((j) => [j.id, opened(j, 0)])) },
  })),
  on(JobsActions.edited, (state, { id, edit, now }) =>
    change(state, id, (open) => {
      const done = applyEdit(open.job, edit, now);
      if (!done.ok) return { ...open, refused: done.problem };
      const step = { content: open.job, said: lastSaid(done.job) };
      return { ...open, job: done.job, past: grown(open.past, step), future: [], save: saving(open), refused: null };
    }),
  ),
  on(JobsActions.undone, (state, { id, now }) =>
    change(state, id, (open) => {
      const step = open.past.at(-1);
      if (!step) return open;
      return {
        ...open,
        job: returnTo(open.job, step.content, now, `undone: ${step.said}`),
        past: open.past.slice(0, -1),
        future: [...open.future, { content: open.job, said: step.said }],
        save: saving(open),
        refused: null,
      };
    }),
  ),
  on(JobsActions.redone, (state, { id, now }) =>
    change(state, id, (open) => {
      const step = open.future.at(-1);
      if (!step) return open;
      return {
        ...open,
        job: returnTo(open.job, step.content, now, `redone: ${step.said}`),
        future: open.future.slice(0, -1),
        past: [...open.past, { content: open.job, said: step.said }],
        save: saving(open),
        refused: null,
      };
    }),
  ),
  on(JobsActions.removed, JobsActions.forgotten, (state, { id }) => ({
    ...state,
    byId: Object.fromEntries(Object.entries(state.byId).filter(([k]) => k !== id)),
  })),
  on(JobsActions.refusalRead, (state, { id }) => change(state, id, (open) => ({ ...open, refused: null }))),
  on(JobsActions.saveWanted, (state, { id }) => change(state, id, (open) => ({ ...open, save: saving(open) }))),
  on(JobsActions.saved, (state, { id, job, revision, now }) =>
    change(state, id, (open) => {
      const save = open.save === 'changed-elsewhere' ? open.save : open.job === job ? 'kept' : 'saving';
      return { ...open, revision, savedAt: now, save, why: '' };
    }),
  ),
  on(JobsActions.saveFailed, (state, { id, why }) => change(state, id, (open) => ({ ...open, save: 'failed', why }))),
  on(JobsActions.changedElsewhere, (state, { id }) =>
    change(state, id, (open) => ({ ...open, save: 'changed-elsewhere' })),
  ),
  // What stood here goes into the past, so that taking theirs can be taken back.
  on(JobsActions.refreshed, (state, { job, revision, now }) =>
    change(state, job.id, (open) => {
      const mine = { content: open.job, said: 'the other tab’s version taken' };
      return { ...opened(job, revision), savedAt: now, past: open.save === 'kept' ? [] : grown(open.past, mine) };
    }),
  ),
  on(JobsActions.keepAsCopy, (state, { id, copyId, now }) => {
    const open = state.byId[id];
    if (!open) return state;
    const copy = copyOf(open.job, copyId, now, ', copy', 'kept as a copy beside a change from another tab');
    return { ...state, byId: { ...state.byId, [copyId]: opened(copy, 0) } };
  }),
  on(JobsActions.unreadableGone, (state, { id }) => ({
    ...state,
    unreadable: state.unreadable.filter((u) => u.id !== id),
  })),
);
