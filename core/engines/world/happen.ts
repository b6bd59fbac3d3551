import { itemAt } from '../../ground/lists';
import { befalls, drives, followLine, pressedAgain } from './contacts';
import { arms, endMove, hears, startMove } from './controller';
import { handLetGo, handMoved, handsOut, handsRead, nobodyComes } from './hands';
import { enter, meetEvent } from './parts';
import { aroundIs } from './loops';
import { setMode } from './modes';
import { midnight, ruleFires, rulesBegin } from './rules';
import { WORLD_EVENTS, type WorldEventKind } from './plan';
import { FLAG, LOGGED, note, type Log, type WorldState } from './state';

/** Happenings in order of time, as numbers. */
export interface Happenings {
  readonly at: Float64Array;
  readonly what: Uint8Array;
  readonly of: Int32Array;
  readonly how: Float64Array;
  readonly count: number;
}

const NO = Object.fromEntries(WORLD_EVENTS.map((h, i) => [h, i])) as Record<WorldEventKind, number>;
/** The number of a kind of happening in a compiled row. */
export const happeningNumber = (what: WorldEventKind): number => NO[what];

/** Its program stands still, though it has power. */
const HUNG = 3;

/** Marks of what befell a sense. */
export const ILL = { reversed: 1, stuck: 2, moved: 4, lost: 8, silent: 16 } as const;

function powerLost(s: WorldState, at: number, log: Log | null): void {
  if (s.flag[FLAG.machinePower] === 0) return;
  s.flag[FLAG.machinePower] = 0;
  note(log, at, LOGGED.power, 0, 0);
  for (let p = 0; p < s.w.start.length; p++) meetEvent(s, p, s.w.lost[p]!, at, log);
}

/** Without its program nothing is decided any more; outputs and signs stay as they are until something restarts it. */
function programHangs(s: WorldState, at: number): void {
  if (s.flag[FLAG.controllerPower] !== 1) return;
  s.flag[FLAG.controllerPower] = HUNG;
  s.flag[FLAG.move] = -1;
  for (const flag of [FLAG.held, FLAG.least, FLAG.yields, FLAG.lines, FLAG.handHolds]) s.flag[flag] = 0;
  s.counts.fill(0);
  s.due[s.at.step] = Infinity;
  s.due[s.at.handHolds] = Infinity;
  const { plan, timers } = s.w;
  const forget = (from: number, count: number): void => void s.due.fill(Infinity, from, from + count);
  forget(s.at.hand, plan.hands.length);
  forget(s.at.handTurn, plan.hands.length);
  forget(s.at.longest, plan.lines);
  forget(s.at.edge, timers.edge.rules.length);
  forget(s.at.late, timers.late.rules.length);
  forget(s.at.rest, timers.rest.rules.length);
  forget(s.at.modeEnd, s.mode.length);
  s.due[s.at.controllerBack] = at + (plan.watchdog ?? Infinity);
}

/** Power of the machine comes back. */
export function powerBack(s: WorldState, at: number, log: Log | null): void {
  s.due[s.at.machineBack] = Infinity;
  if (s.flag[FLAG.machinePower] === 1) return;
  s.flag[FLAG.machinePower] = 1;
  note(log, at, LOGGED.power, 0, 1);
  for (let p = 0; p < s.w.start.length; p++) meetEvent(s, p, s.w.back[p]!, at, log);
  pressedAgain(s, at);
}

/** The controller is dead or in reset: its outputs let go, and what it knew is gone. */
function controllerOut(s: WorldState, at: number, log: Log | null): void {
  endMove(s, at, log);
  handsOut(s, at, log);
  s.flag[FLAG.controllerPower] = 0;
  for (let line = 0; line < s.drive.length; line++) {
    drives(s, line, 0, at, log);
    s.due[s.at.twitchOn + line] = Infinity;
    s.due[s.at.twitchOff + line] = Infinity;
    if (s.twitch[line] === 1) twitches(s, line, 0, at, log);
  }
}

/** A sense says no though it is so: it is heard at once, and taken back once what is so has stood for its time. */
function saysNo(s: WorldState, sense: number, at: number, log: Log | null): void {
  if ((s.ill[sense]! & (ILL.stuck | ILL.silent)) !== 0 || s.heard[sense] !== 1) return;
  s.due[s.at.sense + sense] = Infinity;
  [s.sent[sense], s.heard[sense]] = [0, 0];
  note(log, at, LOGGED.sense, sense, 0);
  hears(s, sense, at, log);
}

/** An output closes or opens by what its pin does at power-up. */
export function twitches(s: WorldState, line: number, on: number, at: number, log: Log | null): void {
  s.due[(on === 1 ? s.at.twitchOn : s.at.twitchOff) + line] = Infinity;
  befalls(s, line, () => (s.twitch[line] = on), at, log);
}

/** The controller has power again, or comes out of reset: its pins twitch, then the program is in charge and believes its beginning. */
function comesUp(s: WorldState, at: number): void {
  s.w.plan.twitches.forEach((t, line) => {
    if (!t) return;
    s.due[s.at.twitchOn + line] = at + t.from;
    s.due[s.at.twitchOff + line] = at + t.to;
  });
  s.due[s.at.controllerBack] = at + s.w.plan.readySeconds;
}

/** The controller’s power is back, or its program runs again. */
export function controllerReady(s: WorldState, at: number, log: Log | null): void {
  // While the power is still away this deadline is its return; the second one is the program's.
  // The watchdog of a program that hangs bites: its outputs let go, and it begins anew.
  if (s.flag[FLAG.controllerPower] === HUNG) controllerOut(s, at, log);
  if (s.flag[FLAG.controllerPower] === 0) {
    s.flag[FLAG.controllerPower] = 2;
    comesUp(s, at);
    return;
  }
  s.due[s.at.controllerBack] = Infinity;
  s.flag[FLAG.controllerPower] = 1;
  const parts = s.w.start.length;
  for (let p = 0; p < parts; p++) enter(s, parts + p, s.w.start[p]!, at, s.w.startAt[p]!, log);
  // Nobody knows what turned when the power went: every direction waits as if it had been pressed until now.
  s.letGoAt.fill(at);
  handsRead(s, at, log);
  rulesBegin(s);
}

/** A button pressed by hand is let go. */
export function thumbUp(s: WorldState, channel: number, at: number, log: Log | null): void {
  s.due[s.at.thumb + channel] = Infinity;
  s.thumb[channel] = 0;
  followLine(s, s.w.channels.line[channel]!, at, log);
}

const later = (known: number, next: number): number => (known < Infinity ? Math.max(known, next) : next);

/** The machine is without power for so long. Of two cuts at once the longer one counts. */
function machineOut(s: WorldState, seconds: number, at: number, log: Log | null): void {
  powerLost(s, at, log);
  s.due[s.at.machineBack] = later(s.due[s.at.machineBack]!, at + seconds);
}

/** The controller is without power for so long. Of two cuts at once the longer one counts. */
function controllerGone(s: WorldState, seconds: number, at: number, log: Log | null): void {
  const back = s.flag[FLAG.controllerPower] === 0 ? s.due[s.at.controllerBack]! : Infinity;
  controllerOut(s, at, log);
  s.due[s.at.controllerBack] = later(back, at + seconds);
}

/** One more of the next closures: the first that is not marked yet. */
const withNext = (bits: number): number => bits | (bits + 1);

/** Has one thing happen now. */
// eslint-disable-next-line complexity, max-lines-per-function -- a plain switch, a line or two to each event
export function happens(s: WorldState, what: number, of: number, how: number, at: number, log: Log | null): void {
  switch (what) {
    case NO.start:
      startMove(s, of, how === 1, at, log);
      return;
    case NO.stop:
      return endMove(s, at, log);
    case NO.arm:
      s.flag[FLAG.startsNow] = 0;
      return arms(s, 1, Infinity, at, log);
    case NO.disarm:
      return arms(s, 0, Infinity, at, log);
    case NO.thumb:
      s.thumb[of] = 1;
      s.due[s.at.thumb + of] = at + how;
      return followLine(s, s.w.channels.line[of]!, at, log);
    case NO.meets:
      meetEvent(s, of, how, at, log);
      return;
    case NO.cut:
      machineOut(s, how, at, log);
      return controllerGone(s, how, at, log);
    case NO['plug-out']:
      return machineOut(s, how, at, log);
    case NO['controller-out']:
      return controllerGone(s, how, at, log);
    case NO.restart:
      // Without power nothing restarts.
      if (s.flag[FLAG.controllerPower] === 0) return;
      controllerOut(s, at, log);
      s.flag[FLAG.controllerPower] = 2;
      return comesUp(s, at);
    case NO.missed:
      s.missNext[of] = withNext(s.missNext[of]!);
      return;
    case NO.misses:
      s.missNext[of] = how;
      return;
    case NO.twice:
      s.twiceNext[of] = withNext(s.twiceNext[of]!);
      return;
    case NO.welded:
      s.welds[of] = s.welds[of]! + 1;
      if (s.welds[of]! < itemAt(s.w.plan.contacts, of)) return;
      return befalls(s, of, () => (s.bad[of] = 1), at, log);
    case NO.dirty:
      return befalls(s, of, () => (s.bad[of] = 2), at, log);
    case NO.stuck:
    case NO.reversed:
    case NO.well:
    case NO.moved:
    case NO.lost:
    case NO.dips:
    case NO.silent:
    case NO.late:
      return befallsSense(s, what, of, how, at, log);
    case NO.hand:
      if (!nobodyComes(s, of)) handMoved(s, of, how, at, log);
      return;
    case NO['let-go']:
      if (!nobodyComes(s, of)) handLetGo(s, of);
      return;
    case NO.nobody:
      s.nobody[of] = s.nobody[of]! + 1;
      return;
    case NO.fires:
      return ruleFires(s, of, at, log);
    case NO.flag:
      s.lasts[of] = how;
      return;
    case NO.mode:
      return setMode(s, of, how, at, log);
    case NO.reads:
      s.told[of] = how;
      return;
    case NO.midnight:
      return midnight(s);
    case NO['end-fails']:
      s.noEnd[of] = 1;
      return befalls(s, of, () => (s.ended[of] = 0), at, log);
    case NO['cut-fails']:
      for (let l = 0; l < s.noCut.length; l++) if (s.w.loops[l]!.sense === of) [s.noCut[l], s.cut[l]] = [1, 0];
      return;
    case NO.hangs:
      return programHangs(s, at);
    case NO.around:
      return aroundIs(s, of, how, at, log);
  }
}

/** What befalls a sense: it sticks, says the opposite, moves, loses its next news, dips, falls silent, comes late, or is well again. */
function befallsSense(s: WorldState, what: number, of: number, how: number, at: number, log: Log | null): void {
  switch (what) {
    case NO.stuck:
      s.ill[of] = s.ill[of]! | ILL.stuck;
      s.due[s.at.sense + of] = Infinity;
      return;
    case NO.reversed:
      s.ill[of] = s.ill[of]! ^ ILL.reversed;
      return;
    case NO.well:
      s.ill[of] = 0;
      s.lateBy[of] = 0;
      return;
    case NO.moved:
      s.ill[of] = s.ill[of]! | ILL.moved;
      return;
    case NO.lost:
      s.ill[of] = s.ill[of]! | ILL.lost;
      return;
    case NO.dips:
      return saysNo(s, of, at, log);
    case NO.silent:
      s.ill[of] = s.ill[of]! | ILL.silent;
      s.due[s.at.sense + of] = at + s.w.senses.stale[of]!;
      return;
    case NO.late:
      s.lateBy[of] = s.lateBy[of]! + how;
      return;
  }
}
