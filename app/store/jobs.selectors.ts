import { createFeatureSelector, createSelector } from '@ngrx/store';
import type { JobsState } from './jobs.reducer';

export const selectJobs = createFeatureSelector<JobsState>('jobs');
export const selectPhase = createSelector(selectJobs, (s) => s.phase);
export const selectOpenJobs = createSelector(selectJobs, (s) => Object.values(s.byId));
export const selectOpen = (id: string) => createSelector(selectJobs, (s) => s.byId[id]);
