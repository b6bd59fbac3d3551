import { itemAt } from '../../ground/lists';
import { drives } from './contacts';
import { arms, endMove, handGoesFirst, startMove } from './controller';
import { mayClose } from './order';
import { TIER, WHO, type HandWire } from './plan';
import { setMode } from './modes';
import { handHolds, handIsHeld } from './tiers';
import { FLAG, LOGGED, note, type Log, type WorldState } from './state';

/** Whether nobody comes: what they would have moved stays as it is. */
export function nobodyComes(s: WorldState, hand: number): boolean {
  if (s.nobody[hand] === 0) return false;
  s.nobody[hand] = s.nobody[hand]! - 1;
  return true;
}

/**
 * A command comes by message. Nobody stands at the machine: it begins its move only while armed, where anything arms, and never
 * against a hand. It has no length and falls back by itself; one that finds the controller dead is lost.
 */
function commandComes(s: WorldState, hand: number, at: number, log: Log | null): void {
  const { hands } = s.w.plan;
  const { moves } = itemAt(hands, hand);
  const onlyIfArmed = hands.some((h) => h.does === 'arm');
  if (s.flag[FLAG.controllerPower] !== 1 || moves.length === 0) return;
  note(log, at, LOGGED.hand, hand, 1);
  note(log, at, LOGGED.hand, hand, 0);
  handHolds(s, at);
  if (handGoesFirst(s) || handIsHeld(s) || (onlyIfArmed && s.flag[FLAG.armed] === 0)) return;
  beginsNext(s, hand, onlyIfArmed, at, log);
}

/** Its next move takes the place of whatever runs. */
function beginsNext(s: WorldState, hand: number, onlyIfArmed: boolean, at: number, log: Log | null): void {
  const { moves } = itemAt(s.w.plan.hands, hand);
  endMove(s, at, log);
  startMove(s, itemAt(moves, s.turn[hand]!), onlyIfArmed, at, log, TIER.hand, WHO.hand);
  s.turn[hand] = (s.turn[hand]! + 1) % moves.length;
}

/** Somebody moves one side of what people move at the controller; who holds it lets go after so long. */
export function handMoved(s: WorldState, hand: number, seconds: number, at: number, log: Log | null): void {
  if (itemAt(s.w.plan.hands, hand).does === 'command') return commandComes(s, hand, at, log);
  s.handIs[hand] = 1;
  s.due[s.at.handUp + hand] = itemAt(s.w.plan.hands, hand).latching ? Infinity : at + seconds;
}

/** A hand at the controller is let go. */
export function handLetGo(s: WorldState, hand: number): void {
  s.due[s.at.handUp + hand] = Infinity;
  s.handIs[hand] = 0;
}

/** Every side is felt once it has stood for its delay; a dead controller feels nothing. */
export function handsFollow(s: WorldState, at: number): void {
  const { hands } = s.w.plan;
  for (let h = 0; h < hands.length; h++) {
    if (s.flag[FLAG.controllerPower] !== 1 || s.handIs[h] === s.handFelt[h]) s.due[s.at.hand + h] = Infinity;
    else if (s.due[s.at.hand + h] === Infinity) s.due[s.at.hand + h] = at + itemAt(hands, h).delay;
  }
}

const stopped = (s: WorldState): boolean => s.w.plan.hands.some((h, i) => h.does === 'stop' && s.handFelt[i] === 1);

/** A hand that presses lets go of its output, or of its turn. */
function releases(s: WorldState, hand: number, at: number, log: Log | null): void {
  const { line } = itemAt(s.w.plan.hands, hand);
  s.due[s.at.handTurn + hand] = Infinity;
  if (line >= 0 && s.barred[hand] === 0) drives(s, line, 0, at, log);
}

/** Sides that do something to the machine. */
const ACTS: readonly HandWire['does'][] = ['stop', 'begin', 'press'];

/** Somebody begins the next move of a side, unless a stop or a higher tier has its way. */
function begins(s: WorldState, hand: number, down: number, at: number, log: Log | null): void {
  if (down === 0 || itemAt(s.w.plan.hands, hand).moves.length === 0) return;
  if (!stopped(s) && !handIsHeld(s)) beginsNext(s, hand, false, at, log);
}

/** The controller feels a side move: a stop before all, then whoever stands at it, then the plan. */
export function handFelt(s: WorldState, hand: number, at: number, log: Log | null): void {
  s.due[s.at.hand + hand] = Infinity;
  const down = s.handIs[hand]!;
  const { does, line, latching, most } = itemAt(s.w.plan.hands, hand);
  s.handFelt[hand] = down;
  note(log, at, LOGGED.hand, hand, down);
  if (down === 1 && ACTS.includes(does)) handHolds(s, at);
  switch (does) {
    case 'stop':
      if (down === 1) stopsAll(s, at, log);
      return;
    case 'arm':
      // A switch says what it says; a button arms, and takes it back.
      if (latching) arms(s, down, most, at, log);
      else if (down === 1) arms(s, 1 - s.flag[FLAG.armed]!, most, at, log);
      return;
    case 'answer':
      if (down === 0) return;
      s.flag[FLAG.open] = 0;
      s.flag[FLAG.sinceCare] = 0;
      return;
    case 'mode':
      return switches(s, hand, down, at, log);
    case 'begin':
      return begins(s, hand, down, at, log);
    case 'press':
      if (down === 0) {
        releases(s, hand, at, log);
        s.barred[hand] = 0;
      } else if (line >= 0) presses(s, hand, line, at, log);
  }
}

/** A switch puts its mode on for as long as it stays; a button puts it on, or off again. */
function switches(s: WorldState, hand: number, down: number, at: number, log: Log | null): void {
  const { latching, mode = -1 } = itemAt(s.w.plan.hands, hand);
  if (mode < 0 || s.w.routine === null) return;
  if (latching) setMode(s, mode, down, at, log);
  else if (down === 1) setMode(s, mode, 1 - s.mode[mode]!, at, log);
}

/** A stop ends the move, and who holds a button has to let go of it first. */
function stopsAll(s: WorldState, at: number, log: Log | null): void {
  endMove(s, at, log);
  barPresses(s, at, log);
}

/** Whoever holds a button is not obeyed until they let go of it. */
export function barPresses(s: WorldState, at: number, log: Log | null): void {
  s.w.plan.hands.forEach((h, i) => {
    if (h.does !== 'press' || s.handFelt[i] === 0) return;
    releases(s, i, at, log);
    s.barred[i] = 1;
  });
}

/** A hand presses its output: now, when the other direction has come to rest, or not at all while a stop is held. */
function presses(s: WorldState, hand: number, line: number, at: number, log: Log | null): void {
  if (handIsHeld(s)) {
    s.barred[hand] = 1;
    return;
  }
  endMove(s, at, log);
  const when = stopped(s) || s.drive[line] === 1 ? Infinity : mayClose(s, line, at);
  if (when === Infinity) s.barred[hand] = 1;
  else if (when > at) s.due[s.at.handTurn + hand] = when;
  else drives(s, line, 1, at, log);
}

/** The other direction has come to rest: who still holds has its turn, unless another hand presses the same. */
export function handsTurn(s: WorldState, hand: number, at: number, log: Log | null): void {
  const { line } = itemAt(s.w.plan.hands, hand);
  s.due[s.at.handTurn + hand] = Infinity;
  if (s.drive[line] === 1) s.barred[hand] = 1;
  else drives(s, line, 1, at, log);
}

/** The controller is dead or in reset: it feels nothing, and nothing that a hand asked for goes on. */
export function handsOut(s: WorldState, at: number, log: Log | null): void {
  s.w.plan.hands.forEach((h, i) => {
    if (h.does === 'press' && s.handFelt[i] === 1) releases(s, i, at, log);
    s.due[s.at.hand + i] = Infinity;
    s.handFelt[i] = 0;
    s.barred[i] = 0;
    s.turn[i] = 0;
  });
  arms(s, 0, Infinity, at, log);
  s.flag[FLAG.open] = 0;
  s.flag[FLAG.sinceCare] = 0;
}

/**
 * The program is in charge again and reads what people have put where: a stop holds, a switch that lets any number go is armed; what
 * presses or begins, and one that was to let a counted number go, is obeyed only once it was let go.
 */
export function handsRead(s: WorldState, at: number, log: Log | null): void {
  s.w.plan.hands.forEach((h, i) => {
    s.handFelt[i] = s.handIs[i]!;
    if (s.handIs[i] === 0) return;
    note(log, at, LOGGED.hand, i, 1);
    if (h.does === 'press') s.barred[i] = 1;
    if (h.does === 'arm' && h.latching && h.most === Infinity) arms(s, 1, Infinity, at, log);
  });
}
