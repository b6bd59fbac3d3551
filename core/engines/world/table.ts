/** Keys of the events by which power goes and is back; a part that knows neither goes on. */
export const POWER_LOST = 'power lost';
/** Key of the event by which power is back. */
export const POWER_BACK = 'power back';

/** What a state is to whoever judges it. Its key and its word may be the maker's own, and nothing is decided by them. */
export type StateRole =
  | 'rest'
  | 'on'
  | 'running'
  | 'opening'
  | 'open'
  | 'closing'
  | 'stopped'
  | 'stopped-up'
  | 'stopped-down'
  | 'asleep'
  | 'asks'
  | 'turn'
  | 'ready'
  | 'dark';

/** A state of a machine: what ends it, and where it goes then. States are named by `key`, several may show the same word. */
export interface TableState {
  readonly key: string;
  /** What it shows to the world. */
  readonly word: string;
  readonly role?: StateRole;
  /** Key of the state in which the power left it, of one without power. */
  readonly darkOf?: string;
  /** Shares of its way that it moves in a second: over 0 towards the far end (1), under 0 back (0), 0 stands. */
  readonly speed: number;
  /** It ends by itself after so many seconds, and goes on with this state; null where it lasts. */
  readonly after: { readonly seconds: number; readonly then: string } | null;
  /** Where it goes on at the end of its way, for a state that moves. */
  readonly atEnd: string | null;
  /** Where each event leads; an event that is not named is overlooked. */
  readonly on: Readonly<Record<string, string>>;
}

/** A part of a machine as a state table: rows are states, columns are events. */
export interface MachineTable {
  readonly start: string;
  /** Share of its way at which it begins: 0 unless it is said. */
  readonly startAt?: number;
  /** What can reach it, in the order of the columns. */
  readonly events: readonly string[];
  readonly states: readonly TableState[];
}

/** A table, a move or a world that cannot be run: what is wrong, and where. */
export class WorldProblem extends Error {}

/** A run that takes more events and steps than it may: it was ended, and what would have come of it is not known. */
export class RunEnded extends WorldProblem {
  constructor(readonly most: number) {
    super(`more than ${most.toLocaleString('en')} things happen in it`);
  }
}

/** Throws WorldProblem where a name leads nowhere, a time or a speed is no number, or states follow each other in no time for ever. */
export function checkTable(table: MachineTable): void {
  const { states } = table;
  const byKey = new Map(states.map((s) => [s.key, s]));
  if (byKey.size < states.length) throw new WorldProblem('two states have the same name');
  const there = (key: string, from: string): TableState => {
    const s = byKey.get(key);
    if (!s) throw new WorldProblem(`${from} leads to ${key}, and there is no such state`);
    return s;
  };
  there(table.start, 'the beginning');
  for (const s of states) {
    for (const [event, to] of Object.entries(s.on)) {
      if (!table.events.includes(event)) throw new WorldProblem(`${s.key} knows an event that there is not: ${event}`);
      there(to, s.key);
    }
    if (!Number.isFinite(s.speed) || (s.after && !(s.after.seconds >= 0)))
      throw new WorldProblem(`${s.key} has a time or a speed that is no number`);
    if (s.after) there(s.after.then, s.key);
    if (s.atEnd !== null) there(s.atEnd, s.key);
    if (s.speed !== 0 && s.atEnd === null)
      throw new WorldProblem(`${s.key} moves and leads nowhere at the end of its way`);
  }
  for (const s of states) checkGoesOn(s, byKey);
}

/** A chain of states that end at once would never let time go on. */
function checkGoesOn(s: TableState, byKey: ReadonlyMap<string, TableState>): void {
  const seen = new Set<string>();
  for (let at: TableState | undefined = s; at?.after?.seconds === 0; at = byKey.get(at.after.then)) {
    if (seen.has(at.key)) throw new WorldProblem(`${s.key} comes back to itself without any time going by`);
    seen.add(at.key);
  }
}
