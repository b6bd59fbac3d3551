import { booleanAttribute, ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { QuantityField } from '../../kit/quantity-field';
import { remoteFields, type RemotePlan, type SupplyPlan } from '../../../core/ground/job';
import { Draft } from './draft';

/** The supply switched: what was tried, and what a dead controller leaves behind. */
@Component({
  selector: 'gt-supply-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField],
  template: `
    <section>
      <h3>A power cut, tried</h3>
      <p>
        Let the machine run. Pull its plug, wait ten seconds, plug it in again. Do that three times. Nothing is opened.
      </p>
      <div class="fields">
        <gt-choice
          label="Afterwards it"
          [value]="plan().resumes"
          [choices]="ran"
          (changed)="write({ resumes: $event })"
        />
        @if (!bought()) {
          <gt-choice
            label="With a dead controller the machine shall be"
            [value]="plan().atRest"
            [choices]="rests"
            (changed)="write({ atRest: $event })"
          />
        }
      </div>
    </section>
  `,
})
export class SupplyPlanPanel {
  protected readonly ran: readonly Choice<SupplyPlan['resumes']>[] = [
    ['untested', 'was not tried yet'],
    ['yes', 'ran on, each time'],
    ['no', 'waited for somebody'],
  ];
  protected readonly rests: readonly Choice<SupplyPlan['atRest']>[] = [
    ['open', 'off: contact open at rest'],
    ['closed', 'fed: contact closed at rest'],
  ];
  /** The contact is that of a bought switch, which is open at rest. */
  readonly bought = input(false, { transform: booleanAttribute });
  private readonly draft = inject(Draft);
  protected readonly plan = computed(() => this.draft.press()!.supply);

  protected write(set: Partial<ReturnType<typeof this.plan>>): void {
    this.draft.set('press.supply', set);
  }
}

/** A spare remote: whether there is one, its battery, and the pull-up behind its buttons. */
@Component({
  selector: 'gt-remote-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, QuantityField],
  template: `
    <section>
      <h3>The remote</h3>
      <div class="fields">
        <gt-choice label="A spare one" [value]="plan().has" [choices]="spares" (changed)="write({ has: $event })" />
        <gt-quantity
          [field]="fields.batteryVolts"
          [value]="plan().batteryVolts"
          (changed)="write({ batteryVolts: $event })"
        />
        <gt-quantity [field]="fields.pullOhms" [value]="plan().pullOhms" (changed)="write({ pullOhms: $event })" />
      </div>
    </section>
  `,
})
export class RemotePlanPanel {
  protected readonly fields = remoteFields;
  protected readonly spares: readonly Choice<RemotePlan['has']>[] = [
    ['unknown', 'not known yet'],
    ['yes', 'is at hand'],
    ['no', 'does not exist'],
  ];
  private readonly draft = inject(Draft);
  protected readonly plan = computed(() => this.draft.press()!.remote);

  protected write(set: Partial<ReturnType<typeof this.plan>>): void {
    this.draft.set('press.remote', set);
  }
}
