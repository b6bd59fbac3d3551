import { createActionGroup, emptyProps, props } from '@ngrx/store';
import type { Job, JobEdit, LoadProblem } from '../../core/ground/job';

/** A row of the store that is no job of this version: it is left untouched there, can be saved as a file and taken away. */
export interface Unreadable {
  readonly id: string;
  readonly title: string;
  readonly document: unknown;
  readonly problem: LoadProblem;
}

export const JobsActions = createActionGroup({
  source: 'Jobs',
  events: {
    Begin: emptyProps(),
    Loaded: props<{ jobs: { job: Job; revision: number }[]; unreadable: readonly Unreadable[] }>(),
    'Store Forbidden': props<{ why: string }>(),
    Added: props<{ jobs: Job[] }>(),
    Edited: props<{ id: string; edit: JobEdit; now: string }>(),
    Undone: props<{ id: string; now: string }>(),
    Redone: props<{ id: string; now: string }>(),
    Removed: props<{ id: string }>(),
    /** Gone from the store already, by another tab. */
    Forgotten: props<{ id: string }>(),
    'Refusal Read': props<{ id: string }>(),
    'Save Wanted': props<{ id: string }>(),
    Saved: props<{ id: string; job: Job; revision: number; now: string }>(),
    'Save Failed': props<{ id: string; why: string }>(),
    'Changed Elsewhere': props<{ id: string }>(),
    'Take Theirs': props<{ id: string }>(),
    Refreshed: props<{ job: Job; revision: number; now: string }>(),
    'Keep As Copy': props<{ id: string; copyId: string; now: string }>(),
    'Take Away Unreadable': props<{ id: string }>(),
    'Unreadable Gone': props<{ id: string }>(),
  },
});
