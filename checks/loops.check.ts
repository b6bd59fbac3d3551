// Loops of warmth: the closed form against the engine that runs them event by event, and both against an independent circuit simulator,
// for which the room is a resistor and a capacitor, its dead time a lossless line, and the thermostat a switch with hysteresis.
import { describe, expect, it } from 'vitest';
import {
  compileWorld,
  freshLog,
  happeningsOf,
  LOGGED,
  LOGGED_DEGREE,
  runTo,
  worldOf,
  type WorldPlan,
} from '../core/engines/world';
import { seededRandom, type Random } from '../core/ground/quantity';
import { cycleOf, type LoopNumbers } from '../core/rooms/routine/loop-cycle';
import { transient } from './spice';

/** A room that reaches both of its thresholds, with delays and least times now and then. */
function numbersOf(r: Random, plain = false): LoopNumbers {
  const warms = r.next() < 0.5;
  const kelvin = 10 + 40 * r.next();
  const around = -5 + 30 * r.next();
  const [near, wide] = [kelvin * (0.2 + 0.4 * r.next()), 0.5 + 3 * r.next()];
  const middle = around + (warms ? near : -near);
  const tau = 600 + 7000 * r.next();
  const some = (most: number): number => (plain || r.next() < 0.4 ? 0 : most * r.next());
  return {
    ...{ warms, kelvin, tau, around, dead: 0.05 * tau * r.next() },
    ...{ over: middle + wide / 2, under: middle - wide / 2 },
    ...{ beginsAfter: some(60), endsAfter: some(60), leastOn: some(tau / 3), leastOff: some(tau / 3) },
  };
}

/** A part that works while its contact is held, held by rules until the thermometer says that it is enough. */
function planOf(n: LoopNumbers): WorldPlan {
  return {
    parts: [
      {
        name: 'heater',
        table: {
          events: ['press', 'let go'],
          start: 'off',
          states: [
            { key: 'off', word: 'off', speed: 0, after: null, atEnd: null, on: { press: 'on' } },
            { key: 'on', word: 'on', speed: 0, after: null, atEnd: null, on: { 'let go': 'off' } },
          ],
        },
      },
    ],
    lines: 1,
    contacts: [1],
    channels: [{ line: 0, part: 0, down: 'press', up: 'let go', held: '', least: 0, long: Infinity, gap: 0 }],
    // It says yes while work is called for.
    senses: [{ part: -1, yes: [], taken: ['', ''], delay: n.beginsAfter, hold: n.endsAfter, stale: null, away: false }],
    aparts: [],
    hands: [],
    moves: [
      [
        {
          ...{ do: 'hold', lines: [0], seconds: 1e9, least: n.leastOn, sense: 0, is: false },
          ...{ orElse: 'call', to: 0, times: 0 },
        },
      ],
    ],
    monitors: [],
    twitches: [null],
    readySeconds: 0,
    routine: {
      rules: [
        {
          edge: { of: 'sense', sense: 0, is: true, seconds: 0 },
          ...{ ifs: [], does: 'move', what: 0, tier: 3, ifArmed: false, late: Infinity, gap: 0, aDay: Infinity },
        },
      ],
      ...{ modes: [], flags: 0, handHolds: 0, longest: [Infinity], leastOff: [n.leastOff], apart: [] },
      mayStart: [{ aDay: Infinity, armed: false, fresh: -1 }],
    },
    loops: [
      {
        ...{ sense: 0, part: 0, works: ['on'], kelvin: n.warms ? n.kelvin : -n.kelvin, tau: n.tau, dead: n.dead },
        ...{ around: n.around, over: n.over, under: n.under, saysOver: !n.warms },
      },
    ],
  };
}

/** The last whole cycle of a run: how long it works and rests, s, and its turning points, °C. */
function ran(n: LoopNumbers): { on: number; off: number; highest: number; lowest: number } {
  const given = happeningsOf([]);
  const log = freshLog(256, [LOGGED.heat, LOGGED.contact]);
  const world = worldOf(compileWorld(planOf(n)), given, log);
  runTo(world, 60 * n.tau, given, log, 1e6);
  const edges: number[] = [];
  const turns: number[] = [];
  for (let i = 0; i < log.count; i++)
    if (log.kind[i] === LOGGED.heat) turns.push(log.value[i]! / LOGGED_DEGREE);
    else edges.push(log.at[i]! * (log.value[i] === 1 ? 1 : -1));
  const last = edges.findLastIndex((e, i) => e > 0 && i < edges.length - 2);
  const [on, off, next] = edges.slice(last, last + 3).map(Math.abs) as [number, number, number];
  const two = turns.slice(-4);
  return { on: off - on, off: next - off, highest: Math.max(...two), lowest: Math.min(...two) };
}

describe('a loop in closed form', () => {
  it('comes to the cycle that the engine runs into, in 400 random rooms', () => {
    const r = seededRandom(17);
    let longer = 0;
    for (let i = 0; i < 400; i++) {
      const n = numbersOf(r);
      const c = cycleOf(n);
      if (c.kind !== 'cycle') throw new Error('a room that reaches both');
      const run = ran(n);
      const at = JSON.stringify(n);
      expect(Math.abs(run.on / c.on - 1), at).toBeLessThan(1e-4);
      expect(Math.abs(run.off / c.off - 1), at).toBeLessThan(1e-4);
      expect(Math.abs(run.highest - c.highest), at).toBeLessThan(2e-3);
      expect(Math.abs(run.lowest - c.lowest), at).toBeLessThan(2e-3);
      if (Math.abs(c.on - n.leastOn) < 1e-6 || Math.abs(c.off - n.leastOff) < 1e-6) longer++;
    }
    expect(longer).toBeGreaterThan(20);
  });

  it('says where it stays where there is no cycle', () => {
    const n: LoopNumbers = {
      ...{ warms: true, kelvin: 10, tau: 1000, dead: 0, around: 15, over: 27, under: 26 },
      ...{ beginsAfter: 0, endsAfter: 0, leastOn: 0, leastOff: 0 },
    };
    expect(cycleOf(n)).toEqual({ kind: 'never-enough', stays: 25 });
    expect(cycleOf({ ...n, around: 30 })).toEqual({ kind: 'never-needed', stays: 30 });
    expect(cycleOf({ ...n, warms: false, over: 4, under: 3 })).toEqual({ kind: 'never-enough', stays: 5 });
    expect(cycleOf({ ...n, warms: false })).toEqual({ kind: 'never-needed', stays: 15 });
  });

  it('comes to what an independent circuit simulator shows of the same room', () => {
    const r = seededRandom(5);
    let worst = 0;
    for (let i = 0; i < 12; i++) {
      const n = numbersOf(r, true);
      const c = cycleOf(n);
      if (c.kind !== 'cycle') throw new Error('a room that reaches both');
      const end = 8 * n.tau + 6 * (c.on + c.off);
      const [middle, half] = [(n.over + n.under) / 2, (n.over - n.under) / 2];
      // The switch closes over and opens under: what warms works while it is open, what cools while it is closed.
      const rows = transient(
        `* a room
V1 v 0 1
${n.warms ? 'R1 v g 1\nS1 g 0 t 0 m' : 'S1 v g t 0 m\nR1 g 0 1'}
.model m sw vt=${middle} vh=${half} ron=1e-4 roff=1e6
E1 a 0 g 0 1
R2 a b 1
T1 b 0 d 0 z0=1 td=${Math.max(1, n.dead)}
R3 d 0 1
B1 h 0 V = ${n.around} + ${2 * (n.warms ? n.kelvin : -n.kelvin)} * V(d)
R4 h t 1
C1 t 0 ${n.tau} ic=${n.around}
.tran ${n.tau / 500} ${end} 0 ${n.tau / 500} uic
`,
        ['v(t)'],
      ).filter(([t]) => t! > end - 3 * (c.on + c.off));
      const seen = rows.map(([, v]) => v!);
      const dead = { ...n, dead: Math.max(1, n.dead) };
      const ours = cycleOf(dead);
      if (ours.kind !== 'cycle') throw new Error('a room that reaches both');
      const swing = ours.highest - ours.lowest;
      for (const by of [Math.max(...seen) - ours.highest, Math.min(...seen) - ours.lowest])
        worst = Math.max(worst, Math.abs(by) / swing);
    }
    console.log(`turning points within ${(100 * worst).toFixed(1)} % of the swing of the simulator's`);
    expect(worst).toBeLessThan(0.03);
  });
});
