import { itemAt } from '../../ground/lists';
import { drives } from './contacts';
import { mayClose } from './order';
import { learns } from './parts';
import { ELSES, OPS, TIER, WHO, type Fate, type OpKind } from './plan';
import { CLOCK, FLAG, LOGGED, note, type Log, type WorldState } from './state';
import { WorldProblem } from './table';
import { heldTier } from './tiers';

const OP = Object.fromEntries(OPS.map((o, i) => [o, i])) as Record<OpKind, number>;
const END = ELSES.indexOf('end');
const CALL = ELSES.indexOf('call');
/** Steps that take no time, in a row: more of them never let time go on. */
const MOST_AT_ONCE = 10_000;

/** The move holds these outputs closed from now on and lets go of its others; what it held already stays closed without a break. */
function holdLines(s: WorldState, bits: number, at: number, log: Log | null): void {
  const before = s.flag[FLAG.lines]!;
  s.flag[FLAG.lines] = bits;
  for (let line = 0, gone = before & ~bits; gone !== 0; line++, gone >>>= 1) if (gone & 1) drives(s, line, 0, at, log);
  for (let line = 0, come = bits & ~before; come !== 0; line++, come >>>= 1) if (come & 1) drives(s, line, 1, at, log);
}

/** A step would press: it does so once the order of all its outputs lets it. */
function asks(s: WorldState, op: number, at: number, log: Log | null): void {
  const lines = s.w.code.lines[op]!;
  // What is held and not wanted any more is let go first: the other direction may wait for just that.
  holdLines(s, s.flag[FLAG.lines]! & lines, at, log);
  let when = at;
  for (let line = 0, come = lines & ~s.flag[FLAG.lines]!; come !== 0; line++, come >>>= 1)
    if (come & 1) when = Math.max(when, mayClose(s, line, at));
  if (when <= at) return acts(s, op, at, log);
  holdLines(s, 0, at, log);
  s.flag[FLAG.held] = 1;
  s.due[s.at.step] = when;
}

/** A step presses: a move that has come to this has acted. */
function acts(s: WorldState, op: number, at: number, log: Log | null): void {
  s.flag[FLAG.held] = 0;
  if (s.flag[FLAG.acted] === 0) s.flag[FLAG.startsNow] = s.flag[FLAG.startsNow]! + 1;
  s.flag[FLAG.acted] = 1;
  holdLines(s, s.w.code.lines[op]!, at, log);
  s.due[s.at.step] = at + s.w.code.seconds[op]!;
}

function warns(s: WorldState, on: number, at: number, log: Log | null): void {
  if (s.flag[FLAG.warns] === on) return;
  s.flag[FLAG.warns] = on;
  s.clock[CLOCK.warnedSince] = on === 1 ? at : Infinity;
  note(log, at, LOGGED.warns, 0, on);
}

/** The move is over, however it came to that: every output lets go. */
export function endMove(s: WorldState, at: number, log: Log | null): void {
  if (s.flag[FLAG.move]! < 0) return;
  holdLines(s, 0, at, log);
  warns(s, 0, at, log);
  s.flag[FLAG.move] = -1;
  s.flag[FLAG.held] = 0;
  s.flag[FLAG.least] = 0;
  s.flag[FLAG.yields] = 0;
  s.due[s.at.step] = Infinity;
  s.counts.fill(0);
  note(log, at, LOGGED.step, 0, -1);
}

function calls(s: WorldState, at: number, log: Log | null): void {
  s.flag[FLAG.calls] = s.flag[FLAG.calls]! + 1;
  s.flag[FLAG.open] = 1;
  note(log, at, LOGGED.call, 0, s.flag[FLAG.step]!);
  endMove(s, at, log);
}

/** Arms or disarms; one arming lets so many starts go. */
export function arms(s: WorldState, armed: number, most: number, at: number, log: Log | null): void {
  s.flag[FLAG.left] = most < Infinity ? most : -1;
  if (s.flag[FLAG.armed] === armed) return;
  if (armed === 1) s.flag[FLAG.startsNow] = 0;
  s.flag[FLAG.armed] = armed;
  note(log, at, LOGGED.armed, 0, armed);
}

/** Whether a hand at the controller stops everything. */
const handStops = (s: WorldState): boolean =>
  s.w.plan.hands.some(({ does }, h) => does === 'stop' && s.handFelt[h] === 1);

/** Whether a hand at the controller stops everything, or presses by itself: it goes first. */
export function handGoesFirst(s: WorldState): boolean {
  const { hands } = s.w.plan;
  for (let h = 0; h < hands.length; h++) {
    if (s.handFelt[h] === 0) continue;
    const { does, line } = itemAt(hands, h);
    // Who holds and is not obeyed has no say, though the plan may close the same output.
    const presses = does === 'press' && s.barred[h] === 0;
    if (does === 'stop' || (presses && (s.drive[line] === 1 || s.due[s.at.handTurn + h]! < Infinity))) return true;
  }
  return false;
}

/** One of the starts that an arming lets go is used; with the last it is over. */
function oneLess(s: WorldState, at: number, log: Log | null): void {
  const left = s.flag[FLAG.left]!;
  if (left <= 0) return;
  s.flag[FLAG.left] = left - 1;
  if (left === 1) arms(s, 0, Infinity, at, log);
}

/** What keeps a move from starting, whoever asks for it; `done` where nothing does. */
function barOf(s: WorldState, move: number, tier: number): Fate {
  if (s.flag[FLAG.controllerPower] !== 1) return 'dead';
  if (tier > TIER.hand ? handStops(s) : handGoesFirst(s)) return 'stopped';
  if (tier < heldTier(s)) return 'held-back';
  const may = s.w.routine?.mayStart[move];
  if (may) {
    if (s.startsToday[move]! >= may.aDay) return 'enough-today';
    if (may.armed && s.flag[FLAG.armed] === 0) return 'not-armed';
    if (may.fresh >= 0 && s.heard[may.fresh]! > 1) return 'limit';
  }
  return s.flag[FLAG.move]! >= 0 ? 'busy' : 'done';
}

/**
 * Begins a move. One that comes while another runs, while a hand has its way, while a higher tier holds it back, or while the controller
 * is dead, is missed. @param tier of whoever asks. @param asker as `WHO` counts. @returns what became of it.
 */
export function startMove(
  s: WorldState,
  move: number,
  onlyIfArmed: boolean,
  at: number,
  log: Log | null,
  tier: number = TIER.comfort,
  asker: number = WHO.nobody,
): Fate {
  if (onlyIfArmed && s.flag[FLAG.armed] === 0) return 'not-armed';
  const fate = barOf(s, move, tier);
  if (fate !== 'done') {
    s.flag[FLAG.missedStarts] = s.flag[FLAG.missedStarts]! + 1;
    return fate;
  }
  if (onlyIfArmed || s.w.routine?.mayStart[move]?.armed) oneLess(s, at, log);
  s.flag[FLAG.starts] = s.flag[FLAG.starts]! + 1;
  s.flag[FLAG.sinceCare] = s.flag[FLAG.sinceCare]! + 1;
  if (s.w.routine !== null) s.startsToday[move] = s.startsToday[move]! + 1;
  s.flag[FLAG.tier] = tier;
  s.flag[FLAG.asker] = asker;
  s.flag[FLAG.acted] = 0;
  s.flag[FLAG.move] = move;
  s.flag[FLAG.step] = s.w.code.begin[move]!;
  takeStep(s, at, log);
  return fate;
}

/** A press of up to so long is made to its end, s: half a press may be none, or another one. Longer ones are let go. */
const WHOLE_PRESS = 2;

/** A higher tier wants its way: the move under way ends with the short press that it makes, or at once. */
export function yieldMove(s: WorldState, at: number, log: Log | null): void {
  const op = s.flag[FLAG.step]!;
  const whole = s.w.code.op[op] === OP.press && s.flag[FLAG.held] === 0 && s.w.code.seconds[op]! <= WHOLE_PRESS;
  if (whole) s.flag[FLAG.yields] = 1;
  else endMove(s, at, log);
}

const saysSo = (s: WorldState, op: number): boolean => s.heard[s.w.code.sense[op]!] === s.w.code.is[op];

/** Takes the step that the move has come to, and those after it that take no time. */
function takeStep(s: WorldState, at: number, log: Log | null): void {
  const { code } = s.w;
  for (let n = 0; n < MOST_AT_ONCE; n++) {
    const op = s.flag[FLAG.step]!;
    if (op >= code.begin[s.flag[FLAG.move]! + 1]!) return endMove(s, at, log);
    s.flag[FLAG.taken] = s.flag[FLAG.taken]! + 1;
    note(log, at, LOGGED.step, 0, op);
    const sense = code.sense[op]!;
    if (sense >= 0) learns(s, sense, at, log);
    if (!stepDone(s, op, at, log)) return;
  }
  const op = s.flag[FLAG.step]!;
  const move = s.flag[FLAG.move]!;
  throw new WorldProblem(
    `step ${op - code.begin[move]! + 1} of move ${move + 1} comes round again without any time going by`,
  );
}

/** Does what a step says. Tells whether the next one follows at once. */
function stepDone(s: WorldState, op: number, at: number, log: Log | null): boolean {
  switch (s.w.code.op[op]) {
    case OP.press:
      asks(s, op, at, log);
      return false;
    case OP.warn:
      holdLines(s, 0, at, log);
      warns(s, 1, at, log);
      return takesTime(s, op, at);
    case OP.wait:
      holdLines(s, 0, at, log);
      return takesTime(s, op, at);
    case OP.hold:
      if (saysSo(s, op)) return passed(s);
      asks(s, op, at, log);
      return false;
    case OP.until:
      if (saysSo(s, op)) return passed(s);
      holdLines(s, 0, at, log);
      return takesTime(s, op, at);
    case OP.look:
      return saysSo(s, op) ? passed(s) : goesOn(s, op, at, log);
    case OP.again:
      return oncemore(s, op, at, log);
    case OP.tell:
      s.flag[FLAG.told] = s.flag[FLAG.told]! + 1;
      return passed(s);
    default:
      calls(s, at, log);
      return false;
  }
}

/** The step is over: the next one follows at once. */
function passed(s: WorldState): true {
  s.flag[FLAG.step] = s.flag[FLAG.step]! + 1;
  return true;
}

/** The step lasts as long as it says. */
function takesTime(s: WorldState, op: number, at: number): false {
  s.due[s.at.step] = at + s.w.code.seconds[op]!;
  return false;
}

/** A loop's end: again from its beginning, until its sense says so or it has been round as often as it may. */
function oncemore(s: WorldState, op: number, at: number, log: Log | null): boolean {
  const { code } = s.w;
  const senses = code.sense[op]! >= 0;
  if (senses && saysSo(s, op)) return passed(s);
  if (s.counts[op]! < code.times[op]!) {
    s.counts[op] = s.counts[op]! + 1;
    s.flag[FLAG.step] = code.to[op]!;
    return true;
  }
  return senses ? goesOn(s, op, at, log) : passed(s);
}

/** What a step says that did not come true. Tells whether the move goes on. */
function goesOn(s: WorldState, op: number, at: number, log: Log | null): boolean {
  const { orElse } = s.w.code;
  if (orElse[op] === CALL) calls(s, at, log);
  else if (orElse[op] === END) endMove(s, at, log);
  else s.flag[FLAG.step] = s.flag[FLAG.step]! + 1;
  return s.flag[FLAG.move]! >= 0;
}

/** The time of a step is up. */
export function stepIsUp(s: WorldState, at: number, log: Log | null): void {
  const { code } = s.w;
  const op = s.flag[FLAG.step]!;
  const kind = code.op[op];
  s.due[s.at.step] = Infinity;
  if (s.flag[FLAG.held] === 1) return acts(s, op, at, log);
  if (s.flag[FLAG.least] === 1) return leastIsUp(s, op, at, log);
  if (s.flag[FLAG.yields] === 1) return endMove(s, at, log);
  // A warning stays on until the move is over.
  if (kind === OP.hold || kind === OP.until) {
    learns(s, code.sense[op]!, at, log);
    if (!goesOn(s, op, at, log)) return;
  } else s.flag[FLAG.step] = s.flag[FLAG.step]! + 1;
  takeStep(s, at, log);
}

/** A press has lasted for as long as it has to: it ends if its sense still says so, else it goes on to its own end. */
function leastIsUp(s: WorldState, op: number, at: number, log: Log | null): void {
  const { code } = s.w;
  s.flag[FLAG.least] = 0;
  if (saysSo(s, op)) return goesPast(s, op, at, log);
  s.due[s.at.step] = at + code.seconds[op]! - code.least[op]!;
}

/** What a step waited for has come. */
function goesPast(s: WorldState, op: number, at: number, log: Log | null): void {
  s.due[s.at.step] = Infinity;
  s.flag[FLAG.held] = 0;
  learns(s, s.w.code.sense[op]!, at, log);
  s.flag[FLAG.step] = s.flag[FLAG.step]! + 1;
  takeStep(s, at, log);
}

/** A sense said something new: a step that waits for it goes on. */
export function hears(s: WorldState, sense: number, at: number, log: Log | null): void {
  if (s.flag[FLAG.move]! < 0) return;
  const { code } = s.w;
  const op = s.flag[FLAG.step]!;
  const kind = code.op[op];
  if ((kind !== OP.hold && kind !== OP.until) || code.sense[op] !== sense || !saysSo(s, op)) return;
  // A press that has to last is looked at again once it has.
  if (s.flag[FLAG.held] === 0 && s.flag[FLAG.least] === 0 && code.least[op]! > 0) {
    const began = s.due[s.at.step]! - code.seconds[op]!;
    if (at < began + code.least[op]!) {
      s.flag[FLAG.least] = 1;
      s.due[s.at.step] = began + code.least[op]!;
      return;
    }
  }
  if (s.flag[FLAG.least] === 0) goesPast(s, op, at, log);
}
