import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Remedy } from '../../core/ground/finding';
import { Action } from '../kit/action';
import { Bench } from '../store/bench';

/**
 * What a remedy offers to press: its own answer, and others where which is right is for the maker to say. Answers are edits as plain data,
 * made by the core.
 */
@Component({
  selector: 'gt-remedy-answers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton],
  template: `
    @for (a of answers(); track a.label) {
      &ngsp;<button type="button" matButton gtAction="mend" [disabled]="bench.working()" (click)="apply(a.edit)">
        {{ a.label }}
      </button>
    }
  `,
})
export class RemedyAnswers {
  protected readonly bench = inject(Bench);
  readonly remedy = input.required<Remedy>();
  protected readonly answers = computed(() => {
    const { label, edit, others = [] } = this.remedy();
    return [...(label === undefined ? [] : [{ label, edit }]), ...others];
  });

  protected apply(edit: Remedy['edit']): void {
    if (edit) this.bench.mend(edit);
  }
}
