import { MatButton } from '@angular/material/button';
import { afterNextRender, ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { Action } from '../kit/action';
import { FileOpener } from '../shelf/file-opener';
import { JobsActions } from '../store/jobs.actions';
import { StaleBuild } from './stale-build';
import { Theme } from './theme';

@Component({
  selector: 'gt-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton, RouterOutlet],
  template: `
    @if (stale.missing()) {
      <p class="trouble" role="alert" data-stale>
        This part of the program is no longer on the server: a newer build stands there, or the server is away. What was
        kept stays kept.
        <button type="button" matButton gtAction="mend" (click)="reload()">Load the page anew</button>
      </p>
    }
    <router-outlet />
  `,
})
export class AppRoot {
  protected readonly stale = inject(StaleBuild);

  constructor() {
    inject(Theme).apply();
    inject(Store).dispatch(JobsActions.begin());
    const opener = inject(FileOpener);
    afterNextRender(() => void opener.startWithDemo());
  }

  protected reload(): void {
    const wanted = sessionStorage.getItem('gt-wanted');
    sessionStorage.removeItem('gt-wanted');
    location.assign(wanted ?? location.href);
  }
}
