import { describe, expect, it } from 'vitest';
import {
  compile,
  positionAt,
  roomFor,
  run,
  TableProblem,
  WORLD_EVENTS,
  type MachineTable,
  type TableState,
  type WorldEvent,
} from '.';

const state = (s: Partial<TableState> & { key: string }): TableState => ({
  word: s.key,
  speed: 0,
  after: null,
  atEnd: null,
  on: {},
  ...s,
});
const told = (...list: [at: number, what: WorldEvent][]) => ({
  at: Float64Array.from(list, ([at]) => at),
  what: Uint8Array.from(list, ([, what]) => WORLD_EVENTS.indexOf(what)),
  count: list.length,
});
const story = (table: MachineTable, list: [number, WorldEvent][], end: number) => {
  const m = compile(table);
  const c = run(m, told(...list), end, roomFor(1, 0));
  return Array.from({ length: c.count }, (_, i) => [m.words[c.state[i]!], c.from[i], c.position[i]]);
};

const kettle: MachineTable = {
  start: 'off',
  states: [
    state({ key: 'off', on: { press: 'hot' } }),
    state({ key: 'hot', after: { seconds: 30, then: 'off' }, on: { 'power lost': 'off' } }),
  ],
};
const blind: MachineTable = {
  start: 'up',
  states: [
    state({ key: 'up', on: { press: 'goes' } }),
    state({ key: 'goes', speed: 0.1, atEnd: 'down', on: { press: 'comes' } }),
    state({ key: 'comes', speed: -0.1, atEnd: 'up', on: { press: 'goes' } }),
    state({ key: 'down', on: { press: 'comes' } }),
  ],
};

describe('a machine as a table', () => {
  it('goes on by events and by itself, each at its own time, and overlooks what it does not know', () => {
    expect(
      story(
        kettle,
        [
          [10, 'press'],
          [20, 'press'],
          [50, 'press'],
          [55, 'power lost'],
        ],
        100,
      ),
    ).toEqual([
      ['off', 0, 0],
      ['hot', 10, 0],
      ['off', 40, 0],
      ['hot', 50, 0],
      ['off', 55, 0],
    ]);
  });

  it('keeps its place along its way, and is at the end when it is there', () => {
    const m = compile(blind);
    const c = run(m, told([0, 'press'], [4, 'press'], [6, 'press']), 100, roomFor(1, 0));
    const at = Array.from({ length: c.count }, (_, i) => [
      m.words[c.state[i]!],
      c.from[i],
      Number(c.position[i]!.toFixed(9)),
    ]);
    expect(at).toEqual([
      ['up', 0, 0],
      ['goes', 0, 0],
      ['comes', 4, 0.4],
      ['goes', 6, 0.2],
      ['down', 14, 1],
    ]);
    expect(positionAt(m, c.state[3]!, 0.2, 3)).toBeCloseTo(0.5, 9);
  });

  it('finds the state that follows where an event comes at the very end of one', () => {
    expect(
      story(
        kettle,
        [
          [0, 'press'],
          [30, 'press'],
        ],
        40,
      ).map((s) => s[0]),
    ).toEqual(['off', 'hot', 'off', 'hot']);
  });

  it('serves many runs from one room, and gives the same each time', () => {
    const m = compile(blind);
    const room = roomFor(1, 0);
    const list = told(...Array.from({ length: 200 }, (_, i): [number, WorldEvent] => [i * 0.7, 'press']));
    const first = run(m, list, 1000, room).count;
    expect(first).toBeGreaterThan(150);
    expect(run(m, list, 1000, room).count).toBe(first);
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
    const bad = () => compile({ start: 'a', states });
    expect(bad).toThrow(TableProblem);
    expect(bad).toThrow(words);
  });
});
