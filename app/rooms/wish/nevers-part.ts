import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Action } from '../../kit/action';
import { ChoiceField, choicesOf, type Choice } from '../../kit/choice-field';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { TextField } from '../../kit/text-field';
import { freshNever, NEVER_KINDS, neverFields, sayNever, type Never, type NeverKind } from '../../../core/ground/job';
import { hasOther, otherWords } from '../../../core/engines/reversing';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { TakeAway } from '../../ui/take-away';

const WORDS = (neverFields.kind as unknown as { words: Readonly<Record<NeverKind, string>> }).words;
/** Which boxes each kind has. */
const BOXES: Readonly<Record<NeverKind, readonly (keyof Never)[]>> = {
  'lasts-longer': ['state', 'seconds'],
  'state-while': ['state', 'other'],
  'both-at-once': ['press', 'otherPress'],
  'starts-per-arming': ['count'],
  'no-warning': ['state', 'seconds'],
  'output-longer': ['press', 'seconds'],
  'believes-wrongly': ['state', 'other', 'seconds'],
  'gets-warmer': ['sense', 'degrees'],
  'gets-colder': ['sense', 'degrees'],
};

/** What must never happen, as conditions beside the maker's own words. */
@Component({
  selector: 'gt-nevers-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, ChoiceField, DropButton, FieldScope, MatButton, QuantityField, TextField],
  templateUrl: './nevers-part.html',
  styles:
    ':host { display: flex; flex-direction: column; gap: 14px; } ' +
    '.thing { border-bottom: 1px solid var(--gt-hairline); padding: 8px 0; display: flex; flex-direction: column; gap: 6px; } ' +
    '.thing .fields gt-choice:first-child { grid-column: 1 / -1; max-width: 560px; }',
})
export class NeversPart {
  protected readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly fields = neverFields;
  protected readonly kinds = NEVER_KINDS.map((k): Choice<NeverKind> => [k, WORDS[k]]);
  protected readonly presses = computed((): readonly Choice[] => [
    ['', 'not said'],
    ...this.bench.job().presses.map((p): Choice => [p.id, p.name]),
  ]);
  protected readonly thermometers = computed((): readonly Choice[] => [
    ['', 'not said'],
    ...this.bench.job().senses.flatMap((s): Choice[] => (s.kind === 'temperature' ? [[s.id, s.name]] : [])),
  ]);
  protected readonly harms = choicesOf<Never['harm']>(neverFields.harm);
  /** What must not be pressed with it: other presses, and its own other way where it has one. */
  protected readonly others = (never: Never): readonly Choice[] =>
    this.presses().map(([id, name]): Choice => {
      const press = id === never.press && this.bench.job().presses.find((p) => p.id === id);
      return press && hasOther(press) ? [id, `${name}, ${otherWords(press)}`] : [id, name];
    });
  protected readonly rows = computed(() =>
    this.bench.job().wish.nevers.map((never) => ({ never, words: sayNever(this.bench.job(), never) })),
  );
  protected readonly has = (never: Never, key: keyof Never): boolean => BOXES[never.kind].includes(key);

  /** Presses with two ways of which it was not said that they never come together. */
  protected readonly twoWays = computed(() =>
    this.bench
      .job()
      .presses.filter(
        (p) => hasOther(p) && !this.rows().some((r) => r.never.kind === 'both-at-once' && r.never.press === p.id),
      ),
  );

  protected bothWays(press: string): void {
    this.put({ ...freshNever(this.freshId(), 'both-at-once'), press, otherPress: press });
  }

  protected add(): void {
    this.put(freshNever(this.freshId(), 'lasts-longer'));
  }

  private freshId(): string {
    const n = this.rows().length + 1;
    const taken = new Set(this.rows().map((r) => r.never.id));
    let id = `never-${n}`;
    for (let k = n + 1; taken.has(id); k++) id = `never-${k}`;
    return id;
  }

  protected put(never: Never): void {
    this.bench.put('wish.nevers', never, `never ${sayNever(this.bench.job(), never)}`);
  }

  protected drop(never: Never, words: string): void {
    this.taker.drop(`Never ${words}`, 'wish.nevers', never.id);
  }
}
