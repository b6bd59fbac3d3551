// Hands at the controller and two directions of a motor: the packed C99 on the host, the packed MicroPython in its own interpreter, and
// the engine, the same edges to the millisecond;
// and, of the program by itself, that no direction ever comes before the other has come to rest.
import { copyFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { sceneOf } from '../core/rooms/act';
import { assess } from '../core/house/assess';
import { assignPins, profileOf } from '../core/rooms/board';
import { filesOf } from '../core/house/deliver';
import {
  edited,
  freshHand,
  freshMove,
  stepOf,
  type Hand,
  type Job,
  sentenceAt,
  type JobEdit,
  type RoutineLimit,
  type Sentence,
  type MotorPlan,
} from '../core/ground/job';
import { pinOf } from '../core/build/lines';
import { seededRandom, type Random } from '../core/ground/quantity';
import { compileWorld, freshLog, happeningsOf, LOGGED, runTo, worldOf, type WorldEvent } from '../core/engines/world';
import { demoJob } from '../core/testing/jobs';
import { freshInterpreter } from './interpreter';
import { rehearse, type BenchEvent } from '../core/engines/rehearsal';
import { inFolder, runProgram } from './programs';

const NOW = '2026-03-02T14:00:00Z';
const COAST = 0.43;
const below = (r: Random, n: number): number => Math.floor(r.next() * n);

const one = <T>(r: Random, list: readonly T[]): T => list[below(r, list.length)]!;

/** Rules in tiers that begin, lock out, put modes on and off and call; modes that end, hands that are remembered, limits of all sorts. */
function routineOf(r: Random): Partial<Job['routine']> {
  const ruled = (i: number): Partial<Sentence> => ({
    days: [1, 2, 3, 4, 5, 6, 7],
    does: one(r, ['move', 'move', 'move', 'mode-on', 'mode-off', 'call']),
    move: one(r, ['open', 'close']),
    sets: one(r, ['away', 'cleaning']),
    tier: one(r, ['comfort', 'comfort', 'hand', 'lock-out', 'safety']),
    whenHeld: one(r, ['dropped', 'late', 'kept']),
    lateSeconds: 3.7 + i,
    gapSeconds: one(r, [0, 0, 31.7]),
    aDay: one(r, [null, null, 1]),
    ifArmed: r.next() < 0.2,
    ifs:
      r.next() < 0.3
        ? [{ kind: 'mode', is: r.next() < 0.5, mode: 'away', sense: '', from: '00:00', until: '00:00' }]
        : [],
  });
  return {
    sentences: [
      ...Array.from({ length: 5 }, (_, i) =>
        sentenceAt(one(r, ['08:00', '08:01', '08:02']), { id: `s${i}`, ...ruled(i) }),
      ),
      ...['away', 'cleaning'].map((mode, i) =>
        sentenceAt('00:00', { id: `m${i}`, ...ruled(5 + i), when: 'mode', mode, says: r.next() < 0.7 }),
      ),
    ],
    modes: ['away', 'cleaning'].map((id) => ({
      id,
      name: id,
      on: r.next() < 0.3,
      holds: one(r, ['nothing', 'comfort', 'hands'] as const),
      endsSeconds: one(r, [null, 17.3, 41.9]),
    })),
    limits: [
      ...(r.next() < 0.4 ? [limitOf('longest-on', { press: 'motor', seconds: 1.61 })] : []),
      ...(r.next() < 0.4 ? [limitOf('least-off', { press: 'motor', seconds: 0.87 })] : []),
      ...(r.next() < 0.3 ? [limitOf('a-day', { move: 'open', count: 4 })] : []),
      ...(r.next() < 0.3 ? [limitOf('only-armed', { move: 'close' })] : []),
    ],
    handHoldsSeconds: one(r, [null, 9.4]),
  };
}
const limitOf = (kind: RoutineLimit['kind'], set: Partial<RoutineLimit>): RoutineLimit => ({
  ...{ id: kind, kind, press: '', otherPress: '', move: '', sense: '', seconds: 1, count: 1 },
  ...set,
});

/** A shutter whose motor runs both ways, with all sorts of hands; moves are random presses of either direction, and one that only waits. */
function jobOf(r: Random, wiring: MotorPlan['wiring'], routine: (r: Random) => Partial<Job['routine']>): Job {
  const base = demoJob('hatch-shutter');
  // What begins with the program waits until whatever turned before has come to rest: the engine's run begins at rest.
  const steps = (n: number) => [
    stepOf('wait', { seconds: 0.5 }),
    ...Array.from({ length: n }, () =>
      r.next() < 0.75
        ? stepOf('press', { press: 'motor', other: r.next() < 0.5, seconds: (1 + below(r, 9)) / 10 })
        : stepOf('wait', { seconds: (1 + below(r, 6)) / 10 }),
    ),
  ];
  const hand = (id: string, set: Partial<Hand>): JobEdit => ({
    do: 'put',
    list: 'hands',
    item: { ...freshHand(id, id), ...set, debounceSeconds: below(r, 2) / 20 },
  });
  const counted = r.next() < 0.5;
  const week = routine(r);
  const job = edited(
    base,
    {
      do: 'several',
      edits: [
        {
          do: 'set',
          at: 'press',
          of: 'motor',
          set: { motor: { ...base.presses[0]!.motor, wiring, coastSeconds: COAST } },
        },
        { do: 'put', list: 'act.moves', item: { ...freshMove('open', 'open'), steps: steps(2 + below(r, 4)) } },
        { do: 'put', list: 'act.moves', item: { ...freshMove('close', 'close'), steps: steps(1 + below(r, 3)) } },
        hand('rocker', { kind: 'rocker', asks: ['motor', 'motor'] }),
        hand('stop', { kind: 'stop', latching: true }),
        hand('again', { kind: 'button', begins: ['open', 'close'] }),
        hand('up-too', { kind: 'button', asks: ['motor'], latching: r.next() < 0.5 }),
        // Some have nothing that arms: commands go then as they come.
        ...(r.next() < 0.3
          ? []
          : [
              hand('arm', { kind: 'arm', latching: r.next() < 0.5, startsPerArming: counted ? 1 + below(r, 2) : null }),
            ]),
        hand('came', { kind: 'answer' }),
        hand('toggle', { kind: 'command', begins: ['open', 'close'], topic: 'kitchen/toggle' }),
        hand('down', { kind: 'command', begins: ['close'], topic: 'kitchen/down' }),
        {
          do: 'set',
          at: 'routine',
          set: week,
          say: 'a week',
        },
        hand('leaves', { kind: 'mode', mode: week.modes?.[0]?.id ?? '', latching: r.next() < 0.5 }),
      ],
    } as JobEdit,
    NOW,
  );
  const placed = assignPins(job, assess(job).lines, profileOf(job)!);
  if (!placed.ok) throw new Error('no pins');
  return edited(job, { do: 'set', at: 'board', set: { pins: [...placed.pins] }, say: 'placed' }, NOW);
}

const END = 150_000;
/** The clock begins so long before the first sentence, ms. */
const LEAD = 20_000;

interface Moved {
  readonly ms: number;
  /** Number of the side, or −1 for a start. */
  readonly side: number;
  readonly on: number;
}

/**
 * Random hands: each side is moved and let go again and again, in bursts that run into each other. All lengths are tenths of a second,
 * debounces a twentieth, and each side has milliseconds of its own, and so has the coast: what falls due at one instant has no order
 * that both must share.
 */
function movedOf(r: Random, sides: number): Moved[] {
  const out: Moved[] = [];
  for (let side = 0; side < sides; side++) {
    let on = 0;
    for (let t = 10 + below(r, 200); 100 * t < END - 3000; t += 1 + below(r, r.next() < 0.4 ? 5 : 120))
      out.push({ ms: 100 * t + 9 * side + 1, side, on: (on = 1 - on) });
  }
  for (let t = 7; 100 * t < END - 3000; t += 1 + below(r, 150))
    out.push({ ms: 100 * t + 93, side: -1, on: below(r, 2) });
  return out.sort((a, b) => a.ms - b.ms);
}

/** A command by its number among those that have no pin. */
const commandOf = (pins: readonly unknown[], side: number): number =>
  pins.slice(0, side).filter((p) => p === null).length;

/** Closed spans of each direction, in whole milliseconds, and calls. */
type Spans = readonly (readonly [from: number, to: number])[];
const spansOf = (edges: readonly (readonly [ms: number, on: number])[]): Spans => {
  const out: [number, number][] = [];
  for (const [ms, on] of edges) {
    if (on === 1) {
      const last = out.at(-1);
      if (last && last[1] === ms) last[1] = Infinity;
      else out.push([ms, Infinity]);
    } else if (out.at(-1)?.[1] === Infinity) out.at(-1)![1] = ms;
  }
  return out.filter(([from, to]) => to > from);
};

function engine(job: Job, moved: readonly Moved[]): Spans[] {
  const scene = sceneOf(job)!;
  const given = happeningsOf([
    ...moved.map((m): WorldEvent =>
      m.side < 0
        ? { at: m.ms / 1e3, what: 'start', of: m.on, how: 0 }
        : { at: m.ms / 1e3, what: m.on === 1 ? 'hand' : 'let-go', of: m.side, how: 1e6 },
    ),
    ...job.routine.sentences.flatMap((s, rule): WorldEvent[] => {
      if (s.when !== 'clock') return [];
      const at = LEAD / 1e3 + 60 * Number(s.at.slice(3));
      const plain: WorldEvent = { at, what: 'start', of: s.move === 'close' ? 1 : 0, how: s.ifArmed ? 1 : 0 };
      return [scene.world.routine ? { at, what: 'fires', of: rule, how: 0 } : plain];
    }),
  ]);
  const world = compileWorld({ ...scene.world.plan, channels: [] });
  const log = freshLog();
  runTo(worldOf(world, given, log), END / 1e3, given, log);
  return scene.lines.map((_, line) => {
    const edges: [number, number][] = [];
    for (let i = 0; i < log.count; i++)
      if (log.kind[i] === LOGGED.contact && log.index[i] === line)
        edges.push([Math.round(1e3 * log.at[i]!), log.value[i]!]);
    return spansOf(edges);
  });
}

/** What the program's pins do: closed spans of this direction and of the other. */
function program(job: Job, wiring: MotorPlan['wiring'], outs: readonly string[][], folder: string): Spans[][] {
  const a = assess(job);
  for (const f of filesOf(job, a)) if (/\.[ch]$/.test(f.name)) writeFileSync(join(folder, f.name), f.text);
  copyFileSync(fileURLToPath(new URL('./host/world.c', import.meta.url)), join(folder, 'world.c'));
  const flags = ['-std=c99', '-Wall', '-Wextra', '-Wpedantic', '-Wconversion', '-Werror', '-O1'];
  runProgram('cc', [...flags, '-o', 'world', 'gentle_thumb.c', 'world.c'], { cwd: folder });
  const lines = a.lines.filter((l) => l.owner === 'motor');
  const [first, second] = lines.map((l) => pinOf(job, l.id)!);
  const closes = a.facts.presses[0]!.pressesOn === 'high' ? 1 : 0;
  return outs.map((args) => {
    const told = runProgram(join(folder, 'world'), args)
      .split('\n')
      .flatMap((l) => (/^\d+ \d+ \d$/.test(l) ? [l.split(' ').map(Number) as [number, number, number]] : []));
    const of = (pin: number): [number, number][] =>
      told.filter(([, p]) => p === pin).map(([ms, , level]) => [ms, level === closes ? 1 : 0]);
    if (wiring !== 'double-pole') return [spansOf(of(first!)), spansOf(of(second!))];
    const way = spansOf(of(first!));
    const power = spansOf(of(second!));
    const isOther = ([from, to]: readonly [number, number]): boolean => way.some(([a, b]) => a <= from && to <= b);
    for (const [from, to] of power)
      // The way is set before the power, kept for the coast after it, and never moves while it is on.
      for (const edge of way.flat())
        expect(edge <= from - 22 || edge >= Math.min(to + 1000 * COAST, END), `${edge} at ${from} to ${to}`).toBe(true);
    return [power.filter((s) => !isOther(s)), power.filter(isOther)];
  });
}

/** The topics of commands, in their order. */
const TOPICS = ['kitchen/toggle', 'kitchen/down'];
/** A day after the jobs were made, so long before eight, s since 1970: the clock of the kitchen shows universal time in March. */
const MORNING = Date.parse('2026-03-03T08:00:00Z') / 1000 - LEAD / 1000;
const SETTINGS = 'NETWORK = "n"\nPASSWORD = ""\nBROKER = "192.0.2.1"\nPORT = 1883\n';

/** What the MicroPython does, as `program` tells it of the C99. @param pins of the hands; null for a command. */
async function packedPython(job: Job, pins: readonly (HandPin | null)[], moved: readonly Moved[]): Promise<Spans[]> {
  const a = assess(job);
  const files = Object.fromEntries(filesOf(job, a).flatMap((f) => (f.name === 'main.py' ? [[f.name, f.text]] : [])));
  const events = moved.map((m): BenchEvent => {
    const there = pins[m.side];
    return there
      ? { at: m.ms, what: 'pin', pin: there.pin, level: m.on === 1 ? there.moved : 1 - there.moved }
      : { at: m.ms, what: 'message', topic: TOPICS[commandOf(pins, m.side)]!, text: 'go' };
  });
  const ran = rehearse(await freshInterpreter(), {
    files: { ...files, 'settings.py': SETTINGS },
    levels: Object.fromEntries(pins.flatMap((p) => (p ? [[p.pin, 1 - p.moved]] : []))),
    events: events.filter((e, i) => e.what !== 'message' || moved[i]!.on === 1),
    lasts: END,
    epoch: MORNING,
    sets: MORNING,
    network: true,
    calls: 3e6,
  });
  expect([ran.end, ran.failure, ran.line]).toEqual(['time', '', null]);
  const closes = a.facts.presses[0]!.pressesOn === 'high' ? 1 : 0;
  const [first, second] = a.lines.filter((l) => l.owner === 'motor').map((l) => pinOf(job, l.id)!);
  return [first!, second!].map((pin) =>
    spansOf(ran.written.filter((w) => w.pin === pin).map((w) => [w.at, w.level === closes ? 1 : 0])),
  );
}
interface HandPin {
  readonly pin: number;
  readonly moved: number;
}

/** A week of three plain starts, two of them only if armed. */
const plainWeek = (): Partial<Job['routine']> => ({
  sentences: ['08:00', '08:01', '08:02'].map((at, i) =>
    sentenceAt(at, { id: `s${i}`, move: i === 1 ? 'close' : 'open', days: [1, 2, 3, 4, 5, 6, 7], ifArmed: i < 2 }),
  ),
});

describe('the packed program and the engine, with hands at the controller', () => {
  it.each([
    ['double-pole', 'plain starts', plainWeek, 6],
    ['two-changeovers', 'plain starts', plainWeek, 6],
    ['bridge', 'plain starts', plainWeek, 6],
    ['two-changeovers', 'rules in tiers, modes and limits', routineOf, 24],
  ] as const)('agree on every edge: %s, %s', async (wiring, week, routine, jobs) => {
    const r = seededRandom(wiring.length + jobs);
    let [edges, refused, inPython] = [0, 0, 0];
    for (let n = 0; n < jobs; n++) {
      const job = jobOf(r, wiring, routine);
      const hands = sceneOf(job)!.hands;
      const lists = Array.from({ length: 6 }, () => movedOf(r, hands.length));
      const { lines: wired } = assess(job);
      const pins = hands.map((h) => {
        const line = wired.find((l) => l.id === h.id);
        return line ? { pin: pinOf(job, h.id)!, moved: line.active === 'high' ? 1 : 0 } : null;
      });
      // A message comes, and has no end.
      const said = (m: Moved): string[] => {
        const there = pins[m.side];
        if (m.side < 0) return [m.ms, -1, m.on].map(String);
        if (!there) return m.on === 1 ? [m.ms, -2, commandOf(pins, m.side)].map(String) : [];
        return [m.ms, there.pin, m.on === 1 ? there.moved : 1 - there.moved].map(String);
      };
      const args = lists.map((list) => [
        String(END),
        String(8 * 3600 - LEAD / 1000),
        ...pins.flatMap((p) => (p ? ['0', String(p.pin), String(1 - p.moved)] : [])),
        ...list.flatMap(said),
      ]);
      const found = inFolder((folder) => program(job, wiring, args, folder));
      // A direction by its own pin and not by an output of its own is held by the C99, whose steps are the same.
      if (wiring !== 'double-pole') {
        const byHand = lists[0]!.filter((m) => m.side >= 0);
        const [one, other] = await packedPython(job, pins, byHand);
        const ours = engine(job, byHand);
        const { lines } = sceneOf(job)!;
        expect(one, `MicroPython, ${n}`).toEqual(ours[lines.findIndex((l) => !l.other)]);
        expect(other, `MicroPython, ${n}`).toEqual(ours[lines.findIndex((l) => l.other)]);
        inPython += one!.length + other!.length;
      }
      lists.forEach((list, i) => {
        const ours = engine(job, list);
        const [one, other] = found[i]!;
        const lines = sceneOf(job)!.lines;
        const at = (o: boolean): Spans => ours[lines.findIndex((l) => l.other === o)]!;
        expect(one, `${n}.${i} ${JSON.stringify(job.act.moves.map((m) => m.steps))}`).toEqual(at(false));
        expect(other, `${n}.${i}`).toEqual(at(true));
        edges += one!.length + other!.length;
        // Whatever the hands did: one direction begins only after the other's coast.
        const all = [...one!.map((s) => [...s, 0]), ...other!.map((s) => [...s, 1])].sort((a, b) => a[0]! - b[0]!);
        all.forEach(([from, , side], k) => {
          const before = all.slice(0, k).findLast((s) => s[2] !== side);
          if (before) expect(from! - before[1]!).toBeGreaterThanOrEqual(1000 * COAST - 1);
          if (before && from! - before[1]! < 1000 * COAST + 70) refused++;
        });
      });
    }
    const waited = `${refused} of them waited for the other direction`;
    console.log(`${wiring}, ${week}: ${edges} closures alike, ${waited}; ${inPython} in MicroPython`);
    expect(edges).toBeGreaterThan(300);
    expect(refused).toBeGreaterThan(20);
    if (wiring !== 'double-pole') expect(inPython).toBeGreaterThan(100);
  });
});
