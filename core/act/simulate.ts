import type { Fault, MachineModel, ScriptStep } from '../job';
import { compile, positionAt, roomFor, run, WORLD_EVENTS, type Compiled, type Course, type Happenings } from '../world';
import { tableOf, type MachineWord } from './machine';

/** A step of a script as the control that is followed meets it. */
export type TimedStep = Pick<ScriptStep, 'do' | 'seconds'>;

export interface Span {
  readonly from: number;
  readonly to: number;
}
export interface StateSpan extends Span {
  readonly word: MachineWord;
}
export interface SeenPress {
  readonly at: number;
  readonly by: 'plan' | 'hand';
}
export interface TravelPoint {
  readonly at: number;
  readonly position: number;
}

/** Everything that happened, exact times in seconds. */
export interface Trace {
  readonly contact: readonly Span[];
  readonly seen: readonly SeenPress[];
  readonly missed: readonly number[];
  readonly machine: readonly StateSpan[];
  readonly believes: readonly StateSpan[];
  /** Where the plan's belief and the machine part. */
  readonly parted: readonly (Span & { believed: MachineWord; true: MachineWord })[];
  readonly travel: readonly TravelPoint[];
  readonly noPower: readonly Span[];
  readonly end: number;
}

export interface Scenario {
  readonly machine: MachineModel;
  readonly script: readonly TimedStep[];
  readonly faults: readonly Fault[];
  /** Instants at which the script is started, s. */
  readonly starts: readonly number[];
  readonly end: number;
}

/** How long a person holds a button, s: common practice. */
const HAND_SECONDS = 0.3;

/** The closures that a script makes from one start. */
export function scriptPresses(script: readonly TimedStep[], start: number): Span[] {
  let t = start;
  const out: Span[] = [];
  for (const step of script) {
    if (step.do === 'press') out.push({ from: t, to: t + step.seconds });
    t += step.seconds;
  }
  return out;
}

/** Length of a script, s. */
export const scriptSeconds = (script: readonly TimedStep[]): number => script.reduce((s, x) => s + x.seconds, 0);

const PRESS = WORLD_EVENTS.indexOf('press');
const LOST = WORLD_EVENTS.indexOf('power lost');
const BACK = WORLD_EVENTS.indexOf('power back');

/** Simulates a scenario exactly: events in order of time, nothing sampled. Deterministic; its cost grows with the events alone. */
export function simulate(s: Scenario): Trace {
  const cuts = cutsOf(s);
  const planned = plannedPresses(s, cuts);
  const deaf = deafOf(s.faults, planned);
  const hand = s.faults
    .filter((f) => f.kind === 'hand-press')
    .map((f): Span => ({ from: f.atSeconds, to: f.atSeconds + HAND_SECONDS }));
  const machine = compile(tableOf(s.machine));
  const least = s.machine.shortestPressSeconds;
  const heard = planned.filter((_, i) => !deaf.has(i));
  const real = follow(machine, happenings(least, heard, hand, cuts), s.end);
  const ideal = follow(machine, happenings(least, planned, [], []), s.end);
  return {
    contact: planned.filter((p) => p.from < s.end),
    missed: [...deaf].sort((a, b) => a - b).map((i) => planned[i]!.from),
    seen: real.seen,
    machine: real.spans,
    believes: ideal.spans,
    travel: real.travel,
    noPower: cuts,
    end: s.end,
    parted: partings(ideal.spans, real.spans),
  };
}

/** Power cuts in order, those that touch as one. */
function cutsOf(s: Scenario): Span[] {
  const cuts = s.faults
    .filter((f) => f.kind === 'power-cut' && f.atSeconds < s.end)
    .map((f) => ({ from: f.atSeconds, to: f.atSeconds + f.seconds }))
    .sort((a, b) => a.from - b.from);
  const out: { from: number; to: number }[] = [];
  for (const c of cuts) {
    const last = out.at(-1);
    if (last && c.from <= last.to) last.to = Math.max(last.to, c.to);
    else out.push(c);
  }
  return out;
}

/** A cut takes the controller down too: the press under way ends and the rest of the script is lost; none begins in the dark. */
function plannedPresses(s: Scenario, cuts: readonly Span[]): Span[] {
  let c = 0;
  const out = [...s.starts]
    .sort((a, b) => a - b)
    .flatMap((start) => {
      while (c < cuts.length && cuts[c]!.to <= start) c++;
      const next = cuts[c];
      if (next && next.from <= start) return [];
      const cut = next?.from ?? Infinity;
      return scriptPresses(s.script, start)
        .filter((p) => p.from < cut)
        .map((p) => ({ from: p.from, to: Math.min(p.to, cut) }));
    });
  return out.sort((a, b) => a.from - b.from);
}

/** Which presses are missed: of each such fault the one that is nearest to it. */
function deafOf(faults: readonly Fault[], planned: readonly Span[]): ReadonlySet<number> {
  const deaf = new Set<number>();
  if (planned.length === 0) return deaf;
  for (const f of faults) {
    if (f.kind !== 'missed-press') continue;
    let [low, high] = [0, planned.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (planned[middle]!.from < f.atSeconds) low = middle + 1;
      else high = middle;
    }
    const [before, after] = [planned[low - 1], planned[low]];
    const nearer = before && (!after || f.atSeconds - before.from <= after.from - f.atSeconds) ? low - 1 : low;
    deaf.add(nearer);
  }
  return deaf;
}

interface Told extends Happenings {
  /** By whom each press was made. */
  readonly by: readonly ('plan' | 'hand' | null)[];
}

/** Everything that reaches the machine in order of time. It obeys once a contact was closed for its shortest press. */
function happenings(least: number, planned: readonly Span[], hand: readonly Span[], cuts: readonly Span[]): Told {
  const list: { at: number; what: number; by: 'plan' | 'hand' | null }[] = [];
  const press =
    (by: 'plan' | 'hand') =>
    (p: Span): void => {
      if (p.to - p.from >= least) list.push({ at: p.from + least, what: PRESS, by });
    };
  planned.forEach(press('plan'));
  hand.forEach(press('hand'));
  for (const c of cuts) list.push({ at: c.from, what: LOST, by: null }, { at: c.to, what: BACK, by: null });
  list.sort((a, b) => a.at - b.at);
  return {
    at: Float64Array.from(list, (x) => x.at),
    what: Uint8Array.from(list, (x) => x.what),
    by: list.map((x) => x.by),
    count: list.length,
  };
}

function follow(m: Compiled, told: Told, end: number) {
  const course = run(m, told, end, roomFor(2 * told.count + 8, told.count));
  const word = (state: number): MachineWord => m.words[state]! as MachineWord;
  const seen: SeenPress[] = [];
  for (let i = 0; i < told.count && told.at[i]! <= end; i++) {
    const by = told.by[i];
    if (by && word(course.found[i]!) !== 'no power') seen.push({ at: told.at[i]!, by });
  }
  return { seen, ...spansOf(m, course, end, word) };
}

function spansOf(m: Compiled, c: Course, end: number, word: (state: number) => MachineWord) {
  const spans: StateSpan[] = [];
  const travel: TravelPoint[] = [];
  for (let i = 0; i < c.count; i++) {
    const [from, state, position] = [c.from[i]!, c.state[i]!, c.position[i]!];
    const to = i + 1 < c.count ? c.from[i + 1]! : end;
    travel.push({ at: from, position }, { at: to, position: positionAt(m, state, position, to - from) });
    if (to <= from) continue;
    const last = spans.at(-1);
    if (last && last.word === word(state)) spans[spans.length - 1] = { ...last, to };
    else spans.push({ from, to, word: word(state) });
  }
  return { spans, travel };
}

function partings(believed: readonly StateSpan[], truth: readonly StateSpan[]) {
  const out: { from: number; to: number; believed: MachineWord; true: MachineWord }[] = [];
  let j = 0;
  for (const b of believed) {
    while (j < truth.length && truth[j]!.to <= b.from) j++;
    for (let k = j; k < truth.length && truth[k]!.from < b.to; k++) {
      const t = truth[k]!;
      if (t.word === b.word) continue;
      const span = { from: Math.max(b.from, t.from), to: Math.min(b.to, t.to), believed: b.word, true: t.word };
      if (span.to - span.from > 1e-9) out.push(span);
    }
  }
  return out;
}
