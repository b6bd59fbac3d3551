import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { CONTROL_KINDS, type ControlKind } from '../../../core/job';
import { KIND_WORDS, practiceResult } from '../../../core/probe';
import { Bench } from '../../store/bench';

/** On the practice shelf: name the control, and hear how few readings would have done. */
@Component({
  selector: 'gt-practice-guess',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton],
  template: `
    <section class="practice">
      <h3>Practice: what is it?</h3>
      <form class="answers" (submit)="$event.preventDefault(); guess(pick.value)">
        <select #pick aria-label="Your answer">
          @for (k of kinds; track k.kind) {
            <option [value]="k.kind">{{ k.name }}</option>
          }
        </select>
        <button mat-stroked-button type="submit">That is it</button>
        <button type="button" class="link" (click)="another()">another one</button>
      </form>
      <label class="muted"><input #f type="checkbox" [checked]="faulty()" (change)="harder(f.checked)" /> with something wrong in it: a dirty contact or a broken trace</label>
      @if (words()) {
        <p role="status" [class.parted-words]="!right()">{{ words() }}</p>
      }
    </section>
  `,
})
export class PracticeGuess {
  private readonly bench = inject(Bench);
  protected readonly kinds = CONTROL_KINDS.map((kind) => ({ kind, name: KIND_WORDS[kind].name }));
  protected readonly words = signal('');
  protected readonly right = signal(false);

  protected readonly faulty = computed(() => this.bench.job().standin.model === 'practice-faulty');

  protected harder(on: boolean): void {
    this.another(on ? 'practice-faulty' : 'practice');
  }

  protected guess(kind: string): void {
    const result = practiceResult(this.bench.job(), kind as ControlKind);
    this.words.set(result.words);
    this.right.set(result.right);
    this.bench.edit({ do: 'note', text: `practice ${this.bench.job().standin.seed}: ${result.words}` });
  }

  /** The readings of the last one are withdrawn, not thrown away: undo brings them back. */
  protected another(model = this.bench.job().standin.model): void {
    const { readings, standin } = this.bench.job();
    const strikes = readings.filter((r) => !r.struck).map((r) => ({ do: 'strike-reading', id: r.id, struck: true }) as const);
    this.bench.edit({ do: 'several', say: `practice ${standin.seed + 1} begun`, edits: [...strikes, { do: 'change', section: 'standin', set: { model, seed: standin.seed + 1 }, say: '' }] });
    this.words.set('');
  }
}
