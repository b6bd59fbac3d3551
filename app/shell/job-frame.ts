import { MatButton } from '@angular/material/button';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  input,
  viewChild,
} from '@angular/core';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { MatTooltip } from '@angular/material/tooltip';
import { RouterLink, RouterOutlet } from '@angular/router';
import { Icon } from '../kit/icon';
import { Action } from '../kit/action';
import { jobText } from '../../core/ground/job';
import { slug } from '../../core/ground/quantity';
import { FileOpener } from '../shelf/file-opener';
import { Bench } from '../store/bench';
import { LastAnswers } from '../store/last-answers';
import { Brand } from '../ui/brand';
import { saveFile } from '../ui/save-file';
import { Guide, GuideBar } from './guide-bar';
import { Keys } from './keys';
import { NoteLine } from './note-line';
import { SaveState, SaveTrouble } from './save-state';
import { Theme } from './theme';
import { Thread } from './thread';

/** The frame of a job: thread above, the room between, the note line at the foot. */
@Component({
  selector: 'gt-job-frame',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    Brand,
    GuideBar,
    Icon,
    MatButton,
    MatMenu,
    MatMenuItem,
    MatMenuTrigger,
    MatTooltip,
    NoteLine,
    RouterLink,
    RouterOutlet,
    SaveState,
    SaveTrouble,
    Thread,
  ],
  host: { '(document:keydown)': 'key($event)', '[class.busy]': 'keys.handsBusy.on()' },
  templateUrl: './job-frame.html',
})
export class JobFrame {
  protected readonly bench = inject(Bench);
  protected readonly keys = inject(Keys);
  protected readonly theme = inject(Theme);
  protected readonly guide = inject(Guide);
  protected readonly opener = inject(FileOpener);
  readonly id = input.required<string>();
  private readonly note = viewChild(NoteLine);
  protected readonly undoes = computed(() => this.bench.open()?.past.at(-1)?.said ?? '');
  protected readonly redoes = computed(() => this.bench.open()?.future.at(-1)?.said ?? '');

  constructor() {
    inject(LastAnswers);
    effect(() => this.bench.id.set(this.id()));
    // On the shelf no job is open; another frame may have opened its own by then.
    inject(DestroyRef).onDestroy(() => this.bench.id.update((open) => (open === this.id() ? '' : open)));
  }

  protected key(event: KeyboardEvent): void {
    if (this.keys.handle(event, () => this.note()?.focus())) event.preventDefault();
  }

  protected save(): void {
    const job = this.bench.job();
    saveFile(`${slug(job.title)}.job.json`, jobText(job), 'application/json');
  }

  /** Past the frame, for whoever comes by keyboard. */
  protected skip(): void {
    document.getElementById('room')?.focus();
  }

  protected print(): void {
    window.print();
  }
}
