import { byteAt, intAt, itemAt, realAt } from '../ground/lists';
import { armingsFor, ruledScene, type Progress, type Scene, type Start } from '../rooms/act';
import {
  calendarOf,
  daysFrom,
  madeUpAs,
  madeUpEvents,
  weatherEvents,
  stretchesOf,
  timesOn,
  type Calendar,
  type MadeUp,
  type Times,
} from '../rooms/routine';
import { acts, isTimed, type Job } from '../ground/job';
import {
  compileWorld,
  freshLog,
  happeningsWith,
  LOGGED,
  RunEnded,
  runTo,
  WHO,
  whoIn,
  worldOf,
  type WorldEvent,
} from '../engines/world';

/** One local day of a year. */
export interface YearDay {
  /** As `2026-03-02`. */
  readonly date: string;
  /** ISO weekday. */
  readonly weekday: number;
  /** Seconds from the beginning of the year to its midnight. */
  readonly begins: number;
  readonly hours: number;
}

/** What became of rules over a year, a place in each list for every time that one came true. */
export interface YearMarks {
  /** Number of the day, and minutes that the wall clock shows. */
  readonly day: Uint16Array;
  readonly minutes: Float32Array;
  /** Number of the sentence. */
  readonly rule: Uint8Array;
  /** What became of it and who held it back, as the engine counts both. */
  readonly fate: Uint16Array;
  /** What a clock change did, by the place in these lists. */
  readonly clock: ReadonlyMap<number, string>;
}

/** A mode that comes on or goes off. */
export interface YearMode {
  readonly at: number;
  readonly mode: number;
  readonly on: boolean;
}

/** A sense whose days are made up. */
export interface MadeUpSense {
  readonly name: string;
  readonly as: MadeUp;
}

/** A year of a job’s routine. */
export interface Year {
  /** Its first midnight, ms since 1970. */
  readonly began: number;
  readonly days: readonly YearDay[];
  readonly marks: YearMarks;
  readonly modes: readonly YearMode[];
  readonly calls: number;
  /** Somebody arms in time for every start that asks for it. */
  readonly armed: boolean;
  readonly madeUp: readonly MadeUpSense[];
  /** Days that were run: fewer than were asked for where too much happens in them. */
  readonly run: number;
}

const DAY_SECONDS = 86_400;
const HOUR_SECONDS = 3600;
const DAY_HOURS = 24;
const DAY_MINUTES = 1440;
/** Days of a year, and a day more for the last night. */
export const YEAR_DAYS = 366;
/** Events and steps that a year may take: ten years of a busy bench. */
const MOST_EVENTS = 3_000_000;
/** Days between two calls of progress. */
const DAYS_A_CALL = 20;

/** Who was in the way of a rule, in words; empty for nobody. @param fate as a mark has it. */
export function inTheWayOf(job: Job, fate: number): string {
  const { modes, sentences } = job.routine;
  const who = whoIn(fate);
  if (who === WHO.nobody) return '';
  if (who === WHO.hand) return 'a hand';
  const mode = modes[who - WHO.modes];
  if (mode) return `mode “${mode.name}”`;
  const rule = who - WHO.modes - modes.length;
  return sentences[rule] ? `rule ${rule + 1}` : '';
}

/** Times of rules that ask whether it is armed, as starts before which somebody arms. */
const armedStarts = (times: Times, job: Job, began: number): Start[] => {
  const asks = job.routine.sentences.map((s) => s.ifArmed);
  const out: Start[] = [];
  times.rule.forEach((rule, i) => {
    if (asks[rule]) out.push({ at: (realAt(times.ms, i) - began) / 1000, move: 0, ifArmed: true, rule });
  });
  return out;
};

/** What the year holds beside times of rules: stretches of the calendar, senses whose days are made up, people who arm. */
function beside(job: Job, scene: Scene, c: Calendar, from: string, days: number, seed: number): readonly WorldEvent[] {
  const all = daysFrom(from, c.zone, days);
  const began = itemAt(all, 0).ms;
  return [
    ...stretchesOf(c, scene.flags, from, days),
    ...scene.world.plan.senses.flatMap((wire, i) =>
      wire.part < 0 && !isWarmed(scene, i) ? madeUpEvents(itemAt(job.senses, i), i, all, c, began, seed) : [],
    ),
    ...scene.loops.flatMap((l, i) => (l.weather ? weatherEvents(l.around ?? 0, i, all, began, seed) : [])),
  ];
}

/** Whether a sense is the thermometer of what the machine warms or cools in the run itself. */
const isWarmed = (scene: Scene, sense: number): boolean => scene.world.loops.some((l) => l.sense === sense);

/**
 * A year of a job’s rules, from the engine that stories and the packed program stand on: what each came to, and who held it back.
 * Nothing goes wrong in it, and nobody touches anything but what arms. What no part of the machine tells is made up, by its seed.
 * @param fromIso an instant of the first day. @param progress called with the share that is done; ends where it answers false.
 * Throws WorldProblem for what cannot be run, RangeError for a zone that does not exist.
 */
export function yearOf(job: Job, fromIso: string, days = YEAR_DAYS, seed = 1, progress?: Progress): Year {
  const scene = ruledScene(job);
  const calendar = calendarOf(job);
  const all = daysFrom(fromIso, calendar.zone, days);
  const began = itemAt(all, 0).ms;
  const times = timesOn(calendar, all);
  const at = times.ms.map((ms) => (ms - began) / 1000);
  const given = happeningsWith(
    [...beside(job, scene, calendar, fromIso, days, seed), ...armingsFor(scene, armedStarts(times, job, began))],
    at,
    times.rule,
  );
  const log = freshLog(2 * at.length + 1024, [LOGGED.rule, LOGGED.mode, LOGGED.call]);
  // What must never be is held against runs elsewhere; here only who asked and what came of it counts.
  const state = worldOf(compileWorld({ ...scene.world.plan, monitors: [] }), given, log);
  let [left, run] = [MOST_EVENTS, 0];
  for (; run < days; run++) {
    const end =
      run + 1 < days ? (itemAt(all, run + 1).ms - began) / 1000 : (itemAt(all, run).ms - began) / 1000 + DAY_SECONDS;
    try {
      left -= runTo(state, end, given, log, left);
    } catch (error) {
      if (!(error instanceof RunEnded)) throw error;
      break;
    }
    if (run % DAYS_A_CALL === 0 && progress && !progress(run / days)) break;
  }
  const yearDays = all.map((d, i): YearDay => {
    const next = all[i + 1];
    const hours = next ? (next.ms - d.ms) / 1000 / HOUR_SECONDS : DAY_SECONDS / HOUR_SECONDS;
    return { date: d.date, weekday: d.weekday, begins: (d.ms - began) / 1000, hours };
  });
  const changes = new Map(
    [...times.changes].map(([i, change]) => [`${byteAt(times.rule, i)} ${realAt(at, i)}`, change]),
  );
  return {
    began,
    days: yearDays,
    ...told(log, yearDays, changes),
    armed: job.routine.sentences.some((s) => acts(s) && s.ifArmed) && scene.hands.some((h) => h.wire.does === 'arm'),
    madeUp: scene.world.plan.senses.flatMap((wire, i) => {
      const sense = itemAt(job.senses, i);
      return wire.part < 0 && !weatherless(scene, i) && readByRules(job, sense.id)
        ? [{ name: sense.name, as: madeUpAs(sense) }]
        : [];
    }),
    run,
  };
}

/** Whether it is the thermometer of a loop that no weather reaches: nothing of it is made up. */
const weatherless = (scene: Scene, sense: number): boolean =>
  scene.world.loops.some((l, i) => l.sense === sense && !itemAt(scene.loops, i).weather);

const readByRules = (job: Job, id: string): boolean =>
  job.routine.sentences.some(
    (s) => (!isTimed(s) && s.sense === id) || s.ifs.some((x) => x.kind === 'sense' && x.sense === id),
  );

/** The lines of a log that a year is told by. */
function told(
  log: ReturnType<typeof freshLog>,
  days: readonly YearDay[],
  changes: ReadonlyMap<string, string>,
): Pick<Year, 'marks' | 'modes' | 'calls'> {
  const day = new Uint16Array(log.count);
  const minutes = new Float32Array(log.count);
  const rule = new Uint8Array(log.count);
  const fate = new Uint16Array(log.count);
  const clock = new Map<number, string>();
  const modes: YearMode[] = [];
  let [today, calls, n] = [0, 0, 0];
  for (let i = 0; i < log.count; i++) {
    const [at, index, value] = [realAt(log.at, i), intAt(log.index, i), intAt(log.value, i)];
    while (today + 1 < days.length && itemAt(days, today + 1).begins <= at) today++;
    if (log.kind[i] === LOGGED.call) calls++;
    else if (log.kind[i] === LOGGED.mode) modes.push({ at, mode: index, on: value === 1 });
    else {
      const { begins, hours } = itemAt(days, today);
      const passed = (at - begins) / 60;
      day[n] = today;
      // On the day that a clock is moved its hours are not those that have passed; where it shows is near enough for a picture.
      minutes[n] = hours === DAY_HOURS ? passed : Math.min(DAY_MINUTES - 1, (passed * DAY_HOURS) / hours);
      rule[n] = index;
      fate[n] = value;
      const change = changes.size > 0 ? changes.get(`${index} ${at}`) : undefined;
      if (change) clock.set(n, change);
      n++;
    }
  }
  const marks = {
    day: day.slice(0, n),
    minutes: minutes.slice(0, n),
    rule: rule.slice(0, n),
    fate: fate.slice(0, n),
    clock,
  };
  return { marks, modes, calls };
}
