import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { DropButton } from '../../ui/drop-button';
import { FieldScope } from '../../kit/half-typed';
import { CheckField } from '../../kit/check-field';
import { ChoiceField } from '../../kit/choice-field';
import { QuantityField } from '../../kit/quantity-field';
import { Action } from '../../kit/action';
import { FAULT_WORDS, freshFault, freshStep, instantsOf, MACHINE_KIND_WORDS, oneRun, standAt } from '../../../core/act';
import {
  FAULT_KINDS,
  type Fault,
  type MachinePlan,
  type ScriptStep,
  faultFields,
  machineFields,
} from '../../../core/job';
import { manyDays } from '../../../core/many-days';
import { formatQuantity } from '../../../core/quantity';
import type { Choice } from '../../kit/choice-field';
import { TakeAway } from '../../ui/take-away';
import { Bench } from '../../store/bench';
import { isFree } from '../../ui/free-key';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { Lanes } from './lanes';

const ADD_WORDS: Record<Fault['kind'], string> = {
  'missed-press': 'missed press',
  'power-cut': 'power cut',
  'hand-press': 'press by hand',
};

/** How long a run is drawn before its own length is known, s. */
const USUAL_RUN_SECONDS = 10;

/** The same days each time, so that two plans meet the same bad luck. */
const SEED = 1;

/** Act: lanes over time, press script above, machine below, faults as pins on the time axis. */
@Component({
  selector: 'gt-act-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    CheckField,
    ChoiceField,
    DropButton,
    FieldScope,
    FindingList,
    Lanes,
    MatButton,
    QuantityField,
    Settle,
    TwoColumns,
  ],
  host: { '(document:keydown)': 'key($event)' },
  templateUrl: './act-room.html',
})
export class ActRoom {
  protected readonly machineFields = machineFields;
  protected readonly faultFields = faultFields;
  protected readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly cuts: readonly Choice<MachinePlan['afterPowerCut']>[] = [
    ['off', 'off'],
    ['as-before', 'as before'],
  ];
  protected readonly kinds = MACHINE_KIND_WORDS;
  protected readonly faultKinds = FAULT_KINDS;
  protected readonly faultWords = FAULT_WORDS;
  protected readonly addWords = ADD_WORDS;
  protected readonly act = computed(() => this.bench.job().act);
  protected readonly trace = computed(() => oneRun(this.bench.job()));
  protected readonly findings = computed(() => this.bench.findings('act'));
  protected readonly cursor = signal<number | null>(null);
  protected readonly playing = signal(false);
  protected readonly spans: readonly (readonly [days: number, words: string])[] = [
    [30, 'a month'],
    [365, 'a year'],
    [3650, 'ten years'],
  ];
  protected readonly days = signal(0);
  /** Many days under random faults, in words: how many starts went as the plan believes, and what went wrong. */
  protected readonly many = computed(() => {
    const outcome = this.days() ? manyDays(this.bench.job(), this.days(), SEED) : null;
    if (!outcome) return '';
    if (!outcome.kept) return 'Nothing starts by itself yet: write a sentence in Routine.';
    const { kept, starts, asBelieved, missed, byHand, powerCuts, partedSeconds } = outcome;
    const share = (x: number): string => `${(100 * x).toFixed(1)} %`;
    return (
      `Of ${starts} starts ${asBelieved} went as the plan believes: ${share(kept.nominal)}, ` +
      `between ${share(kept.low)} and ${share(kept.high)} for such days. ` +
      `Plan and machine were apart for ${formatQuantity(partedSeconds, 's')} in all. On the way: ` +
      `${missed} presses missed, ${byHand} by somebody’s hand, ${powerCuts} power cuts.`
    );
  });
  private timer: ReturnType<typeof setInterval> | undefined;
  protected readonly say = (seconds: number): string => formatQuantity(seconds, 's');
  private readonly instants = computed(() => (this.trace() ? instantsOf(this.trace()!) : [0]));
  protected readonly now = computed(() => {
    const t = this.trace();
    const at = this.cursor() ?? 0;
    if (!t) return '';
    const { machine, believes } = standAt(t, at);
    return `${this.say(at)}: the machine is ${machine}, the plan believes ${believes}`;
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => clearInterval(this.timer));
  }

  private set(set: Partial<ReturnType<typeof this.act>>, say: string): void {
    this.bench.set('act', set, say);
  }

  protected machine(set: Partial<MachinePlan>, say?: string): void {
    this.bench.set('act.machine', set, say);
  }

  protected kind(kind: MachinePlan['kind']): void {
    this.machine({ kind }, `what a press does: ${MACHINE_KIND_WORDS.find(([k]) => k === kind)![1]}`);
  }

  protected addStep(what: ScriptStep['do']): void {
    const step = freshStep(
      what,
      this.act().script.findLast((s) => s.do === 'press')?.press ?? this.presses()[0]?.[0] ?? '',
    );
    this.set({ script: [...this.act().script, step] }, `${what} for ${this.say(step.seconds)}`);
  }

  protected readonly presses = computed(() => this.bench.job().presses.map((p): Choice => [p.id, p.name]));
  /** Presses whose finger reaches both sides of a rocker. */
  protected readonly twoSided = (id: string): boolean =>
    this.bench.job().presses.some((p) => p.id === id && p.way === 'finger' && p.finger.otherDegrees !== null);

  /** Which press a step presses, and which side of it. */
  protected press(i: number, set: Partial<Pick<ScriptStep, 'press' | 'other'>>): void {
    const script = this.act().script.map((x, j) => (j === i ? { ...x, ...set } : x));
    const name = this.presses().find(([id]) => id === script[i]!.press)?.[1] ?? '';
    this.set({ script }, `step ${i + 1} presses ${name}${script[i]!.other ? ', its other side' : ''}`);
  }

  protected setStep(i: number, seconds: number): void {
    this.set(
      { script: this.act().script.map((x, j) => (j === i ? { ...x, seconds } : x)) },
      `${this.act().script[i]!.do} for ${this.say(seconds)}`,
    );
  }

  protected removeStep(i: number): void {
    this.taker.edit(`Step ${i + 1}`, {
      do: 'set',
      at: 'act',
      set: { script: this.act().script.filter((_, j) => j !== i) },
      say: `step ${i + 1} of the press script taken away`,
    });
  }

  protected addFault(kind: Fault['kind']): void {
    const fault = freshFault(this.bench.newId(), kind, this.trace()?.end ?? USUAL_RUN_SECONDS);
    this.bench.put('act.faults', fault, `fault: ${FAULT_WORDS[kind]}`);
  }

  protected move({ id, atSeconds }: { id: string; atSeconds: number }): void {
    const f = this.act().faults.find((x) => x.id === id);
    if (f && f.atSeconds !== atSeconds)
      this.bench.put(
        'act.faults',
        { ...f, atSeconds },
        `fault moved to ${this.say(atSeconds)}: ${FAULT_WORDS[f.kind]}`,
      );
  }

  protected removeFault(f: Fault): void {
    this.taker.drop(`The ${FAULT_WORDS[f.kind]}`, 'act.faults', f.id, `fault taken away: ${FAULT_WORDS[f.kind]}`);
  }

  protected play(): void {
    clearInterval(this.timer);
    if (this.playing()) return this.playing.set(false);
    this.playing.set(true);
    const end = this.trace()?.end;
    if (end === undefined) return this.playing.set(false);
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
    const at = this.cursor() ?? -1;
    this.cursor.set(this.instants().find((t) => t > at) ?? 0);
  }

  protected key(event: KeyboardEvent): void {
    if (!isFree(event.target) || event.ctrlKey || event.metaKey) return;
    if (event.key === ' ') this.play();
    else if (event.key === '.') this.step();
    else return;
    event.preventDefault();
  }
}
