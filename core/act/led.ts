import { machineOf, pressedBy, stepOf, TIMED, type Job, type Sense, type Step, type Timing } from '../job';
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
  readonly words: string;
  readonly seconds: readonly number[];
  /** What the move takes for it, s. */
  readonly taken: number;
}
export type Led =
  | { readonly ok: true; readonly steps: readonly Step[]; readonly times: readonly LedTime[] }
  | { readonly ok: false; readonly problem: string };

/** A press that is let go so soon after a sense changed was held for it, s: common practice, twice a slow reaction. */
const REACTION_SECONDS = 1;
/** A press this short is a press and was not held for anything, s: common practice. */
const TAP_SECONDS = 1;
/** One timing tells no spread: so much longer is waited for, common practice without a source. */
const SINGLE_MARGIN = 1.5;
/** A wait for a sense lasts so much longer at most than what was seen, before somebody is called. */
const CALL_MARGIN = 1.5;
/** Waits shorter than this are the hand's own way from one button to the next, s. */
const LEAST_WAIT = 0.05;

interface Piece {
  readonly do: 'press' | 'hold' | 'wait' | 'until';
  readonly press: string;
  readonly sense: string;
  readonly is: boolean;
  readonly seconds: number;
}

/** What a take comes to: presses, and between them waits, or waits until a sense said so. */
function piecesOf(take: Take): Piece[] | string {
  const events = [...take.events].sort((a, b) => a.at - b.at);
  const out: Piece[] = [];
  let down: LedEvent | null = null;
  let free: number | null = null;
  let said: LedEvent | null = null;
  const wait = (until: number): void => {
    if (free === null) return;
    if (said) {
      out.push({ do: 'until', press: '', sense: said.of, is: said.what === 'yes', seconds: said.at - free });
      if (until - said.at >= LEAST_WAIT)
        out.push({ do: 'wait', press: '', sense: '', is: true, seconds: until - said.at });
    } else if (until - free >= LEAST_WAIT)
      out.push({ do: 'wait', press: '', sense: '', is: true, seconds: until - free });
  };
  for (const e of events) {
    if (e.what === 'down') {
      if (down) return `${take.name} presses two at once after ${e.at.toFixed(1)} s: lead it with one press at a time.`;
      wait(e.at);
      [down, said] = [e, null];
    } else if (e.what === 'up') {
      if (down?.of !== e.of) return `${take.name} lets go of what it did not press after ${e.at.toFixed(1)} s.`;
      const seconds = e.at - down.at;
      const held = seconds > TAP_SECONDS && said && e.at - said.at < REACTION_SECONDS ? said : null;
      out.push({
        do: held ? 'hold' : 'press',
        press: e.of,
        sense: held?.of ?? '',
        is: held?.what !== 'no',
        seconds: held ? held.at - down.at : seconds,
      });
      [down, free, said] = [null, e.at, null];
    } else said = e;
  }
  if (down) return `${take.name} ends while something is still pressed: lead it again, and let go.`;
  // What came true after the last press is what the move waits for at its end.
  if (said && free !== null) wait(said.at);
  return out;
}

/**
 * A move from runs that were led by hand: presses as long as they were, waits as long as the next one may take at 95 %, and where a
 * sense told how it went, a wait for it that calls for help. One take alone gives its times with a margin of a half.
 * @param takes at least one; all with the same presses and the same senses in the same order, else the first that differs is named.
 */
export function moveFromTakes(job: Job, takes: readonly Take[]): Led {
  const no = (problem: string): Led => ({ ok: false, problem });
  const all: Piece[][] = [];
  for (const take of takes) {
    const pieces = piecesOf(take);
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
      `${takes[i]!.name} differs from ${takes[0]!.name} at step ${differs + 1}: ` +
        `${b ? name(b) : 'it ends'} instead of ${a ? name(a) : 'the end'}. Take one of them away.`,
    );
  }
  const times = first.map((p, n): LedTime => {
    const seconds = all.map((pieces) => pieces[n]!.seconds);
    return { words: name(p), seconds, taken: takenOf(p, seconds) };
  });
  return { ok: true, times, steps: first.map((p, n) => stepFor(p, times[n]!.taken)) };
}

/** What the move takes for a time: presses as the hand made them, all else as long as the next one may take. */
function takenOf(p: Piece, seconds: readonly number[]): number {
  const mean = seconds.reduce((s, x) => s + x, 0) / seconds.length;
  const next = nextTiming(seconds)?.high ?? mean * SINGLE_MARGIN;
  const longest = Math.max(next, ...seconds);
  const taken = p.do === 'press' ? mean : p.do === 'wait' ? longest : longest * CALL_MARGIN;
  return Math.max(0.01, Number(taken.toPrecision(3)));
}

const stepFor = (p: Piece, seconds: number): Step =>
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
 * What led runs tell of the machine's own times: the first wait for a sense is its run or its way there, the second its way back.
 * Empty where nothing is known of the machine, or where no sense told anything.
 */
export function timingsOfLed(job: Job, led: Led): readonly Timing[] {
  const { kind } = machineOf(job);
  if (!led.ok || kind === 'unknown' || !RUNS.includes(kind)) return [];
  const told = led.times.filter((_, i) => ['until', 'hold'].includes(led.steps[i]!.do));
  const of = TRAVELS.includes(kind) ? TIMED : TIMED.slice(0, 1);
  return of.flatMap((what, i) =>
    (told[i]?.seconds ?? []).map((s) => ({ of: what, seconds: Number(s.toPrecision(4)) })),
  );
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
export const isLed = (steps: readonly Step[], led: Led): boolean =>
  led.ok && JSON.stringify(steps) === JSON.stringify(led.steps) && steps.some((s) => pressedBy(s).length > 0);
