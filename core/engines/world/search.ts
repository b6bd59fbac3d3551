import type { CompiledWorld } from './compile';
import { type Happenings, happeningNumber } from './happen';
import { positionOf } from './parts';
import type { Disturbance, WorldEventKind } from './plan';
import { relevantOnes } from './relevant';
import { begin, disturb, nextDue, runTo } from './run';
import { CLOCK, copyState, FLAG, freshState, type WorldState } from './state';

/** A disturbance at its instant, s. */
export interface Told extends Disturbance {
  readonly at: number;
}

/** The shortest story that breaks a monitor: what went wrong and when it was broken. */
export interface Counterexample {
  readonly monitor: number;
  readonly told: readonly Told[];
  readonly brokenAt: number;
}

/** What came of a search. */
export interface SearchOutcome {
  /** How many disturbances were allowed. */
  readonly most: number;
  /** How many stories were told, those that came to a state known before among them. */
  readonly stories: number;
  readonly states: number;
  /** The shortest story for each monitor that some story breaks. */
  readonly broken: readonly Counterexample[];
  /** It was stopped before the end: what was not broken may yet be. */
  readonly stopped: boolean;
  /** It was stopped because it had told as many stories as it may. */
  readonly spent: boolean;
}

/** What is searched, and how far. */
export interface SearchOf {
  readonly given: Happenings;
  readonly end: number;
  readonly disturbances: readonly Disturbance[];
  readonly most: number;
  /** How much it may do; `MOST_WORK` where nobody says otherwise. */
  readonly work?: number;
  /** Called now and then with the share that is done; a search ends where it answers false. */
  readonly progress?: (share: number) => boolean;
}

/** How close before an event a disturbance is laid, s. */
const JUST_BEFORE = 1e-3;
/** Numbers of worlds that a search may touch, by stories and events: some ten seconds on a machine of today. */
const MOST_WORK = 2e8;
/** How often a story goes through all numbers of a world: it is copied, changed and told apart from others. */
const PER_STORY = 3;
/** So many worlds are remembered at most, some 300 MB. */
const MOST_STATES = 4_000_000;
/** Stories between two calls of progress. */
const PER_CALL = 2000;
/** Share of the time that the passes with fewer disturbances take, about. */
const FIRST_PASSES = 0.05;

/** Mixes a number into two running keys of 32 bits. */
class Key {
  private a = 0;
  private b = 0;
  reset(): void {
    this.a = 0x9e3779b9 | 0;
    this.b = 0x85ebca6b | 0;
  }
  add(x: number): void {
    this.a = Math.imul(this.a ^ x, 0x01000193) ^ (this.a >>> 15);
    this.b = Math.imul(this.b ^ x, 0xc2b2ae35) ^ (this.b >>> 13);
    this.b = (this.b << 5) | (this.b >>> 27);
  }
  /** Of a length of time, to the microsecond. */
  span(x: number): void {
    if (!Number.isFinite(x)) return this.add(x > 0 ? 0x7fffffff : -0x7fffffff);
    const whole = Math.round(x * 1e6);
    this.add(whole | 0);
    this.add((whole / 2 ** 32) | 0);
  }
  /** 53 bits of the two. */
  value(): number {
    return (this.a >>> 0) * 2 ** 21 + (this.b >>> 11);
  }
}

/** Counts and the numbers of what is past tell nothing of what is to come. */
const PAST: readonly number[] = [
  FLAG.starts,
  FLAG.missedStarts,
  FLAG.presses,
  FLAG.calls,
  FLAG.told,
  FLAG.open,
  FLAG.sinceCare,
];

/** A key of all that tells what is to come from an instant on: two worlds of one key go on alike. */
function keyOf(s: WorldState, at: number, key: Key): number {
  key.reset();
  for (let i = 0; i < s.ints.length; i++) if (i >= s.flag.length || !PAST.includes(i)) key.add(s.ints[i]!);
  for (let i = 0; i < s.due.length; i++) key.span(s.due[i]! - at);
  for (let who = 0; who < s.part.length; who++) key.span(positionOf(s, who, at));
  for (let c = 0; c < s.closed.length; c++) {
    key.span(s.closed[c] === 1 ? at - s.closedAt[c]! : 0);
    const gap = s.w.channels.gap[c % s.w.channels.count]!;
    key.span(gap > 0 ? Math.min(gap, at - s.obeyedAt[c]!) : 0);
  }
  key.span(s.flag[FLAG.warns] === 1 ? at - s.clock[CLOCK.warnedSince]! : 0);
  for (let i = 0; i < s.lateBy.length; i++) key.span(s.lateBy[i]!);
  for (let line = 0; line < s.letGoAt.length; line++)
    if (s.w.rival[line]! >= 0) key.span(Math.min(s.w.apart[line]!, at - s.letGoAt[line]!));
  for (let m = 0; m < s.brokenAt.length; m++)
    key.add((s.brokenAt[m]! < Infinity ? 1 : 0) + (Number.isNaN(s.holdsSince[m]!) ? 0 : 2));
  return key.value();
}

/** Lengths of time that a disturbance may set going, and any two of them: its own, of states and ways, of what conditions allow. */
function spansOf(w: CompiledWorld, disturbances: readonly Disturbance[]): number[] {
  const own = disturbances.flatMap((d) => (LASTING.includes(d.what) ? [d.how] : []));
  const states = [...w.after, ...[...w.speed].map((v) => (v === 0 ? 0 : 1 / Math.abs(v)))];
  const allowed = w.plan.monitors.flatMap((m) => (m.kind === 'starts' ? [] : [m.seconds]));
  const all = [...own, ...states, ...allowed].filter((x) => Number.isFinite(x) && x > 4 * JUST_BEFORE);
  return [...new Set([...all, ...all.flatMap((x) => all.map((y) => x + y))])];
}
const LASTING: readonly WorldEventKind[] = ['thumb', 'cut', 'plug-out', 'controller-out', 'late', 'hand'];

/**
 * Searches every story with up to so many disturbances, each laid just before, between and just after the events of the run that it
 * befalls; a single one also at those lengths of time before them that the world itself has. A world that was met before, no later and
 * with no fewer disturbances to come, is not entered again. Worlds are known by keys of 53 bits: of a million the chance that two are
 * taken for one is about one in twenty thousand. Disturbances that bear on no condition are left out.
 */
export function searchStories(w: CompiledWorld, search: SearchOf): SearchOutcome {
  const { given, end, progress, work = MOST_WORK } = search;
  const disturbances = relevantOnes(w.plan, search.disturbances);
  const numbers = disturbances.map((d) => happeningNumber(d.what));
  const pool = Array.from({ length: search.most + 1 }, () => freshState(w));
  const key = new Key();
  // An event looks at every deadline, sense and condition once.
  const size = pool[0]!.ints.length + pool[0]!.floats.length;
  const events = pool[0]!.due.length + pool[0]!.heard.length + 2 * w.plan.monitors.length;
  const broken = new Map<number, Counterexample>();
  let [stories, states, since, done] = [1, 0, 0, 0];
  let stopped = false;
  let spent = false;
  let close = false;
  let seen: Map<number, number>[] = [];
  const told: Told[] = [];
  const spans = spansOf(w, disturbances);

  const look = (s: WorldState): void => {
    for (let m = 0; m < s.brokenAt.length; m++) {
      if (s.brokenAt[m] === Infinity) continue;
      const known = broken.get(m);
      if (known && known.told.length <= told.length) continue;
      broken.set(m, { monitor: m, told: [...told], brokenAt: s.brokenAt[m]! });
    }
  };
  const isOld = (s: WorldState, at: number, left: number): boolean => {
    const k = keyOf(s, at, key);
    const before = seen[left]!.get(k);
    if (before !== undefined && before <= at) return true;
    seen[left]!.set(k, at);
    // Memory is bounded: what is not searched by then is said to be open.
    if (++states >= MOST_STATES) spent = stopped = true;
    return false;
  };

  /** How much of all passes is done, where the one that runs stands at `share`. */
  let began = 0;
  let lasts = 1;
  const tell = (share: number): void => {
    if (progress && !progress(began + lasts * Math.min(1, share))) stopped = true;
  };
  let [from, to, share] = [0, 0, 0];

  const branch = (depth: number, at: number, left: number): void => {
    const s = pool[depth]!;
    const next = pool[depth + 1]!;
    for (let d = 0; d < disturbances.length && !stopped; d++) {
      copyState(s, next);
      stories++;
      const { what, of, how } = disturbances[d]!;
      told.push({ what, of, how, at });
      disturb(next, numbers[d]!, of, how, at);
      if (!isOld(next, at, left - 1)) follow(depth + 1, at, left - 1);
      told.pop();
      done += PER_STORY * size;
      if (done >= work) spent = stopped = true;
      if (depth === 0) share = (from + ((to - from) * (d + 1)) / disturbances.length) / end;
      if (++since >= PER_CALL) {
        since = 0;
        tell(share);
      }
    }
  };

  const follow = (depth: number, began: number, left: number): void => {
    const s = pool[depth]!;
    let at = began;
    while (!stopped) {
      look(s);
      const due = nextDue(s);
      const until = Math.min(due, end);
      if (depth === 0) [from, to] = [at, until];
      if (left > 0) {
        branch(depth, at, left);
        if (until - at > 4 * JUST_BEFORE) {
          branch(depth, (at + until) / 2, left);
          // What a disturbance begins and what takes so long may meet the next event: just too early and just too late for it.
          for (const span of close ? spans : [])
            for (const t of [until - span - JUST_BEFORE, until - span + JUST_BEFORE])
              if (t > at + JUST_BEFORE && t < until - JUST_BEFORE) branch(depth, t, left);
          if (due <= end) branch(depth, due - JUST_BEFORE, left);
        }
      }
      if (!(due <= end)) return;
      done += events * runTo(s, due, given, null, work);
      if (done >= work) spent = stopped = true;
      at = due;
      if (depth > 0 && isOld(s, at, left)) {
        look(s);
        return;
      }
    }
  };

  // Fewer disturbances first, so that the first story of a monitor is the shortest.
  const watched = w.plan.monitors.length > 0;
  for (let most = 0; watched && most <= search.most && !stopped; most++) {
    seen = Array.from({ length: most + 1 }, () => new Map<number, number>());
    if (most === search.most) stories = 1;
    // With two the first of them need not be laid as closely: what one alone breaks is known by then.
    close = most === 1;
    // The last pass takes nearly all of the time.
    [began, lasts] =
      most === search.most ? [most === 0 ? 0 : FIRST_PASSES, most === 0 ? 1 : 1 - FIRST_PASSES] : [0, FIRST_PASSES];
    begin(pool[0]!, given);
    follow(0, 0, most);
  }
  return { most: search.most, stories, states, broken: [...broken.values()], stopped, spent };
}
