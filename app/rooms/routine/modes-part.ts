import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { freshOf } from '../../../core/ground/field';
import {
  limitFields,
  modeFields,
  routineFields,
  sayLimit,
  type Mode,
  type RoutineLimit,
} from '../../../core/ground/job';
import { namesIn } from '../../../core/rooms/routine';
import { Action } from '../../kit/action';
import { ChoiceField, choicesOf, type Choice } from '../../kit/choice-field';
import { GroupFields } from '../../kit/group-fields';
import { FieldScope } from '../../kit/half-typed';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { FindingList } from '../../ui/finding-list';
import { TakeAway } from '../../ui/take-away';
import { TwoColumns } from '../../ui/two-columns';
import { RoutineNav } from './routine-nav';

type Kind = RoutineLimit['kind'];
/** What each limit asks for. */
const ASKS: Readonly<Record<Kind, readonly ('press' | 'otherPress' | 'move' | 'sense' | 'seconds' | 'count')[]>> = {
  'longest-on': ['press', 'seconds'],
  'least-on': ['press', 'seconds'],
  'least-off': ['press', 'seconds'],
  'never-both': ['press', 'otherPress'],
  'a-day': ['move', 'count'],
  'only-armed': ['move'],
  'only-known': ['move', 'sense'],
};
const EVERY_MOVE: Choice = ['', 'every move'];

/** Modes that rules put on and off, and limits that the controller keeps whoever asks. */
@Component({
  selector: 'gt-modes-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, ChoiceField, DropButton, FieldScope, FindingList, GroupFields, MatButton, RoutineNav, TwoColumns],
  templateUrl: './modes-part.html',
  styles: `
    .thing {
      border-bottom: 1px solid var(--gt-hairline);
      display: flex;
      flex-direction: column;
      gap: 10px;
      padding: 10px 0;
    }
  `,
})
export class ModesPart {
  protected readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly modeFields = modeFields;
  protected readonly limitFields = limitFields;
  protected readonly routineFields = routineFields;
  protected readonly kinds = choicesOf<RoutineLimit['kind']>(limitFields.kind);
  protected readonly routine = computed(() => this.bench.job().routine);
  protected readonly findings = computed(() =>
    this.bench.findings('routine').filter((f) => /^routine\.(limit|mode)/.test(f.id)),
  );
  protected readonly presses = computed(() => named(this.bench.job().presses));
  protected readonly moves = computed(() => [EVERY_MOVE, ...named(this.bench.job().act.moves)]);
  protected readonly senses = computed(() => named(this.bench.job().senses));
  protected readonly words = (l: RoutineLimit): string => sayLimit(l, namesIn(this.bench.job()));
  protected readonly asks = (l: RoutineLimit, key: (typeof ASKS)[Kind][number]): boolean => ASKS[l.kind].includes(key);
  protected readonly numbers = (l: RoutineLimit): readonly ('seconds' | 'count')[] =>
    (['seconds', 'count'] as const).filter((key) => this.asks(l, key));

  protected addMode(): void {
    const { modes } = this.routine();
    const name = modes.some((m) => m.name === 'away') ? `mode ${modes.length + 1}` : 'away';
    this.putMode({ ...freshOf(modeFields), id: this.bench.newId(), name });
  }
  protected putMode(m: Mode): void {
    this.bench.put('routine.modes', m, `mode ${m.name}`);
  }
  protected dropMode(m: Mode): void {
    this.taker.drop(m.name, 'routine.modes', m.id);
  }

  protected addLimit(): void {
    const press = this.bench.job().presses[0]?.id ?? '';
    this.putLimit({ ...freshOf(limitFields), id: this.bench.newId(), press });
  }
  protected putLimit(l: RoutineLimit): void {
    this.bench.put('routine.limits', l, this.words(l));
  }
  protected dropLimit(l: RoutineLimit): void {
    this.taker.drop('The limit', 'routine.limits', l.id, `no longer: ${this.words(l)}`);
  }

  protected hold(set: { readonly handHoldsSeconds?: number | null }): void {
    this.bench.edit({ do: 'set', at: 'routine', set, say: 'how long a hand holds comfort back' });
  }
}

const named = (list: readonly { readonly id: string; readonly name: string }[]): readonly Choice[] =>
  list.map((x): Choice => [x.id, x.name]);
