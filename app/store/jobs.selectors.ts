import { createFeatureSelector } from '@ngrx/store';
import type { JobsState } from './jobs.reducer';

export const selectJobs = createFeatureSelector<JobsState>('jobs');
