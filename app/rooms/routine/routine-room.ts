import { WEEKDAYS } from '../../../core/ground/quantity';
import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { DropButton } from '../../ui/drop-button';
import { TimeField } from '../../kit/time-field';
import { CheckField } from '../../kit/check-field';
import { ChoicesField } from '../../kit/toggles-field';
import { Action } from '../../kit/action';
import type { Sentence } from '../../../core/ground/job';
import { nextFirings, saySentence } from '../../../core/rooms/routine';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { TakeAway } from '../../ui/take-away';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';

const DAYS = [1, 2, 3, 4, 5, 6, 7].map((d): Choice<number> => [d, WEEKDAYS.short[d] ?? '']);

/** Routine: sentences with their slots, and the next ten times that they come true. */
@Component({
  selector: 'gt-routine-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    CheckField,
    ChoiceField,
    ChoicesField,
    DropButton,
    FindingList,
    MatButton,
    Settle,
    TimeField,
    TwoColumns,
  ],
  templateUrl: './routine-room.html',
})
export class RoutineRoom {
  protected readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly days = DAYS;
  protected readonly words = (s: Sentence): string => saySentence(s, this.bench.job().act.moves);
  protected readonly sentences = computed(() => this.bench.job().routine.sentences);
  protected readonly findings = computed(() => this.bench.findings('routine'));
  protected readonly moves = computed((): readonly Choice[] =>
    this.bench.job().act.moves.map((m): Choice => [m.id, m.name]),
  );
  protected readonly firings = computed(() =>
    nextFirings(this.sentences(), this.bench.now(), this.bench.job().region.timeZone, 10).map((f) => ({
      at: f.at,
      time: f.local.slice(11, 16),
      offset: f.local.endsWith('Z') ? '+00:00' : f.local.slice(-6),
      change: f.clockChange === 'none' ? '' : f.clockChange,
      date: new Date(`${f.local.slice(0, 10)}T12:00:00Z`).toLocaleDateString('en-GB', {
        weekday: 'short',
        day: 'numeric',
        month: 'short',
        year: 'numeric',
        timeZone: 'UTC',
      }),
    })),
  );

  protected set(s: Sentence, set: Partial<Sentence>): void {
    const next = { ...s, ...set };
    next.days = [...next.days].sort((a, b) => a - b);
    this.bench.put('routine.sentences', next, this.words(next));
  }

  protected add(): void {
    const s: Sentence = {
      id: this.bench.newId(),
      at: '12:00',
      days: [],
      ifArmed: this.bench.job().wish.hazards.includes('unattended-heat'),
      move: '',
    };
    this.bench.put('routine.sentences', s, this.words(s));
  }

  protected remove(s: Sentence): void {
    this.taker.drop('The sentence', 'routine.sentences', s.id, `no longer: ${this.words(s)}`);
  }
}
