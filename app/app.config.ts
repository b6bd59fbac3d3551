import {
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
  type ApplicationConfig,
} from '@angular/core';
import { MAT_FORM_FIELD_DEFAULT_OPTIONS } from '@angular/material/form-field';
import { provideRouter, withComponentInputBinding, withNavigationErrorHandler } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideStore } from '@ngrx/store';
import { routes } from './app.routes';
import { tellStaleBuild } from './shell/stale-build';
import { JobsEffects } from './store/jobs.effects';
import { jobsReducer } from './store/jobs.reducer';

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideZonelessChangeDetection(),
    provideRouter(routes, withComponentInputBinding(), withNavigationErrorHandler(tellStaleBuild)),
    // The core never changes a job in place and its own tests hold that; checking every deep job at run time costs frames.
    provideStore(
      { jobs: jobsReducer },
      { runtimeChecks: { strictStateImmutability: false, strictActionImmutability: false } },
    ),
    provideEffects(JobsEffects),
    { provide: MAT_FORM_FIELD_DEFAULT_OPTIONS, useValue: { appearance: 'outline', subscriptSizing: 'dynamic' } },
  ],
};
