/** What reaches a machine from outside: a press that it obeys, its power gone, its power back. */
export const WORLD_EVENTS = ['press', 'power lost', 'power back'] as const;
export type WorldEvent = (typeof WORLD_EVENTS)[number];

/** A state of a machine: what ends it, and where it goes then. States are named by `key`, several may show the same word. */
export interface TableState {
  readonly key: string;
  /** What it shows to the world. */
  readonly word: string;
  /** Shares of its way that it moves in a second: over 0 towards the far end (1), under 0 back (0), 0 stands. */
  readonly speed: number;
  /** It ends by itself after so many seconds, and goes on with this state; null where it lasts. */
  readonly after: { readonly seconds: number; readonly then: string } | null;
  /** Where it goes on at the end of its way, for a state that moves. */
  readonly atEnd: string | null;
  /** Where each event leads; an event that is not named is overlooked. */
  readonly on: Readonly<Partial<Record<WorldEvent, string>>>;
}

/** A machine as a state table: rows are states, columns are events. */
export interface MachineTable {
  readonly start: string;
  readonly states: readonly TableState[];
}

/** A table that cannot be run: what is wrong in which state. */
export class TableProblem extends Error {}

/** The table in flat arrays, states by number. */
export interface Compiled {
  readonly words: readonly string[];
  readonly start: number;
  /** `state * events + event` → the next state; the state itself where it is overlooked. */
  readonly next: Int32Array;
  readonly overlooked: Uint8Array;
  readonly speed: Float64Array;
  readonly after: Float64Array;
  readonly then: Int32Array;
  readonly atEnd: Int32Array;
}

/**
 * Compiles a table once for many runs. Throws TableProblem for a state that is named and is not there, a time or a speed that is no
 * number, a move without an end, and states that follow each other in no time for ever.
 */
export function compile(table: MachineTable): Compiled {
  const { states } = table;
  const number = new Map(states.map((s, i) => [s.key, i]));
  if (number.size < states.length) throw new TableProblem('two states have the same name');
  const place = (key: string, from: string): number => {
    const i = number.get(key);
    if (i === undefined) throw new TableProblem(`${from} leads to ${key}, and there is no such state`);
    return i;
  };
  const events = WORLD_EVENTS.length;
  const next = new Int32Array(states.length * events);
  const overlooked = new Uint8Array(states.length * events);
  states.forEach((s, i) => {
    WORLD_EVENTS.forEach((event, e) => {
      const to = s.on[event];
      next[i * events + e] = to === undefined ? i : place(to, s.key);
      overlooked[i * events + e] = to === undefined ? 1 : 0;
    });
    if (!Number.isFinite(s.speed) || (s.after && !(s.after.seconds >= 0)))
      throw new TableProblem(`${s.key} has a time or a speed that is no number`);
    if (s.speed !== 0 && s.atEnd === null)
      throw new TableProblem(`${s.key} moves and leads nowhere at the end of its way`);
  });
  const then = Int32Array.from(states, (s, i) => (s.after ? place(s.after.then, s.key) : i));
  const start = place(table.start, 'the beginning');
  states.forEach((s, i) => {
    // A chain of states that end at once would never let time go on.
    const seen = new Set<number>();
    for (let at = i; states[at]!.after?.seconds === 0; at = then[at]!) {
      if (seen.has(at)) throw new TableProblem(`${s.key} comes back to itself without any time going by`);
      seen.add(at);
    }
  });
  return {
    words: states.map((s) => s.word),
    start,
    next,
    overlooked,
    speed: Float64Array.from(states, (s) => s.speed),
    after: Float64Array.from(states, (s) => s.after?.seconds ?? Infinity),
    then,
    atEnd: Int32Array.from(states, (s, i) => (s.atEnd === null ? i : place(s.atEnd, s.key))),
  };
}
