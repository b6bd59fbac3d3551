import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { Action } from '../../kit/action';
import { CONTROL_KINDS } from '../../../core/ground/job';
import { KIND_WORDS, practiceResult, type Guess } from '../../../core/rooms/probe';
import { Bench } from '../../store/bench';

/** On the practice shelf: name the control, and hear how few readings would have done. */
@Component({
  selector: 'gt-practice-guess',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, ChoiceField, MatButton],
  template: `
    <section class="practice">
      <h3>Practice: what is it?</h3>
      <form class="answers" (submit)="$event.preventDefault(); guess()">
        <gt-choice label="Your answer" [value]="answer()" [choices]="kinds" (changed)="answer.set($event)" />
        <button matButton gtAction="offer" type="submit">That is it</button>
        <button type="button" matButton gtAction="say" (click)="another()">another one</button>
      </form>
      <gt-choice
        label="What may come"
        [value]="bench.job().standin.model"
        [choices]="shelves"
        (changed)="another($event)"
      />
      @if (words()) {
        <p role="status" [class.parted-words]="!right()">{{ words() }}</p>
      }
    </section>
  `,
})
export class PracticeGuess {
  protected readonly bench = inject(Bench);
  protected readonly kinds: readonly Choice<Guess>[] = [
    ...CONTROL_KINDS.map((kind): Choice<Guess> => [kind, KIND_WORDS[kind].name]),
    ['none', 'none of these'],
  ];
  protected readonly shelves: readonly Choice[] = [
    ['practice', 'any kind, sound'],
    ['practice-faulty', 'with a dirty contact or a broken trace'],
    ['practice-strange', 'none of the kinds'],
  ];
  protected readonly answer = signal<Guess>(CONTROL_KINDS[0]);
  protected readonly words = signal('');
  protected readonly right = signal(false);

  protected guess(): void {
    const result = practiceResult(this.bench.job(), this.answer());
    this.words.set(result.words);
    this.right.set(result.right);
    this.bench.edit({ do: 'note', text: `practice ${this.bench.job().standin.seed}: ${result.words}` });
  }

  /** The readings of the last one are withdrawn, not thrown away: undo brings them back. */
  protected another(model = this.bench.job().standin.model): void {
    const { readings, standin } = this.bench.job();
    const strikes = readings
      .filter((r) => !r.struck)
      .map((r) => ({ do: 'strike-reading', id: r.id, struck: true }) as const);
    this.bench.edit({
      do: 'several',
      say: `practice ${standin.seed + 1} begun`,
      edits: [...strikes, { do: 'set', at: 'standin', set: { model, seed: standin.seed + 1 }, say: '' }],
    });
    this.words.set('');
  }
}
