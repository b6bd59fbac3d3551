import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { DomSanitizer } from '@angular/platform-browser';
import { Icon } from '../../kit/icon';
import { Action } from '../../kit/action';
import { filesOf } from '../../../core/deliver';
import { slug, type PackFile } from '../../../core/pack';
import { packZip } from '../../../core/pack/zip';
import { Bench } from '../../store/bench';
import { Photos } from '../../store/photos';
import { FindingList } from '../../ui/finding-list';
import { saveFile } from '../../ui/save-file';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';

/** Pack: what will leave, previewed, with one button each and one for all. */
@Component({
  selector: 'gt-pack-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, FindingList, Icon, MatButton, Settle, TwoColumns],
  templateUrl: './pack-room.html',
})
export class PackRoom {
  private readonly sanitizer = inject(DomSanitizer);
  private readonly photos = inject(Photos);
  protected readonly bench = inject(Bench);
  protected readonly chosen = signal('wiring.svg');
  protected readonly files = computed(() => filesOf(this.bench.seen().job, this.bench.assessment()));
  protected readonly findings = computed(() => this.bench.findings('pack'));
  protected readonly shown = computed(() => this.files().find((f) => f.name === this.chosen()) ?? this.files()[0]);
  /** The SVG is shown as an image, in which nothing can run. */
  protected readonly image = computed(() => {
    const f = this.shown();
    return f?.type === 'image/svg+xml'
      ? this.sanitizer.bypassSecurityTrustUrl(`data:image/svg+xml;charset=utf-8,${encodeURIComponent(f.text)}`)
      : null;
  });
  protected readonly size = (f: PackFile): string => `${(new Blob([f.text]).size / 1000).toFixed(1)} kB`;

  protected save(f: PackFile): void {
    saveFile(f.name, f.text, f.type);
  }

  protected async saveAll(): Promise<void> {
    const { job } = this.bench.seen();
    const files = this.files();
    const pictures = await this.photos.all(job.survey.photos);
    saveFile(`${slug(job.title)}.zip`, packZip(files, job.touchedAt, pictures), 'application/zip');
  }
}
