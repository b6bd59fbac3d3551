import { createActionGroup, emptyProps, props } from '@ngrx/store';
import type { Job, JobEdit } from '../../core/job';

export const JobsActions = createActionGroup({
  source: 'Jobs',
  events: {
    Begin: emptyProps(),
    Loaded: props<{ jobs: { job: Job; revision: number }[]; unreadable: number }>(),
    'Store Forbidden': props<{ why: string }>(),
    Added: props<{ jobs: Job[] }>(),
    Edited: props<{ id: string; edit: JobEdit; now: string }>(),
    Undone: props<{ id: string; now: string }>(),
    Redone: props<{ id: string; now: string }>(),
    Saved: props<{ id: string; revision: number; now: string }>(),
    'Save Failed': props<{ id: string; why: string }>(),
    'Changed Elsewhere': props<{ id: string }>(),
    'Take Theirs': props<{ id: string }>(),
    Refreshed: props<{ job: Job; revision: number }>(),
    'Keep As Copy': props<{ id: string; copyId: string; now: string }>(),
  },
});
