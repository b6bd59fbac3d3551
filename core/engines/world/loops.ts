import { itemAt } from '../../ground/lists';
import type { LoopWire } from './plan';
import { LOGGED, note, type Log, type WorldState } from './state';

// What a part warms or cools goes to its end as one exponential after a dead time: between two changes it is known in closed form, so
// that the instants at which it comes over or under what its sense is set to are computed and never stepped towards.

/** The log holds whole numbers: thousandths of a degree. */
export const LOGGED_DEGREE = 1000;

/** What it comes to if nothing changes. */
const goalOf = (s: WorldState, l: number, w: LoopWire): number => s.around[l]! + (s.worked[l] === 1 ? w.kelvin : 0);

/** What it is at an instant, with nothing having changed since it was looked at last. */
export function heatAt(s: WorldState, l: number, at: number): number {
  const w = itemAt(s.w.loops, l);
  const goal = goalOf(s, l, w);
  return goal + (s.heat[l]! - goal) * Math.exp(-(at - s.heatSince[l]!) / w.tau);
}

function settles(s: WorldState, l: number, at: number): void {
  s.heat[l] = heatAt(s, l, at);
  s.heatSince[l] = at;
}

/** When it comes to what changes its sense's mind, if nothing changes before. */
function aims(s: WorldState, l: number, at: number): void {
  const w = itemAt(s.w.loops, l);
  const goal = goalOf(s, l, w);
  const isOver = s.over[l] === 1;
  const bound = isOver ? w.under : w.over;
  const comes = isOver ? goal < bound : goal > bound;
  const gone = comes ? (s.heat[l]! - goal) / (bound - goal) : NaN;
  s.due[s.at.cross + l] = comes ? at + w.tau * Math.max(0, Math.log(gone)) : Infinity;
  aimsAtLevels(s, l, goal, at);
}

/** When it comes to the next level that something hangs on. */
function aimsAtLevels(s: WorldState, l: number, goal: number, at: number): void {
  const heat = s.heat[l]!;
  let due = Infinity;
  for (const level of s.w.levels[l]!) {
    if ((heat < level && goal > level) || (heat > level && goal < level))
      due = Math.min(due, at + s.w.loops[l]!.tau * Math.log((heat - goal) / (level - goal)));
  }
  s.due[s.at.level + l] = due;
}

/** It comes to a level: it is there to the last bit, so that it is met once, and whatever hangs on it is told. */
export function loopAtLevel(s: WorldState, l: number, at: number): void {
  const w = s.w.loops[l]!;
  const goal = goalOf(s, l, w);
  settles(s, l, at);
  const level = s.w.levels[l]!.reduce((x, y) => (Math.abs(y - s.heat[l]!) < Math.abs(x - s.heat[l]!) ? y : x));
  s.heat[l] = level;
  const up = goal > level;
  if (w.cutOff && up && level === w.cutOff.at && s.noCut[l] === 0) s.cut[l] = 1;
  if (w.cutOff && !up && level === w.cutOff.back) s.cut[l] = 0;
  const { monitors } = s.w.plan;
  for (let m = 0; m < monitors.length; m++) {
    const monitor = monitors[m]!;
    const there = monitor.kind === 'heat' && monitor.loop === l && monitor.degrees === level && monitor.over === up;
    if (there && s.brokenAt[m] === Infinity) s.brokenAt[m] = at;
  }
  aims(s, l, at);
}

function tells(s: WorldState, l: number): void {
  const w = itemAt(s.w.loops, l);
  s.told[w.sense] = (s.over[l] === 1) === w.saysOver ? 1 : 0;
}

/** What a sense says once it has fallen from its place: as warm as what is around its loop. Nothing new for one that is in no loop. */
export function saysAround(s: WorldState, sense: number): number {
  for (let l = 0; l < s.w.loops.length; l++) {
    const w = s.w.loops[l]!;
    if (w.sense === sense) return s.around[l]! > w.over === w.saysOver ? 1 : 0;
  }
  return s.told[sense]!;
}

/** Every loop at its beginning: as warm as what is around, nothing at work. */
export function loopsBegin(s: WorldState): void {
  s.w.loops.forEach((w, l) => {
    s.around[l] = w.around;
    s.heat[l] = w.around;
    s.over[l] = w.around > w.over ? 1 : 0;
    tells(s, l);
    aims(s, l, 0);
  });
}

/** The part of a loop begins or ends its work: after the dead time that is felt. */
export function loopsFollow(s: WorldState, at: number): void {
  for (let l = 0; l < s.w.loops.length; l++) {
    const w = s.w.loops[l]!;
    const works = s.cut[l] === 1 ? 0 : s.w.worksIn[l]![s.part[w.part]!]!;
    if (works === s.works[l]) continue;
    s.works[l] = works;
    s.worksSince[l] = at;
    const due = (works === 1 ? s.at.loopOn : s.at.loopOff) + l;
    if (s.due[due] === Infinity) s.due[due] = at + w.dead;
  }
}

/** What a part began or ended a dead time ago is felt now. */
export function loopFeels(s: WorldState, l: number, on: number, at: number, log: Log | null): void {
  s.due[(on === 1 ? s.at.loopOn : s.at.loopOff) + l] = Infinity;
  settles(s, l, at);
  s.worked[l] = on;
  note(log, at, LOGGED.heat, l, Math.round(LOGGED_DEGREE * s.heat[l]!));
  aims(s, l, at);
  // What changed once more while this was still on its way is felt after it.
  const next = (on === 1 ? s.at.loopOff : s.at.loopOn) + l;
  if (s.works[l] !== on && s.due[next] === Infinity)
    s.due[next] = Math.max(at, s.worksSince[l]! + itemAt(s.w.loops, l).dead);
}

/** It comes over, or under, what its sense is set to. */
export function loopCrosses(s: WorldState, l: number, at: number): void {
  settles(s, l, at);
  s.over[l] = 1 - s.over[l]!;
  tells(s, l);
  aims(s, l, at);
}

/** What is around it is as warm as this from now on, °C. */
export function aroundIs(s: WorldState, l: number, degrees: number, at: number, log: Log | null): void {
  settles(s, l, at);
  s.around[l] = degrees;
  note(log, at, LOGGED.heat, l, Math.round(LOGGED_DEGREE * s.heat[l]!));
  aims(s, l, at);
}
