import { computed, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Finding, Room } from '../../core/finding';
import type { Job, JobEdit, Section } from '../../core/job';
import { assessed, threaded } from './assessed';
import { JobsActions } from './jobs.actions';
import { selectJobs } from './jobs.selectors';

/** What the rooms work on: the open job, what follows from it, and the one way to change it. */
@Injectable({ providedIn: 'root' })
export class Bench {
  private readonly store = inject(Store);
  private readonly jobs = this.store.selectSignal(selectJobs);
  readonly id = signal('');
  readonly phase = computed(() => this.jobs().phase);
  readonly open = computed(() => this.jobs().byId[this.id()]);
  readonly found = computed(() => this.open() !== undefined);
  /** Only read inside the job frame, which shows a page of its own while there is no job. */
  readonly job = computed((): Job => this.open()!.job);
  readonly assessment = computed(() => assessed(this.job()));
  readonly thread = computed(() => threaded(this.job()));

  findings(room: Room): Finding[] {
    return this.assessment().findings.filter((f) => f.room === room);
  }

  edit(edit: JobEdit): void {
    this.store.dispatch(JobsActions.edited({ id: this.id(), edit, now: new Date().toISOString() }));
  }

  /** Changes one section of the job; `say` is the line that the log keeps. */
  change<S extends Section>(section: S, set: Partial<Job[S]>, say: string): void {
    this.edit({ do: 'change', section, set, say } as JobEdit);
  }

  undo(): void {
    this.store.dispatch(JobsActions.undone({ id: this.id(), now: new Date().toISOString() }));
  }

  redo(): void {
    this.store.dispatch(JobsActions.redone({ id: this.id(), now: new Date().toISOString() }));
  }

  takeTheirs(): void {
    this.store.dispatch(JobsActions.takeTheirs({ id: this.id() }));
  }

  keepAsCopy(): void {
    this.store.dispatch(JobsActions.keepAsCopy({ id: this.id(), copyId: crypto.randomUUID(), now: new Date().toISOString() }));
  }

  readonly newId = (): string => crypto.randomUUID();
  readonly now = (): string => new Date().toISOString();
}
