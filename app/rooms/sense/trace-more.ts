import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { timeAlong, type AlikeSums, type Leg } from '../../../core/engines/trace';
import type { JobRecording, Loop, SenseLimit } from '../../../core/ground/job';
import { formatQuantity, type Unit } from '../../../core/ground/quantity';
import { loopEdit, roomFrom } from '../../../core/rooms/sense';
import { Action } from '../../kit/action';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { Bench } from '../../store/bench';
import { Recordings } from '../../store/recordings';
import type { Together } from '../../workers/trace.worker';

/** What else a recording tells: of a logged temperature its room, of a meter with another machine on it what cannot be told apart. */
@Component({
  selector: 'gt-trace-more',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, ChoiceField, MatButton],
  templateUrl: './trace-more.html',
})
export class TraceMore {
  readonly of = input.required<JobRecording>();
  /** Where its sense says so, if it does. */
  readonly limit = input.required<SenseLimit | null>();
  private readonly bench = inject(Bench);
  private readonly recordings = inject(Recordings);
  protected readonly legs = signal<readonly Leg[]>([]);
  protected readonly alike = signal<Together | null>(null);
  /** What became of taking it as a loop. */
  protected readonly taken = signal('');
  protected readonly other = signal('');
  protected readonly others = computed((): readonly Choice[] => {
    const here = this.of();
    const like = this.bench.job().recordings.filter((r) => r.id !== here.id && r.kind === here.kind);
    return like.length === 0 ? [] : [['', 'nothing'], ...like.map((r): Choice => [r.id, r.shows || r.name])];
  });
  protected readonly rows = computed(() =>
    this.legs().map((l) => ({
      way: l.way,
      lasts: time(l.toSeconds - l.fromSeconds),
      tau: time(l.tauSeconds),
      dead: time(l.deadSeconds),
      goesTo: `${this.say(l.goesTo)}${l.short ? ', a guess' : ''}`,
    })),
  );
  /** How long it is on and off within the band of its sense, at the least, and how often that is an hour. */
  protected readonly cycle = computed(() => {
    const limit = this.limit();
    if (!limit || limit.over <= limit.under) return null;
    const least = (way: Leg['way'], from: number, to: number): number =>
      Math.min(
        ...this.legs()
          .filter((l) => l.way === way)
          .map((l) => timeAlong(l, from, to)),
      );
    const [on, off] = [least('warmer', limit.under, limit.over), least('colder', limit.over, limit.under)];
    return Number.isFinite(on + off)
      ? { on: time(on), off: time(off), hour: Number((3600 / (on + off)).toPrecision(3)) }
      : null;
  });

  constructor() {
    effect(() => {
      const r = this.of();
      const source = this.recordings.sourceOf(r);
      untracked(() => {
        this.legs.set([]);
        this.other.set('');
        this.taken.set('');
        this.alike.set(null);
        if (!source || r.kind !== 'temperature') return;
        this.recordings.ask({ do: 'room', of: source }, source.file.size).then(
          (legs) => this.of().id === r.id && this.legs.set(legs),
          () => undefined,
        );
      });
    });
  }

  /** A loop of warmth with what this recording says of its room. */
  protected take(way: Loop['way']): void {
    const learned = roomFrom(this.legs(), way);
    if (!learned.ok) return this.taken.set(`Not taken: ${learned.why}.`);
    this.bench.edit(loopEdit(this.bench.job(), this.of(), way, learned.numbers, this.bench.newId()));
    this.taken.set(
      'Taken: Routine has the loop, under warmth and amounts. How long it goes on after it is switched this does not tell: say it there.',
    );
  }

  protected async beside(id: string): Promise<void> {
    this.other.set(id);
    this.alike.set(null);
    const [one, two] = [this.of(), this.bench.job().recordings.find((r) => r.id === id)];
    const [a, b] = [this.recordings.sourceOf(one), two && this.recordings.sourceOf(two)];
    if (!a || !b) return;
    const alike = await this.recordings.ask({ do: 'together', one: a, other: b }).catch(() => null);
    if (this.other() === id) this.alike.set(alike);
  }

  protected readonly say = (value: number): string =>
    formatQuantity(Number(value.toPrecision(3)), this.of().unit as Unit);
  protected readonly pair = (t: Together, x: AlikeSums): string =>
    `${this.sum(t, x.one)} and ${this.sum(t, x.other)} lie ${this.say(x.apart)} apart, and their noise asks for ${this.say(x.wanted)}`;
  /** Each machine at one of its levels, as one meter sums them. */
  private readonly sum = (t: Together, [a, b]: AlikeSums['one']): string =>
    `${this.say(t.one[a]!)} with ${this.say(t.other[b]!)}`;
}

const time = (s: number): string => formatQuantity(Number(s.toPrecision(3)), 's');
