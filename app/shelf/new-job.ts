import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FormControl, FormGroup } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { CheckField } from '../kit/check-field';
import { ChoiceField } from '../kit/choice-field';
import { TextField } from '../kit/text-field';
import { Action } from '../kit/action';
import { text } from '../../core/ground/field';
import { freshJob, freshPart, type MachinePart } from '../../core/ground/job';
import { MACHINE_KIND_WORDS } from '../../core/rooms/act';
import { fieldValidator } from '../kit/validator';
import { JobsActions } from '../store/jobs.actions';
import { Brand } from '../ui/brand';

const answer = () => new FormControl('', { nonNullable: true, validators: fieldValidator(text('an answer')) });
const title = text('title', { least: 1, most: 200, empty: 'Give it a name; it can be changed later.' });

/** A job begins with four questions; only the first must be answered now. */
@Component({
  selector: 'gt-new-job',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, Brand, CheckField, ChoiceField, MatButton, RouterLink, TextField],
  templateUrl: './new-job.html',
})
export class NewJob {
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  protected readonly kinds = MACHINE_KIND_WORDS;
  protected readonly titleField = title;
  protected readonly form = new FormGroup({
    title: new FormControl('', { nonNullable: true, validators: fieldValidator(title) }),
    outcome: answer(),
    when: answer(),
    never: answer(),
    kind: new FormControl<MachinePart['kind']>('unknown', { nonNullable: true }),
    standin: new FormControl(false, { nonNullable: true }),
  });

  protected begin(): void {
    this.form.markAllAsDirty();
    if (this.form.invalid) return;
    const { standin, kind, ...wish } = this.form.getRawValue();
    const timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    const job = freshJob({ ...wish, ...(timeZone ? { timeZone } : {}) }, crypto.randomUUID(), new Date().toISOString());
    if (kind !== 'unknown') job.act.parts = [{ ...freshPart('machine', 'machine'), kind }];
    if (standin) job.standin = { model: 'rice-pot', seed: 1 };
    this.store.dispatch(JobsActions.added({ jobs: [job] }));
    void this.router.navigate(['/job', job.id, 'wish']);
  }
}
