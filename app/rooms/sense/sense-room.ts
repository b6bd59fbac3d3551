import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ChoiceField } from '../../kit/choice-field';
import { Row } from '../../kit/action';
import type { SensePlan } from '../../../core/job';
import { CONTACT_TELLS } from '../../../core/sense';
import type { Choice } from '../../kit/choice-field';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';

const CHOICES: readonly { key: SensePlan['contact']; name: string; how: string }[] = [
  { key: 'none', name: 'No sensor: press and hope', how: 'nothing to fit; nothing is known either' },
  { key: 'at-rest', name: 'One contact at rest', how: 'tells closed, stopped, finished' },
  { key: 'at-work', name: 'One contact at work', how: 'tells open, running, switched on' },
];

/** Sense: what is known of the state with no sensor, and with one contact. */
@Component({
  selector: 'gt-sense-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, FindingList, Row, Settle, TwoColumns],
  templateUrl: './sense-room.html',
})
export class SenseRoom {
  protected readonly bench = inject(Bench);
  protected readonly choices = CHOICES;
  protected readonly rests: readonly Choice<boolean>[] = [
    [true, 'closed (a broken wire reads as “away”)'],
    [false, 'open (a broken wire reads as “there”)'],
  ];
  protected readonly contact = computed(() => this.bench.job().sense.contact);
  protected readonly findings = computed(() => this.bench.findings('sense'));
  protected readonly rows = computed(() => {
    const { knows, not } = CONTACT_TELLS[this.contact()];
    return Array.from(
      { length: Math.max(knows.length, not.length) },
      (_, i) => [knows[i] ?? '', not[i] ?? ''] as const,
    );
  });

  protected choose(c: (typeof CHOICES)[number]): void {
    this.bench.set('sense', { contact: c.key }, c.name.toLowerCase());
  }
}
