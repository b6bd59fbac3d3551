import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { CheckField } from '../../kit/check-field';
import { TogglesField } from '../../kit/toggles-field';
import { ChoiceField } from '../../kit/choice-field';
import { Row } from '../../kit/action';
import { contactAtPowerUp, pinRows, profileOf, PROFILES, takenByBoard, type Pin } from '../../../core/board';
import type { BoardPlan } from '../../../core/job';
import type { Choice } from '../../kit/choice-field';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Glyph } from '../../ui/glyph';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { PowerUpStrip } from './power-up-strip';

type Role = 'pressPin' | 'armPin' | 'sensorPin';
const ROLES: readonly Choice<Role>[] = [
  ['pressPin', 'press'],
  ['armPin', 'arm switch'],
  ['sensorPin', 'sensor'],
];

/** Board: the pins as two columns of labels, the power-up strip below. */
@Component({
  selector: 'gt-board-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CheckField, ChoiceField, FindingList, Glyph, PowerUpStrip, Row, Settle, TogglesField, TwoColumns],
  templateUrl: './board-room.html',
})
export class BoardRoom {
  protected readonly bench = inject(Bench);
  protected readonly profiles = Object.values(PROFILES).map((p): Choice => [p.key, p.name]);
  protected readonly roles = ROLES;
  protected readonly role = signal<Role>('pressPin');
  protected readonly profile = computed(() => profileOf(this.bench.job()));
  protected readonly findings = computed(() => this.bench.findings('board'));
  protected readonly pins = computed(() =>
    pinRows(this.bench.job(), this.bench.assessment().facts.press).map((row) => ({
      ...row,
      used: ROLES.filter(([key]) => this.bench.job().board[key] === row.pin.gpio)
        .map(([, name]) => name)
        .join(', '),
    })),
  );
  protected readonly press = computed(() => this.bench.assessment().facts.press);
  protected readonly taken = computed(() => takenByBoard(this.profile()).join(', '));
  protected readonly strip = computed(() => {
    const { board } = this.bench.job();
    const press = this.bench.assessment().facts.press;
    const profile = this.profile();
    const pin = profile?.pins.find((p) => p.gpio === board.pressPin);
    return profile && pin && press ? { pin, contact: contactAtPowerUp(pin, press, board.pullDown, profile) } : null;
  });

  protected set(set: Partial<BoardPlan>, say: string): void {
    this.bench.set('board', set, say);
  }

  protected place(pin: Pin): void {
    const key = this.role();
    const name = ROLES.find(([k]) => k === key)![1];
    const off = this.bench.job().board[key] === pin.gpio;
    this.set({ [key]: off ? null : pin.gpio }, off ? `no pin for the ${name}` : `${name} on pin ${pin.gpio}`);
  }
}
