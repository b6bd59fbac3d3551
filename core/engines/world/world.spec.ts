import { describe, expect, it } from 'vitest';
import { alone, op } from '../../testing/worlds';
import {
  checkTable,
  compileWorld,
  freshLog,
  happeningsOf,
  LOGGED,
  runTo,
  searchStories,
  worldOf,
  WorldProblem,
  type WorldEvent,
  type MachineTable,
  type Op,
  type TableState,
  type WorldPlan,
} from '.';

const state = (s: Partial<TableState> & { key: string }): TableState => ({
  word: s.key,
  speed: 0,
  after: null,
  atEnd: null,
  on: {},
  ...s,
});
const EVENTS = ['press', 'power lost', 'power back'];
/** What a world's first part goes through: word, since when, at which place of its way. */
function story(plan: WorldPlan, list: WorldEvent[], end: number) {
  const w = compileWorld(plan);
  const given = happeningsOf(list);
  const log = freshLog(1);
  runTo(worldOf(w, given, log), end, given, log);
  const out: [string, number][] = [];
  for (let i = 0; i < log.count; i++) if (log.kind[i] === LOGGED.part) out.push([w.words[log.value[i]!]!, log.at[i]!]);
  return out;
}
const meets = (at: number, event: string): WorldEvent => ({ at, what: 'meets', of: 0, how: EVENTS.indexOf(event) });

const kettle: MachineTable = {
  start: 'off',
  events: EVENTS,
  states: [
    state({ key: 'off', on: { press: 'hot' } }),
    state({ key: 'hot', after: { seconds: 30, then: 'off' }, on: { 'power lost': 'off' } }),
  ],
};
const blind: MachineTable = {
  start: 'up',
  events: EVENTS,
  states: [
    state({ key: 'up', on: { press: 'goes' } }),
    state({ key: 'goes', speed: 0.1, atEnd: 'down', on: { press: 'comes' } }),
    state({ key: 'comes', speed: -0.1, atEnd: 'up', on: { press: 'goes' } }),
    state({ key: 'down', on: { press: 'comes' } }),
  ],
};

describe('a machine as a table', () => {
  it('goes on by events and by itself, each at its own time, and overlooks what it does not know', () => {
    const list = [meets(10, 'press'), meets(20, 'press'), meets(50, 'press'), meets(55, 'power lost')];
    expect(story(alone(kettle), list, 100)).toEqual([
      ['off', 0],
      ['hot', 10],
      ['off', 40],
      ['hot', 50],
      ['off', 55],
    ]);
  });

  it('keeps its place along its way, and is at the end when it is there', () => {
    const list = [meets(0, 'press'), meets(4, 'press'), meets(6, 'press')];
    const told = story(alone(blind), list, 100);
    expect(told.map((x) => x[0])).toEqual(['up', 'goes', 'comes', 'goes', 'down']);
    // Four tenths up, two back, and eight tenths from there.
    expect(told.at(-1)![1]).toBeCloseTo(14, 9);
  });

  it('finds the state that follows where an event comes at the very end of one', () => {
    const list = [meets(0, 'press'), meets(30, 'press')];
    expect(story(alone(kettle), list, 40).map((x) => x[0])).toEqual(['off', 'hot', 'off', 'hot']);
  });

  it.each<[string, TableState[], RegExp]>([
    ['a state that is not there', [state({ key: 'a', on: { press: 'b' } })], /leads to b, and there is no such state/],
    ['two of one name', [state({ key: 'a' }), state({ key: 'a' })], /same name/],
    ['a move without an end', [state({ key: 'a', speed: 1 })], /leads nowhere/],
    ['a time that is none', [state({ key: 'a', after: { seconds: Number.NaN, then: 'a' } })], /no number/],
    [
      'no rest at all',
      [state({ key: 'a', after: { seconds: 0, then: 'b' } }), state({ key: 'b', after: { seconds: 0, then: 'a' } })],
      /without any time going by/,
    ],
  ])('refuses %s, and says where', (_what, states, words) => {
    const bad = () => checkTable({ start: 'a', events: EVENTS, states });
    expect(bad).toThrow(WorldProblem);
    expect(bad).toThrow(words);
  });
});

/** The kettle behind a contact, with a sense that tells when it is hot, 0.1 s late. */
const wired = (...steps: Op[]): WorldPlan => ({
  ...alone(kettle),
  lines: 1,
  contacts: [1],
  channels: [{ line: 0, part: 0, down: 'press', up: '', held: '', least: 0.05, long: Infinity, gap: 0 }],
  senses: [{ part: 0, yes: ['hot'], taken: ['hot', 'off'], delay: 0.1, hold: 0.1, stale: 4, away: false }],
  moves: [steps],
  twitches: [{ from: 0.2, to: 0.4 }],
  readySeconds: 1,
});
const press = op({ do: 'press', lines: [0], seconds: 0.2 });
const start = (at: number): WorldEvent => ({ at, what: 'start', of: 0, how: 0 });
const hap = (at: number, what: WorldEvent['what'], of = 0, how = 0): WorldEvent => ({ at, what, of, how });
/** Everything of a run that is logged of one kind, with its time. */
function logged(plan: WorldPlan, list: WorldEvent[], end: number, kind: keyof typeof LOGGED) {
  const given = happeningsOf(list);
  const log = freshLog();
  runTo(worldOf(compileWorld(plan), given, log), end, given, log);
  const out: [number, number][] = [];
  for (let i = 0; i < log.count; i++)
    if (log.kind[i] === LOGGED[kind]) out.push([log.value[i]!, Number(log.at[i]!.toFixed(9))]);
  return out;
}

describe('a controller with its moves', () => {
  it('holds a press until a sense says so, and lets go as soon as it is heard', () => {
    const hold = op({ do: 'hold', lines: [0], sense: 0, seconds: 5 });
    // Obeyed after 50 ms, heard 100 ms later.
    expect(logged(wired(hold), [start(10)], 60, 'contact')).toEqual([
      [1, 10],
      [0, 10.15],
    ]);
  });

  it('calls for help where a wait takes its longest, ends or goes on where that is said', () => {
    const until = (orElse: Op['orElse']) => wired(op({ do: 'until', sense: 0, is: true, seconds: 3, orElse }), press);
    expect(logged(until('call'), [start(10)], 60, 'call')).toEqual([[0, 13]]);
    expect(logged(until('call'), [start(10)], 60, 'contact')).toEqual([]);
    expect(logged(until('end'), [start(10)], 60, 'call')).toEqual([]);
    expect(logged(until('go-on'), [start(10)], 60, 'contact')[0]).toEqual([1, 13]);
  });

  it('looks, presses, looks again and tries again so often and no oftener', () => {
    const plan = wired(
      op({ do: 'look', sense: 0, is: false, orElse: 'end' }),
      press,
      op({ do: 'until', sense: 0, seconds: 1, orElse: 'go-on' }),
      op({ do: 'again', sense: 0, to: 1, times: 2 }),
    );
    expect(logged(plan, [start(10)], 60, 'contact')).toHaveLength(2);
    expect(logged(plan, [hap(9, 'missed'), start(10)], 60, 'contact')).toHaveLength(4);
    expect(logged(plan, [hap(9, 'missed'), start(10)], 60, 'call')).toHaveLength(0);
    // Dirty for good: three presses, and then help.
    const dirty = [hap(9, 'dirty'), start(10)];
    expect(logged(plan, dirty, 60, 'call')).toEqual([[3, 13.6]]);
    // It is hot already: nothing is pressed.
    expect(logged(plan, [hap(5, 'thumb', 0, 0.3), start(10)], 30, 'contact')).toHaveLength(0);
  });

  it('refuses a move that comes round again without any time going by, with its step', () => {
    const round = wired(op({ do: 'tell' }), op({ do: 'again', to: 0, times: 1e6 }));
    expect(() => logged(round, [start(1)], 10, 'step')).toThrow(/step \d of move 1 comes round again/);
  });

  it('lets go at a power cut, twitches as it comes up, and believes its beginning', () => {
    const plan = wired(op({ do: 'press', lines: [0], seconds: 8 }));
    const list = [start(10), hap(11, 'cut', 0, 20)];
    expect(logged(plan, list, 60, 'contact')).toEqual([
      [1, 10],
      [0, 11],
      [1, 31.2],
      [0, 31.4],
    ]);
    // The twitch of 200 ms is a press for the machine, and the plan knows nothing of it.
    const believed = logged(plan, list, 60, 'belief');
    expect(believed.at(-1)).toEqual([0, 32]);
    expect(logged(plan, list, 60, 'part').some(([state, at]) => state === 1 && at === 31.25)).toBe(true);
  });

  it('starts nothing while its controller boots, restarts nothing without power, and has the longer of two cuts', () => {
    const plan = wired(press);
    expect(logged(plan, [hap(5, 'restart'), start(5.5)], 30, 'contact')).toEqual([
      [1, 5.2],
      [0, 5.4],
    ]);
    // It has power again after 20 s, whatever was pulled for a second meanwhile.
    const dark = [hap(5, 'cut', 0, 20), hap(8, 'restart'), hap(9, 'controller-out', 0, 1), start(12), start(27)];
    expect(logged(plan, dark, 60, 'contact').filter(([on]) => on === 1)).toEqual([
      [1, 25.2],
      [1, 27],
    ]);
  });

  it('takes a contact that is closed as the power comes back for a press that begins then', () => {
    const plan = { ...wired(press), senses: [], twitches: [null] };
    const list = [hap(1, 'welded'), hap(10, 'plug-out', 0, 50)];
    const hot = logged(plan, list, 100, 'part').filter(([state]) => state === 1);
    expect(hot).toEqual([
      [1, 1.05],
      [1, 60.05],
    ]);
  });

  it('hears what sticks, what is reversed and what is late as it is told, and learns by looking', () => {
    const plan = wired(op({ do: 'wait', seconds: 2 }), op({ do: 'look', sense: 0, orElse: 'end' }));
    const thumb = hap(10, 'thumb', 0, 0.3);
    expect(logged(plan, [thumb, start(11)], 30, 'belief')).toContainEqual([1, 13]);
    expect(logged(plan, [hap(9, 'stuck'), thumb, start(11)], 30, 'belief').some(([s]) => s === 1)).toBe(false);
    expect(logged(plan, [hap(9, 'late', 0, 2), thumb], 30, 'sense')).toContainEqual([1, 12.15]);
    expect(logged(plan, [hap(9, 'reversed')], 30, 'sense')).toContainEqual([1, 9.1]);
    // A dip is heard at once, and taken back once it has stood as so again; what is silent for too long is known no longer.
    const dips = logged(plan, [thumb, hap(12, 'dips')], 30, 'sense');
    expect(dips).toContainEqual([0, 12]);
    expect(dips).toContainEqual([1, 12.1]);
    expect(logged(plan, [hap(9, 'silent'), thumb, start(12)], 30, 'sense')).toEqual([
      [0, 0],
      [2, 13],
    ]);
    expect(logged(plan, [hap(9, 'silent'), thumb, start(12)], 30, 'belief').some(([s]) => s === 1)).toBe(false);
  });

  it('takes one that bounces for two, and a contact that sticks for one that lasts', () => {
    const flips: MachineTable = {
      start: 'off',
      events: EVENTS,
      states: [state({ key: 'off', on: { press: 'on' } }), state({ key: 'on', on: { press: 'off' } })],
    };
    const plan = { ...wired(press), parts: [{ name: 'it', table: flips }], senses: [] };
    expect(logged(plan, [hap(9, 'twice'), start(10)], 30, 'part').map(([s]) => s)).toEqual([0, 1, 0]);
    expect(logged(plan, [start(10), hap(10.1, 'welded')], 30, 'contact')).toEqual([[1, 10]]);
    // Of two in series one may stick.
    const two = { ...plan, contacts: [2] };
    expect(logged(two, [start(10), hap(10.1, 'welded')], 30, 'contact')).toHaveLength(2);
    expect(logged(two, [start(10), hap(10.05, 'welded'), hap(10.1, 'welded')], 30, 'contact')).toEqual([[1, 10]]);
  });
});

describe('a search of stories', () => {
  const never = { kind: 'together', clues: [{ of: 'part', part: 0, keys: ['hot'] }], seconds: 29 } as const;
  const searched = (plan: WorldPlan, most: number) =>
    searchStories(compileWorld(plan), {
      given: happeningsOf([start(10)]),
      end: 200,
      disturbances: [
        { what: 'missed', of: 0, how: 0 },
        { what: 'thumb', of: 0, how: 0.3 },
      ],
      most,
    });

  it('finds nothing where nothing is pressed, and one thumb that is enough', () => {
    const quiet = { ...wired(op({ do: 'wait', seconds: 1 })), monitors: [never] };
    expect(searched(quiet, 0).broken).toEqual([]);
    const one = searched(quiet, 1).broken;
    expect(one).toHaveLength(1);
    expect(one[0]!.told.map((t) => t.what)).toEqual(['thumb']);
    // The kettle is hot for 30 s from 50 ms after the thumb: broken 29 s later.
    expect(one[0]!.brokenAt).toBeCloseTo(one[0]!.told[0]!.at + 29.05, 6);
  });

  it('tells the shortest: what the plan itself breaks needs nothing to go wrong', () => {
    const found = searched({ ...wired(press), monitors: [never] }, 2);
    expect(found.broken[0]!.told).toEqual([]);
    expect(found.stopped).toBe(false);
  });

  it('needs two where one is held: a kettle that goes off at the next press', () => {
    const table: MachineTable = {
      ...kettle,
      states: [state({ key: 'off', on: { press: 'hot' } }), state({ key: 'hot', on: { press: 'off' } })],
    };
    const plan = {
      ...wired(press, op({ do: 'wait', seconds: 5 }), press),
      parts: [{ name: 'it', table }],
      monitors: [never],
    };
    expect(searched(plan, 0).broken).toEqual([]);
    expect(searched(plan, 1).broken[0]!.told).toHaveLength(1);
  });

  it('stops when it is asked to, and says so', () => {
    const plan = { ...wired(press, op({ do: 'wait', seconds: 5 }), press), monitors: [never] };
    const w = compileWorld(plan);
    const list = Array.from({ length: 400 }, (_, i) => start(10 + i / 3));
    const found = searchStories(w, {
      given: happeningsOf(list),
      end: 900,
      disturbances: [{ what: 'thumb', of: 0, how: 0.3 }],
      most: 2,
      progress: () => false,
    });
    expect(found.stopped).toBe(true);
  });
});
