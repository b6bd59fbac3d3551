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
import { MatButton } from '@angular/material/button';
import { refuse } from '../../../core/notes';
import { sayPlace, sayValue, UNIT_OF, type Look, type Reading } from '../../../core/job';
import { controlOf, specKey, takenFrom, type NextReading } from '../../../core/probe';
import { parseQuantity, seededRandom, own } from '../../../core/quantity';
import { buildFor, isPractice, standinOf, STANDINS } from '../../../core/standin';
import { Bench } from '../../store/bench';
import { HandsBusy } from '../../store/hands-busy';
import { Voice } from '../../ui/voice';
import { ControlPicture } from './control-picture';
import { LookChoice } from './look-choice';
import { Meanings } from './meanings';
import { ReadingRuler } from './reading-ruler';

/** The one next reading of a control, large: drawing, setting, state, caution, and the only field. */
@Component({
  selector: 'gt-next-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ControlPicture, LookChoice, MatButton, Meanings, ReadingRuler],
  host: { '(document:keydown)': 'key($event)' },
  templateUrl: './next-sheet.html',
})
export class NextSheet {
  protected readonly bench = inject(Bench);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('field');
  readonly next = input.required<NextReading>();
  readonly name = input.required<string>();
  protected readonly typed = signal('');
  protected readonly error = signal('');
  protected readonly standins = Object.values(STANDINS);
  protected readonly standin = computed(() => standinOf(this.bench.job().standin));
  /** Isolation is never put off; neither is the choice on the practice shelf. */
  protected readonly skippable = computed(
    () =>
      ![this.next().from, this.next().to].some((p) => ['mains', 'live', 'neutral', 'earth'].includes(p.kind)) &&
      !isPractice(this.bench.job().standin.model),
  );
  protected readonly unit = computed(() => {
    const { kind } = this.next();
    return kind === 'amps' ? 'mA' : `${UNIT_OF[kind]}${kind === 'volts-ac' ? ' AC' : ''}`;
  });
  protected readonly typedValue = computed(() => {
    const n = this.next();
    const parsed = this.typed().trim() ? parseQuantity(this.withUnit(this.typed()), UNIT_OF[n.kind]) : null;
    return parsed?.ok ? parsed.quantity.value * (n.kind === 'duty' ? 0.01 : 1) : null;
  });

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
      if (before && title !== before) untracked(() => setTimeout(() => this.take(field?.nativeElement)));
      before = title;
    });
  }

  /** Gives the caret to the field unless somebody is typing elsewhere: what is typed there must not end up here. */
  private take(field: HTMLInputElement | undefined): void {
    const at = document.activeElement;
    if (!at || at === document.body || this.host.nativeElement.contains(at)) field?.focus();
  }

  /** A bare number in the milliampere field is milliamperes; a typed unit wins. */
  private withUnit(text: string): string {
    return this.next().kind === 'amps' && /^[\s<>\d.,+-]+$/.test(text) ? `${text.trim()} mA` : text;
  }

  /** A number typed while the next question is still being found is kept in the field, not given to the last question. */
  protected enter(): void {
    if (!this.bench.working()) this.record(this.withUnit(this.typed()));
  }

  protected overRange(): void {
    this.record('OL');
  }

  protected look(said: Look): void {
    this.store({ value: 0, digit: 0, relation: '=', said }, 'hand');
  }

  /** Takes the number as the note line would, so that both ways in are one. */
  private record(text: string): void {
    const n = this.next();
    const { meter } = this.bench.job().survey;
    const parsed = parseQuantity(text, UNIT_OF[n.kind], UNIT_OF[n.kind] === 'Ω' ? meter.mostOhms : undefined);
    const refusal = parsed.ok
      ? parsed.quantity.unit !== UNIT_OF[n.kind]
        ? `this reading is in ${UNIT_OF[n.kind]}, not in ${parsed.quantity.unit}`
        : refuse({ ...n, value: parsed.quantity.value * (n.kind === 'duty' ? 0.01 : 1) }, meter)
      : `not understood at character ${parsed.at + 1}: ${parsed.message}`;
    if (!parsed.ok || refusal) {
      this.error.set(`${refusal!.charAt(0).toUpperCase()}${refusal!.slice(1)}.`);
      this.field()?.nativeElement.focus();
      return;
    }
    const { value, digit, relation } = parsed.quantity;
    const scale = n.kind === 'duty' ? 0.01 : 1;
    this.store({ value: value * scale, digit: digit * scale, relation, said: '' }, 'hand');
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
    this.typed.set('');
    this.error.set('');
  }

  protected skip(): void {
    const n = this.next();
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
      ),
    );
  }

  protected callStandin(model: string): void {
    const standin = own(STANDINS, model);
    if (standin)
      this.bench.set('standin', { model, seed: 1 }, `the ${standin.name} stand-in is measured instead of hardware`);
  }

  /** Hands busy: digits go to the only field; a foot pedal's Page Down goes on. */
  protected key(event: KeyboardEvent): void {
    const field = this.field()?.nativeElement;
    if (!field) return;
    if (event.key === 'PageDown' && this.typed().trim()) {
      event.preventDefault();
      this.enter();
    } else if (/^[\d.,<>-]$/.test(event.key) && !event.ctrlKey && !event.metaKey && event.target === document.body)
      field.focus();
  }
}
