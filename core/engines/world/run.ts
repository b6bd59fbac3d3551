import type { CompiledWorld } from './compile';
import { endsByItself, obeys } from './contacts';
import { hears, stepIsUp } from './controller';
import { handFelt, handLetGo, handsFollow, handsTurn } from './hands';
import {
  controllerReady,
  happeningNumber,
  happens,
  ILL,
  powerBack,
  thumbUp,
  twitches,
  type Happenings,
} from './happen';
import { loopAtLevel, loopCrosses, loopFeels, loopsBegin, loopsFollow, saysAround } from './loops';
import { isBroken, watch } from './monitors';
import { ends, enter } from './parts';
import type { WorldEvent } from './plan';
import { setMode } from './modes';
import { edgeStands, overLong, rulesBegin, rulesFollow, waitsNoLonger } from './rules';
import { RunEnded } from './table';
import { CLOCK, FLAG, freshState, LOGGED, note, type Log, type WorldState } from './state';

/** What happens, in order of time; of those at one instant the first stays first. */
export function happeningsOf(list: readonly WorldEvent[]): Happenings {
  const sorted = [...list].sort((a, b) => a.at - b.at);
  return {
    at: Float64Array.from(sorted, (x) => x.at),
    what: Uint8Array.from(sorted, (x) => happeningNumber(x.what)),
    of: Int32Array.from(sorted, (x) => x.of),
    how: Float64Array.from(sorted, (x) => x.how),
    count: sorted.length,
  };
}

/**
 * The same, with many times at which rules come true among them, in their order: at one instant what is in the list comes first.
 * @param at rising, s. @param rule as long: the number of the rule.
 */
export function happeningsWith(list: readonly WorldEvent[], at: Float64Array, rule: Uint8Array): Happenings {
  const others = happeningsOf(list);
  const count = others.count + at.length;
  const all = {
    at: new Float64Array(count),
    what: new Uint8Array(count).fill(happeningNumber('fires')),
    of: new Int32Array(count),
    how: new Float64Array(count),
    count,
  };
  for (let [i, j, n] = [0, 0, 0]; n < count; n++) {
    if (i < others.count && (j === at.length || others.at[i]! <= at[j]!)) {
      all.at[n] = others.at[i]!;
      all.what[n] = others.what[i]!;
      all.of[n] = others.of[i]!;
      all.how[n] = others.how[i++]!;
    } else {
      all.at[n] = at[j]!;
      all.of[n] = rule[j++]!;
    }
  }
  return all;
}

/** What is heard where nothing is known. */
const UNKNOWN = 2;

/** What a sense would tell of the world as it stands, without delay. */
function raw(s: WorldState, sense: number): number {
  const part = s.w.senses.part[sense]!;
  if (part < 0) {
    const told = (s.ill[sense]! & ILL.moved) !== 0 ? saysAround(s, sense) : s.told[sense]!;
    return told < UNKNOWN && (s.ill[sense]! & ILL.reversed) !== 0 ? 1 - told : told;
  }
  const moved = (s.ill[sense]! & ILL.moved) !== 0;
  const yes = moved ? s.w.senses.away[sense]! : s.w.senses.yes[sense * s.w.words.length + s.part[part]!]!;
  return (s.ill[sense]! & ILL.reversed) !== 0 ? 1 - yes : yes;
}

/** Every sense follows its part: what it tells is heard once it has stood for its delay. */
function sensesFollow(s: WorldState, at: number): void {
  for (let i = 0; i < s.w.senses.count; i++) {
    if ((s.ill[i]! & (ILL.stuck | ILL.silent)) !== 0) continue;
    const is = raw(s, i);
    if (is === s.sent[i]) s.due[s.at.sense + i] = Infinity;
    else if (s.due[s.at.sense + i] === Infinity)
      s.due[s.at.sense + i] = at + s.w.senses.delay[is === 1 ? 1 : 0][i]! + s.lateBy[i]!;
  }
}

function follow(s: WorldState, at: number, log: Log | null): void {
  if (s.w.loops.length > 0) loopsFollow(s, at);
  sensesFollow(s, at);
  if (s.w.plan.hands.length > 0) handsFollow(s, at);
  if (s.w.routine !== null) rulesFollow(s, at, log);
}

function senseHeard(s: WorldState, sense: number, at: number, log: Log | null): void {
  s.due[s.at.sense + sense] = Infinity;
  // What was silent for too long is known no longer.
  s.sent[sense] = (s.ill[sense]! & ILL.silent) !== 0 ? UNKNOWN : raw(s, sense);
  // What is lost on the way is told no second time.
  const lost = (s.ill[sense]! & ILL.lost) !== 0;
  s.ill[sense] = s.ill[sense]! & ~ILL.lost;
  if (lost || s.heard[sense] === s.sent[sense]) return;
  s.heard[sense] = s.sent[sense]!;
  note(log, at, LOGGED.sense, sense, s.heard[sense]!);
  hears(s, sense, at, log);
}

/** Puts a world to its beginning: nothing pressed, nothing armed, every sense heard. */
export function begin(s: WorldState, given: Happenings, log: Log | null = null): void {
  s.ints.fill(0);
  s.floats.fill(0);
  s.due.fill(Infinity);
  s.obeyedAt.fill(-Infinity);
  s.holdsSince.fill(NaN);
  s.brokenAt.fill(Infinity);
  s.letGoAt.fill(-Infinity);
  s.clock[CLOCK.warnedSince] = Infinity;
  s.flag[FLAG.left] = -1;
  s.flag[FLAG.machinePower] = 1;
  s.flag[FLAG.controllerPower] = 1;
  s.flag[FLAG.move] = -1;
  s.told.fill(UNKNOWN);
  loopsBegin(s);
  const parts = s.w.start.length;
  for (let p = 0; p < 2 * parts; p++) enter(s, p, s.w.start[p % parts]!, 0, s.w.startAt[p % parts]!, log);
  for (let i = 0; i < s.w.senses.count; i++) {
    s.heard[i] = raw(s, i);
    s.sent[i] = s.heard[i]!;
    note(log, 0, LOGGED.sense, i, s.heard[i]!);
  }
  if (given.count > 0) s.due[s.at.happening] = given.at[0]!;
  rulesBegin(s);
  rulesFollow(s, 0, log);
  watch(s, 0);
}

/** The world at its beginning. */
export function worldOf(w: CompiledWorld, given: Happenings, log: Log | null = null): WorldState {
  const s = freshState(w);
  begin(s, given, log);
  return s;
}

/** The next deadline by number, −1 where nothing more is due. */
function soonest(due: Float64Array): number {
  let at = Infinity;
  let which = -1;
  for (let i = 0; i < due.length; i++)
    if (due[i]! < at) {
      at = due[i]!;
      which = i;
    }
  return which;
}

/** When the next thing falls due, s; Infinity where nothing is. */
export function nextDue(s: WorldState): number {
  const i = soonest(s.due);
  return i < 0 ? Infinity : s.due[i]!;
}

/** Takes the deadline that comes next. The caller has seen that there is one. */
// eslint-disable-next-line complexity -- a ladder of deadlines in their order, a rung for each kind; it is run for every event
function take(s: WorldState, i: number, given: Happenings, log: Log | null): void {
  const t = s.at;
  const at = s.due[i]!;
  s.clock[CLOCK.now] = at;
  if (i < t.cross) ends(s, i, at, log);
  else if (i < t.sense) takeLoop(s, i, log);
  else if (i < t.hand) senseHeard(s, i - t.sense, at, log);
  else if (i < t.obey) handFelt(s, i - t.hand, at, log);
  else if (i < t.long) obeys(s, i - t.obey, at, false, log);
  else if (i < t.thumb) obeys(s, i - t.long, at, true, log);
  else if (i < t.handUp) thumbUp(s, i - t.thumb, at, log);
  else if (i < t.handTurn) handLetGo(s, i - t.handUp);
  else if (i < t.twitchOn) handsTurn(s, i - t.handTurn, at, log);
  else if (i < t.twitchOff) twitches(s, i - t.twitchOn, 1, at, log);
  else if (i < t.ends) twitches(s, i - t.twitchOff, 0, at, log);
  else if (i < t.level) endsByItself(s, i - t.ends, at, log);
  else if (i < t.machineBack) loopAtLevel(s, i - t.level, at);
  else if (i === t.machineBack) powerBack(s, at, log);
  else if (i === t.controllerBack) controllerReady(s, at, log);
  else if (i === t.happening) {
    const n = s.flag[FLAG.pointer]!;
    s.flag[FLAG.pointer] = n + 1;
    s.due[i] = n + 1 < given.count ? given.at[n + 1]! : Infinity;
    happens(s, given.what[n]!, given.of[n]!, given.how[n]!, at, log);
  } else if (i === t.step) stepIsUp(s, at, log);
  else if (i < t.longest) isBroken(s, i - t.monitor, at);
  else takeRule(s, i, log);
}

/** Takes a deadline of what is warmed or cooled. */
function takeLoop(s: WorldState, i: number, log: Log | null): void {
  const t = s.at;
  const at = s.due[i]!;
  if (i < t.loopOn) loopCrosses(s, i - t.cross, at);
  else if (i < t.loopOff) loopFeels(s, i - t.loopOn, 1, at, log);
  else loopFeels(s, i - t.loopOff, 0, at, log);
}

/** Takes a deadline of the routine. */
function takeRule(s: WorldState, i: number, log: Log | null): void {
  const t = s.at;
  const at = s.due[i]!;
  const { edge, late, rest } = s.w.timers;
  if (i < t.edge) overLong(s, i - t.longest, at, log);
  else if (i < t.late) edgeStands(s, edge.rules[i - t.edge]!, at, log);
  else if (i < t.rest) waitsNoLonger(s, late.rules[i - t.late]!, at, log);
  else if (i < t.modeEnd) {
    s.due[i] = Infinity;
    s.rests[rest.rules[i - t.rest]!] = 0;
  } else if (i < t.handHolds) setMode(s, i - t.modeEnd, 0, at, log);
  else {
    s.due[i] = Infinity;
    s.flag[FLAG.handHolds] = 0;
  }
}

/** Has one more thing happen now, out of turn, as a search does. */
export function disturb(
  s: WorldState,
  what: number,
  of: number,
  how: number,
  at: number,
  log: Log | null = null,
): void {
  s.clock[CLOCK.now] = at;
  happens(s, what, of, how, at, log);
  follow(s, at, log);
  watch(s, at);
}

/** Events and steps that a run may take where nobody says otherwise: far above any move of a maker, and done in a tenth of a second. */
export const MOST_EVENTS = 100_000;

/**
 * Takes all that falls due up to and with an instant, and counts it: every event at its own time, nothing sampled, nothing allocated.
 * Throws RunEnded where that would be more than `most` events and steps.
 */
export function runTo(
  s: WorldState,
  end: number,
  given: Happenings,
  log: Log | null = null,
  most = MOST_EVENTS,
): number {
  let events = 0;
  const taken = s.flag[FLAG.taken]!;
  for (;;) {
    const i = soonest(s.due);
    if (i < 0 || s.due[i]! > end) break;
    take(s, i, given, log);
    follow(s, s.clock[CLOCK.now]!, log);
    watch(s, s.clock[CLOCK.now]!);
    if (++events + s.flag[FLAG.taken]! - taken > most) throw new RunEnded(most);
  }
  s.clock[CLOCK.now] = end;
  return events;
}
