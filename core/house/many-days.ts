import {
  armingsFor,
  daysOf,
  drawLuck,
  moveBy,
  policiesFor,
  sceneOf,
  wantedDays,
  type DaysOutcome,
  type PolicyKind,
  type Progress,
  type Scene,
  type Start,
} from '../rooms/act';
import type { Job } from '../ground/job';
import { countedShare, meanOf, seededRandom, type Interval } from '../ground/quantity';
import { calendarOf, firingsWithin, stretchesOf } from '../rooms/routine';
import { itemAt } from '../ground/lists';
import type { WorldEvent } from '../engines/world';

/** What came of many days, and which share of the starts went as the plan believes; null where nothing starts. */
export interface ManyDays extends DaysOutcome {
  readonly kept: Interval | null;
  /** Hours a week in which the machine was not as it would be with nothing going wrong. */
  readonly wrongHours: Interval;
}

/** What begins moves over many days: starts, each with its move, and what rules look at beside their times. */
interface Begins {
  readonly starts: readonly Start[];
  readonly calendar: readonly WorldEvent[];
}

/** Starts of a job's routine over many days, each with its move. */
function beginsOf(job: Job, scene: Scene, days: number): Begins {
  const { sentences } = job.routine;
  const calendar = calendarOf(job);
  const rules = scene.world.routine !== null;
  const starts = firingsWithin(calendar, job.touchedAt, days).flatMap(({ seconds: at, rule }): Start[] => {
    const s = itemAt(sentences, rule);
    const move = s.move === '' ? 0 : scene.moves.findIndex((m) => m.id === s.move);
    if (!rules) return move < 0 ? [] : [{ at, move, ifArmed: false }];
    return [{ at, move: Math.max(0, move), ifArmed: s.ifArmed, rule }];
  });
  if (!rules) return { starts, calendar: [] };
  return {
    starts,
    calendar: [...stretchesOf(calendar, scene.flags, job.touchedAt, days), ...armingsFor(scene, starts)],
  };
}

const summed = (o: DaysOutcome): ManyDays => ({
  ...o,
  kept: o.starts > 0 ? countedShare(o.asBelieved / o.hangTogether, o.starts / o.hangTogether) : null,
  wrongHours: meanOf(o.wrongByWeek.map((s) => s / 3600)),
});

/**
 * Many days of a job under random faults, from its routine's own times: presses missed, hands, power cuts, at the rates of `fault-rates`.
 * Null while the machine is not known. The same seed gives the same days.
 * @param progress called with the share that is done; what is run ends where it answers false.
 */
export function manyDays(job: Job, days: number, seed: number, progress?: Progress): ManyDays | null {
  const scene = sceneOf(job);
  if (!scene || scene.moves.length === 0) return null;
  const { starts, calendar } = beginsOf(job, scene, days);
  const luck = drawLuck(
    starts.map((s) => s.at),
    days,
    seededRandom(seed),
  );
  const wanted = wantedDays(scene, starts, calendar, days, stretch(progress, 0, 2));
  return summed(daysOf(scene, starts, calendar, days, luck, wanted, stretch(progress, 1, 2)));
}

/** The progress of one of several runs of equal length as that of all. */
const stretch = (progress: Progress | undefined, which: number, of: number): Progress | undefined =>
  progress && ((share) => progress((which + share) / of));

/** A policy on the same days as its like. */
export interface PolicyDays {
  readonly kind: PolicyKind;
  readonly words: string;
  /** What it lacks; empty where it was run. */
  readonly lacks: string;
  readonly outcome: ManyDays | null;
}

/**
 * The ready policies of the first move, on the same random days: the same presses missed, the same hands, the same power cuts. What each
 * should have come to is the blind one with nothing going wrong.
 */
export function comparePolicies(job: Job, days: number, seed: number, progress?: Progress): readonly PolicyDays[] {
  const [move, ...others] = job.act.moves;
  if (!move) return [];
  const policies = policiesFor(job, move);
  const sceneBy = (steps: (typeof policies)[number]) =>
    sceneOf({ ...job, act: { ...job.act, moves: [moveBy(move, steps), ...others] } });
  const blind = policies.find((p) => p.kind === 'blind' && p.lacks === '');
  const best = blind ? sceneBy(blind) : null;
  if (!best) return [];
  const { starts, calendar } = beginsOf(job, best, days);
  const luck = drawLuck(
    starts.map((s) => s.at),
    days,
    seededRandom(seed),
  );
  const runs = policies.length + 1;
  const wanted = wantedDays(best, starts, calendar, days, stretch(progress, 0, runs));
  return policies.map((p, i): PolicyDays => {
    const scene = p.lacks === '' ? sceneBy(p) : null;
    return {
      kind: p.kind,
      words: p.words,
      lacks: p.lacks,
      outcome: scene && summed(daysOf(scene, starts, calendar, days, luck, wanted, stretch(progress, i + 1, runs))),
    };
  });
}

/** What Act shows of many days: the plan's own, the ready policies on the same days, and what those that were not run lack. */
export interface DaysStudy {
  readonly own: ManyDays | null;
  readonly policies: readonly PolicyDays[];
}

/** Many days of the plan, then of the policies, under the same bad luck. Throws WorldProblem for what cannot be run. */
export const daysStudy = (job: Job, days: number, seed: number, progress?: Progress): DaysStudy => ({
  own: manyDays(job, days, seed, stretch(progress, 0, 2)),
  policies: comparePolicies(job, days, seed, stretch(progress, 1, 2)),
});
