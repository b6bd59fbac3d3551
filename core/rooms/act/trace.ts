import { intAt, itemAt, realAt } from '../../ground/lists';
import type { Fault } from '../../ground/job';
import {
  freshLog,
  happeningsOf,
  LOGGED,
  runTo,
  worldOf,
  type Log,
  type StateRole,
  type WorldState,
} from '../../engines/world';
import { closuresOf, faultsAsHappenings, startsAsHappenings, type Start } from './faults';
import type { Scene } from './scene';

/** From when to when, s. */
export interface Span {
  readonly from: number;
  readonly to: number;
}
/** A state of a part, from when to when. */
export interface StateSpan extends Span {
  readonly word: string;
  /** It rests, or has no power; of a sense, that it does not say so. */
  readonly still: boolean;
}
/** A press as a part saw it. */
export interface SeenPress {
  readonly at: number;
  readonly by: 'plan' | 'hand';
}
/** Where a part stands at an instant; 0 closed, 1 open. */
export interface TravelPoint {
  readonly at: number;
  readonly position: number;
}
/** Where the plan's belief and the machine part. */
export interface Parting extends Span {
  readonly believed: string;
  readonly true: string;
}

/** One part of the machine over a run. */
export interface PartTrace {
  readonly name: string;
  readonly machine: readonly StateSpan[];
  readonly believes: readonly StateSpan[];
  readonly parted: readonly Parting[];
  readonly seen: readonly SeenPress[];
  /** Empty for a part without a way. */
  readonly travel: readonly TravelPoint[];
}

/** Everything that happened in a run, exact times in seconds. */
export interface RunTrace {
  readonly outputs: readonly { readonly name: string; readonly spans: readonly Span[] }[];
  readonly warns: readonly Span[];
  readonly senses: readonly { readonly name: string; readonly spans: readonly StateSpan[]; readonly lacks: string }[];
  /** What people moved at the controller, as it felt it; and while it was armed. */
  /** Sides that people move; a command, which comes by message, has instants and no lengths. */
  readonly hands: readonly { readonly name: string; readonly byMessage: boolean; readonly spans: readonly Span[] }[];
  readonly armed: readonly Span[];
  readonly parts: readonly PartTrace[];
  /** Presses that the machine never met. */
  readonly missed: readonly number[];
  readonly calls: readonly number[];
  readonly noPower: readonly Span[];
  /** The step that the move was at, by number from 0 within its move. */
  readonly steps: readonly (Span & { readonly move: number; readonly step: number })[];
  /** Conditions that were broken, with when. */
  readonly broken: readonly { readonly words: string; readonly at: number }[];
  readonly end: number;
}

/** What is run. */
export interface RunOf {
  readonly starts: readonly Start[];
  readonly faults: readonly Fault[];
  readonly end: number;
  /** Events that it may take; `MOST_EVENTS` where nobody says otherwise. */
  readonly most?: number;
}

/** Runs a scene exactly and tells all of it. Deterministic; its cost grows with the events alone. */
export function runScene(scene: Scene, run: RunOf): RunTrace {
  // A press that is missed or seen twice is one that is made with everything else that befalls the run.
  const onPress = (f: Fault): boolean => f.kind === 'missed-press' || f.kind === 'seen-twice';
  const others = faultsAsHappenings(
    scene,
    run.faults.filter((f) => !onPress(f)),
    [],
  );
  const closures = run.faults.some(onPress) ? closuresOf(scene, run.starts, run.end, others) : [];
  // Faults stand first: of those at one instant with a start they befall what it does.
  const list = [...faultsAsHappenings(scene, run.faults, closures), ...startsAsHappenings(run.starts)];
  const given = happeningsOf(list);
  const log = freshLog(1024);
  const state = worldOf(scene.world, given, log);
  runTo(state, run.end, given, log, run.most);
  const missed = list.filter((h) => h.what === 'missed').map((h) => h.at);
  return { ...told(scene, log, state, run.end), missed: missed.sort((a, b) => a - b) };
}

/** Entries of one kind and index as spans from each change to the next. */
function changes(log: Log, kind: number, index: number, end: number): (Span & { value: number; place: number })[] {
  const out: { from: number; to: number; value: number; place: number }[] = [];
  for (let i = 0; i < log.count; i++) {
    if (log.kind[i] !== kind || log.index[i] !== index || realAt(log.at, i) > end) continue;
    const last = out.at(-1);
    if (last) last.to = realAt(log.at, i);
    out.push({ from: realAt(log.at, i), to: end, value: intAt(log.value, i), place: i });
  }
  return out;
}

const whileOn = (log: Log, kind: number, index: number, end: number, instants = false): Span[] =>
  changes(log, kind, index, end)
    .filter((c) => c.value === 1 && (instants || c.to > c.from))
    .map(({ from, to }) => ({ from, to }));

function merged(spans: readonly StateSpan[]): StateSpan[] {
  const out: StateSpan[] = [];
  for (const s of spans) {
    if (s.to <= s.from) continue;
    const last = out.at(-1);
    if (last && last.word === s.word) out[out.length - 1] = { ...last, to: s.to };
    else out.push(s);
  }
  return out;
}

const HEARD = ['no', 'yes', 'unheard'];
/** States in which nothing goes on. */
const STILL: readonly (StateRole | undefined)[] = ['rest', 'asleep', 'dark'];

function told(scene: Scene, log: Log, state: WorldState, end: number): Omit<RunTrace, 'missed'> {
  const { world } = scene;
  const calls: number[] = [];
  for (let i = 0; i < log.count; i++) if (log.kind[i] === LOGGED.call) calls.push(realAt(log.at, i));
  const powered = changes(log, LOGGED.power, 0, end);
  const { begin } = world.code;
  const steps = changes(log, LOGGED.step, 0, end)
    .filter((c) => c.value >= 0)
    .map(({ from, to, value }) => {
      const move = begin.findLastIndex((b, i) => i < begin.length - 1 && b <= value);
      return { from, to, move, step: value - intAt(begin, move) };
    });
  return {
    outputs: scene.lines.map((l, i) => ({ name: l.name, spans: whileOn(log, LOGGED.contact, i, end) })),
    warns: whileOn(log, LOGGED.warns, 0, end),
    senses: scene.senses.map((s, i) => ({
      name: s.name,
      lacks: itemAt(scene.senseLacks, i),
      spans: changes(log, LOGGED.sense, i, end).map(({ from, to, value }) => ({
        from,
        to,
        word: itemAt(HEARD, value),
        still: value !== 1,
      })),
    })),
    hands: scene.hands.map(({ name, wire }, i) => {
      const byMessage = wire.does === 'command';
      return { name, byMessage, spans: whileOn(log, LOGGED.hand, i, end, byMessage) };
    }),
    armed: whileOn(log, LOGGED.armed, 0, end),
    parts: scene.parts.map((p, i) => partTold(scene, log, i, p.name, end)),
    calls,
    noPower: powered.filter((c) => c.value === 0).map(({ from, to }) => ({ from, to })),
    steps,
    broken: scene.nevers.flatMap((n) => {
      const at = Math.min(Infinity, ...n.monitors.map((m) => realAt(state.brokenAt, m)));
      return at < Infinity ? [{ words: n.words, at }] : [];
    }),
    end,
  };
}

function partTold(scene: Scene, log: Log, part: number, name: string, end: number): PartTrace {
  const { world } = scene;
  const truth = changes(log, LOGGED.part, part, end);
  const still = scene.tables.flatMap((t) => t.states.map(({ role }) => STILL.includes(role)));
  const spans = (list: typeof truth): StateSpan[] =>
    merged(
      list.map(({ from, to, value }) => ({ from, to, word: itemAt(world.words, value), still: itemAt(still, value) })),
    );
  const machine = spans(truth);
  const believes = spans(changes(log, LOGGED.belief, part, end));
  const seen: SeenPress[] = [];
  for (let i = 0; i < log.count; i++)
    if (log.kind[i] === LOGGED.obeyed && world.channels.part[intAt(log.index, i)] === part)
      seen.push({ at: realAt(log.at, i), by: log.value[i] === 1 ? 'hand' : 'plan' });
  const moves = itemAt(scene.tables, part).states.some((s) => s.speed !== 0);
  return {
    name,
    machine,
    believes,
    parted: partings(believes, machine),
    seen,
    travel: moves ? travelOf(scene, truth) : [],
  };
}

/** The way over time: each state begins where the last one left it. */
function travelOf(scene: Scene, truth: readonly (Span & { value: number })[]): TravelPoint[] {
  const { speed } = scene.world;
  let position = 0;
  return truth.flatMap(({ from, to, value }) => {
    const began = position;
    position = Math.min(1, Math.max(0, position + realAt(speed, value) * (to - from)));
    return [
      { at: from, position: began },
      { at: to, position },
    ];
  });
}

function partings(believed: readonly StateSpan[], truth: readonly StateSpan[]): Parting[] {
  const out: Parting[] = [];
  let j = 0;
  for (const b of believed) {
    while (j < truth.length && itemAt(truth, j).to <= b.from) j++;
    for (let k = j; k < truth.length && itemAt(truth, k).from < b.to; k++) {
      const t = itemAt(truth, k);
      if (t.word === b.word) continue;
      const span = { from: Math.max(b.from, t.from), to: Math.min(b.to, t.to), believed: b.word, true: t.word };
      if (span.to - span.from > 1e-9) out.push(span);
    }
  }
  return out;
}
