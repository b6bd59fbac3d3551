import type { Line } from '../build/lines';
import type { Facts } from '../ground/facts';
import { oneRun, outputEnds, sceneOf, sideKey, type PowerUp, type RunTrace, type Scene } from '../rooms/act';
import { profileOf, twitchesOf } from '../rooms/board';
import type { Job } from '../ground/job';
import { orderOf } from '../engines/reversing';

/** What a run has to know of how a job is wired. */
export interface Wired {
  readonly lines: readonly Line[];
  readonly facts: Facts;
}

/** What the chosen board's pins do to each press when it gets power, and how long until the program is in charge. */
export function powerUpOf(job: Job, a: Pick<Wired, 'lines'>): PowerUp {
  const profile = profileOf(job);
  if (!profile) return { twitches: new Map(), readySeconds: 0 };
  const twitches = new Map<string, { from: number; to: number }>();
  for (const t of twitchesOf(job, a.lines, profile, 'power-cut')) {
    const key = sideOf(job, a.lines, t);
    if (key === null) continue;
    const known = twitches.get(key);
    twitches.set(key, known ? { from: Math.min(known.from, t.from), to: Math.max(known.to, t.to) } : t);
  }
  return { twitches, readySeconds: profile.readySeconds };
}

/**
 * The side of a press that a line of it moves by itself: of two directions each has its line; what only says which way moves nothing
 * without the power.
 */
function sideOf(job: Job, lines: Wired['lines'], t: { press: string; line: string }): string | null {
  const press = job.presses.find((p) => p.id === t.press);
  const order = press && orderOf(press);
  if (!order) return sideKey(t.press, false);
  const second = lines.filter((l) => l.owner === t.press).findIndex((l) => l.id === t.line) === 1;
  if (order.by === 'direction') return second ? sideKey(t.press, false) : null;
  return sideKey(t.press, second);
}

/** The world of a job with what its board does at power-up. Null while no part of the machine is known. */
export const wholeScene = (job: Job, a: Wired): Scene | null => sceneOf(job, endedUp(job, a));

/** The same with what ends each press by itself, and a watchdog where there is one. */
function endedUp(job: Job, a: Wired): PowerUp {
  const ends = outputEnds(job, a.facts);
  const { watchdogSeconds } = job.guard;
  return {
    ...powerUpOf(job, a),
    ...(ends.size > 0 ? { ends } : {}),
    ...(watchdogSeconds === null ? {} : { watchdog: watchdogSeconds }),
  };
}

/** Events that lanes can show: more than there are pixels, and done well within a frame. */
const MOST_ON_LANES = 10_000;

/** One run of a move for the lanes, with the pinned faults and what pins do at power-up; null without machine or move. Throws RunEnded. */
export const wholeRun = (job: Job, a: Wired, move = 0): RunTrace | null =>
  oneRun(job, job.act.faults, move, 0, endedUp(job, a), MOST_ON_LANES);
