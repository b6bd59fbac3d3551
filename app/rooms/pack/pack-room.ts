import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { DomSanitizer } from '@angular/platform-browser';
import { filesOf } from '../../../core/deliver';
import { packZip, slug, type PackFile, type Picture } from '../../../core/pack';
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
  imports: [FindingList, MatButton, Settle, TwoColumns],
  template: `
    <gt-two-columns>
      <div do>
        <div class="head-row">
          <h2>What leaves</h2>
          <button mat-flat-button type="button" (click)="saveAll()">Save all as one zip</button>
        </div>
        <ul class="files">
          @for (f of files(); track f.name) {
            <li>
              <button type="button" class="link" [attr.aria-pressed]="shown().name === f.name" (click)="chosen.set(f.name)">{{ f.name }}</button>
              <span class="muted grow">{{ f.what }}</span>
              <span class="mono">{{ size(f) }}</span>
              <button type="button" class="key" [attr.aria-label]="'Save ' + f.name" (click)="save(f)">save</button>
            </li>
          }
        </ul>
        @if (shown(); as f) {
          <h3>{{ f.name }}</h3>
          @if (image()) {
            <img class="preview-image" [src]="image()" alt="The wiring sheet as it will be saved" />
          } @else {
            <pre class="preview" tabindex="0">{{ f.text.length > 20000 ? f.text.slice(0, 20000) + ' …' : f.text }}</pre>
          }
        }
      </div>
      <div know>
        <h3>Is it whole?</h3>
        <gt-finding-list [findings]="findings()" />
        <p class="muted">Every file is plain and open: JSON, SVG, CSV, C99, SPICE, Markdown. The job file comes back losslessly, and the zip with its photographs as well: open either on any shelf.</p>
        <gt-settle [findings]="findings()" />
      </div>
    </gt-two-columns>
  `,
})
export class PackRoom {
  private readonly sanitizer = inject(DomSanitizer);
  private readonly photos = inject(Photos);
  protected readonly bench = inject(Bench);
  protected readonly chosen = signal('wiring.svg');
  protected readonly files = computed(() => filesOf(this.bench.job(), this.bench.assessment()));
  protected readonly findings = computed(() => this.bench.findings('pack'));
  protected readonly shown = computed(() => this.files().find((f) => f.name === this.chosen()) ?? this.files()[0]);
  /** The SVG is shown as an image, in which nothing can run. */
  protected readonly image = computed(() => {
    const f = this.shown();
    return f?.type === 'image/svg+xml' ? this.sanitizer.bypassSecurityTrustUrl(`data:image/svg+xml;charset=utf-8,${encodeURIComponent(f.text)}`) : null;
  });
  protected readonly size = (f: PackFile): string => `${(new Blob([f.text]).size / 1000).toFixed(1)} kB`;

  protected save(f: PackFile): void {
    saveFile(f.name, f.text, f.type);
  }

  protected async saveAll(): Promise<void> {
    const job = this.bench.job();
    const files = this.files();
    const pictures: Picture[] = [];
    for (const { id } of job.survey.photos) {
      const bytes = await this.photos.bytes(id);
      if (bytes) pictures.push({ id, bytes });
    }
    saveFile(`${slug(job.title)}.zip`, packZip(files, job.touchedAt, pictures), 'application/zip');
  }
}
