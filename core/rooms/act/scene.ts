import { itemAt } from '../../ground/lists';
import {
  lineId,
  sayNever,
  type HeedRole,
  type Job,
  type Loop,
  type MachinePart,
  type Move,
  type Never,
  type Sense,
  sidesOf,
  type MoveStep,
} from '../../ground/job';
import {
  compileWorld,
  type Channel,
  type Clue,
  type CompiledWorld,
  type MachineTable,
  type Monitor,
  type Op,
  type OutputEnd,
  type Twitch,
  type WorldPlan,
} from '../../engines/world';
import { apartsIn, handWires, type SceneHand } from './hand-wires';
import { handsIn } from '../../build/panel';
import { leastOn, ruleWires, type RuleFlag } from '../../build/rules';
import { otherWords } from '../../engines/reversing';
import { heedsOf } from './heard';
import { long, up } from './events';
import { loopsIn } from './loop-wires';
import { plain, wireOf } from './sense-wire';
import { HELD_KINDS, lacksOfPart, ROLES_OF, tableOf, turnEvent } from './machine';

/** An output of the controller: a press, or the other side of a rocker. */
export interface SceneLine {
  readonly press: string;
  readonly other: boolean;
  readonly name: string;
}

/** A condition with the monitors that hold it; none where a run cannot tell. */
export interface HeldNever {
  readonly never: Never;
  readonly words: string;
  /** Numbers of its monitors. */
  readonly monitors: readonly number[];
  /** What a run cannot tell of it; empty where it is held. */
  readonly unheld: string;
}

/** A job as a world that can be run, with the names of what its numbers stand for. */
export interface Scene {
  readonly world: CompiledWorld;
  readonly lines: readonly SceneLine[];
  readonly parts: readonly MachinePart[];
  readonly tables: readonly MachineTable[];
  readonly senses: readonly Sense[];
  readonly hands: readonly SceneHand[];
  /** Of each sense, what it lacks to tell a run anything; empty where it does. */
  readonly senseLacks: readonly string[];
  readonly moves: readonly Move[];
  readonly nevers: readonly HeldNever[];
  /** Stretches of the calendar that its rules look at. */
  readonly flags: readonly RuleFlag[];
  /** What it warms and cools, as far as that is known. */
  readonly loops: readonly Loop[];
}

/** What a controller's pins do when it comes up, by `sideKey`, and how long until its program is in charge, s. */
export interface PowerUp {
  readonly twitches: ReadonlyMap<string, Twitch>;
  readonly readySeconds: number;
  /** What ends a closure by itself, by `sideKey`, and after how long a program that hangs is restarted, s; left out where nothing does. */
  readonly ends?: ReadonlyMap<string, OutputEnd>;
  readonly watchdog?: number;
}
/** A press, or the other side or direction of it. */
export const sideKey = (press: string, other: boolean): string => (other ? lineId(press, 'other') : press);
/** What ends outputs by itself, and what restarts a program that hangs. */
const endsOf = (lines: readonly SceneLine[], { ends, watchdog }: PowerUp): Pick<WorldPlan, 'ends' | 'watchdog'> => ({
  ...(ends && ends.size > 0 ? { ends: lines.map((l) => ends.get(sideKey(l.press, l.other)) ?? null) } : {}),
  ...(watchdog === undefined ? {} : { watchdog }),
});
/** A controller whose pins do nothing at power-up. */
export const QUIET: PowerUp = { twitches: new Map(), readySeconds: 0 };

const QUIET_SCENES = new WeakMap<Job, Scene | null>();
/** The world of a job: null while no part of its machine is known. Throws WorldProblem for one that cannot be run. */
export function sceneOf(job: Job, up: PowerUp = QUIET): Scene | null {
  if (up !== QUIET) return setUp(job, up);
  // Several judgements of one job ask for it; a scene is never changed.
  const known = QUIET_SCENES.get(job);
  if (known !== undefined) return known;
  const made = setUp(job, up);
  QUIET_SCENES.set(job, made);
  return made;
}

/** The world of a job with all of its rules, whether they are plain or not, and whether its machine is known or not. */
export const ruledScene = (job: Job): Scene => worldOfJob(job, partsIn(job), QUIET, true);

const partsIn = (job: Job): readonly MachinePart[] => job.act.parts.filter((p) => lacksOfPart(p) === '');

function setUp(job: Job, up: PowerUp): Scene | null {
  const parts = partsIn(job);
  return parts.length === 0 ? null : worldOfJob(job, parts, up, false);
}

function worldOfJob(job: Job, parts: readonly MachinePart[], up: PowerUp, ruled: boolean): Scene {
  const tables = parts.map(tableOf);
  const lines = linesIn(job, parts);
  const line = (press: string, other: boolean): number =>
    lines.findIndex((l) => l.press === press && l.other === other);
  const wires = job.senses.map((s) => wireOf(job, s, parts, tables));
  const { moves } = job.act;
  const hands = handWires(job, line);
  const loops = loopsIn(job, parts, tables);
  const nevers = neversOf(job, { parts, tables, line, loops: loops.map((l) => l.loop) });
  const routine = ruleWires(job, lines, ruled);
  const least = leastOn(job);
  const plan: WorldPlan = {
    parts: parts.map((p, i) => ({ name: p.name, table: itemAt(tables, i) })),
    lines: lines.length,
    contacts: lines.map((l) => (job.presses.find((p) => p.id === l.press)?.twoContacts ? 2 : 1)),
    channels: parts.flatMap((p, part) => channelsOf(job, p, part, line)),
    senses: wires.map((w) => w.wire),
    aparts: apartsIn(job, line),
    hands: hands.map((h) => h.wire),
    moves: moves.map((m) =>
      m.steps.map((s) => ({ ...opOf(s, job.senses, line), ...(least ? { least: least(s) } : {}) })),
    ),
    monitors: nevers.monitors,
    twitches: lines.map((l) => up.twitches.get(sideKey(l.press, l.other)) ?? null),
    readySeconds: up.readySeconds,
    ...endsOf(lines, up),
    ...(routine ? { routine: routine.wire } : {}),
    ...(loops.length > 0 ? { loops: loops.map((l) => l.wire) } : {}),
  };
  return {
    world: compileWorld(plan),
    lines,
    parts,
    tables,
    senses: job.senses,
    hands,
    senseLacks: wires.map((w) => w.lacks),
    moves,
    nevers: nevers.held,
    flags: routine?.flags ?? [],
    loops: loops.map((l) => l.loop),
  };
}

function linesIn(job: Job, parts: readonly MachinePart[]): SceneLine[] {
  const asked = [
    ...parts.flatMap((p) => heedsOf(job, p)),
    ...job.act.moves.flatMap((m) => m.steps.flatMap(sidesOf)),
    ...handsIn(job).flatMap(({ asks, other }) => (asks === '' ? [] : [{ press: asks, other }])),
  ];
  const seen = new Set<string>();
  return asked.flatMap(({ press, other }) => {
    const key = `${press} ${other}`;
    const known = job.presses.find((p) => p.id === press);
    if (seen.has(key) || !known) return [];
    seen.add(key);
    return [{ press, other, name: other ? `${known.name}, ${otherWords(known)}` : known.name }];
  });
}

function channelsOf(
  job: Job,
  p: MachinePart,
  part: number,
  line: (press: string, other: boolean) => number,
): Channel[] {
  if (p.kind === 'unknown') return [];
  let turn = 0;
  const met = new Set<string>();
  return heedsOf(job, p).flatMap((h): Channel[] => {
    const inTurn = p.kind === 'in-turn' && h.as === 'press';
    const role: HeedRole | string = inTurn ? turnEvent(p.heeds, turn++) : h.as;
    // A key that is asked for twice is one button all the same.
    if (inTurn && met.has(role)) return [];
    met.add(role);
    const knows = ROLES_OF[p.kind as keyof typeof ROLES_OF].includes(h.as);
    const channel: Channel = {
      line: line(h.press, h.other),
      part,
      down: knows ? role : '',
      up: knows && HELD_KINDS.includes(p.kind as never) ? up(role).key : '',
      held: knows && p.longPress !== 'same' ? long(role).key : '',
      least: p.shortestPressSeconds ?? 0,
      long: p.longPress === 'same' ? Infinity : (p.longestPressSeconds ?? Infinity),
      gap: p.leastGapSeconds ?? 0,
    };
    return [channel];
  });
}

function opOf(s: MoveStep, senses: readonly Sense[], line: (press: string, other: boolean) => number): Op {
  return {
    do: s.do,
    lines: sidesOf(s)
      .map(({ press, other }) => line(press, other))
      .filter((l) => l >= 0),
    seconds: s.seconds,
    sense: s.sense === '' ? -1 : senses.findIndex((x) => x.id === s.sense),
    is: s.is,
    orElse: s.orElse,
    to: s.to - 1,
    times: s.times,
  };
}

type StateClue = Extract<Clue, { readonly keys: readonly string[] }>;

interface Named {
  readonly parts: readonly MachinePart[];
  readonly tables: readonly MachineTable[];
  readonly loops: readonly Loop[];
  readonly line: (press: string, other: boolean) => number;
}

/** Each condition as monitors over a run; one that names what no run knows is told so. */
function neversOf(job: Job, n: Named): { readonly held: readonly HeldNever[]; readonly monitors: readonly Monitor[] } {
  const monitors: Monitor[] = [];
  const held = job.wish.nevers.map((never): HeldNever => {
    const made = monitorsOf(job, never, n);
    const first = monitors.length;
    if (typeof made !== 'string') monitors.push(...made);
    return {
      never,
      words: sayNever(job, never),
      monitors: typeof made === 'string' ? [] : made.map((_, i) => first + i),
      unheld: typeof made === 'string' ? made : '',
    };
  });
  return { held, monitors };
}

/** The states of each part that a word names, by its word or its key. */
function statesCalled(n: Named, word: string, of: 'part' | 'belief'): StateClue[] {
  return n.tables.flatMap((t, part): StateClue[] => {
    const keys = t.states
      .filter((s) => plain(s.word) === plain(word) || plain(s.key) === plain(word))
      .map((s) => s.key);
    return keys.length > 0 ? [{ of, part, keys }] : [];
  });
}

const together = (clues: readonly Clue[], seconds: number): Monitor => ({ kind: 'together', clues, seconds });
const unknown = (word: string): string => `no state of the machine is called “${word}”`;

function monitorsOf(job: Job, never: Never, n: Named): readonly Monitor[] | string {
  switch (never.kind) {
    case 'lasts-longer':
      return ofState(n, never.state, (c) => together([c], never.seconds));
    case 'no-warning':
      return ofState(n, never.state, ({ part, keys }) => ({ kind: 'unwarned', part, keys, seconds: never.seconds }));
    case 'state-while':
      return stateWhile(job, never, n);
    case 'both-at-once':
      return bothAtOnce(never, n);
    case 'starts-per-arming':
      return [{ kind: 'starts', most: never.count }];
    case 'output-longer': {
      const line = n.line(never.press, false);
      return line < 0 ? 'it is pressed by no move' : [together([{ of: 'line', line }], never.seconds)];
    }
    case 'believes-wrongly': {
      const believed = statesCalled(n, never.state, 'belief');
      const truth = statesCalled(n, never.other, 'part');
      if (believed.length === 0) return unknown(never.state);
      if (truth.length === 0) return unknown(never.other);
      return believed.flatMap((b) => truth.map((t) => together([b, t], never.seconds)));
    }
    case 'gets-warmer':
    case 'gets-colder': {
      const loop = n.loops.findIndex((l) => l.sense === never.sense);
      if (loop < 0) return 'no loop in Routine tells how warm it gets there';
      return [{ kind: 'heat', loop, over: never.kind === 'gets-warmer', degrees: never.degrees }];
    }
  }
}

/** One monitor for each state that a word names. */
function ofState(n: Named, word: string, monitor: (c: StateClue) => Monitor): readonly Monitor[] | string {
  const clues = statesCalled(n, word, 'part');
  return clues.length > 0 ? clues.map(monitor) : unknown(word);
}

/** A state while a sense says so, or while another part is in a state. */
function stateWhile(job: Job, never: Never, n: Named): readonly Monitor[] | string {
  const clues = statesCalled(n, never.state, 'part');
  const sense = job.senses.findIndex(
    (s) => plain(s.name) === plain(never.other) || plain(s.meaning) === plain(never.other),
  );
  const others: Clue[] = sense >= 0 ? [{ of: 'sense', sense }] : statesCalled(n, never.other, 'part');
  if (clues.length === 0) return unknown(never.state);
  if (others.length === 0) return `neither a state nor a sense is called “${never.other}”`;
  return clues.flatMap((c) => others.map((o) => together([c, o], 0)));
}

/** Two outputs closed together. */
function bothAtOnce(never: Never, n: Named): readonly Monitor[] | string {
  const lines = [n.line(never.press, false), n.line(never.otherPress, false)];
  if (lines[0] === lines[1]) return 'these are two ways of one press, which what drives it keeps apart, and no run';
  if (lines.some((line) => line < 0)) return 'one of them is pressed by no move';
  return [
    together(
      lines.map((line) => ({ of: 'line', line })),
      0,
    ),
  ];
}
