import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatError, MatFormField, MatHint, MatLabel } from '@angular/material/form-field';
import { MatOption, MatSelect } from '@angular/material/select';
import { MatInput } from '@angular/material/input';
import { MatCheckbox } from '@angular/material/checkbox';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { freshJob, type MachinePlan } from '../../core/job';
import { MACHINE_KIND_WORDS } from '../../core/act';
import { JobsActions } from '../store/jobs.actions';
import { Brand } from '../ui/brand';

const answer = () => new FormControl('', { nonNullable: true, validators: [Validators.maxLength(2000)] });

/** A job begins with four questions; only the first must be answered now. */
@Component({
  selector: 'gt-new-job',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Brand,
    MatButton,
    MatCheckbox,
    MatError,
    MatFormField,
    MatHint,
    MatInput,
    MatLabel,
    MatOption,
    MatSelect,
    ReactiveFormsModule,
    RouterLink,
  ],
  templateUrl: './new-job.html',
})
export class NewJob {
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  protected readonly kinds = MACHINE_KIND_WORDS;
  protected readonly form = new FormGroup({
    title: new FormControl('', {
      nonNullable: true,
      validators: [Validators.required, Validators.pattern(/\S/), Validators.maxLength(200)],
    }),
    outcome: answer(),
    when: answer(),
    never: answer(),
    kind: new FormControl<MachinePlan['kind']>('unknown', { nonNullable: true }),
    standin: new FormControl(false, { nonNullable: true }),
  });

  protected begin(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const { standin, kind, ...wish } = this.form.getRawValue();
    const timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    const job = freshJob({ ...wish, ...(timeZone ? { timeZone } : {}) }, crypto.randomUUID(), new Date().toISOString());
    job.act.machine.kind = kind;
    if (standin) job.standin = { model: 'rice-pot', seed: 1 };
    this.store.dispatch(JobsActions.added({ jobs: [job] }));
    void this.router.navigate(['/job', job.id, 'wish']);
  }
}
