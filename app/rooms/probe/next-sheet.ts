import { MatButton } from '@angular/material/button';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { Action } from '../../kit/action';
import { readAnswer, typedNumber } from '../../../core/ground/notes';
import { sayPlace, sayValue, UNIT_OF, type Look, type Reading } from '../../../core/ground/job';
import { controlOf, specKey, takenFrom, type NextReading } from '../../../core/rooms/probe';
import { seededRandom, own } from '../../../core/ground/quantity';
import { buildFor, isPractice, standinOf, STANDINS } from '../../../core/engines/standin';
import { BenchField } from '../../kit/bench-field';
import { Bench } from '../../store/bench';
import { isFree } from '../../ui/free-key';
import { HandsBusy } from '../../store/hands-busy';
import { Prose } from '../../ui/prose';
import { Voice } from '../../ui/voice';
import { ControlPicture } from './control-picture';
import { LookChoice } from './look-choice';
import { Meanings } from './meanings';
import { ReadingRuler } from './reading-ruler';

/** The one next reading of a control, large: drawing, setting, state, caution, and the only field. */
@Component({
  selector: 'gt-next-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, BenchField, ChoiceField, ControlPicture, LookChoice, MatButton, Meanings, Prose, ReadingRuler],
  host: { '(document:keydown)': 'key($event)' },
  templateUrl: './next-sheet.html',
})
export class NextSheet {
  protected readonly bench = inject(Bench);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly field = viewChild(BenchField);
  readonly next = input.required<NextReading>();
  readonly name = input.required<string>();
  /** True where the control was named a moment ago, so that the hand is at the keyboard. */
  readonly begins = input(false);
  protected readonly typed = signal('');
  protected readonly error = signal('');
  protected readonly standins = Object.values(STANDINS).map((s): Choice => [s.key, s.name]);
  protected readonly standin = computed(() => standinOf(this.bench.job().standin));
  /** Isolation is never put off, but for a test that takes a tester nobody has; neither is the choice on the practice shelf. */
  protected readonly skippable = computed(
    () =>
      (this.next().kind === 'insulation' ||
        ![this.next().from, this.next().to].some((p) => ['mains', 'live', 'neutral', 'earth'].includes(p.kind))) &&
      !isPractice(this.bench.job().standin.model),
  );
  protected readonly unit = computed(() => {
    const { kind } = this.next();
    return kind === 'amps' ? 'mA' : `${UNIT_OF[kind]}${kind === 'volts-ac' ? ' AC' : ''}`;
  });
  protected readonly typedValue = computed(() => typedNumber(this.next().kind, this.typed()));

  constructor() {
    const busy = inject(HandsBusy);
    const voice = inject(Voice);
    effect(() => {
      const n = this.next();
      if (busy.on()) voice.say(`${n.title}. ${n.hold}. ${n.caution}`);
      else voice.hush();
    });
    // A new question gets the caret, so that foot and voice are enough to go on; the first view leaves the page alone.
    let before = '';
    effect(() => {
      const title = this.next().notePrefix;
      const field = this.field();
      if ((before || untracked(this.begins)) && title !== before) untracked(() => setTimeout(() => this.take(field)));
      before = title;
    });
  }

  /** Gives the caret to the field unless somebody is typing elsewhere: what is typed there must not end up here. */
  private take(field: BenchField | undefined): void {
    const at = document.activeElement;
    if (!at || isFree(at) || this.host.nativeElement.contains(at)) field?.focus();
  }

  /** A number typed while the next question is still being found is kept in the field, not given to the last question. */
  protected enter(): void {
    if (!this.bench.working()) this.record(this.typed());
  }

  protected overRange(): void {
    this.record('OL');
  }

  protected look(said: Look): void {
    this.store({ value: 0, digit: 0, relation: '=', said }, 'hand');
  }

  /** Takes the number as the note line would, so that both ways in are one. */
  private record(text: string): void {
    const read = readAnswer(this.next(), text, this.bench.job().survey.meter);
    if (read.ok) return this.store(read.shown, 'hand');
    this.error.set(read.message);
    this.field()?.focus();
  }

  private store(shown: Pick<Reading, 'value' | 'digit' | 'relation' | 'said'>, by: Reading['by']): void {
    const n = this.next();
    this.keep({
      id: this.bench.newId(),
      at: this.bench.now(),
      control: controlOf(n),
      from: { ...n.from },
      to: { ...n.to },
      state: n.state,
      kind: n.kind,
      by,
      struck: false,
      ...shown,
    });
  }

  private keep(reading: Reading): void {
    this.bench.edit({
      do: 'add-reading',
      reading,
      say: `${this.name()}, ${sayPlace(reading)}, ${sayValue(reading)}${reading.by === 'standin' ? ', from the stand-in' : ''}`,
    });
    this.field()?.done();
  }

  protected skip(): void {
    const n = this.next();
    if (n.kind === 'insulation') {
      this.bench.edit({
        do: 'set',
        at: 'survey.mains',
        set: { tester: 'none' },
        say: 'nobody here can test insulation with 500 V',
      });
      return;
    }
    this.bench.skip(n.control, specKey(n));
  }

  protected fromStandin(): void {
    const standin = this.standin();
    if (!standin) return;
    // The seed moves on with every reading, so that a repeated one shows its own noise.
    const { seed } = this.bench.job().standin;
    const random = seededRandom(seed * 7919 + this.bench.job().readings.length);
    this.keep(
      takenFrom(
        { build: buildFor(standin, this.name()), faults: standin.faults },
        this.next(),
        this.bench.newId(),
        this.bench.now(),
        random,
        this.bench.job().survey.meter,
        this.bench.job().survey.mains.batteryVolts,
      ),
    );
  }

  protected callStandin(model: string): void {
    const standin = own(STANDINS, model);
    if (standin)
      this.bench.set('standin', { model, seed: 1 }, `the ${standin.name} stand-in is measured instead of hardware`);
  }

  /** What is typed with no box in hand begins the answer: digits, signs, and the O of OL; a foot pedal's Page Down goes on. */
  protected key(event: KeyboardEvent): void {
    const field = this.field();
    if (!field || event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === 'PageDown' && this.typed().trim()) this.enter();
    else if (/^[\d.,<>O-]$/.test(event.key) && isFree(event.target)) field.begin(event.key);
    else return;
    event.preventDefault();
  }
}
