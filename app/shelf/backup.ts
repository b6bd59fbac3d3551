import { inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { DrawerStore } from '../store/drawer';
import { Files } from '../store/files';
import { selectJobs } from '../store/jobs.selectors';
import { Photos } from '../store/photos';
import { Recordings } from '../store/recordings';
import { saveFile } from '../ui/save-file';

const counted = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

/** A backup of the whole shelf as one file: jobs, pictures, recordings, drawer. Any shelf opens it again and loses nothing of its own. */
@Injectable({ providedIn: 'root' })
export class Backup {
  private readonly jobs = inject(Store).selectSignal(selectJobs);
  private readonly drawer = inject(DrawerStore);
  private readonly photos = inject(Photos);
  private readonly recordings = inject(Recordings);
  private readonly files = inject(Files);

  /** Saves it, and tells in words what is in it and what is not. Rejects with an Error in words where it could not be made. */
  async save(): Promise<string> {
    const { byId, unreadable: unread } = this.jobs();
    const jobs = Object.values(byId).map((o) => o.job);
    await this.drawer.load();
    const photos = jobs.flatMap((j) => j.survey.photos);
    const pictures = await this.photos.all(photos);
    const named = new Map(jobs.flatMap((j) => j.recordings).map((r) => [r.id, r]));
    const recordings = await this.recordings.all([...named.values()]);
    const now = new Date().toISOString();
    const zip = await this.files.do({
      do: 'pack-shelf',
      jobs,
      drawer: this.drawer.drawer(),
      beside: { pictures, recordings },
      unread: unread.map(({ title, document }) => ({ title, document })),
      now,
    });
    saveFile(`gentle-thumb-${now.slice(0, 10)}.backup.zip`, zip, 'application/zip');
    const missing = photos.length - pictures.length;
    const lost = named.size - recordings.length;
    return [
      `The backup holds ${counted(jobs.length, 'job', 'jobs')}, ${counted(pictures.length, 'picture', 'pictures')}, ` +
        `${counted(recordings.length, 'recording', 'recordings')} and the drawer`,
      unread.length > 0
        ? `; and ${counted(unread.length, 'row', 'rows')} that this version cannot read, as they stand in the store`
        : '',
      missing > 0 ? `. ${counted(missing, 'picture', 'pictures')} that jobs name are not in this browser` : '',
      lost > 0 ? `. ${counted(lost, 'recording', 'recordings')} that jobs name are not in this browser` : '',
      '.',
    ].join('');
  }
}
