import { inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { firstValueFrom, filter } from 'rxjs';
import { JOB_TEXT_LIMIT, loadJob, tooLarge, type Job, type Loaded, type LoadProblem } from '../../core/job';
import { JobsActions } from '../store/jobs.actions';
import { Photos } from '../store/photos';
import { selectJobs } from '../store/jobs.selectors';

const DEMO_JOBS = [
  'rice-pot',
  'yard-gate',
  'larder-dehumidifier',
  'dough-proofer',
  'cold-room-alarm',
  'hatch-shutter',
  'extractor-rocker',
  'hood-fan',
];
/** A zip with many photographs; its parts have limits of their own. */
const ZIP_LIMIT = 300_000_000;

/**
 * Brings jobs in from files, from zips with photographs and from the shipped demo; a bad file is named, and nothing on
 * the shelf changes.
 */
@Injectable({ providedIn: 'root' })
export class FileOpener {
  private readonly store = inject(Store);
  private readonly photos = inject(Photos);
  private readonly state = this.store.selectSignal(selectJobs);
  readonly problem = signal<{ file: string; problem: LoadProblem } | null>(null);
  readonly note = signal('');
  private asked = false;

  pick(): void {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = '.json,.zip,application/json,application/zip';
    input.addEventListener('change', () => {
      const file = input.files?.[0];
      if (file) void this.read(file);
    });
    input.click();
  }

  async read(file: File): Promise<void> {
    if (/\.zip$/i.test(file.name)) return this.readZip(file);
    // The size is checked before a byte is read, so that a huge file cannot fill the memory.
    const loaded: Loaded = file.size > JOB_TEXT_LIMIT ? tooLarge(file.size) : loadJob(await file.text());
    this.note.set(this.take(file.name, loaded));
  }

  /** A zip that Pack wrote: its job file, and its photographs into this browser's store. */
  private async readZip(file: File): Promise<void> {
    const no = (what: string): void => {
      this.note.set('');
      this.problem.set({
        file: file.name,
        problem: {
          what,
          where: 'the whole file',
          todo: 'Pick a zip that “Save all as one zip” wrote, or the job file itself.',
        },
      });
    };
    if (file.size > ZIP_LIMIT)
      return no(`This zip is ${Math.round(file.size / 1e6)} MB; at most ${ZIP_LIMIT / 1e6} MB are opened.`);
    try {
      const { unpackZip } = await import('../../core/pack');
      const { text, pictures } = unpackZip(new Uint8Array(await file.arrayBuffer()));
      const loaded = loadJob(text);
      const wanted = loaded.ok
        ? pictures.filter((p) => loaded.job.survey.photos.some((photo) => photo.id === p.id))
        : [];
      for (const p of wanted) await this.photos.keep(p.id, new Blob([p.bytes as BlobPart], { type: 'image/jpeg' }));
      this.note.set(this.take(file.name, loaded));
    } catch (error) {
      no(error instanceof Error ? error.message : 'It could not be read.');
    }
  }

  async demo(): Promise<void> {
    await this.bringDemo();
    this.note.set('The demo jobs are on the shelf; all names and readings in them are invented.');
  }

  private async bringDemo(): Promise<void> {
    const texts = await Promise.all(DEMO_JOBS.map(async (name) => (await fetch(`demo/${name}.json`)).text()));
    texts.forEach((text, i) => this.take(`${DEMO_JOBS[i]}.json`, loadJob(text)));
  }

  /** On a server started for the demo, an empty shelf begins with the demo jobs. */
  async startWithDemo(): Promise<void> {
    if (this.asked) return;
    this.asked = true;
    const answer = await fetch('settings.json').catch(() => null);
    const settings: unknown = answer?.ok ? await answer.json() : null;
    if (!(settings as { demo?: boolean } | null)?.demo) return;
    const state = await firstValueFrom(this.store.select(selectJobs).pipe(filter((s) => s.phase !== 'loading')));
    if (Object.keys(state.byId).length === 0) await this.bringDemo();
  }

  /** Puts a job on the shelf; gives what to tell of it, nothing where the file was no job. */
  private take(name: string, loaded: Loaded): string {
    if (!loaded.ok) {
      this.problem.set({ file: name, problem: loaded.problem });
      return '';
    }
    this.problem.set(null);
    const there = this.state().byId[loaded.job.id]?.job;
    const same = there && JSON.stringify(there) === JSON.stringify(loaded.job);
    if (same) return `${loaded.job.title} is already on the shelf, just as in the file.`;
    const job: Job = there
      ? { ...loaded.job, id: crypto.randomUUID(), title: `${loaded.job.title}, from file` }
      : loaded.job;
    this.store.dispatch(JobsActions.added({ jobs: [job] }));
    return there
      ? `${loaded.job.title} was on the shelf already and differs; the file stands beside it as “${job.title}”.`
      : `${job.title} is on the shelf.`;
  }
}
