import { intAt, itemAt, lastItem, realAt } from '../../ground/lists';
import { inefficiency, type Random } from '../../ground/quantity';
import {
  FLAG,
  freshLog,
  happeningsOf,
  LOGGED,
  RunEnded,
  runTo,
  worldOf,
  type WorldEvent,
  type Happenings,
  type Log,
  type WorldState,
} from '../../engines/world';
import { HAND_SECONDS, startsAsHappenings, type Start } from './faults';
import type { Scene } from './scene';

const DAYS_OF_YEAR = 365;

/** How often things go wrong (`fault-rates`). */
export const FAULT_RATES = { missedShare: 1 / 50, handPerDay: 1 / 6, cutsPerYear: 2, cutSeconds: 600 } as const;
/** How many closures of one start are drawn for: what is pressed more often is heard. */
const DRAWN_CLOSURES = 8;

/** What goes wrong on many days: drawn once, so that every plan meets the same bad luck. */
export interface BadLuck {
  readonly happenings: readonly WorldEvent[];
  /** Marked closures of each start, in bits. */
  readonly missed: readonly number[];
}

/** Draws the bad luck of many days. @param starts instants, s from the start of the first day, rising. */
export function drawLuck(starts: readonly number[], days: number, random: Random): BadLuck {
  const missed = starts.map(() => {
    let bits = 0;
    for (let i = 0; i < DRAWN_CLOSURES; i++) if (random.next() < FAULT_RATES.missedShare) bits |= 1 << i;
    return bits;
  });
  const happenings: WorldEvent[] = [];
  for (let day = 0; day < days; day++) {
    if (random.next() < FAULT_RATES.handPerDay) {
      happenings.push({ at: (day + random.next()) * 86400, what: 'thumb', of: 0, how: HAND_SECONDS });
    }
    if (random.next() < FAULT_RATES.cutsPerYear / DAYS_OF_YEAR) {
      happenings.push({ at: (day + random.next()) * 86400, what: 'cut', of: 0, how: FAULT_RATES.cutSeconds });
    }
  }
  return { happenings, missed };
}

const bitsIn = (x: number): number => (x === 0 ? 0 : (x & 1) + bitsIn(x >> 1));

/** What came of many days under one policy. */
export interface DaysOutcome {
  /** Days that were counted: fewer than were asked for where so much happens in them that the run was ended. */
  readonly days: number;
  readonly wantedDays: number;
  readonly starts: number;
  readonly presses: number;
  readonly missed: number;
  readonly byHand: number;
  readonly powerCuts: number;
  /** Starts that came while the controller was dead or at work. */
  readonly missedStarts: number;
  readonly calls: number;
  /** Starts after which the machine did what the plan believes, all through the script and its run. */
  readonly asBelieved: number;
  /** How many starts count for one that hangs on none before it: what parted once stays so for a while. */
  readonly hangTogether: number;
  /** Seconds in which belief and truth differed. */
  readonly partedSeconds: number;
  /** Seconds of each week in which the machine was not as it would be with nothing going wrong. */
  readonly wrongByWeek: readonly number[];
  readonly endsAs: string;
  readonly believedEnd: string;
}

/** States of the first part over time, from a log. */
interface Told {
  readonly at: number[];
  readonly word: number[];
}
const told = (scene: Scene, log: Log, kind: number): Told => {
  const out: Told = { at: [], word: [] };
  for (let i = 0; i < log.count; i++) {
    if (log.kind[i] !== kind || log.index[i] !== 0) continue;
    out.at.push(realAt(log.at, i));
    out.word.push(intAt(scene.world.wordOf, intAt(log.value, i)));
  }
  return out;
};

/** Where two courses differ, as spans, the words compared by their text. */
function apart(a: Told, b: Told, same: (x: number, y: number) => boolean, end: number): [from: number, to: number][] {
  const out: [number, number][] = [];
  let [i, j, at] = [0, 0, 0];
  while (at < end) {
    const next = Math.min(a.at[i + 1] ?? end, b.at[j + 1] ?? end, end);
    if (next > at && !same(itemAt(a.word, i), itemAt(b.word, j))) {
      const last = out.at(-1);
      if (last && last[1] === at) last[1] = next;
      else out.push([at, next]);
    }
    while (i + 1 < a.at.length && itemAt(a.at, i + 1) <= next) i++;
    while (j + 1 < b.at.length && itemAt(b.at, j + 1) <= next) j++;
    at = next;
  }
  return out;
}

const WEEK_DAYS = 7;
const WEEK = WEEK_DAYS * 86400;
function byWeek(spans: readonly (readonly [number, number])[], days: number): number[] {
  const out = new Array<number>(Math.max(1, Math.ceil(days / WEEK_DAYS))).fill(0);
  for (const [from, to] of spans)
    for (let t = from; t < to;) {
      const week = Math.min(out.length - 1, Math.floor(t / WEEK));
      const until = week === out.length - 1 ? to : Math.min(to, (week + 1) * WEEK);
      out[week] = itemAt(out, week) + (until - t);
      t = until;
    }
  return out;
}

/** Events and steps that a run of many days may take: a second or two on a machine of today, and some 50 MB. */
const MOST_EVENTS_OF_DAYS = 3_000_000;
/** Days between two calls of progress. */
const DAYS_A_CALL = 10;

/** A run of many days: what it logged, how it stands, and how many days it got through before it was ended. */
interface DaysRun {
  readonly log: Log;
  readonly state: WorldState;
  readonly days: number;
}

/**
 * Runs the days one after the other, the machine's state carried along.
 * @param progress called with the share that is done; the run ends after the day at which it answers false.
 */
function runDays(scene: Scene, given: Happenings, days: number, room: number, progress?: Progress): DaysRun {
  const log = freshLog(room);
  const state = worldOf(scene.world, given, log);
  let left = MOST_EVENTS_OF_DAYS;
  for (let day = 1; day <= days; day++) {
    const before = intAt(state.flag, FLAG.taken);
    try {
      left -= runTo(state, day * 86400, given, log, left) + intAt(state.flag, FLAG.taken) - before;
    } catch (error) {
      if (!(error instanceof RunEnded)) throw error;
      return { log, state, days: day - 1 };
    }
    if (day % DAYS_A_CALL === 0 && progress && !progress(day / days)) return { log, state, days: day };
  }
  return { log, state, days };
}

/** Called with the share that is done; what runs ends where it answers false. */
export type Progress = (share: number) => boolean;

/** Where the first part is over many days with nothing going wrong: what a plan wants. */
export interface WantedDays {
  readonly scene: Scene;
  readonly told: Told;
  readonly days: number;
}

/** Lines of a log that a start takes, without disturbances and with them; a log grows where they do not do. */
const PER_START = { plain: 4, disturbed: 8 } as const;
const FIRST_LINES = 64;
const logRoom = (each: number, starts: readonly Start[]): number => each * starts.length + FIRST_LINES;

/** What the plan makes of so many days with nothing going wrong, within the budget of events. */
export function wantedDays(
  scene: Scene,
  starts: readonly Start[],
  calendar: readonly WorldEvent[],
  days: number,
  progress?: Progress,
): WantedDays {
  const run = runDays(
    scene,
    happeningsOf([...calendar, ...startsAsHappenings(starts)]),
    days,
    logRoom(PER_START.plain, starts),
    progress,
  );
  return { scene, told: told(scene, run.log, LOGGED.part), days: run.days };
}

/**
 * Many days in a row under bad luck; the machine's state is carried from day to day. The cost grows with the events alone.
 * @param starts starts of moves, rising; `luck` is drawn for as many. @param calendar what rules look at beside them.
 * @param wanted what is held against the truth.
 */
export function daysOf(
  scene: Scene,
  starts: readonly Start[],
  calendar: readonly WorldEvent[],
  days: number,
  luck: BadLuck,
  wanted = wantedDays(scene, starts, calendar, days),
  progress?: Progress,
): DaysOutcome {
  const lines = scene.lines.map((_, line) => line);
  // Each start has its own draws: what the one before it did not use is gone.
  const missed = starts.flatMap((s, i): WorldEvent[] =>
    luck.missed[i] || luck.missed[i - 1]
      ? lines.map((of) => ({ at: s.at, what: 'misses', of, how: itemAt(luck.missed, i) }))
      : [],
  );
  const given = happeningsOf([...calendar, ...missed, ...luck.happenings, ...startsAsHappenings(starts)]);
  const { log, state, days: run } = runDays(scene, given, wanted.days, logRoom(PER_START.disturbed, starts), progress);
  const end = run * 86400;
  const counted = starts.filter((s) => s.at < end);
  const [truth, belief] = [told(scene, log, LOGGED.part), told(scene, log, LOGGED.belief)];
  const parted = apart(truth, belief, (x, y) => x === y, end);
  const words = (s: Scene): string[] => {
    const list: string[] = [];
    s.world.wordOf.forEach((w, i) => (list[w] = itemAt(s.world.words, i)));
    return list;
  };
  const [own, theirs] = [words(scene), words(wanted.scene)];
  const wrong = apart(truth, wanted.told, (x, y) => own[x] === theirs[y], end);
  let next = 0;
  const believed = counted.map((s, i) => {
    const until = counted[i + 1]?.at ?? end;
    while (next < parted.length && itemAt(parted, next)[1] <= s.at) next++;
    return !parted[next] || itemAt(parted, next)[0] >= until ? 1 : 0;
  });
  const presses = intAt(state.flag, FLAG.presses);
  // How many closures a start makes; of those that were drawn as missed as many count.
  const perStart = counted.length > 0 ? Math.min(DRAWN_CLOSURES, Math.round(presses / counted.length)) : 0;
  const last = (t: Told): string => own[lastItem(t.word)] ?? '';
  return {
    days: run,
    wantedDays: days,
    starts: counted.length,
    presses,
    missed: luck.missed.slice(0, counted.length).reduce((sum, bits) => sum + bitsIn(bits & ((1 << perStart) - 1)), 0),
    byHand: befell(luck, 'thumb', end),
    powerCuts: befell(luck, 'cut', end),
    missedStarts: intAt(state.flag, FLAG.missedStarts),
    calls: intAt(state.flag, FLAG.calls),
    asBelieved: believed.filter((x) => x === 1).length,
    hangTogether: inefficiency(believed),
    partedSeconds: parted.reduce((s, [from, to]) => s + to - from, 0),
    wrongByWeek: byWeek(wrong, run),
    endsAs: last(truth),
    believedEnd: last(belief),
  };
}

/** How often something of this kind happened by then. */
const befell = (luck: BadLuck, what: WorldEvent['what'], end: number): number =>
  luck.happenings.filter((h) => h.what === what && h.at < end).length;

/** Many days of one move started at the same instants. */
export function simulateDays(scene: Scene, starts: readonly number[], days: number, random: Random): DaysOutcome {
  const list = starts.map((at): Start => ({ at, move: 0, ifArmed: false }));
  return daysOf(scene, list, [], days, drawLuck(starts, days, random));
}
