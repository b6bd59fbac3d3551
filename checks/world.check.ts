// The same machines in an independent statechart library: 10,000 random sequences of presses, hands and power cuts, the same states at
// the same times; and how many events a second each of them follows.
import { describe, expect, it } from 'vitest';
import { assign, createActor, createMachine } from 'xstate';
import { tableOf } from '../core/act/machine';
import { MACHINE_KINDS, type MachineModel } from '../core/job';
import { seededRandom, type Random } from '../core/quantity';
import { compile, roomFor, run, WORLD_EVENTS, type MachineTable } from '../core/world';

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

/** A machine with times in whole milliseconds, so that both clocks count alike. */
const machine = (r: Random): MachineModel => ({
  kind: one(r, MACHINE_KINDS),
  shortestPressSeconds: 0,
  runSeconds: (1 + Math.floor(r.next() * 20_000)) / 1e3,
  afterPowerCut: one(r, ['off', 'as-before']),
});

/** Presses and cuts at whole milliseconds, a cut never within a cut. */
function happenings(r: Random): { at: number; what: number }[] {
  const list: { at: number; what: number }[] = [];
  let t = 0;
  for (let n = 2 + Math.floor(r.next() * 8); n > 0; n--) {
    t += 1 + Math.floor(r.next() * 9000);
    if (r.next() < 0.8) list.push({ at: t, what: 0 });
    else {
      const back = t + 1 + Math.floor(r.next() * 5000);
      list.push({ at: t, what: 1 }, { at: back, what: 2 });
      t = back;
    }
  }
  return list;
}

describe('machines against an independent statechart library', () => {
  it('10,000 random sequences: the same states at the same times', () => {
    const r = seededRandom(14);
    const room = roomFor(64, 64);
    let followed = 0;
    for (let n = 0; n < 10_000; n++) {
      const model = machine(r);
      const table = tableOf(model);
      const m = compile(table);
      const list = happenings(r);
      const ours = run(
        m,
        {
          at: Float64Array.from(list, (x) => x.at / 1e3),
          what: Uint8Array.from(list, (x) => x.what),
          count: list.length,
        },
        200,
        room,
      );
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
        actor.send({ type: WORLD_EVENTS[x.what]! });
      }
      clock.to(200_000);
      const key = (i: number): string => table.states[ours.state[i]!]!.key;
      const own = Array.from({ length: ours.count }, (_, i): [number, string] => [ours.from[i]!, key(i)]);
      const seen = own.filter((x, i) => i === 0 || x[1] !== own[i - 1]![1]);
      expect(
        theirs.map((x) => x[1]),
        JSON.stringify({ model, list }),
      ).toEqual(seen.map((x) => x[1]));
      // Its delays are whole milliseconds, ours are not rounded: two of them may lie between.
      theirs.forEach(([t], i) => expect(Math.abs(t / 1e3 - seen[i]![0])).toBeLessThan(0.004));
      followed += seen.length;
    }
    expect(followed).toBeGreaterThan(30_000);
  }, 240_000);

  it('follows two million events a second, and twenty times as many as the library does', () => {
    const model: MachineModel = {
      kind: 'open-stop-close-stop',
      shortestPressSeconds: 0,
      runSeconds: 16,
      afterPowerCut: 'off',
    };
    const table = tableOf(model);
    const m = compile(table);
    const count = 1_000_000;
    const list = {
      at: Float64Array.from({ length: count }, (_, i) => i * 7),
      what: new Uint8Array(count),
      count,
    };
    const room = roomFor(2 * count, count);
    run(m, list, 7 * count, room);
    const began = performance.now();
    run(m, list, 7 * count, room);
    const rate = (1e3 * count) / (performance.now() - began);
    const few = 20_000;
    const clock = new Clock();
    const actor = createActor(
      chartOf(table, () => clock.now() / 1e3),
      { clock },
    );
    actor.start();
    const start = performance.now();
    for (let i = 0; i < few; i++) {
      actor.send({ type: 'press' });
      clock.to(7000 * (i + 1));
    }
    const theirs = (1e3 * few) / (performance.now() - start);
    console.log(
      `${(rate / 1e6).toFixed(1)} million events a second; the statechart library ${(theirs / 1e3).toFixed(1)} thousand`,
    );
    expect(rate).toBeGreaterThan(2e6);
    expect(rate).toBeGreaterThan(20 * theirs);
  }, 120_000);
});
