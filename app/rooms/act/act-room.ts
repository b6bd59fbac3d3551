import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { FieldScope } from '../../kit/half-typed';
import { ChoiceField } from '../../kit/choice-field';
import { QuantityField } from '../../kit/quantity-field';
import { Action } from '../../kit/action';
import { MACHINE_KIND_WORDS, oneRun } from '../../../core/act';
import {
  FAULT_KINDS,
  type Fault,
  type MachinePlan,
  type ScriptStep,
  faultFields,
  machineFields,
} from '../../../core/job';
import { formatQuantity } from '../../../core/quantity';
import type { Choice } from '../../kit/choice-field';
import { TakeAway } from '../../ui/take-away';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { FAULT_WORDS, Lanes } from './lanes';

const ADD_WORDS: Record<Fault['kind'], string> = {
  'missed-press': 'missed press',
  'power-cut': 'power cut',
  'hand-press': 'press by hand',
};

/** Act: lanes over time, press script above, machine below, faults as pins on the time axis. */
@Component({
  selector: 'gt-act-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, ChoiceField, FieldScope, FindingList, Lanes, MatButton, QuantityField, Settle, TwoColumns],
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
  private timer: ReturnType<typeof setInterval> | undefined;
  protected readonly say = (seconds: number): string => formatQuantity(seconds, 's');
  private readonly instants = computed(() => {
    const t = this.trace();
    if (!t) return [0];
    return [
      ...new Set([
        0,
        ...t.contact.flatMap((c) => [c.from, c.to]),
        ...t.seen.map((p) => p.at),
        ...t.machine.map((s) => s.from),
        ...t.believes.map((s) => s.from),
        t.end,
      ]),
    ].sort((a, b) => a - b);
  });
  protected readonly now = computed(() => {
    const at = this.cursor() ?? 0;
    const word = (spans: readonly { from: number; to: number; word: string }[]): string =>
      spans.find((s) => s.from <= at && at < s.to)?.word ?? spans[spans.length - 1]?.word ?? '';
    const t = this.trace();
    return t ? `${this.say(at)}: the machine is ${word(t.machine)}, the plan believes ${word(t.believes)}` : '';
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
    const seconds = what === 'press' ? 0.18 : 1;
    this.set({ script: [...this.act().script, { do: what, seconds }] }, `${what} for ${this.say(seconds)}`);
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
    const end = this.trace()?.end ?? 10;
    const atSeconds = kind === 'missed-press' ? 0 : Number((end * 0.3).toFixed(1));
    const seconds = kind === 'power-cut' ? Number((end * 0.15).toFixed(1)) : 0;
    const fault = { id: this.bench.newId(), kind, atSeconds, seconds };
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
    if (event.target !== document.body || event.ctrlKey || event.metaKey) return;
    if (event.key === ' ') this.play();
    else if (event.key === '.') this.step();
    else return;
    event.preventDefault();
  }
}
