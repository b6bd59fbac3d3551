import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { JobsActions } from '../store/jobs.actions';
import { Theme } from './theme';

@Component({
  selector: 'gt-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterOutlet],
  template: '<router-outlet />',
})
export class AppRoot {
  constructor() {
    inject(Theme).apply();
    inject(Store).dispatch(JobsActions.begin());
  }
}
