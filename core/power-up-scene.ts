import type { Assessment } from './assess';
import { oneRun, sceneOf, type PowerUp, type RunTrace, type Scene } from './act';
import { profileOf, twitchesOf } from './board';
import type { Job } from './job';

/** What the chosen board's pins do to each press when it gets power, and how long until the program is in charge. */
export function powerUpOf(job: Job, a: Pick<Assessment, 'lines'>): PowerUp {
  const profile = profileOf(job);
  if (!profile) return { twitches: new Map(), readySeconds: 0 };
  const twitches = new Map<string, { from: number; to: number }>();
  for (const t of twitchesOf(job, a.lines, profile, 'power-cut')) {
    const known = twitches.get(t.press);
    twitches.set(t.press, known ? { from: Math.min(known.from, t.from), to: Math.max(known.to, t.to) } : t);
  }
  return { twitches, readySeconds: profile.readySeconds };
}

/** The world of a job with what its board does at power-up. Null while no part of the machine is known. */
export const wholeScene = (job: Job, a: Pick<Assessment, 'lines'>): Scene | null => sceneOf(job, powerUpOf(job, a));

/** One run of a move for the lanes, with the pinned faults and what the pins do at power-up; null without machine or move. */
export const wholeRun = (job: Job, a: Pick<Assessment, 'lines'>, move = 0): RunTrace | null =>
  oneRun(job, job.act.faults, move, 0, powerUpOf(job, a));
