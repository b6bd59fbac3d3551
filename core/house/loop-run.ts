import { finding, type Finding } from '../ground/finding';
import type { Job, Loop } from '../ground/job';
import { intAt, itemAt, realAt } from '../ground/lists';
import { formatQuantity } from '../ground/quantity';
import { freshLog, happeningsOf, heatAt, LOGGED, LOGGED_DEGREE, RunEnded, runTo, worldOf } from '../engines/world';
import { givenOfDays, ruledScene, sceneOf } from '../rooms/act';
import { hardestAround } from '../rooms/routine';

/** Days that a loop is run for. */
const DAYS = 3;
const DAY_SECONDS = 86_400;
/** Places of a day at which it is looked at for a picture. */
const LOOKS_A_DAY = 720;
/** A digital thermometer may be off by so much, K (`thermometer-off`). */
const OFF_KELVIN = 0.5;

/** What a loop came to in a run of the very plan, over some days with nothing going wrong and its surroundings at their hardest. */
export interface LoopRun {
  readonly loop: Loop;
  /** °C, evenly over the days. */
  readonly degrees: Float32Array;
  readonly seconds: number;
  /** When its part worked, s. */
  readonly works: readonly (readonly [from: number, to: number])[];
  /** Whether it came once to where its work is to end; from then on how cold and how warm it got, °C. */
  readonly reached: boolean;
  readonly lowest: number;
  readonly highest: number;
  /** Times a day that its part began to work, from then on. */
  readonly cycles: number;
  /** Days that were run: fewer where too much happens in them. */
  readonly days: number;
}

/** Every loop that a run can follow, run; none where there are none. Throws WorldProblem for a job that cannot be run. */
export function loopRuns(job: Job): readonly LoopRun[] {
  if (job.routine.loops.length === 0) return [];
  // What is around it stands at its hardest throughout.
  const loops = job.routine.loops.map((l) => ({ ...l, around: hardestAround(l) }));
  const scene = ruledScene({ ...job, routine: { ...job.routine, loops } });
  if (scene.loops.length === 0) return [];
  const end = DAYS * DAY_SECONDS;
  const given = happeningsOf(givenOfDays(job, scene, DAYS));
  const log = freshLog(1024, [LOGGED.heat, LOGGED.part]);
  const state = worldOf(scene.world, given, log);
  const looks = DAYS * LOOKS_A_DAY;
  const seen = scene.loops.map(() => new Float32Array(looks));
  let ran = 0;
  try {
    for (; ran < looks; ran++) {
      runTo(state, ((ran + 1) * end) / looks, given, log);
      seen.forEach((row, l) => (row[ran] = heatAt(state, l, ((ran + 1) * end) / looks)));
    }
  } catch (error) {
    if (!(error instanceof RunEnded)) throw error;
  }
  return scene.loops.map((loop, l): LoopRun => {
    const wire = itemAt(scene.world.loops, l);
    const works = worksOf(log, wire.part, itemAt(scene.world.worksIn, l), end);
    const enough = loop.way === 'warms' ? wire.over : wire.under;
    const turns: { at: number; degrees: number }[] = [];
    for (let i = 0; i < log.count; i++)
      if (log.kind[i] === LOGGED.heat && log.index[i] === l)
        turns.push({ at: realAt(log.at, i), degrees: intAt(log.value, i) / LOGGED_DEGREE });
    const past = (degrees: number): boolean => (loop.way === 'warms' ? degrees >= enough : degrees <= enough);
    const first = turns.findIndex((t) => past(t.degrees));
    const after = first < 0 ? turns : turns.slice(first);
    const all = [...after.map((t) => t.degrees), itemAt(seen, l)[Math.max(0, ran - 1)] ?? NaN];
    const since = after[0]?.at ?? 0;
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
      days: (DAYS * ran) / looks,
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

/** What the runs of loops say beside what was worked out: the rules themselves may be what does not keep it. */
export const loopRunFindings = (job: Job): Finding[] =>
  sceneOf(job) === null ? [] : loopRuns(job).map((r) => runFinding(r));

const degrees = (x: number): string => formatQuantity(Number(x.toFixed(1)), '°C');

function runFinding({ loop: l, works, reached, lowest, highest, cycles, days }: LoopRun): Finding {
  const say = (verdict: Finding['verdict'], title: string, caption: string, todo: string): Finding =>
    finding('routine', `loop.${l.id}.run`, {
      verdict,
      title,
      caption,
      source: ['simulation', 'first-order-room'],
      remedy: todo === '' ? null : { text: todo },
    });
  if (works.length === 0)
    return say(
      'unknown',
      `In a run of ${days} days no rule makes ${l.name} work: nothing keeps it ${l.way === 'warms' ? 'warm' : 'cold'}`,
      'no rule for the loop',
      'Give its thermometer two rules: one that begins its work, one that ends it; or one whose move presses until it says so.',
    );
  const warm = l.highest !== null && highest + OFF_KELVIN > l.highest;
  const cold = l.lowest !== null && reached && lowest - OFF_KELVIN < l.lowest;
  if (warm || cold)
    return say(
      'stop',
      `In a run of ${days} days ${l.name} comes to ${degrees(warm ? highest : lowest)}, and it may never be ${warm ? `over ${degrees(l.highest ?? 0)}` : `under ${degrees(l.lowest ?? 0)}`}`,
      warm ? 'gets too warm' : 'gets too cold',
      'Look at its run: rules that wait, windows and limits are in it as well as its room.',
    );
  if (!reached)
    return say(
      'tight',
      `In a run of ${days} days ${l.name} does not come to where its work is to end`,
      'does not get there',
      'Look at its run: a rule, a window or a limit may end its work before.',
    );
  return say(
    l.recording === '' || l.deadSeconds === 0 ? 'tight' : 'settled',
    `In a run of ${days} days ${l.name} stays between ${degrees(lowest)} and ${degrees(highest)} and works ${formatQuantity(Number(cycles.toPrecision(3)), '1')} times a day`,
    'loop in a run',
    '',
  );
}
