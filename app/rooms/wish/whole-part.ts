import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Action } from '../../kit/action';
import { CheckField } from '../../kit/check-field';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { TextField } from '../../kit/text-field';
import { freshOf } from '../../../core/ground/field';
import { freeIn, wholeFields, type WholeRun } from '../../../core/ground/job';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { TakeAway } from '../../ui/take-away';

/** What the machine did when it was whole: runs as it was bought, noted before the first screw. */
@Component({
  selector: 'gt-whole-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, CheckField, DropButton, FieldScope, MatButton, QuantityField, TextField],
  template: `
    <h3>As it was bought, before the first screw</h3>
    @for (r of runs(); track r.id) {
      <div class="fields" [gtScope]="r.id" [attr.data-run]="r.id">
        <gt-text [field]="fields.what" label="What was run" [value]="r.what" (changed)="put({ ...r, what: $event })" />
        <gt-quantity [field]="fields.seconds" [value]="r.seconds" (changed)="put({ ...r, seconds: $event })" />
        <gt-quantity [field]="fields.watts" [value]="r.watts" (changed)="put({ ...r, watts: $event })" />
        <gt-text
          [field]="fields.noted"
          label="It sounded and looked"
          [value]="r.noted"
          (changed)="put({ ...r, noted: $event })"
        />
        <gt-drop [of]="r.what" (dropped)="drop(r)" />
      </div>
    }
    <div class="answers">
      <button matButton gtAction="key" type="button" (click)="add()">one more run as it was bought</button>
      <gt-check
        [value]="bench.job().wish.cameBroken"
        [disabled]="runs().length > 0"
        (changed)="bench.set('wish', { cameBroken: $event }, $event ? 'it came broken' : 'it came whole')"
        >it came broken</gt-check
      >
      <span class="muted">Times, draw and sounds tell later whose fault it is.</span>
    </div>
  `,
  styles: ':host { display: flex; flex-direction: column; gap: 14px; }',
})
export class WholePart {
  protected readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly fields = wholeFields;
  protected readonly runs = computed(() => this.bench.job().wish.whole);

  protected add(): void {
    const item = { ...freshOf(wholeFields), id: freeIn(this.runs(), 'run'), at: new Date().toISOString() };
    this.bench.put('wish.whole', item, 'a run as it was bought');
  }

  protected put(run: WholeRun): void {
    this.bench.put('wish.whole', run);
  }

  protected drop(run: WholeRun): void {
    this.taker.drop(run.what, 'wish.whole', run.id);
  }
}
