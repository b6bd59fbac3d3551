import { flagEvents } from '../../build/rules';
import { acts, dayMinutesOf, type Job } from '../../ground/job';
import { realAt } from '../../ground/lists';
import { happeningsOf, RunEnded, runTo, worldOf, type WorldEvent } from '../../engines/world';
import { armingsFor } from './armings';
import { startsAsHappenings, type Start } from './faults';
import type { Scene } from './scene';

const DAY_SECONDS = 86_400;
/** Days that are run one after the other: what one leaves the next one finds. */
const DAYS = 2;

/** When a condition is first broken, in minutes of a clock, and on which of the days. */
export interface BrokenInDay {
  readonly minutes: number;
  readonly day: number;
}

/**
 * The moves that the routine begins in a day, run in their order, each from where the one before it left the machine, with nothing going
 * wrong: the conditions that this breaks, by their ids. Empty where no time of day begins anything.
 */
export function brokenInDay(job: Job, scene: Scene): ReadonlyMap<string, BrokenInDay> {
  if (startsOfDay(job, scene).length === 0) return new Map();
  const end = DAYS * DAY_SECONDS;
  const given = happeningsOf(givenOfDays(job, scene, DAYS));
  const state = worldOf(scene.world, given);
  try {
    runTo(state, end, given);
  } catch (error) {
    if (!(error instanceof RunEnded)) throw error;
  }
  return new Map(
    scene.nevers.flatMap(({ never, monitors }): [string, BrokenInDay][] => {
      const at = Math.min(Infinity, ...monitors.map((m) => realAt(state.brokenAt, m)));
      return at < Infinity
        ? [[never.id, { minutes: (at % DAY_SECONDS) / 60, day: 1 + Math.floor(at / DAY_SECONDS) }]]
        : [];
    }),
  );
}

/** What the routine begins on a day like any other, by its times. */
function startsOfDay(job: Job, scene: Scene): readonly Start[] {
  const rules = scene.world.routine !== null;
  const arms = scene.hands.some((h) => h.wire.does === 'arm');
  return job.routine.sentences.flatMap((s, rule): Start[] => {
    const minutes = acts(s) ? dayMinutesOf(s) : null;
    const move = s.move === '' ? 0 : scene.moves.findIndex((m) => m.id === s.move);
    const moves = s.does === 'move' && move >= 0 && scene.moves.length > 0;
    // What puts a mode on or off, or calls, is a rule of the world; where the world has none, nothing follows from it.
    if (minutes === null || !(moves || (rules && s.does !== 'move'))) return [];
    return [{ at: minutes * 60, move, ifArmed: s.ifArmed && arms, ...(rules ? { rule } : {}) }];
  });
}

/** What comes from outside over some days like any other: what the routine begins by its times, who arms for it, and what lasts. */
export function givenOfDays(job: Job, scene: Scene, days: number): readonly WorldEvent[] {
  const day = startsOfDay(job, scene);
  const starts = Array.from({ length: days }, (_, n) => day.map((s) => ({ ...s, at: s.at + n * DAY_SECONDS })))
    .flat()
    .sort((a, b) => a.at - b.at);
  return [
    ...flagEvents(scene.flags, 0, days * DAY_SECONDS),
    ...armingsFor(scene, starts),
    ...startsAsHappenings(starts),
    ...Array.from({ length: days - 1 }, (_, n): WorldEvent => ({
      at: (n + 1) * DAY_SECONDS,
      what: 'midnight',
      of: 0,
      how: 0,
    })),
  ];
}
