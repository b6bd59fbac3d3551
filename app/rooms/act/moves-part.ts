import { MatButton } from '@angular/material/button';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { ChangeDetectionStrategy, Component, computed, inject, model, signal } from '@angular/core';
import { freshStep, lacksOfPart, lacksOfPolicies, policiesFor, type Policy } from '../../../core/rooms/act';
import { hasOther, otherWords } from '../../../core/engines/reversing';
import {
  freshMove,
  MOVE_PURPOSES,
  moveFields,
  STEP_ELSES,
  stepFields,
  type Move,
  type MoveStep,
  type StepKind,
} from '../../../core/ground/job';
import { digitSteps } from '../../../core/house/digits';
import { formatQuantity } from '../../../core/ground/quantity';
import { Action } from '../../kit/action';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { TextField } from '../../kit/text-field';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { TakeAway } from '../../ui/take-away';

const KIND_WORDS: Readonly<Record<StepKind, string>> = {
  press: 'press for …',
  wait: 'wait for …',
  hold: 'hold until a sense says so',
  until: 'wait until a sense says so',
  look: 'look, and go on only if',
  again: 'go back and try again',
  warn: 'warn for …',
  tell: 'tell a message',
  call: 'call for help and stop',
};
const MORE: readonly StepKind[] = ['until', 'look', 'again', 'hold', 'warn', 'tell', 'call'];
const ELSE_WORDS: Readonly<Record<(typeof STEP_ELSES)[number], string>> = {
  'go-on': 'else go on',
  end: 'else end here',
  call: 'else call for help',
};
const PURPOSE_WORDS: readonly Choice<Move['purpose']>[] = MOVE_PURPOSES.map((p) => [
  p,
  p === 'other' ? 'something else' : `${p} it`,
]);

/** The moves of the job as numbered sentences: what is pressed, waited for, looked at and done again; ready policies write them whole. */
@Component({
  selector: 'gt-moves-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    CheckField,
    ChoiceField,
    DropButton,
    FieldScope,
    MatButton,
    MatMenu,
    MatMenuItem,
    MatMenuTrigger,
    QuantityField,
    TextField,
  ],
  templateUrl: './moves-part.html',
})
export class MovesPart {
  protected readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly stepFields = stepFields;
  protected readonly moveFields = moveFields;
  protected readonly words = KIND_WORDS;
  protected readonly more = MORE;
  protected readonly purposes = PURPOSE_WORDS;
  protected readonly elses: readonly Choice<MoveStep['orElse']>[] = STEP_ELSES.map((e) => [e, ELSE_WORDS[e]]);
  protected readonly says: readonly Choice<boolean>[] = [
    [true, 'says so'],
    [false, 'does not say so'],
  ];
  /** Id of the move that is open; empty for the first. */
  readonly open = model('');
  protected readonly moves = computed(() => this.bench.job().act.moves);
  protected readonly move = computed(() => this.moves().find((m) => m.id === this.open()) ?? this.moves()[0] ?? null);
  protected readonly choices = computed((): readonly Choice[] => this.moves().map((m) => [m.id, m.name]));
  protected readonly presses = computed((): readonly Choice[] => this.bench.job().presses.map((p) => [p.id, p.name]));
  protected readonly senses = computed((): readonly Choice[] => this.bench.job().senses.map((s) => [s.id, s.name]));
  protected readonly policies = computed((): readonly Policy[] => {
    const move = this.move();
    return move && this.presses().length > 0 ? policiesFor(this.bench.job(), move) : [];
  });
  protected readonly isNow = (p: Policy): boolean =>
    JSON.stringify(p.steps) === JSON.stringify(this.move()?.steps ?? []);
  protected readonly able = computed(() => this.policies().filter((p) => p.lacks === ''));
  /** Before the machine is told there is nothing to choose. */
  protected readonly told = computed(() => this.bench.job().act.parts.some((p) => lacksOfPart(p) === ''));
  /** What the policies that are not offered lack, each once. */
  protected readonly lacks = computed(() => lacksOfPolicies(this.policies()));
  protected readonly digits = signal('');
  protected readonly digitsProblem = signal('');
  protected readonly digitsField = stepFields.text;
  /** What the other side or direction of a press is called; empty where it has none. */
  protected readonly otherOf = (id: string): string => {
    const press = this.bench.job().presses.find((p) => p.id === id);
    return press && hasOther(press) ? otherWords(press) : '';
  };
  /** What may be pressed at the same time. */
  protected readonly withIt = (s: MoveStep): readonly Choice[] => this.presses().filter(([id]) => id !== s.press);
  private readonly nameOf = (id: string): string => this.presses().find(([p]) => p === id)?.[1] ?? id;
  protected readonly toggled = (s: MoveStep, press: string): string[] =>
    s.also.includes(press) ? s.also.filter((p) => p !== press) : [...s.also, press];
  protected readonly withWords = (s: MoveStep): string => {
    const [first, ...rest] = s.also.map((id) => this.nameOf(id));
    if (first === undefined) return 'nothing with it';
    return rest.length > 1 ? `and ${first} and ${rest.length} more` : `and ${[first, ...rest].join(' and ')}`;
  };
  /** What the other side of those at the same time is called; empty where none of them has one. */
  protected readonly alsoOthers = (s: MoveStep): string => {
    const words = s.also.map(this.otherOf).find((w) => w !== '');
    return words === undefined ? '' : s.also.length > 1 ? `${words}, those too` : `${words}, that too`;
  };
  protected readonly reads = (s: MoveStep): boolean => ['hold', 'until', 'look', 'again'].includes(s.do);
  protected readonly timed = (s: MoveStep): boolean => ['press', 'wait', 'hold', 'until', 'warn'].includes(s.do);

  private keep(move: Move, say: string): void {
    this.bench.put('act.moves', move, say);
  }

  /** The move that is open, or a first one. */
  private current(): Move {
    return this.move() ?? freshMove('move', 'start');
  }

  protected change(set: Partial<Move>): void {
    const move = { ...this.current(), ...set };
    this.keep(move, `move ${move.name}: ${move.purpose === 'other' ? 'something else' : move.purpose}`);
  }

  protected addMove(): void {
    const id = this.bench.newId();
    this.keep(freshMove(id, `move ${this.moves().length + 1}`), 'one more move');
    this.open.set(id);
  }

  protected dropMove(m: Move): void {
    this.taker.drop(`The move ${m.name}`, 'act.moves', m.id);
    this.open.set('');
  }

  private said(s: MoveStep): string {
    return this.timed(s) ? `${s.do} for ${formatQuantity(s.seconds, 's')}` : KIND_WORDS[s.do];
  }

  protected add(kind: StepKind): void {
    const move = this.current();
    const before = move.steps.findLast((s) => s.press !== '')?.press ?? this.presses()[0]?.[0] ?? '';
    const step = freshStep(kind, before, this.senses()[0]?.[0] ?? '');
    this.keep({ ...move, steps: [...move.steps, step] }, `step ${move.steps.length + 1}: ${this.said(step)}`);
  }

  protected set(i: number, set: Partial<MoveStep>): void {
    const move = this.current();
    const steps = move.steps.map((s, j) => (j === i ? { ...s, ...set } : s));
    const s = steps[i]!;
    this.keep({ ...move, steps }, `step ${i + 1}: ${this.said(s)}`);
  }

  protected remove(i: number): void {
    const move = this.current();
    // Who goes back to a later step goes back to the one that takes its place.
    const steps = move.steps
      .filter((_, j) => j !== i)
      .map((s, j) => (s.do === 'again' ? { ...s, to: Math.max(1, Math.min(s.to > i + 1 ? s.to - 1 : s.to, j)) } : s))
      .filter((s, j) => s.do !== 'again' || j > 0);
    this.taker.edit(`Step ${i + 1}`, {
      do: 'put',
      list: 'act.moves',
      item: { ...move, steps },
      say: `step ${i + 1} of ${move.name} taken away`,
    });
  }

  protected take(p: Policy): void {
    const move = this.current();
    this.keep({ ...move, steps: [...p.steps] }, `${move.name}: ${p.words}`);
  }

  /** Digits, or names of presses, as presses one after the other. */
  protected type(text: string): void {
    this.digits.set(text);
    this.digitsProblem.set('');
    if (text.trim() === '') return;
    const made = digitSteps(this.bench.job(), text);
    if (!made.ok) return this.digitsProblem.set(made.problem);
    const move = this.current();
    this.keep({ ...move, steps: [...move.steps, ...made.steps] }, `keys ${text.trim()}`);
    this.digits.set('');
  }
}
