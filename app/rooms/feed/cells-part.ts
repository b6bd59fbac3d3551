import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { lifeOf, sayLife, turnsOf } from '../../../core/rooms/feed';
import {
  boxFields,
  dutyFields,
  standingFields,
  type FeedBox,
  type FeedDuty,
  type FeedStanding,
} from '../../../core/ground/job';
import { formatQuantity } from '../../../core/ground/quantity';
import { Bench } from '../../store/bench';
import { FeedRehearsal } from './rehearsal';

const FILL = { asleep: 'var(--gt-slate)', awake: 'var(--gt-patina)', self: 'var(--gt-brass-soft)' } as const;
const WORDS = { asleep: 'asleep', awake: 'awake', self: 'by itself' } as const;

/** How long cells last and on what; the heat of the box; what the addition draws at the plug. */
@Component({
  selector: 'gt-cells-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, FieldScope, QuantityField],
  templateUrl: './cells-part.html',
  styles: ':host { display: flex; flex-direction: column; gap: 14px; }',
})
export class CellsPart {
  private readonly bench = inject(Bench);
  private readonly rehearsal = inject(FeedRehearsal);
  protected readonly fields = dutyFields;
  protected readonly box = boxFields;
  protected readonly standing = standingFields;
  protected readonly sleeps: readonly Choice<FeedDuty['sleeps']>[] = [
    ['unknown', 'not said yet'],
    ['yes', 'yes, between wakes'],
    ['no', 'no, it is always on'],
  ];
  protected readonly inputs: readonly Choice<FeedDuty['into']>[] = [
    ['board', 'the board’s own regulator'],
    ['chip', 'the chip’s supply pin'],
  ];
  protected readonly feed = computed(() => this.bench.job().feed);
  protected readonly duty = computed(() => this.feed().duty);
  protected readonly lives = computed(() => {
    const job = this.rehearsal.job();
    const r = this.rehearsal.rehearsal();
    const { facts } = this.bench.assessment();
    return job.feed.sources.flatMap((s, place) => {
      if (s.kind !== 'cells') return [];
      const life = lifeOf(job, facts, r, place, s);
      if (typeof life === 'string')
        return [{ id: s.id, name: s.name, words: 'not known yet', parts: [], halves: '', doubles: '', label: '' }];
      const all = Object.entries(life.parts) as [keyof typeof FILL, number][];
      const sum = all.reduce((t, [, amps]) => t + amps, 0);
      let x = 0;
      const parts = all
        .filter(([, amps]) => amps > 0)
        .map(([key, amps]) => {
          const width = (690 * amps) / sum;
          const part = {
            x,
            width,
            fill: FILL[key],
            words: width > 90 ? `${WORDS[key]} ${formatQuantity(amps, 'A')}` : '',
          };
          x += width;
          return part;
        });
      return [
        {
          id: s.id,
          name: s.name,
          words: life.usable === 0 ? 'too weak' : sayLife(life),
          parts,
          ...turnsOf(life),
          label: `Average draw: ${all.map(([key, amps]) => `${WORDS[key]} ${formatQuantity(amps, 'A')}`).join(', ')}`,
        },
      ];
    });
  });

  protected setDuty(set: Partial<FeedDuty>): void {
    this.bench.edit({ do: 'set', at: 'feed.duty', set });
  }
  protected setBox(set: Partial<FeedBox>): void {
    this.bench.edit({ do: 'set', at: 'feed.box', set });
  }
  protected setStanding(set: Partial<FeedStanding>): void {
    this.bench.edit({ do: 'set', at: 'feed.standing', set });
  }
}
