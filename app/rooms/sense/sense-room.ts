import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Action, Row } from '../../kit/action';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, choicesOf } from '../../kit/choice-field';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { TextField } from '../../kit/text-field';
import { freeId, freshSense, restContact, senseFields, stateSense, type Sense } from '../../../core/ground/job';
import { CONTACT_TELLS } from '../../../core/rooms/sense';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TakeAway } from '../../ui/take-away';
import { TwoColumns } from '../../ui/two-columns';

const CHOICES = [
  { key: 'none', name: 'No sensor: press and hope', how: 'nothing to fit; nothing is known either' },
  { key: 'at-rest', name: 'One contact at rest', how: 'tells closed, stopped, finished' },
  { key: 'at-work', name: 'One contact at work', how: 'tells open, running, switched on' },
] as const;

/** Sense: what is known of the state with no sensor and with one contact, and every other sense of the machine. */
@Component({
  selector: 'gt-sense-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    CheckField,
    ChoiceField,
    DropButton,
    FieldScope,
    FindingList,
    MatButton,
    QuantityField,
    Row,
    Settle,
    TextField,
    TwoColumns,
  ],
  templateUrl: './sense-room.html',
  styles:
    '.thing { border-bottom: 1px solid var(--gt-hairline); padding: 10px 0; display: flex; flex-direction: column; gap: 6px; }',
})
export class SenseRoom {
  protected readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly choices = CHOICES;
  protected readonly fields = senseFields;
  protected readonly kinds = choicesOf<Sense['kind']>(senseFields.kind);
  protected readonly tells = choicesOf<Sense['tells']>(senseFields.tells);
  /** The contact that tells rest or work; the others tell something else. */
  protected readonly state = computed(() => stateSense(this.bench.job()));
  protected readonly contact = computed(() => {
    const tells = this.state()?.tells ?? 'none';
    return tells === 'other' ? 'none' : tells;
  });
  protected readonly findings = computed(() => this.bench.findings('sense'));
  protected readonly rows = computed(() => {
    const { knows, not } = CONTACT_TELLS[this.contact()];
    return Array.from(
      { length: Math.max(knows.length, not.length) },
      (_, i) => [knows[i] ?? '', not[i] ?? ''] as const,
    );
  });

  protected choose({ key, name }: (typeof CHOICES)[number]): void {
    const state = this.state();
    if (key === 'none') {
      if (state) this.taker.drop(state.name, 'senses', state.id, name.toLowerCase());
      return;
    }
    const called = key === 'at-rest' ? 'rest contact' : 'work contact';
    if (state)
      this.put(
        { ...state, tells: key, name: /^(rest|work) contact$/.test(state.name) ? called : state.name },
        name.toLowerCase(),
      );
    else if (key === 'at-rest') this.bench.edit(restContact(this.bench.job()));
    else this.put({ ...freshSense(freeId(this.bench.job(), called), called), tells: key }, name.toLowerCase());
  }

  protected add(): void {
    const name = 'sense';
    const item = { ...freshSense(freeId(this.bench.job(), name), name), tells: 'other' as const };
    this.put(item, 'one more sense');
  }

  protected put(sense: Sense, say?: string): void {
    this.bench.put('senses', sense, say);
  }

  protected drop(sense: Sense): void {
    this.taker.drop(sense.name, 'senses', sense.id);
  }
}
