import { present } from '../ground/lists';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { jobText, JOB_TEXT_LIMIT, RECORDING_LIMIT, loadJob, tooLarge, type Job, type Loaded } from '../ground/job';
import { drawerText, readDrawer, type Drawer, type DrawerLoaded } from '../engines/parts';
import { slug } from '../ground/quantity';
import type { PackFile } from '../rooms/pack';

/** Bytes that are kept beside a job as they travel: the JPEG of a photograph by its id, the file of a recording by its hash. */
export interface Beside {
  readonly id: string;
  readonly bytes: Uint8Array;
}
/** All that is kept beside jobs. */
export interface KeptBeside {
  readonly pictures: readonly Beside[];
  readonly recordings: readonly Beside[];
}
const NOTHING_BESIDE: KeptBeside = { pictures: [], recordings: [] };

/** Where pictures stand in a zip. */
export const PICTURES = 'photographs/';
/** Where recordings and jobs stand in it, and the drawer of a backup. */
const RECORDINGS = 'recordings/';
const JOBS = 'jobs/';
const UNREAD = 'jobs-of-another-version/';
const DRAWER = 'parts.drawer.json';
/** What a zip may say that it holds; what a hostile one says costs no more than this. */
const PICTURE_LIMIT = 8_000_000;
const DRAWER_LIMIT = 4_000_000;
const MOST_JOBS = 2000;
/** A character of a job's text takes three bytes at most, as they come in makers' words. */
const MOST_BYTES = 3 * JOB_TEXT_LIMIT;
const BUDGET = 400_000_000;

type Entries = Record<string, [Uint8Array, { mtime: Date; level?: 0 | 1 }]>;
const text = (content: string, mtime: Date): Entries[string] => [strToU8(content), { mtime }];
// A JPEG does not get smaller by packing it again.
const besideEntries = ({ pictures, recordings }: KeptBeside, mtime: Date): Entries => ({
  ...Object.fromEntries(pictures.map((p) => [`${PICTURES}${p.id}.jpg`, [p.bytes, { mtime, level: 0 as const }]])),
  // Numbers in text are a quarter of their size after the first pass; more takes longer and gains little.
  ...Object.fromEntries(recordings.map((r) => [`${RECORDINGS}${r.id}.csv`, [r.bytes, { mtime, level: 1 as const }]])),
});

/** All files in one zip with the job's pictures and recordings, dated by the job so that the same job gives the same bytes. */
export function packZip(
  files: readonly PackFile[],
  touchedAt: string,
  beside: KeptBeside = NOTHING_BESIDE,
): Uint8Array {
  const mtime = new Date(touchedAt);
  return zipSync({
    ...Object.fromEntries(files.map((f) => [f.name, text(f.text, mtime)])),
    ...besideEntries(beside, mtime),
  });
}

/** A row of the shelf that is no job of this version, as it stands in the store. */
export interface Unread {
  readonly title: string;
  readonly document: unknown;
}

/**
 * A backup of the whole shelf: every job, the drawer, all pictures and recordings, and whatever stands there that this version cannot
 * read, as it is.
 * Opened again like any zip. @param now ISO time.
 */
export function packShelf(
  jobs: readonly Job[],
  drawer: Drawer,
  beside: KeptBeside,
  now: string,
  unread: readonly Unread[] = [],
): Uint8Array {
  const mtime = new Date(now);
  return zipSync({
    ...Object.fromEntries(
      jobs.map((j, i) => [
        `${JOBS}${String(i + 1).padStart(4, '0')}-${slug(j.title)}.job.json`,
        text(jobText(j), new Date(j.touchedAt)),
      ]),
    ),
    ...Object.fromEntries(
      unread.map((u, i) => [
        `${UNREAD}${String(i + 1).padStart(4, '0')}-${slug(u.title)}.job.json`,
        text(JSON.stringify(u.document) ?? 'null', mtime),
      ]),
    ),
    [DRAWER]: text(drawerText(drawer), mtime),
    ...besideEntries(beside, mtime),
  });
}

/** What a zip held: each job file with whether it can be read, the drawer of a backup, and what its jobs name beside themselves. */
export interface Unpacked extends KeptBeside {
  readonly jobs: readonly { readonly name: string; readonly loaded: Loaded }[];
  readonly drawer: DrawerLoaded | null;
  /** What was left where it is, in sentences: jobs beyond the most that are opened at once, pictures and recordings that are too large. */
  readonly left: readonly string[];
}

interface Entry {
  readonly name: string;
  readonly originalSize: number;
}

/**
 * Unpacks what is asked for, each name once, after its stated sizes were added up. Throws Error in words where the zip is damaged or
 * would grow beyond its budget.
 */
function entriesOf(zip: Uint8Array, wanted: (f: Entry) => boolean): Record<string, Uint8Array> {
  const names = new Set<string>();
  let total = 0;
  const listed = (f: Entry): boolean => {
    if (wanted(f)) {
      names.add(f.name);
      total += f.originalSize;
    }
    return false;
  };
  const damaged = (): Error => new Error('The zip is damaged or cut off.');
  try {
    unzipSync(zip, { filter: listed });
  } catch {
    throw damaged();
  }
  if (total > BUDGET) throw new Error(`The zip would unpack to more than ${BUDGET / 1e6} MB.`);
  try {
    return unzipSync(zip, { filter: (f) => names.delete(f.name) });
  } catch {
    throw damaged();
  }
}

/** The jobs, the drawer and the pictures of a zip that Pack or the shelf wrote. Throws Error in words where it is no such zip. */
export function unpackZip(zip: Uint8Array): Unpacked {
  const large = new Map<string, number>();
  const names = new Set<string>();
  const texts = entriesOf(zip, (f) => {
    if (f.name === DRAWER) return f.originalSize <= DRAWER_LIMIT;
    if (!f.name.endsWith('.job.json')) return false;
    names.add(f.name);
    if (f.originalSize > MOST_BYTES) large.set(f.name, f.originalSize);
    return f.originalSize <= MOST_BYTES && names.size <= MOST_JOBS;
  });
  const jobs = Object.entries(texts)
    .filter(([name]) => name.endsWith('.job.json'))
    .map(([name, bytes]): Unpacked['jobs'][number] => ({ name, loaded: loadJob(strFromU8(bytes)) }))
    .concat([...large].map(([name, size]) => ({ name, loaded: tooLarge(size) })));
  const drawer = Object.hasOwn(texts, DRAWER) ? readDrawer(strFromU8(present(texts[DRAWER]))) : null;
  if (jobs.length === 0 && !drawer) throw new Error('There is no job file in this zip.');
  const opened = jobs.flatMap(({ loaded }) => (loaded.ok ? [loaded.job] : []));
  const photos = besideIn(
    zip,
    PICTURES,
    PICTURE_LIMIT,
    new Set(opened.flatMap((j) => j.survey.photos.map((p) => p.id))),
  );
  const pictures = photos.kept.filter(({ bytes }) => bytes[0] === 0xff && bytes[1] === 0xd8);
  const traces = besideIn(
    zip,
    RECORDINGS,
    RECORDING_LIMIT,
    new Set(opened.flatMap((j) => j.recordings.map((r) => r.id))),
  );
  const left = [
    ...(names.size > MOST_JOBS
      ? [`${names.size - MOST_JOBS} of its ${names.size} jobs were left in the zip: ${MOST_JOBS} are opened at once.`]
      : []),
    ...(photos.large > 0
      ? [`${photos.large} photographs of over ${PICTURE_LIMIT / 1e6} MB were left in the zip.`]
      : []),
    ...(traces.large > 0
      ? [`${traces.large} recordings of over ${RECORDING_LIMIT / 1e6} MB were left in the zip.`]
      : []),
  ];
  return { jobs, drawer, pictures, recordings: traces.kept, left };
}

/** What lies in one folder of a zip under the ids that are asked for, and how many of them are too large. */
function besideIn(
  zip: Uint8Array,
  folder: string,
  limit: number,
  ids: ReadonlySet<string>,
): { readonly kept: Beside[]; readonly large: number } {
  const idOf = (name: string): string => name.slice(folder.length).replace(/\.\w+$/, '');
  let large = 0;
  const parts = entriesOf(zip, (f) => {
    if (!f.name.startsWith(folder) || !ids.has(idOf(f.name))) return false;
    if (f.originalSize > limit) large++;
    return f.originalSize <= limit;
  });
  return { kept: Object.entries(parts).map(([name, bytes]) => ({ id: idOf(name), bytes })), large };
}
