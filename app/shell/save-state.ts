import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { jobText } from '../../core/job';
import { slug } from '../../core/pack';
import { Bench } from '../store/bench';
import { saveFile } from '../ui/save-file';

/** Whether the job is kept, and what to do where it is not. */
@Component({
  selector: 'gt-save-state',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<span role="status" class="muted" data-save>{{ words() }}</span>`,
})
export class SaveState {
  private readonly bench = inject(Bench);
  protected readonly words = computed(() => {
    const open = this.bench.open();
    if (!open) return '';
    if (open.save === 'saving') return 'keeping …';
    if (open.save === 'failed') return 'not kept';
    if (open.save === 'changed-elsewhere') return 'changed in another tab';
    return open.savedAt
      ? `kept ${new Date(open.savedAt).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`
      : 'kept';
  });
}

/** The bar across the frame when the browser's store or another tab stands in the way. */
@Component({
  selector: 'gt-save-trouble',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (bench.open(); as o) {
      @if (o.save === 'failed') {
        <p class="trouble" role="alert">
          {{ o.why }} Your work is whole in this tab, but not kept in the browser.
          <button type="button" class="link strong" (click)="save()">Save the job file now</button>
        </p>
      } @else if (o.save === 'changed-elsewhere') {
        <p class="trouble" role="alert">
          Another tab has changed this job. Nothing of either is lost.
          <button type="button" class="link strong" (click)="bench.takeTheirs()">Take theirs</button>
          <button type="button" class="link strong" (click)="bench.keepAsCopy()">Keep mine as a copy</button>
        </p>
      }
    }
  `,
})
export class SaveTrouble {
  protected readonly bench = inject(Bench);

  protected save(): void {
    const job = this.bench.job();
    saveFile(`${slug(job.title)}.job.json`, jobText(job), 'application/json');
  }
}
