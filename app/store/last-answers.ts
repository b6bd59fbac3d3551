import { effect, inject, Injectable, untracked } from '@angular/core';
import { Assessor } from './assessor';
import { Bench } from './bench';
import { Database } from './database';
import { program } from './program';

/** An answer is written once no newer one came for so long, ms: it is large, and the next edit makes it old. */
const QUIET_MS = 2_000;

/**
 * The last answer of each job, kept in this browser: a job opens with it at once, and it stands, marked, until it is worked out anew. What
 * another build of the program worked out is not shown.
 */
@Injectable({ providedIn: 'root' })
export class LastAnswers {
  private readonly assessor = inject(Assessor);
  private readonly bench = inject(Bench);
  private readonly database = inject(Database);

  constructor() {
    effect(() => {
      const id = this.bench.id();
      if (id !== '') untracked(() => this.recall(id));
    });
    effect((done) => {
      const assessed = this.assessor.results()[this.bench.id()];
      if (!assessed || assessed.recalled) return;
      const row = { id: assessed.job.id, program: program(), assessed };
      // Worth keeping, and no loss where it cannot be.
      const timer = setTimeout(() => this.database.putAnswer(row).catch(() => undefined), QUIET_MS);
      done(() => clearTimeout(timer));
    });
  }

  private recall(id: string): void {
    if (this.assessor.results()[id]) return;
    this.database.answer(id).then(
      (row) => {
        if (row?.program !== program()) return;
        this.assessor.recall(id, row.assessed);
      },
      () => undefined,
    );
  }
}
