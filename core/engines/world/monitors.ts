import { itemAt } from '../../ground/lists';
import { isClosed } from './contacts';
import { heatAt } from './loops';
import { CLOCK, FLAG, type WorldState } from './state';
import type { CompiledClue } from './compile';
import type { Monitor } from './plan';

/** What holds for no longer than this holds for no time, s: outputs that change over in one instant were never on together. */
const AN_INSTANT = 1e-6;

/** What is this close to a bound has come to it and no further, K. */
const SLACK = 1e-6;

const isPast = (s: WorldState, { loop, over, degrees }: Extract<Monitor, { kind: 'heat' }>, at: number): boolean =>
  over ? heatAt(s, loop, at) > degrees + SLACK : heatAt(s, loop, at) < degrees - SLACK;

function holds(s: WorldState, clue: CompiledClue): boolean {
  const parts = s.w.start.length;
  switch (clue.of) {
    case 'part':
      return clue.marks[s.part[clue.index]!] === 1;
    case 'belief':
      return clue.marks[s.part[parts + clue.index]!] === 1;
    case 'line':
      return isClosed(s, clue.index);
    case 'sense':
      return s.heard[clue.index] === 1;
  }
}

/** Holds every monitor against the world as it stands now. */
// eslint-disable-next-line complexity -- run after every event: a branch for each kind of condition
export function watch(s: WorldState, at: number): void {
  const { monitors } = s.w.plan;
  for (let m = 0; m < monitors.length; m++) {
    if (s.brokenAt[m]! < Infinity) continue;
    const monitor = itemAt(monitors, m);
    if (monitor.kind === 'heat') {
      if (isPast(s, monitor, at)) s.brokenAt[m] = at;
      continue;
    }
    if (monitor.kind === 'starts') {
      if (s.flag[FLAG.startsNow]! > monitor.most) s.brokenAt[m] = at;
      continue;
    }
    let all = true;
    for (const clue of itemAt(s.w.clues, m)) if (!holds(s, clue)) all = false;
    const before = !Number.isNaN(s.holdsSince[m]!);
    if (all === before) continue;
    s.holdsSince[m] = all ? at : NaN;
    if (monitor.kind === 'unwarned') {
      // It begins to move, and was not so from the beginning: the sign must have been on for long enough by now. Who presses by
      // hand stands there and is warned by that.
      if (all && at > 0 && !s.thumb.includes(1) && !(s.clock[CLOCK.warnedSince]! <= at - monitor.seconds + AN_INSTANT))
        s.brokenAt[m] = at;
    } else s.due[s.at.monitor + m] = all ? at + Math.max(AN_INSTANT, monitor.seconds) : Infinity;
  }
}

/** A condition has held for longer than it may. */
export function isBroken(s: WorldState, m: number, at: number): void {
  s.due[s.at.monitor + m] = Infinity;
  s.brokenAt[m] = at;
}
