import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Action } from '../../kit/action';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, choicesOf, type Choice } from '../../kit/choice-field';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { TextField } from '../../kit/text-field';
import {
  freeId,
  freshHand,
  freshSign,
  HAND_KINDS,
  handInputFields,
  signFields,
  type Hand,
  type Job,
  type Sign,
} from '../../../core/ground/job';
import { throughTransistor } from '../../../core/build/lines';
import { commandsFor, handThing, signResistor, signThing } from '../../../core/build/panel';
import { formatQuantity } from '../../../core/ground/quantity';
import { wholeWiring } from '../../../core/house/job-wiring';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { TakeAway } from '../../ui/take-away';

const HAND_WORDS: Readonly<Record<Hand['kind'], string>> = {
  arm: 'arm switch',
  button: 'button',
  rocker: 'three-way rocker',
  stop: 'stop',
  answer: 'answer to a call',
  mode: 'mode switch',
  command: 'command by message',
};
/** What there has to be for some of them: a command begins a move, a mode switch puts a mode on. */
const NEEDS: Readonly<Partial<Record<Hand['kind'], (job: Job) => boolean>>> = {
  command: (j) => j.act.moves.length > 0,
  mode: (j) => j.routine.modes.length > 0,
};
/** Stand before the id of a press that is made, or of a move that is begun. */
const PRESS = 'press:';
const MOVE = 'move:';

/** What people move at the controller, and what it shows: each with its wiring, what it is for, and what is chosen of it. */
@Component({
  selector: 'gt-hands-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, CheckField, ChoiceField, DropButton, FieldScope, MatButton, QuantityField, TextField],
  templateUrl: './hands-part.html',
  styles:
    ':host { display: flex; flex-direction: column; gap: 14px; } ' +
    '.thing { border-bottom: 1px solid var(--gt-hairline); padding: 10px 0; display: flex; flex-direction: column; gap: 6px; }',
})
export class HandsPart {
  protected readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly handFields = handInputFields;
  protected readonly signFields = signFields;
  protected readonly handKinds = choicesOf<Hand['kind']>(handInputFields.kind);
  protected readonly newHands = computed(() =>
    HAND_KINDS.filter((k) => NEEDS[k]?.(this.bench.job()) ?? true).map((k) => [k, HAND_WORDS[k]] as const),
  );
  protected readonly signKinds = choicesOf<Sign['kind']>(signFields.kind);
  protected readonly meanings = choicesOf<Sign['means']>(signFields.means);
  /** What a button, or one side of a rocker, can do: press while it is held, or begin a move. */
  protected readonly deeds = computed((): readonly Choice[] => [
    ['', 'nothing yet'],
    ...this.bench.job().presses.map((p): Choice => [`${PRESS}${p.id}`, `${p.name} while it is held`]),
    ...this.bench.job().act.moves.map((m): Choice => [`${MOVE}${m.id}`, `begins “${m.name}”`]),
  ]);
  protected readonly moves = computed((): readonly Choice[] => [
    ['', 'no other'],
    ...this.bench.job().act.moves.map((m): Choice => [m.id, `“${m.name}”`]),
  ]);
  protected readonly modes = computed((): readonly Choice[] => [
    ['', 'no mode yet'],
    ...this.bench.job().routine.modes.map((m): Choice => [m.id, `“${m.name}”`]),
  ]);
  protected readonly begun = computed((): readonly Choice[] => [['', 'nothing yet'], ...this.moves().slice(1)]);
  protected readonly deed = (hand: Hand, at: 0 | 1): string =>
    hand.asks[at] ? `${PRESS}${hand.asks[at]}` : hand.begins[at] ? `${MOVE}${hand.begins[at]}` : '';
  private readonly wired = computed(() => wholeWiring(this.bench.seen().job, this.bench.assessment()).wires);
  /** How one of them is wired, in the words of the wire table. */
  protected readonly wiresOf = (name: string): string =>
    this.wired()
      .filter((w) => w.of === name)
      .map((w) => `${w.number}: ${w.from} to ${w.to}`)
      .join('; ');
  protected readonly hands = computed(() =>
    this.bench.job().hands.map((hand) => ({ hand, thing: handThing(this.bench.job(), hand) })),
  );
  protected readonly signs = computed(() => {
    const { drive } = this.bench.assessment().facts;
    return this.bench.job().signs.map((sign) => ({
      sign,
      thing: drive && signThing(sign, drive),
      switched: throughTransistor(sign),
      resistor: drive ? `${formatQuantity(signResistor(sign, drive), 'Ω')}, computed` : '',
    }));
  });

  protected addHand(kind: Hand['kind']): void {
    const name = HAND_WORDS[kind];
    const hand = {
      ...freshHand(freeId(this.bench.job(), name), name),
      kind,
      latching: kind === 'arm' || kind === 'stop' || kind === 'mode',
    };
    this.bench.put('hands', hand, `one more at the controller: ${name}`);
  }

  /** A command for each move, and one that begins the first two in turn, as up, down and toggle. */
  protected commandEach(): void {
    const edits = commandsFor(this.bench.job());
    if (edits.length > 0) this.bench.edit({ do: 'several', edits, say: 'commands by message' });
  }

  protected addSign(kind: Sign['kind']): void {
    const name = kind;
    const base = freshSign(freeId(this.bench.job(), name), name);
    this.bench.put('signs', { ...base, kind, amps: kind === 'beeper' ? 0.03 : base.amps }, `one more sign: ${name}`);
  }

  protected setHand(hand: Hand, set: Partial<Hand>): void {
    this.bench.put('hands', { ...hand, ...set });
  }

  /** What one side does; all sides of a hand press, or all begin moves. */
  protected does(hand: Hand, at: 0 | 1, deed: string): void {
    const presses = deed.startsWith(PRESS);
    const id = deed.slice((presses ? PRESS : MOVE).length);
    const list = presses ? hand.asks : hand.begins;
    const sides = hand.kind === 'rocker' || !presses ? [list[0] ?? '', list[1] ?? ''] : [list[0] ?? ''];
    sides[at] = id;
    const kept = sides.some((x) => x !== '') ? sides : [];
    this.setHand(hand, presses ? { asks: kept, begins: [] } : { asks: [], begins: kept });
  }

  /** The move that takes turns with the first. */
  protected inTurn(hand: Hand, move: string): void {
    this.setHand(hand, { begins: [hand.begins[0] ?? '', move] });
  }

  protected setSign(sign: Sign, set: Partial<Sign>): void {
    this.bench.put('signs', { ...sign, ...set });
  }

  protected drop(list: 'hands' | 'signs', of: Hand | Sign): void {
    this.taker.drop(of.name, list, of.id);
  }
}
