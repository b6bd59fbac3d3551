import { MatButton } from '@angular/material/button';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, signal } from '@angular/core';
import { DISTURBANCES, freshFault, instantsOf, partingsOf, standAt, type RunTrace } from '../../../core/rooms/act';
import { handsIn } from '../../../core/build/panel';
import { FAULT_KINDS, type Fault, type FaultKind, faultFields } from '../../../core/ground/job';
import { formatQuantity } from '../../../core/ground/quantity';
import { Action } from '../../kit/action';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { isFree } from '../../ui/free-key';
import { TakeAway } from '../../ui/take-away';
import { Lanes } from './lanes';

/** Faults that last for a time that is entered. */
const LASTING: readonly FaultKind[] = FAULT_KINDS.filter((k) => DISTURBANCES[k].lasts !== 'no');
/** How long a power cut is that is tried at the instant that is looked at, s. */
const CUT_SECONDS = 10;

/** One run: its lanes, played and stepped through, with the faults that lie on it. */
@Component({
  selector: 'gt-run-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    ChoiceField,
    DropButton,
    FieldScope,
    Lanes,
    MatButton,
    MatMenu,
    MatMenuItem,
    MatMenuTrigger,
    QuantityField,
  ],
  host: { '(document:keydown)': 'key($event)' },
  templateUrl: './run-part.html',
})
export class RunPart {
  protected readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  readonly trace = input.required<RunTrace>();
  /** Number of the move that is run. */
  readonly move = input(0);
  protected readonly faultFields = faultFields;
  protected readonly faultWords = (kind: FaultKind): string => DISTURBANCES[kind].words;
  protected readonly faults = computed(() => this.bench.job().act.faults);
  protected readonly steps = computed(() => this.bench.job().act.moves[this.move()]?.steps ?? []);
  protected readonly cursor = signal<number | null>(null);
  protected readonly playing = signal(false);
  private timer: ReturnType<typeof setInterval> | undefined;
  protected readonly say = (seconds: number): string => formatQuantity(seconds, 's');
  protected readonly lasts = (f: Fault): boolean => LASTING.includes(f.kind);
  private readonly instants = computed(() => instantsOf(this.trace()));
  protected readonly partings = computed(() => partingsOf(this.trace()));
  protected readonly now = computed(() => {
    const at = this.cursor() ?? 0;
    const parts = this.trace().parts.map((p) => {
      const { machine, believes } = standAt(p, at);
      const whose = this.trace().parts.length > 1 ? p.name : 'the machine';
      return `${whose} is ${machine}, the plan believes ${believes}`;
    });
    return `${this.say(at)}: ${parts.join('; ')}`;
  });
  /** What each kind of fault may befall here. */
  private readonly targets = computed((): Readonly<Record<string, readonly Choice[]>> => {
    const job = this.bench.job();
    const named = (list: readonly { id: string; name: string }[]): readonly Choice[] => list.map((x) => [x.id, x.name]);
    return {
      press: named(job.presses),
      sense: named(job.senses),
      part: named(job.act.parts),
      move: named(job.act.moves),
      hand: handsIn(job).map((h) => [h.id, h.name]),
    };
  });
  protected readonly targetsOf = (f: Fault): readonly Choice[] => {
    const of = DISTURBANCES[f.kind].befalls;
    const list = of === null ? [] : this.targets()[of]!;
    return list.length > 1 ? list : [];
  };
  protected readonly kinds = computed(() =>
    FAULT_KINDS.filter((k) => {
      const { befalls } = DISTURBANCES[k];
      return befalls === null || this.targets()[befalls]!.length > 0;
    }),
  );

  constructor() {
    inject(DestroyRef).onDestroy(() => clearInterval(this.timer));
  }

  protected add(kind: FaultKind): void {
    const of = DISTURBANCES[kind].befalls;
    const target = of === null ? '' : (this.targets()[of]![0]?.[0] ?? '');
    this.bench.put(
      'act.faults',
      freshFault(this.bench.newId(), kind, this.trace().end, target),
      `fault: ${DISTURBANCES[kind].words}`,
    );
  }

  /** A power cut at the very instant that is looked at. */
  protected cutHere(): void {
    const item: Fault = {
      id: this.bench.newId(),
      kind: 'power-cut',
      atSeconds: Number((this.cursor() ?? 0).toFixed(3)),
      seconds: CUT_SECONDS,
      of: '',
    };
    this.bench.put('act.faults', item, `power cut at ${this.say(item.atSeconds)}`);
  }

  protected change(f: Fault, set: Partial<Fault>): void {
    this.bench.put('act.faults', { ...f, ...set }, `fault changed: ${DISTURBANCES[f.kind].words}`);
  }

  protected lay({ id, atSeconds }: { id: string; atSeconds: number }): void {
    const f = this.faults().find((x) => x.id === id);
    if (f && f.atSeconds !== atSeconds)
      this.bench.put(
        'act.faults',
        { ...f, atSeconds },
        `fault moved to ${this.say(atSeconds)}: ${DISTURBANCES[f.kind].words}`,
      );
  }

  /** A step of the move, made longer or shorter on the lanes. */
  protected stretch({ step, seconds }: { step: number; seconds: number }): void {
    const steps = this.steps().map((s, i) => (i === step ? { ...s, seconds } : s));
    const move = this.bench.job().act.moves[this.move()]!;
    this.bench.put('act.moves', { ...move, steps }, `step ${step + 1}: ${steps[step]!.do} for ${this.say(seconds)}`);
  }

  protected remove(f: Fault): void {
    this.taker.drop(
      `The ${DISTURBANCES[f.kind].words}`,
      'act.faults',
      f.id,
      `fault taken away: ${DISTURBANCES[f.kind].words}`,
    );
  }

  protected play(): void {
    clearInterval(this.timer);
    if (this.playing()) return this.playing.set(false);
    this.playing.set(true);
    const { end } = this.trace();
    if (this.cursor() === null || this.cursor()! >= end) this.cursor.set(0);
    this.timer = setInterval(() => {
      const next = (this.cursor() ?? 0) + end / 160;
      this.cursor.set(Math.min(end, next));
      if (next >= end) {
        clearInterval(this.timer);
        this.playing.set(false);
      }
    }, 50);
  }

  protected step(): void {
    this.to(this.instants());
  }

  /** To where plan and machine part next, round to the first again. */
  protected part(): void {
    this.to(this.partings());
  }

  private to(instants: readonly number[]): void {
    const at = this.cursor() ?? -1;
    this.cursor.set(instants.find((t) => t > at) ?? instants[0] ?? 0);
  }

  protected key(event: KeyboardEvent): void {
    if (!isFree(event.target) || event.ctrlKey || event.metaKey) return;
    if (event.key === ' ') this.play();
    else if (event.key === '.') this.step();
    else return;
    event.preventDefault();
  }
}
