import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tableOf } from '../../rooms/act';
import { freshPart, MACHINE_KINDS, type MachinePart } from '../../ground/job';
import { confusionOf, type MachineTable, type TableState } from '.';

const part = (set: Partial<MachinePart>): MachinePart => ({
  ...freshPart('p', 'machine'),
  shortestPressSeconds: 0.1,
  runSeconds: 20,
  ...set,
});
const door = tableOf(part({ kind: 'open-stop-close-stop' }));

/** Every run of up to so many events from the start, presses, hands, cuts and time: the states that it ends in. */
function endsOfRuns(table: MachineTable, events: number): Set<string> {
  const byKey = new Map(table.states.map((s) => [s.key, s]));
  let ends = new Set([table.start]);
  const all = new Set(ends);
  for (let n = 0; n < events; n++) {
    const next = new Set<string>();
    for (const key of ends) {
      const s = byKey.get(key)!;
      for (const to of [...Object.values(s.on), s.after?.then, s.atEnd].filter((t) => typeof t === 'string'))
        next.add(to);
    }
    ends = next;
    for (const key of ends) all.add(key);
  }
  return all;
}

/** What is read from a state on while nobody touches it, step by step. */
function watched(table: MachineTable, from: string, senses: readonly (readonly string[])[]): string {
  const byKey = new Map(table.states.map((s) => [s.key, s]));
  let key = from;
  let told = '';
  for (let n = 0; n < 40; n++) {
    told += senses.map((yes) => (yes.includes(key) ? 'y' : 'n')).join('') + ' ';
    const s = byKey.get(key)!;
    key = s.after?.then ?? s.atEnd ?? key;
  }
  return told;
}

/** Pairs that look alike for good, counted one by one over all runs of up to eight events. */
function alikeByRuns(table: MachineTable, senses: readonly (readonly string[])[]): Set<string> {
  const lit = new Set(table.states.filter((s) => s.role !== 'dark').map((s) => s.key));
  const ends = [...endsOfRuns(table, 8)].filter((k) => lit.has(k)).sort();
  const out = new Set<string>();
  for (const a of ends)
    for (const b of ends) if (a < b && watched(table, a, senses) === watched(table, b, senses)) out.add(`${a} / ${b}`);
  return out;
}
const pairs = (sets: readonly (readonly string[])[]): Set<string> =>
  new Set(sets.flatMap((set) => set.flatMap((a) => set.flatMap((b) => (a < b ? [`${a} / ${b}`] : [])))));

describe('states that look alike', () => {
  it('are all of them without a sense; with one contact at rest the door open and stopped, on its way only for a while', () => {
    expect(confusionOf(door, []).forGood.map((s) => s.length)).toEqual([6]);
    const rest = confusionOf(door, [['closed']]);
    expect(pairs(rest.forGood)).toEqual(
      pairs([['opening', 'open', 'stopped on its way up', 'stopped on its way down']]),
    );
    expect(rest.forNow).toContainEqual({ a: 'opening', b: 'closing', seconds: 20 });
    const both = confusionOf(door, [['closed'], ['open']]);
    expect(pairs(both.forGood)).toEqual(pairs([['stopped on its way up', 'stopped on its way down']]));
    expect(both.forNow.map((p) => [p.a, p.b].sort().join())).toContain('closing,opening');
  });

  it.each(MACHINE_KINDS)('are those of all runs of up to eight events: %s', (kind) => {
    for (const set of [
      {},
      { firstPressWakes: true, awakeSeconds: 9 },
      { timerSeconds: 30 },
      { afterPowerCut: 'on' as const },
    ]) {
      const table = tableOf(part({ kind, asks: [], ...set }));
      const lit = table.states.filter((s) => s.role !== 'dark').map((s) => s.key);
      for (const senses of [
        [],
        [lit.slice(0, 1)],
        [lit.slice(0, 1), lit.slice(-1)],
        [lit.filter((_, i) => i % 2 === 0)],
      ])
        expect(pairs(confusionOf(table, senses).forGood)).toEqual(alikeByRuns(table, senses));
    }
  });

  it('are those of all runs on tables drawn at random', () => {
    const keys = ['a', 'b', 'c', 'd', 'e', 'f', 'g'];
    const state = (key: string): fc.Arbitrary<TableState> =>
      fc.record({
        key: fc.constant(key),
        word: fc.constant(key),
        speed: fc.constant(0),
        atEnd: fc.constant(null),
        after: fc.option(fc.record({ seconds: fc.integer({ min: 1, max: 9 }), then: fc.constantFrom(...keys) })),
        on: fc.dictionary(fc.constantFrom('x', 'y'), fc.constantFrom(...keys)),
      });
    const yes = fc.subarray(keys);
    fc.assert(
      fc.property(fc.tuple(...keys.map(state)), fc.array(yes, { maxLength: 3 }), (states, senses) => {
        const table: MachineTable = { start: 'a', events: ['x', 'y'], states };
        expect(pairs(confusionOf(table, senses).forGood)).toEqual(alikeByRuns(table, senses));
      }),
      { numRuns: 300 },
    );
  });
});
