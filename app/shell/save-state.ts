import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { Action } from '../kit/action';
import { jobText, sayTime } from '../../core/ground/job';
import { slug } from '../../core/ground/quantity';
import { Bench } from '../store/bench';
import { Database } from '../store/database';
import { saveFile } from '../ui/save-file';

/** A write that takes longer than this is said, ms. */
const SLOW_MS = 5000;

/** Whether the job is kept, and what to do where it is not. */
@Component({
  selector: 'gt-save-state',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<span role="status" class="muted" data-save>{{ words() }}</span>`,
})
export class SaveState {
  private readonly bench = inject(Bench);
  private readonly slow = signal(false);
  private readonly saving = computed(() => this.bench.open()?.save === 'saving');
  protected readonly words = computed(() => {
    const open = this.bench.open();
    if (!open) return '';
    if (open.save === 'saving') return this.slow() ? 'still keeping: the browser’s store is slow' : 'keeping …';
    if (open.save === 'failed') return 'not kept';
    if (open.save === 'changed-elsewhere') return 'changed in another tab';
    return open.savedAt ? `kept ${sayTime(open.savedAt, open.job.region.timeZone, 'time')}` : 'kept';
  });

  constructor() {
    effect((done) => {
      this.slow.set(false);
      if (!this.saving()) return;
      const timer = setTimeout(() => this.slow.set(true), SLOW_MS);
      done(() => clearTimeout(timer));
    });
  }
}

/** The bar across the frame when the browser's store or another tab stands in the way. */
@Component({
  selector: 'gt-save-trouble',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton],
  template: `
    @if (lost() && bench.open()?.save !== 'failed') {
      <p class="trouble" role="alert">
        {{ lost() }}{{ bench.open()?.save === 'kept' ? ' Load the page anew where that does not pass.' : '' }}
        <button type="button" matButton gtAction="mend" (click)="save()">Save the job file now</button>
      </p>
    }
    @if (bench.failure(); as why) {
      <p class="trouble" role="alert" data-failure>
        This job could not be worked out as it is now: {{ why }} What is shown below is older, where there is anything.
        Undo the last step, or save the file.
        <button type="button" matButton gtAction="mend" (click)="bench.undo()" [disabled]="!bench.open()!.past.length">
          Undo
        </button>
        <button type="button" matButton gtAction="mend" (click)="save()">Save the job file</button>
        <button type="button" matButton gtAction="mend" (click)="bench.tryAgain()">Try again</button>
      </p>
    }
    @if (bench.open(); as o) {
      @if (o.refused; as r) {
        <p class="trouble" role="alert" data-refused>
          Not taken: {{ r.what }} <span class="muted">({{ r.where }})</span> {{ r.todo }} The job is as it was.
          <button type="button" matButton gtAction="say" (click)="bench.refusalRead()">dismiss</button>
        </p>
      }
      @if (o.save === 'failed') {
        <p class="trouble" role="alert">
          {{ o.why }} Your work is whole in this tab, but not kept in the browser. It tries again by itself.
          <button type="button" matButton gtAction="mend" (click)="save()">Save the job file now</button>
          <button type="button" matButton gtAction="mend" (click)="bench.saveAgain()">Try now</button>
        </p>
      } @else if (o.save === 'changed-elsewhere') {
        <p class="trouble" role="alert">
          Another tab has changed this job. Nothing of either is lost.
          <button type="button" matButton gtAction="mend" (click)="bench.takeTheirs()">Take theirs</button>
          <button type="button" matButton gtAction="mend" (click)="bench.keepAsCopy()">Keep mine as a copy</button>
        </p>
      }
    }
  `,
})
export class SaveTrouble {
  protected readonly bench = inject(Bench);
  protected readonly lost = inject(Database).lost;

  protected save(): void {
    const job = this.bench.job();
    saveFile(`${slug(job.title)}.job.json`, jobText(job), 'application/json');
  }
}
