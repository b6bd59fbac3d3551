import { assess } from '../core/house/assess';
import { assignPins, pinFit, pinAt, profileOf, proposalsFor, twitchesOf, BOARD_EVENTS } from '../core/rooms/board';
import type { Job } from '../core/ground/job';
import { pinOf, type Line } from '../core/build/lines';
import { Unusable } from './unusable';

/** A line as others read it: without what drives it inside. */
const told = ({ id, of, owner, name, direction, sort, active, asks, amps, volts, acts }: Line): object => ({
  id,
  of,
  owner,
  name,
  direction,
  sort,
  active,
  asks,
  amps,
  volts,
  acts,
});

/** Every signal between the controller and the rest, with the pin that it lies on. */
export const linesVerb = (job: Job): unknown =>
  assess(job).lines.map((line) => ({ ...told(line), pin: pinOf(job, line.id) }));

/**
 * Every line on its pin, how it fares there, and what moves by itself while the controller starts; with `assign` where all of them
 * would go, or why they cannot. Throws Unusable where the job names no board.
 */
export function pinsVerb(job: Job, assign: boolean): unknown {
  const profile = profileOf(job);
  if (!profile) throw new Unusable(`no board is called ${job.board.profile}; choose another controller`);
  const a = assess(job);
  const at = (line: Line, gpio: number | null): object => {
    const pin = pinAt(profile, gpio);
    const fit = pin && pinFit(line, pin, job, profile);
    return {
      line: line.id,
      name: line.name,
      pin: gpio,
      label: pin?.label ?? null,
      place: pin?.header ?? null,
      verdict: fit?.verdict ?? 'unknown',
      says: fit?.title ?? 'no pin chosen',
    };
  };
  const now = {
    board: profile.name,
    pins: a.lines.map((line) => at(line, pinOf(job, line.id))),
    bySelf: BOARD_EVENTS.flatMap((event) => twitchesOf(job, a.lines, profile, event)),
  };
  if (!assign) return now;
  const done = assignPins(job, a.lines, profile);
  return done.ok
    ? {
        ...now,
        assigned: done.pins.map((p) =>
          at(
            a.lines.find((l) => l.id === p.line)!,
            p.gpio,
          ),
        ),
        cost: done.cost,
        edit: { do: 'set', at: 'board', set: { pins: done.pins } },
      }
    : {
        ...now,
        refused: {
          lines: done.refusal.lines.map((l) => l.name),
          pins: done.refusal.pins.map((p) => p.gpio),
          proposals: proposalsFor(job, a.lines, a.facts.presses, profile, done.refusal),
        },
      };
}
