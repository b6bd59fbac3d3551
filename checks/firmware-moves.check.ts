// Moves that look, wait for a sense, go back and call: the packed C99 on the host and the engine, the same edges to the millisecond.
import { copyFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { sceneOf } from '../core/rooms/act';
import { assess } from '../core/house/assess';
import { filesOf } from '../core/house/deliver';
import {
  edited,
  sentenceAt,
  stepOf,
  withSteps,
  type Job,
  type JobEdit,
  type MoveStep,
  type RoutineLimit,
  type StepKind,
} from '../core/ground/job';
import { pinOf } from '../core/build/lines';
import { seededRandom, type Random } from '../core/ground/quantity';
import { compileWorld, freshLog, happeningsOf, LOGGED, runTo, worldOf, type WorldEvent } from '../core/engines/world';
import { demoJob, machined, onPin } from '../core/testing/jobs';
import { inFolder, runProgram } from './programs';

const pot = machined(demoJob('rice-pot'), { kind: 'flips' });
const one = <T>(r: Random, list: readonly T[]): T => list[Math.floor(r.next() * list.length)]!;

/** A move of random steps; every wait has its longest, and who goes back goes back past a step that takes time. */
function steps(r: Random): MoveStep[] {
  const out: MoveStep[] = [];
  const n = 3 + Math.floor(r.next() * 6);
  for (let i = 0; i < n; i++) {
    const kinds: readonly StepKind[] = [
      'press',
      'press',
      'wait',
      'hold',
      'until',
      'look',
      'warn',
      'tell',
      ...(i > 0 ? (['again'] as const) : []),
    ];
    const what = one(r, kinds);
    const reads = ['hold', 'until', 'look', 'again'].includes(what);
    out.push(
      stepOf(what, {
        press: what === 'press' || what === 'hold' ? 'start' : '',
        seconds: (30 + Math.floor(r.next() * 900)) / 1e3,
        sense: reads && !(what === 'again' && r.next() < 0.3) ? 'rest' : '',
        is: r.next() < 0.5,
        orElse: one(r, ['go-on', 'end', 'call']),
        to: 1 + Math.floor(r.next() * i),
        times: 1 + Math.floor(r.next() * 3),
      }),
    );
  }
  return out;
}

/** The sense’s pin at its changes, beginning with yes, and the start, in the order of time, as the host program wants them. */
function told(changes: readonly number[], sense: number, yes: 0 | 1): number[] {
  const at = changes.map((ms, i) => [ms, sense, i % 2 === 0 ? 1 - yes : yes]);
  return [...at, [START, -1, 0]].sort((a, b) => a[0]! - b[0]!).flat();
}

/** A second of the day at which no sentence begins anything. */
const NIGHT = 3600;
/** The contact at rest as a lamp that shines then. */
const AS_LAMP: JobEdit = {
  do: 'put',
  list: 'senses',
  item: { ...pot.senses.find((s) => s.id === 'rest')!, kind: 'light' },
};
const LASTS: RoutineLimit = {
  ...{ id: 'lasts', kind: 'least-on', press: 'start', otherPress: '', move: '', sense: '', seconds: 0.413, count: 1 },
};
/** From here on the host's inputs are what the maker's own function gives. */
const OWN_INPUTS = 40;
const START = 500;
const END = 30_000;

/** What the engine does: edges of the press, and calls, in milliseconds. */
function engine(job: Job, changes: readonly number[]): string[] {
  const { plan } = sceneOf(job)!.world;
  // The sense follows a part that nothing but the list moves.
  const w = compileWorld({ ...plan, channels: [] });
  const event = plan.parts[0]!.table.events.indexOf('press');
  const given = happeningsOf([
    ...changes.map((ms): WorldEvent => ({ at: ms / 1e3, what: 'meets', of: 0, how: event })),
    { at: START / 1e3, what: 'start', of: 0, how: 0 },
  ]);
  const log = freshLog();
  runTo(worldOf(w, given, log), END / 1e3, given, log);
  const edges: { ms: number; text: string }[] = [];
  for (let i = 0; i < log.count; i++) {
    const ms = Math.round(1e3 * log.at[i]!);
    if (log.kind[i] === LOGGED.call) edges.push({ ms, text: 'call' });
    if (log.kind[i] !== LOGGED.contact) continue;
    const last = edges.at(-1);
    // Opened and closed again in one instant is no edge of a pin.
    if (last?.ms === ms && last.text === '0' && log.value[i] === 1) edges.pop();
    else edges.push({ ms, text: String(log.value[i]) });
  }
  return edges.map((e) => `${e.ms} ${e.text}`);
}

describe('the packed program and the engine', () => {
  it('make the same edges and the same calls, for random moves that look', () => {
    const r = seededRandom(2026);
    let [edges, calls] = [0, 0];
    for (let n = 0; n < 40; n++) {
      // Every third reads its rest by a function that the maker fills in: a lamp, which says so with 1.
      const yours = n % 3 === 2;
      const sensed = yours ? edited(pot, AS_LAMP, '2026-03-02T14:00:00Z') : pot;
      // Every fourth has a press that has to last.
      const lasts = n % 4 === 1 ? { ...sensed, routine: { ...sensed.routine, limits: [LASTS] } } : sensed;
      const job = edited(lasts, withSteps(lasts, steps(r), 'random'), '2026-03-02T14:00:00Z');
      const pin = pinOf(job, 'start')!;
      const sense = yours ? OWN_INPUTS + 1 : pinOf(job, 'rest')!;
      const yes = yours ? 1 : 0;
      const runs = Array.from({ length: 5 }, () => {
        const changes: number[] = [];
        for (let t = 200; t < END - 1000;) changes.push((t += 60 + Math.floor(r.next() * 1500)));
        return changes;
      });
      const found = inFolder((folder) => {
        for (const f of filesOf(job, assess(job)))
          if (/\.[ch]$/.test(f.name)) writeFileSync(join(folder, f.name), f.text);
        copyFileSync(fileURLToPath(new URL('./host/world.c', import.meta.url)), join(folder, 'world.c'));
        const flags = ['-std=c99', '-Wall', '-Wextra', '-Wpedantic', '-Werror', '-O1'];
        runProgram('cc', [...flags, '-o', 'world', 'gentle_thumb.c', 'world.c'], { cwd: folder });
        // The contact tells the rest, closed against ground: low means yes, and it rests at first.
        return runs.map((changes) =>
          runProgram(join(folder, 'world'), [END, NIGHT, 0, sense, yes, ...told(changes, sense, yes)].map(String))
            .trim()
            .split('\n')
            .filter((l) => l !== ''),
        );
      });
      const closes = assess(job).facts.presses[0]!.pressesOn === 'high' ? 1 : 0;
      runs.forEach((changes, i) => {
        const theirs = found[i]!.flatMap((l) => {
          const [ms, what, level] = l.split(' ') as [string, string, string];
          if (what === 'call') return [`${ms} call`];
          if (Number(what) !== pin || Number(ms) < START) return [];
          return [`${ms} ${Number(level) === closes ? 1 : 0}`];
        });
        const ours = engine(job, changes);
        expect([...theirs].sort(), JSON.stringify({ steps: job.act.moves[0]!.steps, changes })).toEqual(
          [...ours].sort(),
        );
        edges += ours.length;
        calls += ours.filter((x) => x.endsWith('call')).length;
      });
    }
    expect(edges).toBeGreaterThan(300);
    expect(calls).toBeGreaterThan(10);
  });

  it('have a rule of a sense come true at the same millisecond, with a sense before it that nothing reads', () => {
    const r = seededRandom(7);
    const now = '2026-03-02T14:00:00Z';
    const rest = pot.senses.find((s) => s.id === 'rest')!;
    const gone = sentenceAt('12:00', {
      ...{ id: 'gone', when: 'sense', sense: 'rest', says: false, forSeconds: 0.35, gapSeconds: 1.3, move: '' },
      ...{ whenHeld: 'late', lateSeconds: 2 },
    });
    const ruled: Job = {
      ...pot,
      senses: [{ ...rest, id: 'unread', name: 'unread', kind: 'message', topic: 'x' }, ...pot.senses],
      routine: { ...pot.routine, sentences: [gone] },
    };
    let edges = 0;
    for (let n = 0; n < 6; n++) {
      const job = edited(
        ruled,
        withSteps(ruled, [stepOf('press', { press: 'start', seconds: 0.2 + n / 10 })], 'one press'),
        now,
      );
      const [pin, sense] = [pinOf(job, 'start')!, pinOf(job, 'rest')!];
      const changes: number[] = [];
      for (let t = 200; t < END - 1000;) changes.push((t += 61 + Math.floor(r.next() * 1500)));
      const found = inFolder((folder) => {
        for (const f of filesOf(job, assess(job)))
          if (/\.[ch]$/.test(f.name)) writeFileSync(join(folder, f.name), f.text);
        copyFileSync(fileURLToPath(new URL('./host/world.c', import.meta.url)), join(folder, 'world.c'));
        const flags = ['-std=c99', '-Wall', '-Wextra', '-Wpedantic', '-Werror', '-O1'];
        runProgram('cc', [...flags, '-o', 'world', 'gentle_thumb.c', 'world.c'], { cwd: folder });
        return runProgram(join(folder, 'world'), [END, NIGHT, 0, sense, 0, ...told(changes, sense, 0)].map(String))
          .trim()
          .split('\n');
      });
      const closes = assess(job).facts.presses[0]!.pressesOn === 'high' ? 1 : 0;
      const theirs = found.flatMap((l) => {
        const [ms, what, level] = l.split(' ') as [string, string, string];
        if (Number(what) !== pin || Number(ms) < 100) return [];
        return [`${ms} ${Number(level) === closes ? 1 : 0}`];
      });
      const ours = engine(job, changes);
      expect(theirs).toEqual(ours);
      edges += ours.length;
    }
    expect(edges).toBeGreaterThan(60);
  });

  it('hear a number alike: over and under its threshold, within its band, and after its hold', () => {
    const r = seededRandom(31);
    const now = '2026-03-02T14:00:00Z';
    const limit = { over: 30, under: 20, holdSeconds: 0.4 };
    // It rests while it draws little: under the threshold says so, once it stood there for the hold.
    const item = { ...pot.senses.find((s) => s.id === 'rest')!, kind: 'watts' as const, limit, closedThen: false };
    const metered = edited(
      pot,
      { do: 'put', list: 'senses', item: { ...item, topic: 'meter', staleSeconds: 60 } },
      now,
    );
    let edges = 0;
    for (let n = 0; n < 12; n++) {
      const job = edited(
        metered,
        withSteps(
          metered,
          [...steps(r), stepOf('until', { sense: 'rest', is: n % 2 === 0, seconds: 3, orElse: 'call' })],
          'random',
        ),
        now,
      );
      const files = filesOf(job, assess(job)).filter((f) => /\.[ch]$/.test(f.name));
      expect(files.map((f) => f.text).join()).toContain('gt_read_number');
      const pin = pinOf(job, 'start')!;
      const runs = Array.from({ length: 5 }, () => {
        const shown: [ms: number, watts: number][] = [[0, 3]];
        for (let t = START + 50; t < END - 1000;)
          shown.push([(t += 60 + Math.floor(r.next() * 900)), one(r, [3, 25, 120])]);
        return shown;
      });
      const found = inFolder((folder) => {
        for (const f of files) writeFileSync(join(folder, f.name), f.text);
        copyFileSync(fileURLToPath(new URL('./host/world.c', import.meta.url)), join(folder, 'world.c'));
        const flags = ['-std=c99', '-Wall', '-Wextra', '-Wpedantic', '-Werror', '-O1'];
        runProgram('cc', [...flags, '-o', 'world', 'gentle_thumb.c', 'world.c'], { cwd: folder });
        return runs.map((shown) => {
          const given = [...shown.map(([ms, w]) => [ms, OWN_INPUTS + 1, w]), [START, -1, 0]].sort(
            (a, b) => a[0]! - b[0]!,
          );
          return runProgram(join(folder, 'world'), [END, NIGHT, ...given.flat()].map(String))
            .trim()
            .split('\n');
        });
      });
      const closes = assess(job).facts.presses[0]!.pressesOn === 'high' ? 1 : 0;
      runs.forEach((shown, i) => {
        // Counted by hand: it changes where it leaves the band on the other side.
        let over = false;
        const changes = shown.flatMap(([ms, w]) => {
          const was = over;
          over = w > limit.over || (over && w >= limit.under);
          return over === was ? [] : [ms];
        });
        const theirs = found[i]!.flatMap((l) => {
          const [ms, what, level] = l.split(' ') as [string, string, string];
          if (what === 'call') return [`${ms} call`];
          return Number(what) !== pin || Number(ms) < START ? [] : [`${ms} ${Number(level) === closes ? 1 : 0}`];
        });
        const ours = engine(job, changes);
        expect([...theirs].sort(), JSON.stringify({ steps: job.act.moves[0]!.steps, shown })).toEqual([...ours].sort());
        edges += ours.length;
      });
    }
    expect(edges).toBeGreaterThan(60);
  });

  it('start a group in turn and let none go in between', () => {
    const first = pot.presses[0]!;
    const names = ['start', 'second', 'third', 'fourth'];
    const T = '2026-03-02T14:00:00Z';
    const more = names
      .slice(1)
      .reduce(
        (job, name, i) =>
          onPin(
            edited(job, { do: 'put', list: 'presses', item: { ...first, id: name, name } }, T),
            [4, 16, 17][i]!,
            name,
          ),
        edited(pot, { do: 'set', at: 'board', set: { profile: 'wifi-34' } }, T),
      );
    const group = { id: 'g', name: 'all', presses: names, atOnce: 1, staggerSeconds: 0.25, runSeconds: 0.9 };
    const grouped = edited(
      { ...more, act: { ...more.act, moves: [] } },
      { do: 'put', list: 'feed.groups', item: group },
      T,
    );
    const held = assess(grouped).findings.find((f) => f.id === 'feed.group-held@g')!;
    const job = edited(grouped, held.remedy!.edit!, T);
    const pins = names.map((name) => pinOf(job, name)!);
    expect(new Set(pins).size).toBe(names.length);
    const lines = inFolder((folder) => {
      for (const f of filesOf(job, assess(job)))
        if (/\.[ch]$/.test(f.name)) writeFileSync(join(folder, f.name), f.text);
      copyFileSync(fileURLToPath(new URL('./host/world.c', import.meta.url)), join(folder, 'world.c'));
      const flags = ['-std=c99', '-Wall', '-Wextra', '-Wpedantic', '-Werror', '-O1'];
      runProgram('cc', [...flags, '-o', 'world', 'gentle_thumb.c', 'world.c'], { cwd: folder });
      const sense = pinOf(job, 'rest')!;
      return runProgram(join(folder, 'world'), [END, NIGHT, 0, sense, 0, ...told([], sense, 0)].map(String));
    });
    const edges = lines
      .trim()
      .split('\n')
      .map((l) => l.split(' ').map(Number))
      .filter(([ms, pin]) => ms! >= START && pins.includes(pin!));
    // Each pin twice, closed at its turn and let go after its run: by hand, from the group alone.
    expect(edges.map(([ms, pin]) => [ms! - START, pins.indexOf(pin!)])).toEqual([
      [0, 0],
      [250, 1],
      [500, 2],
      [750, 3],
      [900, 0],
      [1150, 1],
      [1400, 2],
      [1650, 3],
    ]);
  });
});
