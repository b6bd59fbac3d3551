import { intAt, itemAt, present } from '../../ground/lists';
import {
  ELSES,
  OPS,
  TIER,
  type Clue,
  type LoopWire,
  type OutputEnd,
  type RoutineWire,
  type RuleWire,
  type WorldPlan,
} from './plan';
import { checkTable, WorldProblem, POWER_BACK, POWER_LOST } from './table';

/** A world in flat arrays: states of all parts in one row of numbers. */
export interface CompiledWorld {
  readonly plan: WorldPlan;
  readonly words: readonly string[];
  readonly keys: readonly string[];
  /** Equal words have equal numbers. */
  readonly wordOf: Int32Array;
  readonly start: Int32Array;
  readonly startAt: Float64Array;
  /** Events that a part can meet, at most; `state * width + event` → the next state, −1 where it is overlooked. */
  readonly width: number;
  readonly next: Int32Array;
  readonly speed: Float64Array;
  readonly after: Float64Array;
  readonly then: Int32Array;
  readonly atEnd: Int32Array;
  /** The event that takes a part's power and gives it back, −1 where it has none; what it meets at an obstacle. */
  readonly lost: Int32Array;
  readonly back: Int32Array;
  readonly channels: {
    readonly part: Int32Array;
    readonly line: Int32Array;
    readonly down: Int32Array;
    readonly up: Int32Array;
    readonly held: Int32Array;
    readonly least: Float64Array;
    readonly long: Float64Array;
    readonly gap: Float64Array;
    readonly count: number;
  };
  readonly senses: {
    readonly part: Int32Array;
    /** `sense * states + state`: 1 where it says yes. */
    readonly yes: Uint8Array;
    readonly takenYes: Int32Array;
    readonly takenNo: Int32Array;
    /** For no and for yes, by sense. */
    readonly delay: readonly [no: Float64Array, yes: Float64Array];
    readonly stale: Float64Array;
    readonly away: Uint8Array;
    readonly count: number;
  };
  /** Null where there are no rules, modes or limits. */
  readonly routine: RoutineWire | null;
  /** Rules that have a deadline of each sort: what makes them true stands, they wait no longer, they may act again. */
  readonly timers: RuleTimers;
  /** By output, what ends it by itself; empty where nothing does. */
  readonly ends: readonly (OutputEnd | null)[];
  readonly loops: readonly LoopWire[];
  /** By loop, the temperatures that something hangs on beside its sense, °C. */
  readonly levels: readonly (readonly number[])[];
  /** By loop: 1 for each state, of all parts, in which its part works. */
  readonly worksIn: readonly Uint8Array[];
  /** By output: the other direction of its press (−1 for none), how long they keep apart, and how long its way is set before it. */
  readonly rival: Int32Array;
  readonly apart: Float64Array;
  readonly lead: Float64Array;
  readonly code: {
    /** Where each move begins; a move ends at the beginning of the next. */
    readonly begin: Int32Array;
    readonly op: Uint8Array;
    /** Bit n stands for output n. */
    readonly lines: Int32Array;
    readonly seconds: Float64Array;
    readonly least: Float64Array;
    readonly sense: Int32Array;
    readonly is: Uint8Array;
    readonly orElse: Uint8Array;
    readonly to: Int32Array;
    readonly times: Int32Array;
  };
  /** Per monitor, which states of all parts each of its clues holds in. */
  readonly clues: readonly (readonly CompiledClue[])[];
}

/** Some of the rules in their order, and the place of each rule among them, −1 for those that are none of them. */
export interface RulesWith {
  readonly rules: Int32Array;
  readonly place: Int32Array;
}
/** Rules by the deadlines that they may have: a year has tens of them, of which most never wait for anything. */
export interface RuleTimers {
  readonly edge: RulesWith;
  readonly late: RulesWith;
  readonly rest: RulesWith;
  /** Rules that may hold lower tiers back for as long as what makes them true stands. */
  readonly holders: Int32Array;
}

function timersOf(routine: RoutineWire | undefined): RuleTimers {
  const rules = routine?.rules ?? [];
  const some = (has: (r: RuleWire) => boolean): RulesWith => {
    const own = rules.flatMap((r, i) => (has(r) ? [i] : []));
    return { rules: Int32Array.from(own), place: Int32Array.from(rules, (_, i) => own.indexOf(i)) };
  };
  return {
    edge: some((r) => r.edge.of !== 'given'),
    late: some((r) => r.does === 'move' && (r.late > 0 || r.tier > TIER.comfort)),
    rest: some((r) => r.gap > 0),
    holders: some((r) => r.edge.of !== 'given' && r.tier > TIER.comfort).rules,
  };
}

/** A clue with its states as a row of marks. */
export interface CompiledClue {
  readonly of: Clue['of'];
  readonly index: number;
  readonly marks: Uint8Array;
}

/** Outputs lie in the bits of a number. */
const MOST_LINES = 30;

/** Compiles a world once for many runs. Throws WorldProblem, which names the part or the step that cannot be run. */
// eslint-disable-next-line max-lines-per-function -- a line for each table of the compiled world
export function compileWorld(plan: WorldPlan): CompiledWorld {
  if (plan.lines > MOST_LINES) throw new WorldProblem(`a world has at most ${MOST_LINES} outputs`);
  plan.parts.forEach(({ name, table }) => {
    try {
      checkTable(table);
    } catch (error) {
      throw error instanceof WorldProblem ? new WorldProblem(`${name}: ${error.message}`) : error;
    }
  });
  const first: number[] = [];
  let total = 0;
  for (const { table } of plan.parts) {
    first.push(total);
    total += table.states.length;
  }
  const all = plan.parts.flatMap((p, i) => p.table.states.map((s) => ({ s, part: i })));
  const place = (part: number, key: string): number => {
    const i = itemAt(plan.parts, part).table.states.findIndex((s) => s.key === key);
    if (i < 0) throw new WorldProblem(`${itemAt(plan.parts, part).name} has no state ${key}`);
    return itemAt(first, part) + i;
  };
  const event = (part: number, name: string): number => {
    if (name === '') return -1;
    const e = itemAt(plan.parts, part).table.events.indexOf(name);
    if (e < 0) throw new WorldProblem(`${itemAt(plan.parts, part).name} knows no event ${name}`);
    return e;
  };
  const width = Math.max(1, ...plan.parts.map((p) => p.table.events.length));
  const next = new Int32Array(total * width).fill(-1);
  all.forEach(({ s, part }, i) => {
    for (const [name, to] of Object.entries(s.on)) next[i * width + event(part, name)] = place(part, to);
  });
  const marks = (part: number, keys: readonly string[]): Uint8Array => {
    const row = new Uint8Array(total);
    for (const key of keys) row[place(part, key)] = 1;
    return row;
  };
  const words = all.map(({ s }) => s.word);
  const numbers = new Map([...new Set(words)].map((w, i) => [w, i]));
  const known = (part: number, name: string): number => itemAt(plan.parts, part).table.events.indexOf(name);
  plan.moves.forEach((m, i) =>
    m.forEach(({ lines }, n) => {
      if (plan.aparts.some((a) => a.lines.every((l) => lines.includes(l))))
        throw new WorldProblem(`step ${n + 1} of move ${i + 1} presses both directions at once`);
      if (plan.routine?.apart.some((pair) => pair.every((l) => lines.includes(l))))
        throw new WorldProblem(`step ${n + 1} of move ${i + 1} presses what a limit keeps apart`);
    }),
  );
  const taken = (part: number, key: string): number => (part < 0 || key === '' ? -1 : place(part, key));
  const c = plan.channels;
  const rival = new Int32Array(plan.lines).fill(-1);
  const apart = new Float64Array(plan.lines);
  const lead = new Float64Array(plan.lines);
  for (const { lines, seconds, lead: before } of plan.aparts)
    lines.forEach((line, i) => {
      rival[line] = itemAt(lines, 1 - i);
      apart[line] = seconds;
      lead[line] = before;
    });
  const flat = plan.moves.flat();
  const begin = new Int32Array(plan.moves.length + 1);
  plan.moves.forEach((m, i) => (begin[i + 1] = intAt(begin, i) + m.length));
  return {
    plan,
    words,
    keys: all.map(({ s }) => s.key),
    wordOf: Int32Array.from(words, (w) => present(numbers.get(w))),
    start: Int32Array.from(plan.parts, (p, i) => place(i, p.table.start)),
    startAt: Float64Array.from(plan.parts, (p) => p.table.startAt ?? 0),
    width,
    next,
    speed: Float64Array.from(all, ({ s }) => s.speed),
    after: Float64Array.from(all, ({ s }) => s.after?.seconds ?? Infinity),
    then: Int32Array.from(all, ({ s, part }, i) => (s.after ? place(part, s.after.then) : i)),
    atEnd: Int32Array.from(all, ({ s, part }, i) => (s.atEnd === null ? i : place(part, s.atEnd))),
    lost: Int32Array.from(plan.parts, (_, i) => known(i, POWER_LOST)),
    back: Int32Array.from(plan.parts, (_, i) => known(i, POWER_BACK)),
    channels: {
      part: Int32Array.from(c, (x) => x.part),
      line: Int32Array.from(c, (x) => x.line),
      down: Int32Array.from(c, (x) => event(x.part, x.down)),
      up: Int32Array.from(c, (x) => event(x.part, x.up)),
      held: Int32Array.from(c, (x) => event(x.part, x.held)),
      least: Float64Array.from(c, (x) => x.least),
      long: Float64Array.from(c, (x) => x.long),
      gap: Float64Array.from(c, (x) => x.gap),
      count: c.length,
    },
    senses: {
      part: Int32Array.from(plan.senses, (s) => s.part),
      yes: Uint8Array.from(
        plan.senses.flatMap((s) => [...(s.part < 0 ? new Uint8Array(total) : marks(s.part, s.yes))]),
      ),
      takenYes: Int32Array.from(plan.senses, (s) => taken(s.part, s.taken[0])),
      takenNo: Int32Array.from(plan.senses, (s) => taken(s.part, s.taken[1])),
      delay: [Float64Array.from(plan.senses, (s) => s.hold), Float64Array.from(plan.senses, (s) => s.delay)],
      stale: Float64Array.from(plan.senses, (s) => s.stale ?? Infinity),
      away: Uint8Array.from(plan.senses, (s) => (s.away ? 1 : 0)),
      count: plan.senses.length,
    },
    routine: plan.routine ?? null,
    timers: timersOf(plan.routine),
    ends: plan.ends?.some((e) => e !== null) ? plan.ends : [],
    loops: plan.loops ?? [],
    levels: (plan.loops ?? []).map(({ cutOff }, l) => [
      ...(cutOff ? [cutOff.at, cutOff.back] : []).filter(Number.isFinite),
      ...plan.monitors.flatMap((m) => (m.kind === 'heat' && m.loop === l ? [m.degrees] : [])),
    ]),
    worksIn: (plan.loops ?? []).map((l) => marks(l.part, l.works)),
    rival,
    apart,
    lead,
    code: {
      begin,
      op: Uint8Array.from(flat, (o) => OPS.indexOf(o.do)),
      lines: Int32Array.from(flat, (o) => o.lines.reduce((bits, l) => bits | (1 << l), 0)),
      seconds: Float64Array.from(flat, (o) => o.seconds),
      least: Float64Array.from(flat, (o) => (o.do === 'hold' ? (o.least ?? 0) : 0)),
      sense: Int32Array.from(flat, (o) => o.sense),
      is: Uint8Array.from(flat, (o) => (o.is ? 1 : 0)),
      orElse: Uint8Array.from(flat, (o) => ELSES.indexOf(o.orElse)),
      to: Int32Array.from(
        plan.moves.flatMap((m, i) => m.map((o) => intAt(begin, i) + Math.min(Math.max(0, o.to), m.length))),
      ),
      times: Int32Array.from(flat, (o) => o.times),
    },
    clues: plan.monitors.map((m): readonly CompiledClue[] => {
      if (m.kind === 'starts' || m.kind === 'heat') return [];
      if (m.kind === 'unwarned') return [{ of: 'part', index: m.part, marks: marks(m.part, m.keys) }];
      return m.clues.map((clue): CompiledClue => {
        if (clue.of === 'line') return { of: 'line', index: clue.line, marks: new Uint8Array(0) };
        if (clue.of === 'sense') return { of: 'sense', index: clue.sense, marks: new Uint8Array(0) };
        return { of: clue.of, index: clue.part, marks: marks(clue.part, clue.keys) };
      });
    }),
  };
}
