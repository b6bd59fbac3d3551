import { firstItem, itemAt, lastItem, present } from '../../ground/lists';
import {
  carried,
  computed,
  constant,
  derive,
  finding,
  measured,
  type Finding,
  type Step as DerivedStep,
} from '../../ground/finding';
import {
  machineOf,
  pressedBy,
  stepOf,
  TIMED,
  type Job,
  type Sense,
  type MoveStep,
  type Timing,
} from '../../ground/job';
import { RUNS, TRAVELS } from './machine';
import { nextTiming } from './timed';

/** Something in a run that was led by hand: a press goes down or is let go, or a sense says something new. */
export interface LedEvent {
  readonly at: number;
  readonly what: 'down' | 'up' | 'yes' | 'no';
  /** Id of the press or of the sense. */
  readonly of: string;
}
/** One run that was led by hand, with what it is called in a message. */
export interface Take {
  readonly name: string;
  readonly events: readonly LedEvent[];
}

/** One time of a led run, over all takes. */
export interface LedTime {
  readonly do: Piece['do'];
  readonly words: string;
  readonly seconds: readonly number[];
  /** What the move takes for it, s. */
  readonly taken: number;
}
/** A move that was led by hand, or why it cannot be told. */
export type RecordedMove =
  | { readonly ok: true; readonly steps: readonly MoveStep[]; readonly times: readonly LedTime[] }
  | { readonly ok: false; readonly problem: string };

/** A press that is let go so soon after a sense changed was held for it, s (`led-margins`). */
const REACTION_SECONDS = 1;
/** A press this short is a press and was not held for anything, s (`led-margins`). */
const TAP_SECONDS = 1;
/** One timing tells no spread: so much longer is waited for (`led-margins`). */
const SINGLE_MARGIN = 1.5;
/** A wait for a sense lasts so much longer at most than what was seen, before somebody is called (`led-margins`). */
const CALL_MARGIN = 1.5;
/** Waits shorter than this are the hand's own way from one button to the next, s (`led-margins`). */
const LEAST_WAIT = 0.05;

interface Piece {
  readonly do: 'press' | 'hold' | 'wait' | 'until';
  readonly press: string;
  readonly sense: string;
  readonly is: boolean;
  readonly seconds: number;
}

/** Events without what bounces: a sense that takes back what it said before it has settled said nothing. */
function settled(job: Job, events: readonly LedEvent[]): LedEvent[] {
  const out: LedEvent[] = [];
  for (const e of events) {
    const before = out.findLastIndex((x) => x.of === e.of);
    const settles = job.senses.find((s) => s.id === e.of)?.debounceSeconds ?? 0;
    if (before >= 0 && e.at - itemAt(out, before).at < settles) out.splice(before, 1);
    else out.push(e);
  }
  return out;
}

/** One press: held until a sense said so, where the hand let go right after that, else for as long as it was. */
function pressPiece(down: LedEvent, up: LedEvent, last: LedEvent | undefined): Piece {
  const seconds = up.at - down.at;
  if (last && seconds > TAP_SECONDS && up.at - last.at < REACTION_SECONDS)
    return { do: 'hold', press: up.of, sense: last.of, is: last.what !== 'no', seconds: last.at - down.at };
  return { do: 'press', press: up.of, sense: '', is: true, seconds };
}

/** What a take comes to: presses, and between them waits, or waits until a sense said so, one for each of its changes. */
function piecesOf(job: Job, take: Take): Piece[] | string {
  const events = settled(
    job,
    [...take.events].sort((a, b) => a.at - b.at),
  );
  const out: Piece[] = [];
  let down: LedEvent | null = null;
  let free: number | null = null;
  let changes: LedEvent[] = [];
  const wait = (until: number): void => {
    let from = free;
    if (from === null) return;
    for (const c of changes) {
      out.push({ do: 'until', press: '', sense: c.of, is: c.what === 'yes', seconds: c.at - from });
      from = c.at;
    }
    if (until - from >= LEAST_WAIT) out.push({ do: 'wait', press: '', sense: '', is: true, seconds: until - from });
  };
  for (const e of events) {
    if (e.what === 'down') {
      if (down) return `${take.name} presses two at once after ${e.at.toFixed(1)} s: lead it with one press at a time.`;
      wait(e.at);
      [down, changes] = [e, []];
    } else if (e.what === 'up') {
      if (down?.of !== e.of) return `${take.name} lets go of what it did not press after ${e.at.toFixed(1)} s.`;
      out.push(pressPiece(down, e, changes.at(-1)));
      [down, free, changes] = [null, e.at, []];
    } else changes.push(e);
  }
  if (down) return `${take.name} ends while something is still pressed: lead it again, and let go.`;
  // What came true after the last press is what the move waits for at its end.
  const end = changes.at(-1);
  if (end) wait(end.at);
  return out;
}

/**
 * A move from runs that were led by hand: presses as long as they were, waits as long as the next one may take at 95 %, and where a
 * sense told how it went, a wait for it that calls for help. One take alone gives its times with a margin of a half.
 * @param takes at least one; all with the same presses and the same senses in the same order, else the first that differs is named.
 */
export function moveFromTakes(job: Job, takes: readonly Take[]): RecordedMove {
  const no = (problem: string): RecordedMove => ({ ok: false, problem });
  const all: Piece[][] = [];
  for (const take of takes) {
    const pieces = piecesOf(job, take);
    if (typeof pieces === 'string') return no(pieces);
    if (pieces.length === 0) return no(`${take.name} presses nothing.`);
    all.push(pieces);
  }
  const [first] = all;
  if (!first) return no('Nothing was led yet.');
  const name = (p: Piece): string => sayPiece(job, p);
  for (const [i, pieces] of all.entries()) {
    const at = first.findIndex((p, n) => !pieces[n] || name(p) !== name(pieces[n]));
    const differs = at >= 0 ? at : pieces.length > first.length ? first.length : -1;
    if (differs < 0) continue;
    const [a, b] = [first[differs], pieces[differs]];
    return no(
      `${itemAt(takes, i).name} differs from ${firstItem(takes).name} at step ${differs + 1}: ` +
        `${b ? name(b) : 'it ends'} instead of ${a ? name(a) : 'the end'}. Take one of them away.`,
    );
  }
  const times = first.map((p, n): LedTime => {
    const seconds = all.map((pieces) => itemAt(pieces, n).seconds);
    return { do: p.do, words: name(p), seconds, taken: takenOf(p.do, seconds) };
  });
  return { ok: true, times, steps: first.map((p, n) => stepFor(p, itemAt(times, n).taken)) };
}

/** What the move takes for a time: presses as the hand made them, all else as long as the next one may take. */
function takenOf(what: Piece['do'], seconds: readonly number[]): number {
  const { value } = lastItem(stepsTo(what, seconds)).result;
  // To three digits; a wait is never rounded to less.
  const digits = 10 ** (2 - Math.floor(Math.log10(Math.max(value, 0.01))));
  const rounded = what === 'press' ? Math.round(value * digits) : Math.ceil(value * digits - 1e-6);
  return Math.max(0.01, rounded / digits);
}

/** How a time of a move comes from what was seen. */
function stepsTo(what: Piece['do'], seconds: readonly number[]): DerivedStep[] {
  const n = seconds.length;
  const seen = seconds.map((s, i) => measured(`t_${i + 1}`, `take ${i + 1}`, s, 's', '', 'led by hand'));
  const mean = derive('mean', 'm', n > 1 ? `(${seen.map((x) => x.symbol).join(' + ')}) / n` : 't_1', 's', [
    ...seen,
    ...(n > 1 ? [computed('n', 'takes', n, '1', 'counted')] : []),
  ]);
  if (what === 'press') return [mean];
  const range = nextTiming(seconds);
  const next = range
    ? derive('the longest that the next one may take', 't_next', 'max(m + d, t_max)', 's', [
        carried(mean),
        computed(
          'd',
          'half of the 95 % prediction interval',
          range.high - range.nominal,
          's',
          'Student’s t of the takes',
        ),
        computed('t_max', 'longest seen', Math.max(...seconds), 's', 'of the takes'),
      ])
    : derive('half as much again', 't_next', 'm * k', 's', [
        carried(mean),
        constant('k', 'margin of a single take', SINGLE_MARGIN, '1', 'led-margins'),
      ]);
  if (what === 'wait') return [mean, next];
  const call = constant('k_call', 'margin before a call', CALL_MARGIN, '1', 'led-margins');
  return [mean, next, derive('at most, before it calls', 't_most', 't_next * k_call', 's', [carried(next), call])];
}

/** A time of a led move, with how it comes about. One take tells no spread, so what follows from it is tight. */
export const ledFinding = (t: LedTime, n: number): Finding =>
  finding('act', `led.${n}`, {
    verdict: t.seconds.length > 1 ? 'settled' : 'tight',
    title: `${firstItem(t.words).toUpperCase()}${t.words.slice(1)}: what the move takes`,
    caption: 'led by hand',
    value: { value: t.taken, unit: 's' },
    steps: stepsTo(t.do, t.seconds),
    source: ['repeat-timings', 'led-margins'],
  });

const stepFor = (p: Piece, seconds: number): MoveStep =>
  stepOf(p.do, { press: p.press, sense: p.sense, is: p.is, seconds, orElse: 'call' });

function sayPiece(job: Job, p: Piece): string {
  const press = job.presses.find((x) => x.id === p.press)?.name ?? p.press;
  const sense = job.senses.find((x) => x.id === p.sense)?.name ?? p.sense;
  const so = p.is ? 'says so' : 'no longer says so';
  if (p.do === 'press') return `press ${press}`;
  if (p.do === 'hold') return `hold ${press} until ${sense} ${so}`;
  return p.do === 'wait' ? 'wait' : `wait until ${sense} ${so}`;
}

/**
 * What led runs tell of the machine's own times: all that a sense told after the first press is its run or its way there, after the
 * second its way back. Empty where nothing is known of the machine, or where no sense told anything.
 */
export function timingsOfLed(job: Job, led: RecordedMove): readonly Timing[] {
  const { kind } = machineOf(job);
  if (!led.ok || kind === 'unknown' || !RUNS.includes(kind)) return [];
  // Waits for a sense, one after the other, up to the next press.
  const told: number[][] = [];
  led.steps.forEach((s, i) => {
    const { seconds } = itemAt(led.times, i);
    const follows = led.steps[i - 1]?.do === 'until';
    if (s.do === 'until' && follows) told.push(present(told.pop()).map((sum, k) => sum + itemAt(seconds, k)));
    else if (s.do === 'until' || s.do === 'hold') told.push([...seconds]);
  });
  const of = TRAVELS.includes(kind) ? TIMED : TIMED.slice(0, 1);
  return of.flatMap((what, i) => (told[i] ?? []).map((s) => ({ of: what, seconds: Number(s.toPrecision(4)) })));
}

/** A change of level of one line of a recording. */
interface RecordedEdge {
  readonly line: number;
  readonly at: number;
  readonly level: 0 | 1;
}

/**
 * A recording of the lines as a take. Its lines are called as presses and senses are. The first level of a line is its beginning and no
 * event: a press rests there; a sense says yes at the level that its wiring gives. Tells in words what it lacks.
 */
export function takeOfRecording(
  job: Job,
  label: string,
  lines: readonly { readonly name: string }[],
  edges: readonly RecordedEdge[],
): Take | string {
  const same = (a: string, b: string): boolean => plain(a) === plain(b);
  const presses = lines.map((l) => job.presses.find((p) => same(p.name, l.name) || same(p.id, l.name)) ?? null);
  const senses = lines.map((l) => job.senses.find((s) => same(s.name, l.name) || same(s.id, l.name)) ?? null);
  if (!presses.some(Boolean))
    return `${label} has no line called as a press of this job (${job.presses.map((p) => p.name).join(', ')}): name its lines so.`;
  const rests = new Map<number, 0 | 1>();
  const events = edges.flatMap((e): LedEvent[] => {
    if (!rests.has(e.line)) {
      rests.set(e.line, e.level);
      return [];
    }
    const [press, sense] = [presses[e.line], senses[e.line]];
    if (press) return [{ at: e.at, what: e.level === rests.get(e.line) ? 'up' : 'down', of: press.id }];
    return sense ? [{ at: e.at, what: (e.level === 1) === yesIsHigh(sense) ? 'yes' : 'no', of: sense.id }] : [];
  });
  return { name: label, events };
}

/** A bare contact against a pull-up is low while it is closed; what brings its own level is high. */
const yesIsHigh = (s: Sense): boolean => (s.highVolts === null) !== s.closedThen;
const plain = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]+/g, '');

/** Whether a move is what was led already. */
export const isLed = (steps: readonly MoveStep[], led: RecordedMove): boolean =>
  led.ok && JSON.stringify(steps) === JSON.stringify(led.steps) && steps.some((s) => pressedBy(s).length > 0);
