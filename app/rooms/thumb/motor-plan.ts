import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { drawState } from '../../../core/draw';
import { BOX_WIRINGS, MOTOR_WIRINGS, type MotorPlan } from '../../../core/job';
import { truthTable, wiringOf, WIRING_WORDS } from '../../../core/reversing';
import { Bench } from '../../store/bench';
import { JointDrawing } from '../../ui/joint-drawing';
import { ChoiceField, type Choice } from '../../ui/choice-field';
import { QuantityField } from '../../ui/quantity-field';

const MOTION = { forward: 'forward', backward: 'backward', braked: 'stands, braked', off: 'stands', both: 'up and down at once', short: 'supply shorted' } as const;

/** A motor that runs both ways: its wiring, what it draws, and every state of the coils against what the motor does. */
@Component({
  selector: 'gt-motor-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, JointDrawing, QuantityField],
  template: `
    <section>
      <h3>Contacts and motion</h3>
      <p class="muted">For it: {{ about().for }}. Against it: {{ about().against }}. Pick a line to see its contacts.</p>
      <div class="truth">
        <table>
          <tr>@for (c of wiring().coils; track c) { <th scope="col">{{ c }}</th> }<th scope="col">motor</th></tr>
          @for (r of table(); track $index) {
            <tr [class.hit]="$index === at()">
              @for (c of wiring().coils; track c) { <td>{{ r.on[c] ? 'on' : 'off' }}</td> }
              <td><button type="button" class="link" [class.parted-words]="r.motion === 'both' || r.motion === 'short'" [attr.aria-pressed]="$index === at()" (click)="at.set($index)">{{ words[r.motion] }}</button></td>
            </tr>
          }
        </table>
        <gt-joint-drawing [sheet]="state()" />
      </div>
      <div class="fields">
        @if (kind() === 'reverse-motor') {
          <label class="field"><span>Wiring</span><select #w [value]="plan().wiring" (change)="write({ wiring: $any(w.value) }, w.selectedOptions[0]!.text)">@for (k of wirings; track k) { <option [value]="k" [selected]="k === plan().wiring">{{ names[k].name }}</option> }</select></label>
          <gt-quantity label="Motor supply" unit="V" [value]="plan().supplyVolts" [least]="0.5" (changed)="write({ supplyVolts: $event ?? 12 }, 'motor supply')" />
          <gt-quantity label="Winding, if measured" unit="Ω" [value]="plan().windingOhms" hint="supply over it stalls" (changed)="write({ windingOhms: $event }, 'winding')" />
        } @else {
          <label class="field"><span>Wiring</span><select #b [value]="plan().boxWiring" (change)="write({ boxWiring: $any(b.value) }, b.selectedOptions[0]!.text)">@for (k of boxes; track k) { <option [value]="k" [selected]="k === plan().boxWiring">{{ names[k].name }}</option> }</select></label>
        }
        <gt-quantity label="Running current" unit="A" [value]="plan().runningAmps" hint="from its plate" (changed)="write({ runningAmps: $event }, 'running current')" />
        <gt-quantity label="Stalled current" unit="A" [value]="plan().stallAmps" hint="from its plate" (changed)="write({ stallAmps: $event }, 'stalled current')" />
        @if (kind() === 'control-box') {
          <gt-choice label="Does the motor have a run capacitor?" [value]="plan().runCapacitor" [choices]="capacitor" (picked)="write({ runCapacitor: $any($event) }, 'run capacitor: ' + $event)" />
        }
        <gt-quantity label="Turns on after power is off" unit="s" [value]="plan().coastSeconds" (changed)="write({ coastSeconds: $event ?? 0.5 }, 'coast-down')" />
        <label class="check"><input #s type="checkbox" [checked]="plan().swapped" (change)="write({ swapped: s.checked }, 'up and down exchanged by wiring')" /> exchange its two wires</label>
        <label class="check"><input #m type="checkbox" [checked]="plan().mirrored" (change)="write({ mirrored: m.checked }, 'a second motor that faces the first')" /> a second motor faces the first</label>
      </div>
    </section>
  `,
  styles: '.truth { display: flex; flex-direction: column; gap: 14px; } .truth table { max-width: 420px; } .hit { background: var(--gt-patina-soft); }',
})
export class MotorPlanPanel {
  private readonly bench = inject(Bench);
  readonly kind = input.required<'reverse-motor' | 'control-box'>();
  protected readonly names = WIRING_WORDS;
  protected readonly words = MOTION;
  protected readonly wirings = MOTOR_WIRINGS;
  protected readonly boxes = BOX_WIRINGS;
  protected readonly capacitor: readonly Choice[] = [['unknown', 'not known'], ['yes', 'yes, as most tubular motors'], ['no', 'no']];
  protected readonly at = signal(0);
  protected readonly plan = computed(() => this.bench.job().thumb.motor);
  protected readonly wiring = computed(() => wiringOf(this.plan(), this.kind()));
  protected readonly about = computed(() => WIRING_WORDS[this.kind() === 'control-box' ? this.plan().boxWiring : this.plan().wiring]);
  protected readonly table = computed(() => truthTable(this.wiring()));
  protected readonly state = computed(() => drawState(this.bench.job(), this.kind(), this.table()[this.at()]?.on ?? {}));

  protected write(set: Partial<MotorPlan>, what: string): void {
    this.bench.change('thumb', { motor: { ...this.plan(), ...set } }, `motor: ${what}`);
  }
}
