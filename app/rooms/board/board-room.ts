import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { contactAtPowerUp, judgePin, profileOf, PROFILES, type Pin } from '../../../core/board';
import type { BoardPlan } from '../../../core/job';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Glyph } from '../../ui/glyph';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { PowerUpStrip } from './power-up-strip';

type Role = 'pressPin' | 'armPin' | 'sensorPin';
const ROLES: readonly { key: Role; name: string }[] = [
  { key: 'pressPin', name: 'press' }, { key: 'armPin', name: 'arm switch' }, { key: 'sensorPin', name: 'sensor' },
];

/** Board: the pins as two columns of labels, the power-up strip below. */
@Component({
  selector: 'gt-board-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FindingList, Glyph, MatCheckbox, PowerUpStrip, Settle, TwoColumns],
  template: `
    <gt-two-columns>
      <div do>
        <div class="head-row">
          <h2>{{ profile()?.name ?? 'Choose a controller' }}</h2>
          <label class="muted">Controller <select #p [value]="bench.job().board.profile" (change)="set({ profile: p.value }, 'controller: ' + p.value)">
            @for (o of profiles; track o.key) {
              <option [value]="o.key" [selected]="o.key === bench.job().board.profile">{{ o.name }}</option>
            }
          </select></label>
        </div>
        <div class="answers" role="group" aria-label="Which function to place">
          <span class="muted">Place the</span>
          @for (r of roles; track r.key) {
            <button type="button" class="key" [class.on]="role() === r.key" [attr.aria-pressed]="role() === r.key" (click)="role.set(r.key)">{{ r.name }}</button>
          }
          <span class="muted">on a pin below</span>
        </div>
        <div class="pins" role="group" aria-label="Pins">
          @for (x of pins(); track x.pin.gpio) {
            <button type="button" [attr.aria-pressed]="x.used !== ''" (click)="place(x.pin)">
              <gt-glyph [verdict]="x.verdict" [size]="14" />
              <span class="mono">{{ x.pin.gpio }}</span>
              <span class="muted">{{ x.pin.nature }}</span>
              <span class="role">{{ x.used }}</span>
            </button>
          }
        </div>
        @if (taken()) {
          <p class="muted">Taken by the board itself: {{ taken() }}.</p>
        }
        <div class="answers">
          @if (press(); as p) {
            <span data-presses-on>{{ p.input === 'pulses' ? 'Pulses on this pin press, and no level' : 'A ' + p.pressesOn + ' pin presses: by the way, its wires, and the packed program alike' }}.</span>
          }
          <mat-checkbox [checked]="bench.job().board.pullDown" (change)="set({ pullDown: $event.checked }, $event.checked ? 'pull-down at the pin' : 'no pull-down at the pin')">3.3 kΩ from the pin to ground</mat-checkbox>
        </div>
        @if (strip(); as s) {
          <section>
            <h3>At power-up</h3>
            <gt-power-up-strip [pin]="s.pin" [contact]="s.contact" [profile]="profile()!" />
          </section>
        } @else {
          <p class="muted">Choose a way of pressing in Thumb and a pin here, and this shows what the contact does while the controller wakes.</p>
        }
      </div>
      <div know>
        <h3>What the pins will do</h3>
        <gt-finding-list [findings]="findings()" />
        <p class="muted">Every value of this board is from memory and should be measured on yours: a lamp on the contact, ten restarts (Try).</p>
        <gt-settle [findings]="findings()" />
      </div>
    </gt-two-columns>
  `,
})
export class BoardRoom {
  protected readonly bench = inject(Bench);
  protected readonly profiles = Object.values(PROFILES);
  protected readonly roles = ROLES;
  protected readonly role = signal<Role>('pressPin');
  protected readonly profile = computed(() => profileOf(this.bench.job()));
  protected readonly findings = computed(() => this.bench.findings('board'));
  protected readonly pins = computed(() => {
    const job = this.bench.job();
    const press = this.bench.assessment().facts.press;
    const profile = this.profile();
    return (profile?.pins ?? []).filter((pin) => pin.can.length > 0).map((pin) => ({
      pin,
      verdict: press && profile ? judgePin(pin, job, press, profile).verdict : ('unknown' as const),
      used: ROLES.filter((r) => job.board[r.key] === pin.gpio).map((r) => r.name).join(', '),
    }));
  });
  protected readonly press = computed(() => this.bench.assessment().facts.press);
  protected readonly taken = computed(() => (this.profile()?.pins ?? []).filter((p) => p.can.length === 0).map((p) => p.gpio).join(', '));
  protected readonly strip = computed(() => {
    const { board } = this.bench.job();
    const press = this.bench.assessment().facts.press;
    const profile = this.profile();
    const pin = profile?.pins.find((p) => p.gpio === board.pressPin);
    return profile && pin && press ? { pin, contact: contactAtPowerUp(pin, press, board.pullDown, profile) } : null;
  });

  protected set(set: Partial<BoardPlan>, say: string): void {
    this.bench.change('board', set, say);
  }

  protected place(pin: Pin): void {
    const key = this.role();
    const name = ROLES.find((r) => r.key === key)!.name;
    const off = this.bench.job().board[key] === pin.gpio;
    this.set({ [key]: off ? null : pin.gpio }, off ? `no pin for the ${name}` : `${name} on pin ${pin.gpio}`);
  }
}
