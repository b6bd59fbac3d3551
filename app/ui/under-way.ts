import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { WorkKind } from '../../core/house/long-work';
import { formatQuantity } from '../../core/ground/quantity';
import { Action } from '../kit/action';
import { Bench } from '../store/bench';
import { LongWork } from '../store/long-work';

/** A piece of long work of the open job: how far it is, about how long it goes on, and a stop. Nothing while none is under way. */
@Component({
  selector: 'gt-under-way',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton, MatProgressBar],
  template: `
    @if (share() !== null) {
      <span role="status">{{ words() }}, {{ percent() }} %{{ rest() }}</span>
      <mat-progress-bar mode="determinate" [value]="percent()" [attr.aria-label]="words()" />
      <button type="button" matButton gtAction="key" (click)="stop()">stop</button>
    }
  `,
  styles: ':host { display: contents; }',
})
export class UnderWay {
  private readonly bench = inject(Bench);
  private readonly work = inject(LongWork);
  readonly kind = input.required<WorkKind>();
  /** What of the job it is about, where it may be of several things. */
  readonly of = input('');
  /** What is done, as “searching”. */
  readonly words = input.required<string>();
  protected readonly share = computed(() => this.work.share(this.bench.id(), this.kind(), this.of()));
  protected readonly percent = computed(() => Math.floor(100 * (this.share() ?? 0)));
  protected readonly rest = computed(() => {
    const left = this.work.remaining(this.bench.id(), this.kind(), this.of());
    return left === null ? '' : `, about ${formatQuantity(Math.max(1, Number(left.toPrecision(1))), 's')} more`;
  });

  protected stop(): void {
    this.work.stop(this.bench.id(), this.kind(), this.of());
  }
}
