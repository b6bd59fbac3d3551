import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Finding } from '../../core/ground/finding';
import {
  onAllAlike,
  type Job,
  type JobEdit,
  type ListName,
  type Lists,
  type Place,
  type Places,
  type Room,
} from '../../core/ground/job';
import { Assessor } from './assessor';
import { JobsActions } from './jobs.actions';
import { selectJobs } from './jobs.selectors';
import { Studies } from './studies';

/** What the rooms work on: the open job, what follows from it, and the one way to change it. */
@Injectable({ providedIn: 'root' })
export class Bench {
  private readonly store = inject(Store);
  private readonly jobs = this.store.selectSignal(selectJobs);
  readonly id = signal('');
  readonly phase = computed(() => this.jobs().phase);
  readonly open = computed(() =>
    Object.hasOwn(this.jobs().byId, this.id()) ? this.jobs().byId[this.id()] : undefined,
  );
  readonly found = computed(() => this.open() !== undefined);
  private readonly assessor = inject(Assessor);
  private readonly studies = inject(Studies);
  private readonly result = computed(() => this.assessor.results()[this.id()]);
  /** Why the job could not be worked out as it is now; empty where it was. */
  readonly failure = computed(() => this.assessor.failures()[this.id()]?.why ?? '');
  /** False until the job has been assessed for the first time. */
  readonly assessed = computed(() => this.result() !== undefined);
  /** The control whose next reading is looked at; empty where none is. */
  readonly asked = signal('');
  private readonly wanted = (): readonly string[] => (this.asked() === '' ? [] : [this.asked()]);
  /** Whether the next reading that is looked at was not worked out with the rest. */
  private readonly lacksNext = computed(() => {
    const [result, control] = [this.result(), this.asked()];
    return (
      result !== undefined &&
      result.job.controls.some((c) => c.id === control) &&
      !Object.hasOwn(result.answer.next, control)
    );
  });
  /** True while what is shown rests on the job as it was a moment ago. */
  readonly working = computed(
    () =>
      (this.result()?.job !== this.open()?.job || this.lacksNext()) &&
      this.assessor.failures()[this.id()]?.job !== this.open()?.job,
  );
  /** What is shown was worked out at an earlier visit, and is not confirmed yet. */
  readonly recalled = computed(() => this.result()?.recalled === true && this.working());
  private readonly putOff = signal<Readonly<Record<string, Readonly<Record<string, readonly string[]>>>>>({});
  /** Readings of this job that the maker will not take now, by control; they come back with the page. */
  readonly skipped = computed(() => this.putOff()[this.id()] ?? {});
  /** The job as its boxes show it. Only read inside the job frame, which shows a page of its own while there is no job. */
  readonly job = computed((): Job => this.open()!.job);
  /** A version of the job with what follows from that very version; what is derived from both is derived from this. */
  readonly seen = computed(() => this.result()!);
  readonly answer = computed(() => this.seen().answer);
  readonly assessment = computed(() => this.answer().assessment);
  readonly thread = computed(() => {
    const early = this.assessor.verdicts();
    return this.result()?.thread ?? (early?.id === this.id() ? early.thread : []);
  });

  constructor() {
    // Saving changes what is known of a job, not the job: only a new version is asked about, and the open job before all others.
    const version = computed(() => this.open()?.job);
    effect(() => {
      const job = version();
      this.assessor.first(this.id());
      if (job) this.assessor.request(job, this.skipped(), this.studies.verdicts(job.id), untracked(this.wanted));
    });
    effect(() => {
      const job = version();
      if (job && this.result()?.job === job && this.lacksNext())
        this.assessor.request(job, this.skipped(), this.studies.verdicts(job.id), this.wanted());
    });
  }

  findings(room: Room): Finding[] {
    return this.assessment().findings.filter((f) => f.room === room);
  }

  /** What is made of one of several alike is made of all, until they differ. */
  edit(edit: JobEdit): void {
    const job = this.open()?.job;
    this.editOf(this.id(), job ? onAllAlike(job, edit) : edit);
  }

  /** An edit of a job that need not be the one that is open any more, as of what was worked out for it. */
  editOf(id: string, edit: JobEdit): void {
    this.store.dispatch(JobsActions.edited({ id, edit, now: new Date().toISOString() }));
  }

  /** An edit that was worked out from what is shown, as a remedy is: it waits until that is as new as the job. */
  mend(edit: JobEdit): void {
    if (!this.working()) this.edit(edit);
  }

  /** Sets fields of one place; `say` where a person's sentence is better than the words of the fields. */
  set<P extends Place>(at: P, set: Partial<Places[P]>, say?: string): void {
    this.edit({ do: 'set', at, set, ...(say === undefined ? {} : { say }) } as JobEdit);
  }

  /** Puts an item into a keyed list. */
  put<L extends ListName>(list: L, item: Lists[L], say?: string): void {
    this.edit({ do: 'put', list, item, ...(say === undefined ? {} : { say }) } as JobEdit);
  }

  drop(list: ListName, key: string, say?: string): void {
    this.edit({ do: 'drop', list, key, ...(say === undefined ? {} : { say }) });
  }

  /** Puts a reading off until the page is loaded anew. */
  skip(control: string, key: string): void {
    this.skipping(control, (keys) => [...keys, key]);
  }

  /** Brings back what was put off of one control. */
  unskip(control: string): void {
    this.skipping(control, () => []);
  }

  private skipping(control: string, f: (keys: readonly string[]) => readonly string[]): void {
    const mine = this.skipped();
    this.putOff.update((all) => ({ ...all, [this.id()]: { ...mine, [control]: f(mine[control] ?? []) } }));
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

  /** The refusal of the last edit was read. */
  refusalRead(): void {
    this.store.dispatch(JobsActions.refusalRead({ id: this.id() }));
  }

  /** Tries once more to keep what could not be kept. */
  saveAgain(): void {
    this.store.dispatch(JobsActions.saveWanted({ id: this.id() }));
  }

  /** Works the job out anew, after it failed. */
  tryAgain(): void {
    this.assessor.request(this.job(), this.skipped(), this.studies.verdicts(this.id()), this.wanted());
  }

  readonly newId = (): string => crypto.randomUUID();
  readonly now = (): string => new Date().toISOString();
}
