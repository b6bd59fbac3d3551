import { inject, Injectable, Injector, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { firstValueFrom, filter } from 'rxjs';
import type { DemoRow } from '../../core/house/demo-rows';
import { copyOf, loadJob, type Job, type JobRecording, type Loaded, type LoadProblem } from '../../core/ground/job';
import type { DrawerLoaded } from '../../core/engines/parts';
import { pickFiles } from '../kit/pick-files';
import { DrawerStore } from '../store/drawer';
import { JobsActions } from '../store/jobs.actions';
import { Files } from '../store/files';
import { Photos } from '../store/photos';
import type { Recordings } from '../store/recordings';
import { Threads } from '../store/threads';
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
  'glass-washer',
  'steam-flaps',
  'ice-bath-valve',
  'proving-cabinet',
];
/** A zip with many photographs; its parts have limits of their own. */
const ZIP_LIMIT = 300_000_000;

/** The job with its photographs under the ids that their pictures are kept under here. */
function withPictures(loaded: Loaded, renamed: ReadonlyMap<string, string>): Loaded {
  if (!loaded.ok || ![...renamed].some(([from, to]) => from !== to)) return loaded;
  const { survey } = loaded.job;
  const photos = survey.photos.map((p) => ({ ...p, id: renamed.get(p.id) ?? p.id }));
  return { ok: true, job: { ...loaded.job, survey: { ...survey, photos } } };
}

/** What was worked out of the demo jobs when the program was built; none where it did not come, and then the shelf works it out. */
const demoRows = (): Promise<DemoRow[]> =>
  fetch('tables/demo-rows.json')
    .then(async (answer) => (answer.ok ? ((await answer.json()) as DemoRow[]) : []))
    .catch(() => []);

/** A few notes are read, many are counted. */
const sumOf = (notes: readonly string[]): string =>
  notes.length <= 3 ? notes.join(' ') : `${notes.length} jobs were opened. ${notes[0]!} …`;

/**
 * Brings jobs in from files, from zips with photographs and from the shipped demo; a bad file is named, and nothing on
 * the shelf changes.
 */
@Injectable({ providedIn: 'root' })
export class FileOpener {
  private readonly store = inject(Store);
  private readonly photos = inject(Photos);
  private readonly injector = inject(Injector);
  private readonly state = this.store.selectSignal(selectJobs);
  readonly problem = signal<{ file: string; problem: LoadProblem } | null>(null);
  readonly note = signal('');
  private readonly drawer = inject(DrawerStore);
  private readonly files = inject(Files);
  private readonly threads = inject(Threads);
  private asked = false;
  /** Whether the demo jobs may still be on their way: until then no job is missing. */
  readonly coming = signal(true);

  async pick(): Promise<void> {
    const [file] = await pickFiles('.json,.zip,application/json,application/zip');
    if (file) await this.read(file);
  }

  async read(file: File): Promise<void> {
    this.problem.set(null);
    if (/\.zip$/i.test(file.name)) return this.readZip(file);
    try {
      this.note.set(this.take(file.name, await this.files.do({ do: 'read', file })));
    } catch (error) {
      this.note.set('');
      const what = error instanceof Error ? error.message : 'It could not be read.';
      this.problem.set({
        file: file.name,
        problem: { what, where: 'the whole file', todo: 'Try once more, or pick another copy of the file.' },
      });
    }
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
    this.note.set('The zip is being opened …');
    try {
      const unpacked = await this.files.do({ do: 'unpack', file });
      // A job that stands here just as in the file has its pictures here as well.
      const coming = new Set(
        unpacked.jobs.flatMap(({ loaded }) =>
          loaded.ok && !this.stands(loaded.job) ? loaded.job.survey.photos.map((p) => p.id) : [],
        ),
      );
      const renamed = new Map<string, string>();
      for (const p of unpacked.pictures) {
        if (!coming.has(p.id)) continue;
        const kept = await this.photos.bring(p.id, p.bytes);
        if (kept) renamed.set(p.id, kept);
      }
      const named = new Set(
        unpacked.jobs.flatMap(({ loaded }) => (loaded.ok ? loaded.job.recordings.map((r) => r.id) : [])),
      );
      const changed = await (await this.recordings()).bring(unpacked.recordings.filter((r) => named.has(r.id)));
      const notes = unpacked.jobs.map(({ name, loaded }) =>
        this.take(
          unpacked.jobs.length > 1 ? `${file.name}, ${name}` : file.name,
          loaded.ok && this.stands(loaded.job) ? loaded : withPictures(loaded, renamed),
        ),
      );
      if (unpacked.drawer) notes.push(await this.drawerFrom(unpacked.drawer));
      this.note.set([sumOf(notes.filter(Boolean)), ...unpacked.left, ...changed].join(' ').trim());
    } catch (error) {
      no(error instanceof Error ? error.message : 'It could not be read.');
    }
  }

  /** A backup's drawer joins the one that is here: what is here stays as it is, what is missing comes. */
  private async drawerFrom(loaded: DrawerLoaded): Promise<string> {
    if (!loaded.ok) return `The drawer in it could not be read: ${loaded.message}`;
    await this.drawer.load();
    const { parts, stock } = this.drawer.drawer();
    const newParts = loaded.drawer.parts.filter((p) => !parts.some((x) => x.id === p.id));
    const newStock = loaded.drawer.stock.filter((s) => !stock.some((x) => x.name === s.name));
    if (newParts.length + newStock.length === 0) return '';
    const first = parts.length + stock.length === 0;
    await this.drawer.change((d) => ({
      parts: [...d.parts, ...newParts],
      stock: [...d.stock, ...newStock],
      ...(first ? { currency: loaded.drawer.currency } : {}),
    }));
    return `${newParts.length + newStock.length} lines came into the drawer.`;
  }

  async demo(): Promise<void> {
    await this.bringDemo();
    this.note.set('The demo jobs are on the shelf; all names and readings in them are invented.');
  }

  private async bringDemo(): Promise<void> {
    const [rows, ...texts] = await Promise.all([
      demoRows(),
      ...DEMO_JOBS.map(async (name) => (await fetch(`demo/${name}.json`)).text()),
    ]);
    this.threads.adopt(rows.filter((r) => !this.state().byId[r.id]));
    const loaded = texts.map((text) => loadJob(text));
    await this.bringDemoRecordings(loaded.flatMap((l) => (l.ok ? l.job.recordings : [])));
    loaded.forEach((l, i) => this.take(`${DEMO_JOBS[i]}.json`, l));
  }

  /** What was recorded of the machines of the demo; one that does not come is missing, and said where it is looked at. */
  private async bringDemoRecordings(list: readonly JobRecording[]): Promise<void> {
    const files = await Promise.all(
      list.map(async ({ id, name }) => {
        const answer = await fetch(`demo/recordings/${encodeURIComponent(name)}`).catch(() => null);
        return answer?.ok ? [{ id, bytes: new Uint8Array(await answer.arrayBuffer()) }] : [];
      }),
    );
    await (await this.recordings()).bring(files.flat()).catch(() => undefined);
  }

  /** On a server started for the demo, an empty shelf begins with the demo jobs, at whichever address the app is opened. */
  async startWithDemo(): Promise<void> {
    if (this.asked) return;
    this.asked = true;
    await this.demoWhereEmpty().finally(() => this.coming.set(false));
  }

  private async demoWhereEmpty(): Promise<void> {
    const answer = await fetch('settings.json').catch(() => null);
    const settings: unknown = answer?.ok ? await answer.json() : null;
    if (!(settings as { demo?: boolean } | null)?.demo) return;
    const state = await firstValueFrom(this.store.select(selectJobs).pipe(filter((s) => s.phase !== 'loading')));
    if (Object.keys(state.byId).length === 0) await this.bringDemo();
  }

  /** What keeps recordings comes when the first one does: the shelf has none to show. */
  private async recordings(): Promise<Recordings> {
    return this.injector.get((await import('../store/recordings')).Recordings);
  }

  /** Whether the very same job is on the shelf. */
  private stands(job: Job): boolean {
    const there = this.state().byId[job.id]?.job;
    return there !== undefined && JSON.stringify(there) === JSON.stringify(job);
  }

  /** Puts a job on the shelf; gives what to tell of it, nothing where the file was no job. */
  private take(name: string, loaded: Loaded): string {
    if (!loaded.ok) {
      this.problem.set({ file: name, problem: loaded.problem });
      return '';
    }
    const there = this.state().byId[loaded.job.id]?.job;
    if (this.stands(loaded.job)) return `${loaded.job.title} is already on the shelf, just as in the file.`;
    const now = new Date().toISOString();
    const job: Job = there
      ? copyOf(loaded.job, crypto.randomUUID(), now, ', from file', 'opened from a file, beside the one on the shelf')
      : loaded.job;
    this.store.dispatch(JobsActions.added({ jobs: [job] }));
    return there
      ? `${loaded.job.title} was on the shelf already and differs; the file stands beside it as “${job.title}”.`
      : `${job.title} is on the shelf.`;
  }
}
