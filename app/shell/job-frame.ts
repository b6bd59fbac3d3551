import { ChangeDetectionStrategy, Component, effect, inject, input, viewChild } from '@angular/core';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { RouterLink, RouterOutlet } from '@angular/router';
import { jobText } from '../../core/job';
import { slug } from '../../core/pack';
import { Bench } from '../store/bench';
import { Brand } from '../ui/brand';
import { saveFile } from '../ui/save-file';
import { Keys } from './keys';
import { NoteLine } from './note-line';
import { SaveState, SaveTrouble } from './save-state';
import { Theme } from './theme';
import { Thread } from './thread';

/** The frame of a job: thread above, the room between, the note line at the foot. */
@Component({
  selector: 'gt-job-frame',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Brand, MatMenu, MatMenuItem, MatMenuTrigger, NoteLine, RouterLink, RouterOutlet, SaveState, SaveTrouble, Thread],
  host: { '(document:keydown)': 'key($event)', '[class.busy]': 'keys.handsBusy.on()' },
  template: `
    @if (bench.found()) {
      <header class="frame-head">
        <div class="frame-title">
          <a routerLink="/" class="home" aria-label="Back to the shelf"><gt-brand [size]="24" /></a>
          <a routerLink="/" class="job-name"><h1>{{ bench.job().title }}</h1></a>
          <span class="muted place">{{ bench.job().place }}</span>
          <span class="grow"></span>
          <gt-save-state />
          <button type="button" class="key" (click)="bench.undo()" [disabled]="!bench.open()!.past.length">undo</button>
          <button type="button" class="key" (click)="bench.redo()" [disabled]="!bench.open()!.future.length">redo</button>
          <button type="button" class="key" [matMenuTriggerFor]="menu" aria-label="More">more</button>
          <mat-menu #menu="matMenu">
            <button mat-menu-item (click)="keys.handsBusy.toggle()">{{ keys.handsBusy.on() ? 'Leave hands-busy mode' : 'Hands-busy mode' }}</button>
            <button mat-menu-item (click)="save()">Save the job file</button>
            <button mat-menu-item (click)="print()">Print this room</button>
            <button mat-menu-item (click)="theme.set(theme.light() === 'dark' ? 'light' : 'dark')">{{ theme.light() === 'dark' ? 'Day paper' : 'Evening bench' }}</button>
            <button mat-menu-item (click)="theme.set('system')">Light as the system has it</button>
            <button mat-menu-item (click)="keys.help()">Keys</button>
          </mat-menu>
        </div>
        <gt-thread [job]="bench.id()" [thread]="bench.thread()" />
      </header>
      <gt-save-trouble />
      <main id="room" [attr.aria-busy]="bench.working()">
        @if (bench.assessed()) {
          <router-outlet />
        } @else {
          <p class="lonely muted" role="status">Reading the job …</p>
        }
      </main>
      <gt-note-line />
    } @else if (bench.phase() === 'loading') {
      <p class="lonely muted" role="status">Opening the job …</p>
    } @else {
      <main class="lonely">
        <h1>This job is not on the shelf of this browser</h1>
        <p>It may be in another browser, or in a file. <a routerLink="/">Back to the shelf</a></p>
      </main>
    }
  `,
})
export class JobFrame {
  protected readonly bench = inject(Bench);
  protected readonly keys = inject(Keys);
  protected readonly theme = inject(Theme);
  readonly id = input.required<string>();
  private readonly note = viewChild(NoteLine);

  constructor() {
    effect(() => this.bench.id.set(this.id()));
  }

  protected key(event: KeyboardEvent): void {
    if (this.keys.handle(event, () => this.note()?.focus())) event.preventDefault();
  }

  protected save(): void {
    const job = this.bench.job();
    saveFile(`${slug(job.title)}.job.json`, jobText(job), 'application/json');
  }

  protected print(): void {
    window.print();
  }
}
