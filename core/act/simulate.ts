import type { Fault, MachineModel, ScriptStep } from '../job';
import {
  atRest,
  ended,
  positionAfter,
  powerBack,
  powerLost,
  pressed,
  type MachineState,
  type MachineWord,
} from './machine';

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
  readonly script: readonly ScriptStep[];
  readonly faults: readonly Fault[];
  /** Instants at which the script is started, s. */
  readonly starts: readonly number[];
  readonly end: number;
}

/** How long a person holds a button, s: common practice. */
const HAND_SECONDS = 0.3;

interface Press extends Span {
  readonly by: 'plan' | 'hand';
}

/** The closures that a script makes from one start. */
export function scriptPresses(script: readonly ScriptStep[], start: number): Span[] {
  let t = start;
  const out: Span[] = [];
  for (const step of script) {
    if (step.do === 'press') out.push({ from: t, to: t + step.seconds });
    t += step.seconds;
  }
  return out;
}

/** Length of a script, s. */
export const scriptSeconds = (script: readonly ScriptStep[]): number => script.reduce((s, x) => s + x.seconds, 0);

/** Simulates a scenario exactly: events in order of time, nothing sampled. Deterministic. */
export function simulate(s: Scenario): Trace {
  const cuts = s.faults
    .filter((f) => f.kind === 'power-cut')
    .map((f) => ({ from: f.atSeconds, to: f.atSeconds + f.seconds }))
    .filter((c) => c.from < s.end);
  const planned = s.starts.flatMap((start) => runUntilCut(scriptPresses(s.script, start), cuts, start));
  const hand = s.faults
    .filter((f) => f.kind === 'hand-press')
    .map((f): Span => ({ from: f.atSeconds, to: f.atSeconds + HAND_SECONDS }));
  const deaf = s.faults
    .filter((f) => f.kind === 'missed-press')
    .map((f) => nearestPress(planned, f.atSeconds))
    .filter((p) => p !== undefined);
  const presses: Press[] = [
    ...planned.map((p) => ({ ...p, by: 'plan' as const })),
    ...hand.map((p) => ({ ...p, by: 'hand' as const })),
  ].sort((a, b) => a.from - b.from);
  const real = run(
    s.machine,
    presses.filter((p) => !deaf.includes(planned.find((x) => x.from === p.from && p.by === 'plan') ?? p)),
    cuts,
    s.end,
  );
  const ideal = run(
    s.machine,
    planned.map((p) => ({ ...p, by: 'plan' as const })),
    [],
    s.end,
  );
  return {
    contact: planned.filter((p) => p.from < s.end),
    missed: deaf.map((p) => p.from),
    seen: real.seen,
    machine: real.spans,
    believes: ideal.spans,
    travel: real.travel,
    noPower: cuts,
    end: s.end,
    parted: partings(ideal.spans, real.spans),
  };
}

/** A cut takes the controller down too: the press under way ends and the rest of the script is lost. */
function runUntilCut(presses: readonly Span[], cuts: readonly Span[], start: number): Span[] {
  if (cuts.some((c) => c.from <= start && start < c.to)) return [];
  const cut =
    cuts
      .map((c) => c.from)
      .filter((t) => t > start)
      .sort((a, b) => a - b)[0] ?? Number.POSITIVE_INFINITY;
  return presses.filter((p) => p.from < cut).map((p) => ({ from: p.from, to: Math.min(p.to, cut) }));
}

function nearestPress(presses: readonly Span[], at: number): Span | undefined {
  return [...presses].sort((a, b) => Math.abs(a.from - at) - Math.abs(b.from - at))[0];
}

type Event = { at: number; kind: 'press'; by: 'plan' | 'hand' } | { at: number; kind: 'cut' | 'back' };

function run(m: MachineModel, presses: readonly Press[], cuts: readonly Span[], end: number) {
  const events: Event[] = [
    // The machine obeys once the contact has been closed for its shortest press; shorter ones it never sees.
    ...presses
      .filter((p) => p.to - p.from >= m.shortestPressSeconds)
      .map((p): Event => ({ at: p.from + m.shortestPressSeconds, kind: 'press', by: p.by })),
    ...cuts.flatMap((c): Event[] => [
      { at: c.from, kind: 'cut' },
      { at: c.to, kind: 'back' },
    ]),
  ].sort((a, b) => a.at - b.at);
  const spans: StateSpan[] = [];
  const travel: TravelPoint[] = [];
  const seen: SeenPress[] = [];
  let state: MachineState = atRest(m);
  let before = state;
  let since = 0;
  const enter = (next: MachineState, at: number): void => {
    if (at > since) spans.push({ from: since, to: at, word: state.word });
    travel.push({ at: since, position: state.position }, { at, position: positionAfter(m, state, at - since) });
    state = next;
    since = at;
  };
  const letPass = (until: number): void => {
    while (state.until <= until) {
      const at = state.until;
      enter(ended(m, state), at);
    }
  };
  for (const e of events) {
    if (e.at > end) break;
    letPass(e.at);
    if (e.kind === 'press' && state.word !== 'no power') {
      seen.push({ at: e.at, by: e.by });
      const next = pressed(m, state, since, e.at);
      if (next !== state) enter(next, e.at);
    } else if (e.kind === 'cut') {
      before = state;
      enter(powerLost(m, state, since, e.at), e.at);
    } else if (e.kind === 'back') enter(powerBack(m, state, before, e.at), e.at);
  }
  letPass(end);
  enter(state, end);
  return { spans: joined(spans), travel, seen };
}

function joined(spans: readonly StateSpan[]): StateSpan[] {
  const out: StateSpan[] = [];
  for (const s of spans) {
    const last = out[out.length - 1];
    if (last && last.word === s.word) out[out.length - 1] = { ...last, to: s.to };
    else out.push(s);
  }
  return out;
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
