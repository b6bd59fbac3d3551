import { firstItem, itemAt } from '../../ground/lists';
import type { CompiledWorld } from './compile';
import { type Happenings, happeningNumber } from './happen';
import { heatAt } from './loops';
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
  /** The first thing goes wrong by this instant, s; at any where it is left out. */
  readonly firstBy?: number;
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
/** What must lie between two instants for something to be laid there, s. */
const ROOM = 4 * JUST_BEFORE;
/** Share of the time that the passes with fewer disturbances take, about. */
const FIRST_PASSES = 0.05;

// How the two keys begin, are multiplied and shifted: constants of multiplicative hashing (golden ratio; FNV-1a; MurmurHash3's finish).
const BEGIN = { a: 0x9e3779b9, b: 0x85ebca6b } as const;
const TIMES = { a: 0x01000193, b: 0xc2b2ae35 } as const;
const SHIFT = { a: 15, b: 13, turn: 5 } as const;
const WORD = 32;
const ENDLESS = 0x7fffffff;
/** Bits of the second key that 53 leave beside the first. */
const LOW_BITS = 21;

/** Mixes a number into two running keys of 32 bits. */
class Key {
  private a = 0;
  private b = 0;
  reset(): void {
    this.a = BEGIN.a | 0;
    this.b = BEGIN.b | 0;
  }
  add(x: number): void {
    this.a = Math.imul(this.a ^ x, TIMES.a) ^ (this.a >>> SHIFT.a);
    this.b = Math.imul(this.b ^ x, TIMES.b) ^ (this.b >>> SHIFT.b);
    this.b = (this.b << SHIFT.turn) | (this.b >>> (WORD - SHIFT.turn));
  }
  /** Of a length of time, to the microsecond. */
  span(x: number): void {
    if (!Number.isFinite(x)) return this.add(x > 0 ? ENDLESS : -ENDLESS);
    const whole = Math.round(x * 1e6);
    this.add(whole | 0);
    this.add((whole / 2 ** WORD) | 0);
  }
  /** 53 bits of the two. */
  value(): number {
    return (this.a >>> 0) * 2 ** LOW_BITS + (this.b >>> (WORD - LOW_BITS));
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
  FLAG.asker,
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
  addRivals(s, at, key);
  for (let l = 0; l < s.heat.length; l++) key.span(heatAt(s, l, at));
  for (let m = 0; m < s.brokenAt.length; m++)
    key.add((s.brokenAt[m]! < Infinity ? 1 : 0) + (Number.isNaN(s.holdsSince[m]!) ? 0 : 2));
  return key.value();
}

/** How long each output still waits for the other direction to come to rest. */
function addRivals(s: WorldState, at: number, key: Key): void {
  for (let line = 0; line < s.letGoAt.length; line++) {
    const waits = Math.max(s.w.rival[line]! >= 0 ? s.w.apart[line]! : 0, s.w.routine?.leastOff[line] ?? 0);
    if (waits > 0) key.span(Math.min(waits, at - s.letGoAt[line]!));
  }
}

/** Lengths of time that a disturbance may set going, and any two of them: its own, of states and ways, of what conditions allow. */
function spansOf(w: CompiledWorld, disturbances: readonly Disturbance[]): number[] {
  const own = disturbances.flatMap((d) => (LASTING.includes(d.what) ? [d.how] : []));
  const states = [...w.after, ...[...w.speed].map((v) => (v === 0 ? 0 : 1 / Math.abs(v)))];
  const allowed = w.plan.monitors.flatMap((m) => (m.kind === 'starts' || m.kind === 'heat' ? [] : [m.seconds]));
  const all = [...own, ...states, ...allowed].filter((x) => Number.isFinite(x) && x > ROOM);
  return [...new Set([...all, ...all.flatMap((x) => all.map((y) => x + y))])];
}
const LASTING: readonly WorldEventKind[] = ['thumb', 'cut', 'plug-out', 'controller-out', 'late', 'hand'];

/**
 * Searches every story with up to so many disturbances, each laid just before, between and just after the events of the run that it
 * befalls; a single one also at those lengths of time before them that the world itself has. A world that was met before, no later and
 * with no fewer disturbances to come, is not entered again. Worlds are known by keys of 53 bits: of a million the chance that two are
 * taken for one is about one in twenty thousand. Disturbances that bear on no condition are left out.
 */
export const searchStories = (w: CompiledWorld, search: SearchOf): SearchOutcome => new StorySearch(w, search).run();

/** One search with its counts: worlds by how many disturbances are told in them, the deepest last. */
class StorySearch {
  private readonly disturbances: readonly Disturbance[];
  private readonly numbers: readonly number[];
  private readonly pool: readonly WorldState[];
  private readonly spans: readonly number[];
  private readonly key = new Key();
  private readonly broken = new Map<number, Counterexample>();
  /** The disturbances of the story that is being followed. */
  private readonly told: Told[] = [];
  private readonly work: number;
  private readonly firstBy: number;
  /** What copying a world costs, and following one event: it looks at every deadline, sense and condition once. */
  private readonly perStory: number;
  private readonly perEvent: number;
  /** By how many disturbances are still to come: the earliest instant at which each world was met. */
  private seen: Map<number, number>[] = [];
  private stories = 1;
  private states = 0;
  private since = 0;
  private done = 0;
  private stopped = false;
  private spent = false;
  private close = false;
  /** How much of all passes is done, and how much of them the one that runs takes. */
  private began = 0;
  private lasts = 1;
  /** The stretch of the undisturbed run that is looked at, and the share of it that is done. */
  private from = 0;
  private to = 0;
  private share = 0;

  constructor(
    private readonly w: CompiledWorld,
    private readonly search: SearchOf,
  ) {
    this.disturbances = relevantOnes(w.plan, search.disturbances);
    this.numbers = this.disturbances.map((d) => happeningNumber(d.what));
    this.pool = Array.from({ length: search.most + 1 }, () => freshState(w));
    this.spans = spansOf(w, this.disturbances);
    this.work = search.work ?? MOST_WORK;
    this.firstBy = search.firstBy ?? Infinity;
    const [first] = this.pool as [WorldState];
    this.perStory = PER_STORY * (first.ints.length + first.floats.length);
    this.perEvent = first.due.length + first.heard.length + 2 * w.plan.monitors.length;
  }

  run(): SearchOutcome {
    const { most: all, given } = this.search;
    const watched = this.w.plan.monitors.length > 0;
    // Fewer disturbances first, so that the first story of a monitor is the shortest.
    for (let most = 0; watched && most <= all && !this.stopped; most++) {
      this.seen = Array.from({ length: most + 1 }, () => new Map<number, number>());
      if (most === all) this.stories = 1;
      // With two the first of them need not be laid as closely: what one alone breaks is known by then.
      this.close = most === 1;
      // The last pass takes nearly all of the time.
      const first = most === 0 ? 0 : FIRST_PASSES;
      [this.began, this.lasts] = most === all ? [first, 1 - first] : [0, FIRST_PASSES];
      begin(firstItem(this.pool), given);
      this.follow(0, 0, most);
    }
    const { stories, states, stopped, spent } = this;
    return { most: all, stories, states, broken: [...this.broken.values()], stopped, spent };
  }

  /** Every disturbance laid at one instant, and what follows from each. */
  private branch(depth: number, at: number, left: number): void {
    if (depth === 0 && at > this.firstBy) return;
    const s = itemAt(this.pool, depth);
    const next = itemAt(this.pool, depth + 1);
    for (let d = 0; d < this.disturbances.length && !this.stopped; d++) {
      copyState(s, next);
      this.stories++;
      const { what, of, how } = itemAt(this.disturbances, d);
      this.told.push({ what, of, how, at });
      disturb(next, itemAt(this.numbers, d), of, how, at);
      if (!this.isOld(next, at, left - 1)) this.follow(depth + 1, at, left - 1);
      this.told.pop();
      this.spend(this.perStory);
      if (depth === 0)
        this.share = (this.from + ((this.to - this.from) * (d + 1)) / this.disturbances.length) / this.search.end;
      this.tell();
    }
  }

  private follow(depth: number, began: number, left: number): void {
    const s = itemAt(this.pool, depth);
    const { end, given } = this.search;
    let at = began;
    while (!this.stopped) {
      this.look(s);
      const due = nextDue(s);
      if (depth === 0) [this.from, this.to] = [at, Math.min(due, end)];
      if (left > 0) this.branchBetween(depth, at, due, left);
      if (!(due <= end)) return;
      this.spend(this.perEvent * runTo(s, due, given, null, this.work));
      at = due;
      if (depth > 0 && this.isOld(s, at, left)) {
        this.look(s);
        return;
      }
    }
  }

  /** Disturbances just after one event, between it and the next, and just before that. */
  private branchBetween(depth: number, at: number, due: number, left: number): void {
    const until = Math.min(due, this.search.end);
    this.branch(depth, at, left);
    if (until - at <= ROOM) return;
    this.branch(depth, (at + until) / 2, left);
    // What a disturbance begins and what takes so long may meet the next event: just too early and just too late for it.
    for (const span of this.close ? this.spans : [])
      for (const t of [until - span - JUST_BEFORE, until - span + JUST_BEFORE])
        if (t > at + JUST_BEFORE && t < until - JUST_BEFORE) this.branch(depth, t, left);
    if (due <= this.search.end) this.branch(depth, due - JUST_BEFORE, left);
  }

  /** Keeps the shortest story of each condition that is broken now. */
  private look(s: WorldState): void {
    for (let m = 0; m < s.brokenAt.length; m++) {
      if (s.brokenAt[m] === Infinity) continue;
      const known = this.broken.get(m);
      if (known && known.told.length <= this.told.length) continue;
      this.broken.set(m, { monitor: m, told: [...this.told], brokenAt: s.brokenAt[m]! });
    }
  }

  /** Whether such a world was met before, no later and with no fewer disturbances to come. */
  private isOld(s: WorldState, at: number, left: number): boolean {
    const k = keyOf(s, at, this.key);
    const seen = itemAt(this.seen, left);
    const before = seen.get(k);
    if (before !== undefined && before <= at) return true;
    seen.set(k, at);
    // Memory is bounded: what is not searched by then is said to be open.
    if (++this.states >= MOST_STATES) this.spent = this.stopped = true;
    return false;
  }

  private spend(work: number): void {
    this.done += work;
    if (this.done >= this.work) this.spent = this.stopped = true;
  }

  private tell(): void {
    if (++this.since < PER_CALL) return;
    this.since = 0;
    const { progress } = this.search;
    if (progress && !progress(this.began + this.lasts * Math.min(1, this.share))) this.stopped = true;
  }
}
