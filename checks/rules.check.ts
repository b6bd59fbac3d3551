// Rules in tiers, with modes, hands and limits: the engine against an interpreter that ticks every second, on random sets of rules.
import { describe, expect, it } from 'vitest';
import {
  compileWorld,
  fateIn,
  freshLog,
  happeningsOf,
  LOGGED,
  runTo,
  worldOf,
  type HandWire,
  type Op,
  type RuleWire,
  type WorldEvent,
  type WorldPlan,
} from '../core/engines/world';
import { seededRandom, type Random } from '../core/ground/quantity';
import { alone, op } from '../core/testing/worlds';
import { Ticks } from './bench/rules-by-ticks';

const SETS = 500;
const SECONDS = 240;
const int = (r: Random, least: number, most: number): number => least + Math.floor(r.next() * (most - least + 1));
const one = <T>(r: Random, list: readonly T[]): T => list[int(r, 0, list.length - 1)]!;
const LINES = 3;
const [SENSES, MODES, FLAGS, MOVES] = [2, 2, 1, 3];

type Plan = WorldPlan & Required<Pick<WorldPlan, 'routine'>>;

const STILL = {
  start: 'off',
  events: ['nothing'],
  states: [{ key: 'off', word: 'off', speed: 0, atEnd: null, after: null, on: {} }],
} as unknown as WorldPlan['parts'][number]['table'];

const stepOf = (r: Random): Op =>
  r.next() < 0.6
    ? op({ do: 'press', lines: [int(r, 0, LINES - 1)], seconds: int(r, 1, 5) })
    : op({ do: 'wait', seconds: int(r, 1, 6) });

function ruleOf(r: Random): RuleWire {
  const does = one(r, ['move', 'move', 'move', 'mode-on', 'mode-off', 'call'] as const);
  return {
    edge: one(r, [
      { of: 'given' },
      { of: 'given' },
      { of: 'sense', sense: int(r, 0, SENSES - 1), is: r.next() < 0.7, seconds: one(r, [0, 0, 3, 9]) },
      { of: 'mode', mode: int(r, 0, MODES - 1), is: r.next() < 0.7 },
    ]),
    ifs: r.next() < 0.3 ? [{ of: one(r, ['sense', 'mode', 'flag'] as const), index: 0, is: r.next() < 0.6 }] : [],
    does,
    what: does === 'move' ? int(r, 0, MOVES - 1) : does === 'call' ? -1 : int(r, 0, MODES - 1),
    tier: one(r, [0, 0, 0, 1, 2, 3]),
    ifArmed: false,
    late: one(r, [0, 0, 7, 40, Infinity]),
    gap: one(r, [0, 0, 12]),
    aDay: one(r, [Infinity, Infinity, 2]),
  };
}

function planOf(r: Random): Plan {
  const hands: HandWire[] = [
    { does: 'begin', latching: false, line: -1, moves: [int(r, 0, MOVES - 1)], delay: 0, most: Infinity },
    { does: 'press', latching: false, line: int(r, 0, LINES - 1), moves: [], delay: 0, most: Infinity },
    { does: 'stop', latching: false, line: -1, moves: [], delay: 0, most: Infinity },
  ];
  const none = { part: -1, yes: [], taken: ['', ''] as const, delay: 0, hold: 0, stale: null, away: false };
  return {
    ...alone(STILL),
    lines: LINES,
    contacts: [1, 1, 1],
    twitches: [null, null, null],
    senses: Array.from({ length: SENSES }, () => none),
    hands: hands.slice(0, int(r, 0, 3)),
    moves: Array.from({ length: MOVES }, () => Array.from({ length: int(r, 1, 4) }, () => stepOf(r))),
    routine: {
      rules: Array.from({ length: int(r, 3, 7) }, () => ruleOf(r)),
      modes: Array.from({ length: MODES }, () => ({
        on: r.next() < 0.3,
        holds: one(r, [0, 0, 1, 2]),
        seconds: one(r, [Infinity, 15, 40]),
      })),
      flags: FLAGS,
      handHolds: one(r, [0, 0, 20]),
      longest: Array.from({ length: LINES }, () => one(r, [Infinity, Infinity, 3])),
      leastOff: Array.from({ length: LINES }, () => one(r, [0, 0, 6])),
      apart: r.next() < 0.3 ? [[0, 1]] : [],
      mayStart: Array.from({ length: MOVES }, () => ({
        aDay: one(r, [Infinity, Infinity, 3]),
        armed: false,
        fresh: one(r, [-1, -1, 0]),
      })),
    },
  };
}

function eventsOf(r: Random, plan: Plan): WorldEvent[] {
  const out: WorldEvent[] = [];
  const given = plan.routine.rules.flatMap((rule, i) => (rule.edge.of === 'given' ? [i] : []));
  for (let n = int(r, 10, 40); n > 0; n--) {
    const at = int(r, 1, SECONDS - 10);
    const what = one(r, ['fires', 'fires', 'fires', 'flag', 'mode', 'reads', 'reads', 'midnight', 'hand'] as const);
    if (what === 'fires' && given.length > 0) out.push({ at, what, of: one(r, given), how: 0 });
    if (what === 'flag') out.push({ at, what, of: 0, how: int(r, 0, 1) });
    if (what === 'mode') out.push({ at, what, of: int(r, 0, MODES - 1), how: int(r, 0, 1) });
    if (what === 'reads') out.push({ at, what, of: int(r, 0, SENSES - 1), how: int(r, 0, 2) });
    if (what === 'midnight') out.push({ at, what, of: 0, how: 0 });
    if (what === 'hand' && plan.hands.length > 0)
      out.push({ at, what, of: int(r, 0, plan.hands.length - 1), how: int(r, 1, 8) });
  }
  return out;
}

/** What the engine does, in the words of the other one, without who asked for a move. */
function engine(plan: Plan, events: readonly WorldEvent[]): string[] {
  const given = happeningsOf(events);
  const log = freshLog();
  runTo(worldOf(compileWorld(plan), given, log), SECONDS, given, log);
  const out: string[] = [];
  for (let i = 0; i < log.count; i++) {
    const [at, index, value] = [log.at[i]!, log.index[i]!, log.value[i]!];
    if (log.kind[i] === LOGGED.contact) out.push(`${at} ${value === 1 ? 'closes' : 'opens'} ${index}`);
    if (log.kind[i] === LOGGED.call) out.push(`${at} call`);
    if (log.kind[i] === LOGGED.mode) out.push(`${at} mode ${index} ${value === 1 ? 'on' : 'off'}`);
    if (log.kind[i] === LOGGED.rule && fateIn(value) === 'done' && plan.routine.rules[index]!.does === 'move')
      out.push(`${at} begins ${plan.routine.rules[index]!.what} by rule ${index}`);
  }
  return out;
}

describe('rules in tiers', () => {
  it(`do the same at the same instants as a clock that ticks every second, in ${SETS} random sets`, () => {
    let [begun, waited] = [0, 0];
    for (let seed = 1; seed <= SETS; seed++) {
      const r = seededRandom(seed);
      const plan = planOf(r);
      const events = eventsOf(r, plan);
      // Who moved a hand is told by the hand alone.
      const ticked = new Ticks(plan, events, SECONDS).said.filter((line) => !line.endsWith('by a hand'));
      const ours = engine(plan, events);
      expect([...ours].sort(), `seed ${seed}`).toEqual([...ticked].sort());
      begun += ours.filter((x) => x.includes('begins')).length;
      waited += plan.routine.rules.filter((x) => x.late > 0).length;
    }
    expect(begun).toBeGreaterThan(SETS);
    expect(waited).toBeGreaterThan(SETS);
  });
});
