import { computed, inject, Injectable, linkedSignal } from '@angular/core';
import { feedRows, supplyRun } from '../../../core/rooms/feed';
import { Bench } from '../../store/bench';

/** What the job's supplies come to, for every view of Feed: of the very job that the findings are of. */
@Injectable({ providedIn: 'root' })
export class FeedRehearsal {
  private readonly bench = inject(Bench);
  /** The part that is open, found again after a visit to another room; each job begins with none. */
  readonly picked = linkedSignal({ source: this.bench.id, computation: () => '' });
  readonly job = computed(() => this.bench.seen().job);
  readonly rehearsal = computed(() => supplyRun(this.job(), this.bench.assessment().facts));
  readonly rows = computed(() => feedRows(this.job(), this.rehearsal(), this.bench.findings('feed')));
}
