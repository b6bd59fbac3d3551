import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { QuantityField } from '../../kit/quantity-field';
import { Action } from '../../kit/action';
import { drawState } from '../../../core/house/draw';
import { BOX_WIRINGS, MOTOR_WIRINGS, type MotorPlan, motorFields } from '../../../core/ground/job';
import { truthTable, reversingWiring, WIRING_WORDS } from '../../../core/engines/reversing';
import { Draft } from './draft';
import { JointDrawing } from '../../ui/joint-drawing';

const MOTION = {
  forward: 'forward',
  backward: 'backward',
  braked: 'stands, braked',
  off: 'stands',
  both: 'up and down at once',
  short: 'supply shorted',
} as const;

/** A motor that runs both ways: its wiring, what it draws, and every state of the coils against what the motor does. */
@Component({
  selector: 'gt-motor-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, CheckField, ChoiceField, JointDrawing, MatButton, QuantityField],
  templateUrl: './motor-plan.html',
  styles:
    '.truth { display: flex; flex-direction: column; gap: 14px; } .truth table { ' +
    'max-width: 420px; } .hit { background: var(--gt-patina-soft); }',
})
export class MotorPlanPanel {
  protected readonly fields = motorFields;
  private readonly draft = inject(Draft);
  readonly kind = input.required<'reverse-motor' | 'control-box'>();
  protected readonly words = MOTION;
  protected readonly wirings = MOTOR_WIRINGS.map((w): Choice<MotorPlan['wiring']> => [w, WIRING_WORDS[w].name]);
  protected readonly boxes = BOX_WIRINGS.map((w): Choice<MotorPlan['boxWiring']> => [w, WIRING_WORDS[w].name]);
  protected readonly capacitor: readonly Choice<MotorPlan['runCapacitor']>[] = [
    ['unknown', 'not known'],
    ['yes', 'yes, as most tubular motors'],
    ['no', 'no'],
  ];
  protected readonly at = signal(0);
  protected readonly plan = computed(() => this.draft.press()!.motor);
  protected readonly wiring = computed(() => reversingWiring(this.plan(), this.kind()));
  protected readonly about = computed(
    () => WIRING_WORDS[this.kind() === 'control-box' ? this.plan().boxWiring : this.plan().wiring],
  );
  protected readonly table = computed(() => truthTable(this.wiring()));
  protected readonly state = computed(() =>
    drawState(this.draft.press()!, this.kind(), this.table()[this.at()]?.on ?? {}),
  );

  protected write(set: Partial<MotorPlan>): void {
    this.draft.set('press.motor', set);
  }
}
