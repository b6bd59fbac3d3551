import { MatButton } from '@angular/material/button';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  asReady,
  heedsOf,
  MACHINE_KIND_WORDS,
  READY_MACHINES,
  type ReadyMachine,
  ROLES_OF,
  RUNS,
  tableOf,
  TRAVELS,
} from '../../../core/rooms/act';
import { hasOther, otherWords } from '../../../core/engines/reversing';
import {
  AFTER_CUTS,
  freshPart,
  LONG_PRESSES,
  machineOf,
  partFields,
  shownFields,
  WHEN_BLOCKED,
  type Heed,
  type HeedRole,
  type MachineKind,
  type MachinePart,
  type Shown,
  type Timing,
  withTiming,
} from '../../../core/ground/job';
import { formatQuantity } from '../../../core/ground/quantity';
import { Action } from '../../kit/action';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { QuantityField } from '../../kit/quantity-field';
import { TextField } from '../../kit/text-field';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { Stopwatch } from '../../ui/stopwatch';
import { TakeAway } from '../../ui/take-away';
import { AsksPart } from './asks-part';

const ROLE_WORDS: Readonly<Record<HeedRole, string>> = {
  press: 'the press',
  on: 'on',
  off: 'off',
  open: 'open',
  close: 'close',
  stop: 'stop',
};
/** What a cell shows where an event is overlooked. */
const OVERLOOKED = '–';

/** Stands behind the id of a press for its other side: no id has it. */
const OTHER = '/other';

/** The machine: its parts, what a press does to each, with its times and other behaviours, and the state table that follows. */
@Component({
  selector: 'gt-machine-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Stopwatch,
    AsksPart,
    Action,
    CheckField,
    ChoiceField,
    DropButton,
    MatButton,
    MatMenu,
    MatMenuItem,
    MatMenuTrigger,
    QuantityField,
    TextField,
  ],
  templateUrl: './machine-part.html',
})
export class MachinePartView {
  protected readonly bench = inject(Bench);
  private readonly taker = inject(TakeAway);
  protected readonly fields = partFields;
  protected readonly shownFields = shownFields;
  protected readonly kinds = MACHINE_KIND_WORDS;
  protected readonly readyMachines = READY_MACHINES;
  protected readonly cuts: readonly Choice<MachinePart['afterPowerCut']>[] = AFTER_CUTS.map((c) => [
    c,
    c === 'as-before' ? 'as before' : c,
  ]);
  protected readonly longs: readonly Choice<MachinePart['longPress']>[] = LONG_PRESSES.map((l) => [
    l,
    { same: 'does the same', off: 'switches it off', nothing: 'does nothing' }[l],
  ]);
  protected readonly blocks: readonly Choice<MachinePart['whenBlocked']>[] = WHEN_BLOCKED.map((b) => [
    b,
    b.replace('-', ' '),
  ]);
  /** Id of the part that is open; empty for the first. */
  protected readonly open = signal('');
  protected readonly more = signal(false);
  protected readonly table = signal(false);
  /** What is being timed, and since when by the page's clock, ms. */
  protected readonly parts = computed(() => this.bench.job().act.parts);
  protected readonly part = computed(
    () => this.parts().find((p) => p.id === this.open()) ?? machineOf(this.bench.job()),
  );
  protected readonly choices = computed((): readonly Choice[] => this.parts().map((p) => [p.id, p.name]));
  protected readonly runs = computed(() => RUNS.includes(this.part().kind as MachineKind));
  protected readonly travels = computed(() => TRAVELS.includes(this.part().kind as MachineKind));
  protected readonly presses = computed((): readonly Choice[] => [
    ['', 'none'],
    ...this.bench
      .job()
      .presses.flatMap((p): Choice[] => [
        [p.id, p.name],
        ...(hasOther(p) ? [[`${p.id}${OTHER}`, `${p.name}, ${otherWords(p)}`] as const] : []),
      ]),
  ]);
  /** Each role of the kind with the press that has it. */
  protected readonly roles = computed(() => {
    const { kind } = this.part();
    if (kind === 'unknown' || kind === 'in-turn') return [];
    const heeds = heedsOf(this.bench.job(), this.part());
    return ROLES_OF[kind].map((role) => {
      const heed = heeds.find((h) => h.as === role);
      return { role, words: ROLE_WORDS[role], press: heed ? `${heed.press}${heed.other ? OTHER : ''}` : '' };
    });
  });
  /** Roles are asked for where there is something to choose. */
  protected readonly asksRoles = computed(
    () => this.roles().length > 1 || this.bench.job().presses.length > 1 || this.parts().length > 1,
  );
  protected readonly states = computed(() => {
    const p = this.part();
    return p.kind === 'unknown' ? null : tableOf(p);
  });
  protected readonly goes = computed((): readonly Choice[] => [
    ['', OVERLOOKED],
    ...(this.states()?.states ?? []).map((s): Choice => [s.key, s.key]),
  ]);
  protected readonly own = (seconds: number): string => formatQuantity(seconds, 's');

  protected set(set: Partial<MachinePart>, say?: string): void {
    this.bench.put('act.parts', { ...this.part(), ...set }, say);
  }

  protected kind(kind: MachinePart['kind']): void {
    this.set({ kind }, `what a press does: ${MACHINE_KIND_WORDS.find(([k]) => k === kind)![1]}`);
  }

  /** Takes a ready machine: its behaviours in place of what was said, the times as they are. */
  protected ready(r: ReadyMachine): void {
    this.bench.put('act.parts', asReady(this.bench.job(), this.part(), r), `the machine: ${r.words}`);
  }

  protected heed(role: HeedRole, press: string): void {
    const others = heedsOf(this.bench.job(), this.part()).filter((h) => h.as !== role);
    const other = press.endsWith(OTHER);
    const id = other ? press.slice(0, -OTHER.length) : press;
    const heeds: Heed[] = id ? [...others, { press: id, other, as: role }] : others;
    this.set({ heeds });
  }

  protected turns(text: string): void {
    const names = text.split(',').map((t) => t.trim().toLowerCase());
    const heeds = names.flatMap((n): Heed[] => {
      const press = this.bench.job().presses.find((p) => p.name.toLowerCase() === n);
      return press ? [{ press: press.id, other: false, as: 'press' }] : [];
    });
    this.set({ heeds });
  }
  protected readonly turnsText = computed(() =>
    this.part()
      .heeds.map((h) => this.bench.job().presses.find((p) => p.id === h.press)?.name ?? '')
      .join(', '),
  );

  protected modes(text: string): void {
    const modes = [...new Set(text.split(',').map((t) => t.trim()))].filter((t) => t !== '').slice(0, 20);
    this.set({ modes });
  }

  protected addPart(): void {
    const id = this.bench.newId();
    const first = this.parts().length === 0;
    this.bench.put('act.parts', freshPart(id, first ? 'machine' : `part ${this.parts().length + 1}`), 'one more part');
    this.open.set(id);
  }

  protected dropPart(p: MachinePart): void {
    this.taker.drop(`The ${p.name}`, 'act.parts', p.id);
    this.open.set('');
  }

  /** A cell of the table as the maker sets it; one that says what follows anyway is no edit. */
  /** What a state shows to the world, as far as it was said. */
  protected readonly shown = (state: string): Shown =>
    this.part().shows.find((s) => s.state === state) ?? { state, watts: null, light: false, sound: false, warm: false };

  protected show(state: string, set: Partial<Shown>): void {
    const next = { ...this.shown(state), ...set };
    this.set({ shows: [...this.part().shows.filter((s) => s.state !== state), next] }, `what “${state}” shows`);
  }

  protected took(of: Timing['of'], seconds: number): void {
    this.set(withTiming(this.part(), of, seconds), `${of === 'back' ? 'way back' : 'run'} timed: ${this.own(seconds)}`);
  }

  protected dropTiming(i: number): void {
    this.set({ timings: this.part().timings.filter((_, j) => j !== i) }, 'a timing taken away');
  }

  protected cell(state: string, event: string, to: string): void {
    const p = this.part();
    const others = p.cells.filter((c) => c.state !== state || c.event !== event);
    const plain = tableOf({ ...p, cells: others }).states.find((s) => s.key === state)?.on[event] ?? '';
    const cells = plain === to ? others : [...others, { state, event, to }];
    this.set({ cells }, `in “${state}”, ${event}: ${to || 'overlooked'}`);
  }
}
