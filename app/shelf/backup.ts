import { inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { DrawerStore } from '../store/drawer';
import { selectJobs } from '../store/jobs.selectors';
import { Photos } from '../store/photos';
import { saveFile } from '../ui/save-file';

/** A backup of the whole shelf as one file: jobs, pictures, drawer. Any shelf opens it again and loses nothing of its own. */
@Injectable({ providedIn: 'root' })
export class Backup {
  private readonly jobs = inject(Store).selectSignal(selectJobs);
  private readonly drawer = inject(DrawerStore);
  private readonly photos = inject(Photos);

  async save(): Promise<void> {
    const jobs = Object.values(this.jobs().byId).map((o) => o.job);
    await this.drawer.load();
    const pictures = await this.photos.all(jobs.flatMap((j) => j.survey.photos));
    const now = new Date().toISOString();
    const { packShelf } = await import('../../core/pack/zip');
    saveFile(
      `gentle-thumb-${now.slice(0, 10)}.backup.zip`,
      packShelf(jobs, this.drawer.drawer(), pictures, now),
      'application/zip',
    );
  }
}
