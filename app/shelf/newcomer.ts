import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Action } from '../kit/action';

/** The empty shelf: what it is for, and the first step. */
@Component({
  selector: 'gt-newcomer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton, RouterLink],
  template: `
    <section class="newcomer">
      <h2>No machine on the shelf yet</h2>
      <p>A job takes one machine from the wish to a tested press.</p>
      <p><a matButton gtAction="do" routerLink="/new">Begin with four questions</a></p>
      <p class="muted">
        Or <button type="button" matButton gtAction="say" (click)="file.emit()">open a job file</button>, or
        <button type="button" matButton gtAction="say" (click)="demo.emit()">look at some made-up jobs first</button>.
        No hardware is needed: a stand-in can be measured and pressed.
      </p>
    </section>
  `,
})
export class Newcomer {
  readonly file = output();
  readonly demo = output();
}
