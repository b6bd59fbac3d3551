// The same machines in an independent statechart library: 10,000 random sequences of presses, hands and power cuts, the same states at
// the same times; and how many events a second each of them follows.
import { describe, expect, it } from 'vitest';
import { assign, createActor, createMachine } from 'xstate';
import { tableOf } from '../core/rooms/act';
import { freshPart, MACHINE_KINDS, type MachinePart } from '../core/ground/job';
import { seededRandom, type Random } from '../core/ground/quantity';
import { alone } from '../core/testing/worlds';
import {
  compileWorld,
  freshLog,
  happeningsOf,
  LOGGED,
  runTo,
  worldOf,
  type WorldEvent,
  type MachineTable,
} from '../core/engines/world';
import { usualMs } from '../core/testing/pace';

/** A clock for the library that stops at each time that it was asked to call at; the library's own jumps over them. */
class Clock {
  private readonly due = new Map<number, { at: number; call: () => void }>();
  private ids = 0;
  private time = 0;
  now = (): number => this.time;
  setTimeout = (call: (...args: never[]) => void, milliseconds: number): number => {
    this.due.set(++this.ids, { at: this.time + milliseconds, call: call as () => void });
    return this.ids;
  };
  clearTimeout = (id: unknown): void => void this.due.delete(id as number);
  to(time: number): void {
    for (;;) {
      const next = [...this.due].sort(([, a], [, b]) => a.at - b.at)[0];
      if (!next || next[1].at > time) break;
      this.due.delete(next[0]);
      this.time = next[1].at;
      next[1].call();
    }
    this.time = time;
  }
}

interface Place {
  position: number;
  since: number;
}

/** The table as a statechart: delays by its own clock, the place along the way as its context. */
function chartOf(table: MachineTable, now: () => number) {
  const speedOf = new Map(table.states.map((s) => [s.key, s.speed]));
  const moved = (key: string) =>
    assign(({ context }: { context: Place }) => ({
      position: Math.min(1, Math.max(0, context.position + speedOf.get(key)! * (now() - context.since))),
      since: now(),
    }));
  return createMachine({
    context: { position: 0, since: 0 } as Place,
    initial: table.start,
    states: Object.fromEntries(
      table.states.map((s) => [
        s.key,
        {
          exit: moved(s.key),
          on: Object.fromEntries(Object.entries(s.on).map(([event, to]) => [event, { target: to, reenter: true }])),
          ...(s.after
            ? { after: { [Math.round(s.after.seconds * 1e3)]: s.after.then } }
            : s.atEnd
              ? { after: { [`way ${s.key}`]: s.atEnd } }
              : {}),
        },
      ]),
    ),
  } as never).provide({
    delays: Object.fromEntries(
      table.states
        .filter((s) => s.atEnd)
        .map((s) => [
          `way ${s.key}`,
          ({ context }: { context: Place }) =>
            Math.round(1e3 * (s.speed > 0 ? (1 - context.position) / s.speed : context.position / -s.speed)),
        ]),
    ),
  } as never);
}

const one = <T>(r: Random, list: readonly T[]): T => list[Math.floor(r.next() * list.length)]!;

/** A part with times in whole milliseconds, so that both clocks count alike; behaviours that exclude each other are left out. */
function part(r: Random): MachinePart {
  const kind = one(r, MACHINE_KINDS);
  const ms = (most: number): number => (1 + Math.floor(r.next() * most)) / 1e3;
  const held = kind === 'while-held' || kind === 'travels-while-held';
  return {
    ...freshPart('it', 'it'),
    kind,
    shortestPressSeconds: 0,
    longestPressSeconds: 3,
    runSeconds: ms(20_000),
    backSeconds: r.next() < 0.3 ? ms(20_000) : null,
    afterPowerCut: one(r, ['off', 'as-before', 'on']),
    timerSeconds: kind !== 'starts-and-stops-itself' && r.next() < 0.3 ? ms(15_000) : null,
    firstPressWakes: !held && r.next() < 0.3,
    awakeSeconds: ms(8000),
    longPress: held ? 'same' : one(r, ['same', 'off', 'nothing']),
    whenBlocked: one(r, ['goes-on', 'stops', 'goes-back']),
    deafWhileBusy: !held && kind !== 'open-stop-close-stop' && r.next() < 0.2,
    asks: [1, 2, 3].flatMap((after) =>
      r.next() < 0.4
        ? [
            {
              after,
              word: `ask ${after}`,
              by: r.next() < 0.5 ? ('hand' as const) : ('itself' as const),
              seconds: ms(6000),
            },
          ]
        : [],
    ),
    heeds: kind === 'in-turn' ? [0, 1, 2].map((n) => ({ press: `p${n}`, other: false, as: 'press' as const })) : [],
  };
}

/** Events at whole milliseconds, a cut never within a cut. */
function happenings(r: Random, table: MachineTable): { at: number; what: number }[] {
  const list: { at: number; what: number }[] = [];
  const others = table.events.length - 2;
  let t = 0;
  for (let n = 2 + Math.floor(r.next() * 8); n > 0; n--) {
    t += 1 + Math.floor(r.next() * 9000);
    if (r.next() < 0.8) list.push({ at: t, what: Math.floor(r.next() * others) });
    else {
      const back = t + 1 + Math.floor(r.next() * 5000);
      list.push({ at: t, what: others }, { at: back, what: others + 1 });
      t = back;
    }
  }
  return list;
}

describe('machines against an independent statechart library', () => {
  it('10,000 random sequences of every kind with its behaviours: the same states at the same times', () => {
    const r = seededRandom(14);
    let followed = 0;
    for (let n = 0; n < 10_000; n++) {
      const model = part(r);
      const table = tableOf(model);
      const list = happenings(r, table);
      const w = compileWorld(alone(table));
      const log = freshLog(64);
      const given = happeningsOf(list.map((x): WorldEvent => ({ at: x.at / 1e3, what: 'meets', of: 0, how: x.what })));
      runTo(worldOf(w, given, log), 200, given, log);
      const clock = new Clock();
      const actor = createActor(
        chartOf(table, () => clock.now() / 1e3),
        { clock },
      );
      const theirs: [number, string][] = [];
      actor.subscribe((s) => {
        const key = s.value as string;
        if (theirs.at(-1)?.[1] !== key) theirs.push([clock.now(), key]);
      });
      actor.start();
      for (const x of list) {
        clock.to(x.at);
        actor.send({ type: table.events[x.what]! });
      }
      clock.to(200_000);
      const own: [number, string][] = [];
      for (let i = 0; i < log.count; i++)
        if (log.kind[i] === LOGGED.part) own.push([log.at[i]!, w.keys[log.value[i]!]!]);
      const seen = own.filter((x, i) => i === 0 || x[1] !== own[i - 1]![1]);
      expect(
        theirs.map((x) => x[1]),
        JSON.stringify({ model, list }),
      ).toEqual(seen.map((x) => x[1]));
      // Its delays are whole milliseconds, ours are not rounded: two of them may lie between, and a place that is half a
      // millisecond off on a short way is off by more on a longer way back.
      const [there, back] = [model.runSeconds!, model.backSeconds ?? model.runSeconds!];
      const near = 0.004 * Math.max(1, there / back, back / there);
      theirs.forEach(([t], i) => expect(Math.abs(t / 1e3 - seen[i]![0])).toBeLessThan(near));
      followed += seen.length;
    }
    expect(followed).toBeGreaterThan(30_000);
  });

  it('follows two million events a second, and twenty times as many as the library does', () => {
    const gate: MachinePart = {
      ...freshPart('gate', 'gate'),
      kind: 'open-stop-close-stop',
      shortestPressSeconds: 0,
      runSeconds: 16,
    };
    const table = tableOf(gate);
    const w = compileWorld(alone(table));
    const count = 1_000_000;
    const given = happeningsOf(
      Array.from({ length: count }, (_, i): WorldEvent => ({ at: i * 7, what: 'meets', of: 0, how: 0 })),
    );
    let events = 0;
    const run = (): void => void (events = runTo(worldOf(w, given), 7 * count, given, null, Infinity));
    const rate = (1e3 * (run(), events)) / usualMs(run, 4);
    const few = 20_000;
    const clock = new Clock();
    const actor = createActor(
      chartOf(table, () => clock.now() / 1e3),
      { clock },
    );
    actor.start();
    const others = usualMs(() => {
      for (let i = 0; i < few; i++) {
        actor.send({ type: 'press' });
        clock.to(7000 * (i + 1));
      }
    }, 1);
    const theirs = (1e3 * few) / others;
    console.log(
      `${(rate / 1e6).toFixed(1)} million events a second; the statechart library ${(theirs / 1e3).toFixed(1)} thousand`,
    );
    expect(rate).toBeGreaterThan(2e6);
    expect(rate).toBeGreaterThan(20 * theirs);
  });
});
