import { MatButton } from '@angular/material/button';
import {
  booleanAttribute,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import { Action } from '../../kit/action';
import { BenchField } from '../../kit/bench-field';
import { formatQuantity } from '../../../core/ground/quantity';
import { readNoteLine } from '../../../core/ground/notes';
import { UNKNOWN_MAINS } from '../../../core/ground/job';
import { controlQuestionsOf, questionsOf, type MainsQuestion } from '../../../core/rooms/probe';
import { Prose } from '../../ui/prose';
import { Bench } from '../../store/bench';
import { isFree } from '../../ui/free-key';

/** What is asked, why, and the answers as they are said in a note line. */
const ASKED: Readonly<
  Record<
    MainsQuestion,
    {
      ask: string;
      why: string;
      word: string;
      answers: readonly (readonly [says: string, shows: string])[];
      /** Where a number answers it: what the field is called. */
      typed?: string;
    }
  >
> = {
  feed: {
    ask: 'How is the machine fed?',
    why: 'A plug that turns round puts live where neutral was: what is tied to neutral shows only then.',
    word: 'plug',
    answers: [
      ['turns', 'plug, goes in either way round'],
      ['one-way', 'plug, goes in one way only'],
      ['wired', 'fixed wiring'],
      ['none', 'no mains plug of its own'],
    ],
  },
  cables: {
    ask: 'Does a charger or any other cable go to it?',
    why: 'A charger or a second machine may bring mains in by the back door.',
    word: 'cables',
    answers: [
      ['none', 'no cable at all'],
      ['some', 'a charger or other cables'],
    ],
  },
  mainSwitch: {
    ask: 'Close the machine’s own main switch now, with the plug out. How does it stand?',
    why: 'Behind an open switch ohms to the plug’s pins read endless, whatever is tied.',
    word: 'switch',
    answers: [
      ['closed', 'closed now'],
      ['none', 'it has none'],
      ['open', 'it cannot be closed unplugged'],
    ],
  },
  earth: {
    ask: 'Where is earth?',
    why: 'The AC check goes from the control to earth; without an earth in the machine it is taken from a socket beside it.',
    word: 'earth',
    answers: [
      ['pin', 'at the plug’s pin'],
      ['case', 'at the metal case'],
      ['nowhere', 'nowhere in it: from a socket beside it'],
    ],
  },
  battery: {
    ask: 'Put a battery of 9 to 24 V in series with the meter on volts DC, and touch the tips together. What does it show?',
    why:
      'Ohms open no two junctions in a row; a battery does, and the meter’s own input keeps the current to a microampere. ' +
      'Touching the tips shows that the battery is fresh and every lead is on.',
    word: 'battery',
    answers: [['none', 'no battery here']],
    typed: 'The battery in series, tips touching',
  },
};

/** The questions about the mains side, one at a time; nothing is shown once they are answered. */
@Component({
  selector: 'gt-mains-questions',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, BenchField, MatButton, Prose],
  host: { '(document:keydown)': 'key($event)' },
  template: `
    @if (now(); as q) {
      <section data-mains-question>
        <h2>{{ q.ask }}</h2>
        <p class="caution">Plug pulled and in sight while you look.</p>
        @if (q.typed) {
          <form class="big-field" (submit)="$event.preventDefault(); enter(q.word)">
            <gt-bench [label]="q.typed" unit="V" [question]="q.word" [(text)]="typed" [(error)]="error" />
            <button matButton gtAction="do" type="submit">Go on</button>
          </form>
        }
        <div class="answers">
          @for (a of q.answers; track a[0]; let i = $index) {
            <button matButton gtAction="offer" type="button" (click)="say(q.word, a[0])">
              @if (!q.typed) {
                <kbd>{{ i + 1 }}</kbd>&ngsp;
              }
              {{ a[1] }}
            </button>
          }
        </div>
        <p class="muted">Why: <gt-prose [text]="q.why" /></p>
      </section>
    } @else {
      <p class="muted" data-mains-said>
        {{ said() }} <button type="button" matButton gtAction="say" (click)="again()">Say it anew</button>
      </p>
    }
  `,
})
export class MainsQuestions {
  private readonly bench = inject(Bench);
  /** Whether what only the isolation of a control asks is asked as well. */
  readonly ofControl = input(false, { transform: booleanAttribute });
  private readonly field = viewChild(BenchField);
  protected readonly typed = signal('');
  protected readonly error = signal('');
  private readonly mains = computed(() => this.bench.job().survey.mains);
  protected readonly now = computed(() => {
    const first = (this.ofControl() ? controlQuestionsOf : questionsOf)(this.mains())[0];
    return first ? ASKED[first] : null;
  });
  protected readonly said = computed(() => {
    const m = this.mains();
    const names = {
      feed: 'Fed by',
      cables: 'cables',
      mainSwitch: 'main switch',
      earth: 'earth',
    };
    const shown = (q: keyof typeof names, kept: string): string =>
      ASKED[q].answers.find(([says]) => kept === says || kept === `plug-${says}`)?.[1] ?? kept;
    const asked: readonly (keyof typeof names)[] =
      m.feed === 'none'
        ? m.cables === 'none'
          ? ['feed', 'cables']
          : ['feed', 'cables', 'mainSwitch', 'earth']
        : ['feed', 'mainSwitch', 'earth'];
    const battery =
      m.batteryVolts === null
        ? ''
        : m.batteryVolts === 0
          ? ', nor a battery'
          : `; battery: ${formatQuantity(m.batteryVolts, 'V')}`;
    const untested = m.tester === 'none' ? `; insulation tester: nobody here has one${battery}` : '';
    return `${asked.map((q) => `${names[q]}: ${shown(q, m[q])}`).join('; ')}${untested}.`;
  });

  /** The digits answer, as they do at a look: one hand may hold the plug. */
  protected key(event: KeyboardEvent): void {
    const q = this.now();
    const field = this.field();
    // Where a number is wanted, digits are typed and choose nothing.
    if (field && /^[\d.,]$/.test(event.key) && isFree(event.target)) {
      event.preventDefault();
      return field.begin(event.key);
    }
    const answer = q?.typed ? undefined : q?.answers[Number(event.key) - 1];
    if (!q || !answer || !isFree(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    this.say(q.word, answer[0]);
  }

  protected say(word: string, answer: string): void {
    const u = readNoteLine(`mains ${word} ${answer}`, this.bench.job(), {
      id: this.bench.newId(),
      now: this.bench.now(),
    });
    if (!u.ok) return this.error.set(`${u.message.charAt(0).toUpperCase()}${u.message.slice(1)}.`);
    this.typed.set('');
    this.error.set('');
    this.bench.edit(u.edit);
  }

  protected enter(word: string): void {
    this.say(word, this.typed());
  }

  protected again(): void {
    this.bench.set('survey.mains', UNKNOWN_MAINS, 'the mains side is asked anew');
  }
}
