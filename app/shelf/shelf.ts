import { MatButton } from '@angular/material/button';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  Injector,
  signal,
} from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { TextField } from '../kit/text-field';
import { Action } from '../kit/action';
import { nextStep, type RowBead } from '../../core/house/thread';
import { anotherUnit, type Job } from '../../core/ground/job';
import { UndoBar } from '../kit/undo-bar';
import { Database } from '../store/database';
import { JobsActions, type Unreadable } from '../store/jobs.actions';
import { selectJobs } from '../store/jobs.selectors';
import { StorageRoom } from '../store/storage-room';
import { Threads } from '../store/threads';
import { Brand } from '../ui/brand';
import { saveFile } from '../ui/save-file';
import { FileOpener } from './file-opener';
import { JobRow } from './job-row';
import { Newcomer } from './newcomer';

type Order = 'touched' | 'nearest';

/** Rows that are drawn before anything else, and how many more at a time after. */
const FIRST_ROWS = 40;
const MORE_ROWS = 60;

const settledCount = (beads: readonly RowBead[] | undefined): number =>
  beads?.filter((b) => b.verdict === 'settled').length ?? 0;

/** All jobs as rows, each with its own small thread. */
@Component({
  selector: 'gt-shelf',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, Brand, JobRow, MatButton, Newcomer, RouterLink, TextField],
  host: { '(dragover)': '$event.preventDefault()', '(drop)': 'drop($event)' },
  templateUrl: './shelf.html',
})
export class Shelf {
  private readonly store = inject(Store);
  private readonly bar = inject(UndoBar);
  protected readonly opener = inject(FileOpener);
  protected readonly state = this.store.selectSignal(selectJobs);
  protected readonly search = signal('');
  protected readonly order = signal<Order>('touched');
  protected readonly archive = signal(false);
  private readonly router = inject(Router);
  protected readonly threads = inject(Threads);
  protected readonly database = inject(Database);
  protected readonly storage = inject(StorageRoom);
  private readonly injector = inject(Injector);
  protected readonly all = computed(() => Object.values(this.state().byId).map((o) => o.job));
  protected readonly archivedCount = computed(() => this.all().filter((j) => j.archived).length);
  protected readonly jobs = computed(() => {
    const words = this.search().trim().toLowerCase();
    const list = this.all().filter(
      (j) => j.archived === this.archive() && `${j.title} ${j.place} ${j.wish.outcome}`.toLowerCase().includes(words),
    );
    const byTouched = (a: Job, b: Job): number => b.touchedAt.localeCompare(a.touchedAt);
    return this.order() === 'touched'
      ? list.sort(byTouched)
      : list.sort(
          (a, b) => settledCount(this.threads.all()[b.id]) - settledCount(this.threads.all()[a.id]) || byTouched(a, b),
        );
  });
  protected readonly nothing = computed(() =>
    this.search().trim()
      ? 'Nothing here by that name.'
      : this.archive()
        ? 'The archive is empty.'
        : 'Every job is in the archive.',
  );
  /** The first screenful at once, the rest a frame later: hundreds of rows must not hold up the first. */
  private readonly rows = signal(FIRST_ROWS);
  protected readonly shown = computed(() => this.jobs().slice(0, this.rows()));
  protected readonly summary = computed(() => {
    const n = this.all().filter((j) => !j.archived).length;
    const stops = this.all().filter(
      (j) => !j.archived && nextStep(this.threads.all()[j.id] ?? [])?.verdict === 'stop',
    ).length;
    if (n === 0) return '';
    const places = [
      ...new Set(
        this.all()
          .map((j) => j.place)
          .filter(Boolean),
      ),
    ];
    return `${places.length === 1 ? `${places[0]}, ` : ''}${n} ${n === 1 ? 'job' : 'jobs'}${stops ? `, ${stops} held by a stop` : ''}`;
  });

  constructor() {
    // Rows first; their threads come from the worker, so that the shelf can be used before the arithmetic is done.
    effect(() => this.threads.want(this.all()));
    inject(DestroyRef).onDestroy(() => this.threads.rest());
    effect((done) => {
      if (this.rows() >= this.jobs().length) return;
      const timer = setTimeout(() => this.rows.update((n) => n + MORE_ROWS));
      done(() => clearTimeout(timer));
    });
    // A mark for measurements: the moment from which the shelf answers.
    effect(() => {
      if (this.state().phase !== 'loading') requestAnimationFrame(() => performance.mark('shelf-usable'));
    });
  }

  protected duplicate(job: Job): void {
    const now = new Date().toISOString();
    this.store.dispatch(JobsActions.added({ jobs: [anotherUnit(job, crypto.randomUUID(), now)] }));
  }

  /** A job whose one control is drawn at random, to be found out with the virtual meter. One is enough: it goes on with another. */
  protected async practise(): Promise<void> {
    const { isPractice, practiceJob } = await import('../../core/engines/standin');
    const there = this.all().find((j) => isPractice(j.standin.model) && !j.archived);
    const job = there ?? practiceJob(crypto.randomUUID(), new Date());
    if (!there) this.store.dispatch(JobsActions.added({ jobs: [job] }));
    await this.router.navigate(['/job', job.id, 'probe']);
  }

  protected remove(job: Job): void {
    this.store.dispatch(JobsActions.removed({ id: job.id }));
    this.bar.say(`${job.title} taken away`, () => this.store.dispatch(JobsActions.added({ jobs: [job] })));
  }

  protected setArchived(job: Job, archived: boolean): void {
    this.store.dispatch(
      JobsActions.edited({ id: job.id, edit: { do: 'archive', archived }, now: new Date().toISOString() }),
    );
  }

  /** What stands in the way of keeping a job, in a few words for its row. */
  protected trouble(id: string): string {
    const save = this.state().byId[id]?.save;
    return save === 'failed' ? 'not kept in the browser' : save === 'changed-elsewhere' ? 'changed in another tab' : '';
  }

  protected saveUnreadable(u: Unreadable): void {
    saveFile(
      `${u.title.replace(/[^\w-]+/g, '-').slice(0, 60)}.job.json`,
      JSON.stringify(u.document, null, 2),
      'application/json',
    );
  }

  protected takeAway(u: Unreadable): void {
    this.store.dispatch(JobsActions.takeAwayUnreadable({ id: u.id }));
  }

  protected backup(): void {
    import('./backup')
      .then((m) => this.injector.get(m.Backup).save())
      .then(
        (words) => this.opener.note.set(words),
        (error: unknown) =>
          this.opener.note.set(
            `The backup could not be made: ${error instanceof Error ? error.message : 'no reason given'} Try once more.`,
          ),
      );
  }

  protected drop(event: DragEvent): void {
    event.preventDefault();
    const file = event.dataTransfer?.files[0];
    if (file) void this.opener.read(file);
  }
}
