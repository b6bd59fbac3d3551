import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { DomSanitizer } from '@angular/platform-browser';
import { Icon } from '../../kit/icon';
import { Action } from '../../kit/action';
import type { Job } from '../../../core/ground/job';
import { slug } from '../../../core/ground/quantity';
import type { PackFile } from '../../../core/rooms/pack';
import { Assessor } from '../../store/assessor';
import { Bench } from '../../store/bench';
import { Files } from '../../store/files';
import { Photos } from '../../store/photos';
import { Recordings } from '../../store/recordings';
import { Studies } from '../../store/studies';
import { FindingList } from '../../ui/finding-list';
import { saveFile } from '../../ui/save-file';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { PackNav } from './pack-nav';

/** What will leave, previewed, with one button each and one for all. */
@Component({
  selector: 'gt-files-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, FindingList, Icon, MatButton, PackNav, Settle, TwoColumns],
  templateUrl: './files-part.html',
})
export class FilesPart {
  private readonly sanitizer = inject(DomSanitizer);
  private readonly photos = inject(Photos);
  private readonly recordings = inject(Recordings);
  private readonly packer = inject(Files);
  /** Why the zip could not be made; empty where it was. */
  protected readonly problem = signal('');
  protected readonly bench = inject(Bench);
  protected readonly chosen = signal('wiring.svg');
  private readonly assessor = inject(Assessor);
  private readonly studies = inject(Studies);
  private readonly made = signal<{ readonly job: Job; readonly files: readonly PackFile[] } | null>(null);
  /** The files of the job as it was worked out last; those before it stand while they are made. */
  protected readonly files = computed(() => this.made()?.files ?? []);
  protected readonly making = computed(() => this.made()?.job !== this.bench.seen().job && this.problem() === '');

  protected readonly findings = computed(() => this.bench.findings('pack'));
  protected readonly shown = computed(() => this.files().find((f) => f.name === this.chosen()) ?? this.files()[0]);
  /** The SVG is shown as an image, in which nothing can run. */
  protected readonly image = computed(() => {
    const f = this.shown();
    return f?.type === 'image/svg+xml'
      ? this.sanitizer.bypassSecurityTrustUrl(`data:image/svg+xml;charset=utf-8,${encodeURIComponent(f.text)}`)
      : null;
  });
  /** What a sheet for people says, for Angular to make inert; its pictures lie in the zip, and are not beside the page. */
  protected readonly sheet = computed(() => {
    const f = this.shown();
    if (f?.type !== 'text/html') return null;
    return (/<body>([\s\S]*)<\/body>/.exec(f.text)?.[1] ?? '').replace(/<figure>[\s\S]*?<\/figure>/g, '');
  });
  protected readonly size = (f: PackFile): string => `${(new Blob([f.text]).size / 1000).toFixed(1)} kB`;

  constructor() {
    effect(() => {
      const { job } = this.bench.seen();
      untracked(() => void this.make(job));
    });
  }

  private async make(job: Job): Promise<void> {
    try {
      const files = await this.assessor.files(job, this.studies.verdicts(job.id));
      if (this.bench.seen().job !== job) return;
      this.made.set({ job, files });
      this.problem.set('');
    } catch (error) {
      this.problem.set(`The files could not be made: ${error instanceof Error ? error.message : 'no reason given'}`);
    }
  }

  protected save(f: PackFile): void {
    saveFile(f.name, f.text, f.type);
  }

  protected async saveAll(): Promise<void> {
    const { job } = this.bench.seen();
    const files = this.files();
    const beside = {
      pictures: await this.photos.all(job.survey.photos),
      recordings: await this.recordings.all(job.recordings),
    };
    try {
      const zip = await this.packer.do({ do: 'pack-job', files, touchedAt: job.touchedAt, beside });
      saveFile(`${slug(job.title)}.zip`, zip, 'application/zip');
      this.problem.set('');
    } catch (error) {
      this.problem.set(`The zip could not be made: ${error instanceof Error ? error.message : 'no reason given'}`);
    }
  }
}
