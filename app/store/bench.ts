import { computed, effect, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Finding, Room } from '../../core/finding';
import type { Job, JobEdit, Section } from '../../core/job';
import { Assessor } from './assessor';
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
  private readonly assessor = inject(Assessor);
  private readonly result = computed(() => this.assessor.results()[this.id()]);
  /** False until the job has been assessed for the first time. */
  readonly assessed = computed(() => this.result() !== undefined);
  /** True while what is shown rests on the job as it was a moment ago. */
  readonly working = computed(() => this.result()?.job !== this.open()?.job);
  /** Readings that the maker will not take now, by control; they come back with the page. */
  readonly skipped = signal<Readonly<Record<string, readonly string[]>>>({});
  /** Only read inside the job frame, which shows a page of its own while there is no job. */
  readonly job = computed((): Job => this.open()!.job);
  readonly answer = computed(() => this.result()!.answer);
  readonly assessment = computed(() => this.answer().assessment);
  readonly thread = computed(() => this.result()?.thread ?? []);

  constructor() {
    // Saving changes what is known of a job, not the job: only a new version is asked about.
    const version = computed(() => this.open()?.job);
    effect(() => {
      const job = version();
      if (job) this.assessor.request(job, this.skipped());
    });
  }

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
    this.store.dispatch(
      JobsActions.keepAsCopy({ id: this.id(), copyId: crypto.randomUUID(), now: new Date().toISOString() }),
    );
  }

  readonly newId = (): string => crypto.randomUUID();
  readonly now = (): string => new Date().toISOString();
}
