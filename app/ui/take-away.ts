import { effect, inject, Injectable, untracked } from '@angular/core';
import type { Job, JobEdit, ListName } from '../../core/ground/job';
import { UndoBar } from '../kit/undo-bar';
import { Bench } from '../store/bench';

/** Takes something out of the job and says so with an undo beside it; the offer goes with the next edit, since undo is of the last. */
@Injectable({ providedIn: 'root' })
export class TakeAway {
  private readonly bench = inject(Bench);
  private readonly bar = inject(UndoBar);
  private after: Job | null = null;

  constructor() {
    effect(() => {
      const now = this.bench.open()?.job;
      untracked(() => {
        if (!this.after || now === this.after) return;
        this.after = null;
        this.bar.withdraw();
      });
    });
  }

  edit(what: string, edit: JobEdit): void {
    const before = this.bench.job();
    this.bench.edit(edit);
    // An edit that was refused took nothing away.
    if (this.bench.job() === before) return;
    this.after = this.bench.job();
    this.bar.say(`${what} taken away`, () => {
      this.after = null;
      this.bench.undo();
    });
  }

  drop(what: string, list: ListName, key: string, say?: string): void {
    this.edit(what, { do: 'drop', list, key, ...(say === undefined ? {} : { say }) });
  }
}
