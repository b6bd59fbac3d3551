import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { freshOf, type AnyFields } from '../../../core/ground/field';
import { freeIn, ownHazardFields, type OwnHazard } from '../../../core/ground/job';
import { Action } from '../../kit/action';
import { GroupFields } from '../../kit/group-fields';
import { FieldScope } from '../../kit/half-typed';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { TakeAway } from '../../ui/take-away';

/** What else can hurt, as somebody at the machine sees it; each becomes a gate of its own. */
@Component({
  selector: 'gt-own-hazards-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, DropButton, FieldScope, GroupFields, MatButton],
  template: `
    <h3>What else can hurt here</h3>
    @for (h of own(); track h.id) {
      <div [gtScope]="h.id" [attr.data-own-hazard]="h.id">
        <gt-group [fields]="fields" [keys]="keys" [value]="h" (changed)="put(h, $event)" />
        <div class="answers"><gt-drop [of]="h.what" (dropped)="drop(h)" /></div>
      </div>
    }
    <div class="answers">
      <button matButton gtAction="key" type="button" (click)="add()">something else that can hurt</button>
    </div>
  `,
  styles: ':host { display: flex; flex-direction: column; gap: 14px; }',
})
export class OwnHazardsPart {
  private readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly fields = ownHazardFields as unknown as AnyFields;
  protected readonly keys: readonly (keyof OwnHazard & string)[] = ['what', 'harm', 'prevents'];
  protected readonly own = computed(() => this.bench.job().guard.own);

  protected add(): void {
    this.bench.put('guard.own', { ...freshOf(ownHazardFields), id: freeIn(this.own(), 'own') });
  }

  protected put(h: OwnHazard, set: Partial<OwnHazard>): void {
    this.bench.put('guard.own', { ...h, ...set });
  }

  protected drop(h: OwnHazard): void {
    this.taker.drop(h.what, 'guard.own', h.id);
  }
}
