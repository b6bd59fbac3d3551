import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Action } from '../../kit/action';
import { CheckField } from '../../kit/check-field';
import { FieldScope } from '../../kit/half-typed';
import { TextField } from '../../kit/text-field';
import { freshOf } from '../../../core/ground/field';
import { freeIn, lossFields, type JobEdit, type Loss } from '../../../core/ground/job';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { TakeAway } from '../../ui/take-away';

/** What no longer works once the machine is taken over, asked before the first cut. */
@Component({
  selector: 'gt-losses-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, CheckField, DropButton, FieldScope, MatButton, TextField],
  template: `
    <h3>What no longer works once it is taken over</h3>
    @for (l of losses(); track l.id) {
      <div class="fields" [gtScope]="l.id" [attr.data-loss]="l.id">
        <gt-text
          [field]="fields.what"
          label="What no longer works"
          [value]="l.what"
          (changed)="put({ ...l, what: $event })"
        />
        <gt-text
          [field]="fields.instead"
          label="In its place"
          [value]="l.instead"
          (changed)="put({ ...l, instead: $event })"
        />
        <gt-check [value]="l.safety" (changed)="put({ ...l, safety: $event })">keeps from harm</gt-check>
        <gt-drop [of]="l.what" (dropped)="drop(l)" />
      </div>
    }
    <div class="answers">
      <button matButton gtAction="key" type="button" (click)="add()">something more that is lost</button>
      <gt-check
        [value]="bench.job().guard.lossesReviewed && !losses().length"
        [disabled]="losses().length > 0"
        (changed)="
          bench.set('guard', { lossesReviewed: $event }, $event ? 'nothing is lost' : 'to be looked through again')
        "
        >nothing is lost</gt-check
      >
    </div>
  `,
  styles: ':host { display: flex; flex-direction: column; gap: 14px; }',
})
export class LossesPart {
  protected readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly fields = lossFields;
  protected readonly losses = computed(() => this.bench.job().guard.losses);

  /** One more loss; whoever lists one has looked. */
  protected add(): void {
    const item: Loss = { ...freshOf(lossFields), id: freeIn(this.losses(), 'loss') };
    const edits: JobEdit[] = [
      { do: 'put', list: 'guard.losses', item },
      { do: 'set', at: 'guard', set: { lossesReviewed: true } },
    ];
    this.bench.edit({ do: 'several', edits, say: 'something that no longer works' });
  }

  protected put(loss: Loss): void {
    this.bench.put('guard.losses', loss);
  }

  protected drop(loss: Loss): void {
    this.taker.drop(loss.what, 'guard.losses', loss.id);
  }
}
