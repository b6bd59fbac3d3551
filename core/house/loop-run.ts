import type { Job, Loop } from '../ground/job';
import { intAt, itemAt, realAt } from '../ground/lists';
import { freshLog, happeningsOf, heatAt, LOGGED, LOGGED_DEGREE, RunEnded, runTo, worldOf } from '../engines/world';
import { givenOfDays, ruledScene } from '../rooms/act';
import { aroundOf } from '../rooms/routine';

/** Days that a loop is run for. */
export const LOOP_DAYS = 3;
const DAY_SECONDS = 86_400;
/** Events and steps that a run may take in all: a loop has some ten for each cycle, and some hundred cycles a day. */
const MOST_EVENTS = 50_000;
/** Places of a day at which it is looked at for a picture. */
const LOOKS_A_DAY = 720;

/** What a loop came to in a run of the very plan, over some days with nothing going wrong and its surroundings at their hardest. */
export interface LoopRun {
  readonly loop: Loop;
  /** °C, evenly over the days. */
  readonly degrees: Float32Array;
  readonly seconds: number;
  /** When its part worked, s. */
  readonly works: readonly (readonly [from: number, to: number])[];
  /** Whether it came once to where its work is to end; from then on, or after a day, how cold and how warm it got, °C. */
  readonly reached: boolean;
  readonly lowest: number;
  readonly highest: number;
  /** Times a day that its part began to work, from then on. */
  readonly cycles: number;
  /** Days that were run: fewer where too much happens in them. */
  readonly days: number;
}

/**
 * Every loop that a run can follow, run; none where there are none. Where the weather is around it, it is run at both ends of it: the
 * picture is that of the hardest, how cold and how warm it gets are the worst of both.
 * Throws WorldProblem for a job that cannot be run.
 */
export function loopRuns(job: Job): readonly LoopRun[] {
  const hard = runsIn(job, 'hardest');
  if (!hard.some((r) => r.loop.weather)) return hard;
  return runsIn(job, 'mildest').map((mild, i) => {
    const own = itemAt(hard, i);
    return { ...own, lowest: Math.min(own.lowest, mild.lowest), highest: Math.max(own.highest, mild.highest) };
  });
}

function runsIn(job: Job, weather: 'hardest' | 'mildest'): readonly LoopRun[] {
  if (job.routine.loops.length === 0) return [];
  // What is around it stands as it is at that end throughout.
  const loops = job.routine.loops.map((l) => ({ ...l, around: aroundOf(l)[weather] }));
  const scene = ruledScene({ ...job, routine: { ...job.routine, loops } });
  if (scene.loops.length === 0) return [];
  const end = LOOP_DAYS * DAY_SECONDS;
  const given = happeningsOf(givenOfDays(job, scene, LOOP_DAYS));
  const log = freshLog(1024, [LOGGED.heat, LOGGED.part]);
  const state = worldOf(scene.world, given, log);
  const looks = LOOP_DAYS * LOOKS_A_DAY;
  const seen = scene.loops.map(() => new Float32Array(looks));
  let [ran, left] = [0, MOST_EVENTS];
  try {
    for (; ran < looks; ran++) {
      left -= runTo(state, ((ran + 1) * end) / looks, given, log, left);
      seen.forEach((row, l) => (row[ran] = heatAt(state, l, ((ran + 1) * end) / looks)));
    }
  } catch (error) {
    if (!(error instanceof RunEnded)) throw error;
  }
  return scene.loops.map((loop, l): LoopRun => {
    const wire = itemAt(scene.world.loops, l);
    const works = worksOf(log, wire.part, itemAt(scene.world.worksIn, l), (ran * end) / looks);
    const enough = loop.way === 'warms' ? wire.over : wire.under;
    const turns: { at: number; degrees: number }[] = [];
    for (let i = 0; i < log.count; i++)
      if (log.kind[i] === LOGGED.heat && log.index[i] === l)
        turns.push({ at: realAt(log.at, i), degrees: intAt(log.value, i) / LOGGED_DEGREE });
    const past = (degrees: number): boolean => (loop.way === 'warms' ? degrees >= enough : degrees <= enough);
    const first = turns.findIndex((t) => past(t.degrees));
    // What never comes there is looked at once it has had a day for it.
    const since = turns[first]?.at ?? DAY_SECONDS;
    const all = [
      ...turns.filter((t) => t.at >= since).map((t) => t.degrees),
      ...itemAt(seen, l).slice(Math.floor((since * looks) / end), ran),
    ];
    const begun = works.filter(([from]) => from >= since).length;
    return {
      loop: itemAt(
        job.routine.loops.filter((x) => x.id === loop.id),
        0,
      ),
      degrees: itemAt(seen, l).slice(0, ran),
      seconds: (ran * end) / looks,
      works,
      reached: first >= 0,
      lowest: Math.min(...all),
      highest: Math.max(...all),
      cycles: (DAY_SECONDS * begun) / Math.max(1, (ran * end) / looks - since),
      days: (LOOP_DAYS * ran) / looks,
    };
  });
}

function worksOf(log: ReturnType<typeof freshLog>, part: number, marks: Uint8Array, end: number): [number, number][] {
  const out: [number, number][] = [];
  let since: number | null = null;
  for (let i = 0; i < log.count; i++) {
    if (log.kind[i] !== LOGGED.part || log.index[i] !== part) continue;
    const on = marks[intAt(log.value, i)] === 1;
    if (on && since === null) since = realAt(log.at, i);
    else if (!on && since !== null) {
      out.push([since, realAt(log.at, i)]);
      since = null;
    }
  }
  if (since !== null) out.push([since, end]);
  return out;
}
