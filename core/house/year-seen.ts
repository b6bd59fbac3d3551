import { fateIn, type Fate } from '../engines/world';
import { clockText } from '../ground/quantity';
import { calendarOf, namesIn, nextFirings, quotedAt, standsAt, sunLines, type Firing } from '../rooms/routine';
import { finding, type Finding, type Remedy } from '../ground/finding';
import { acts, type Hazard, type Job, type Sentence } from '../ground/job';
import type { Progress } from '../rooms/act';
import { drawnAs, drawYear, type YearDrawing } from './year-drawing';
import { inTheWayOf, YEAR_DAYS, yearOf, type Year } from './year';

/** A year as it goes to the screen: with the next times, what was found in it, and where the sun rises and sets. */
export interface YearSeen {
  readonly year: Year;
  readonly next: readonly Firing[];
  readonly findings: readonly YearFound[];
  /** Minutes of the wall clock at which the sun rises and sets, by day; NaN where it does not; null where the place is not said. */
  readonly sun: { readonly rise: Float32Array; readonly set: Float32Array } | null;
  readonly drawing: YearDrawing;
}

/** Something that a year shows, with the first day that shows it. */
export interface YearFound {
  readonly finding: Finding;
  /** Number of the day; −1 where the whole year shows it. */
  readonly day: number;
}

/** How many of the next times are shown. */
const NEXT = 10;

/** A year with all that is shown of it. Throws as `yearOf` does. */
export function yearSeen(job: Job, from: string, progress?: Progress): YearSeen {
  const year = yearOf(job, from, YEAR_DAYS, 1, progress);
  const sun = standsAt(job) ? sunLines(calendarOf(job), from, YEAR_DAYS) : null;
  return {
    year,
    next: nextFirings(calendarOf(job), from, NEXT),
    findings: foundIn(job, year, from),
    sun,
    drawing: drawYear(year, sun),
  };
}

/** What a rule came to that did not act: how often, by whom, and on which day first. */
interface Lost {
  readonly rule: number;
  readonly fate: Fate;
  readonly by: string;
  times: number;
  day: number;
  minutes: number;
}

/** What a year shows of the rules: what never acts, what is held back and by whom, what comes too late, what a clock change moves. */
function foundIn(job: Job, { marks, days, run }: Year, from: string): readonly YearFound[] {
  const { sentences } = job.routine;
  const did = sentences.map(() => 0);
  const lost = new Map<string, Lost>();
  marks.rule.forEach((rule, i) => {
    const value = marks.fate[i] ?? 0;
    const fate = fateIn(value);
    if (fate === 'done') did[rule] = (did[rule] ?? 0) + 1;
    if (drawnAs(value) !== 'lost') return;
    const key = `${rule} ${value}`;
    const known = lost.get(key);
    if (known) known.times++;
    else
      lost.set(key, {
        rule,
        fate,
        by: inTheWayOf(job, value),
        times: 1,
        day: marks.day[i] ?? 0,
        minutes: marks.minutes[i] ?? 0,
      });
  });
  const clock = [...marks.clock].map(([i, change]) => ({ day: marks.day[i] ?? 0, rule: marks.rule[i] ?? 0, change }));
  return [
    ...(run < days.length ? [notWhole(run)] : []),
    ...sentences.flatMap((s, rule) => (acts(s) && did[rule] === 0 ? [neverDid(job, s, rule)] : [])),
    ...[...lost.values()].flatMap((l) => (sentences[l.rule] ? [lostOf(job, l, days[l.day]?.date ?? '', from)] : [])),
    ...clock.slice(0, 4).map(({ day, rule, change }) => moved(day, rule, change, days[day]?.date ?? '')),
  ];
}

const notWhole = (run: number): YearFound => ({
  day: run,
  finding: finding('routine', 'year.ended', {
    verdict: 'unknown',
    title: `So much happens that the year was ended after ${run} days: what comes after them is not known`,
    caption: 'year not whole',
    source: ['simulation'],
    remedy: { text: 'Let rules that set each other off rest in between.' },
  }),
});

const neverDid = (job: Job, s: Sentence, rule: number): YearFound => ({
  day: -1,
  finding: finding('routine', `year.never.${rule + 1}`, {
    verdict: 'tight',
    title: `Rule ${rule + 1}, ${quotedAt(s, namesIn(job))}, acts on no day of this year`,
    caption: 'acts on no day',
    source: ['simulation'],
    remedy: { text: 'Look at what it waits for, or take it away.' },
  }),
});

const WHY: Readonly<Partial<Record<Fate, string>>> = {
  'held-back': 'it is held back',
  busy: 'a move is under way',
  stopped: 'somebody stops or presses',
  'enough-today': 'it has acted as often as it may that day',
  limit: 'a limit refuses it',
  dead: 'the controller has no power',
  'too-late': 'it waited for as long as it may',
};

/** What is offered for what was held back, s: common practice. */
const LATE_SECONDS = 600;

/** Times of a year at which a rule comes true and does not act. */
function lossesOf(job: Job, rule: number, from: string): number {
  const { marks } = yearOf(job, from);
  return marks.rule.reduce((n, r, i) => n + (r === rule && drawnAs(marks.fate[i] ?? 0) === 'lost' ? 1 : 0), 0);
}

/** Hazards for which nothing is offered that comes later than it is expected. */
const UNEXPECTED: readonly Hazard[] = ['moving-door', 'pinch', 'unattended-heat'];

function lostOf(job: Job, l: Lost, date: string, from: string): YearFound {
  const s = job.routine.sentences[l.rule];
  const by = l.by ? ` by ${l.by}` : '';
  const sentences = job.routine.sentences.map((x, i) =>
    i === l.rule ? { ...x, whenHeld: 'late' as const, lateSeconds: LATE_SECONDS } : x,
  );
  const mayHelp = (l.fate === 'busy' || l.fate === 'held-back') && s?.whenHeld === 'dropped';
  // Tried over the same year before it is offered: what lasts longer than that is not cured by it.
  const lateHelps =
    mayHelp &&
    !job.wish.hazards.some((h) => UNEXPECTED.includes(h)) &&
    lossesOf({ ...job, routine: { ...job.routine, sentences } }, l.rule, from) < lossesOf(job, l.rule, from);
  const remedy: Remedy = lateHelps
    ? {
        text: 'Let it be made up for, up to ten minutes late, or put more time between the two.',
        label: 'Up to ten minutes late',
        edit: { do: 'set', at: 'routine', set: { sentences }, say: `rule ${l.rule + 1}: up to ten minutes late` },
      }
    : { text: 'Change one of the two, or leave it if it is meant so.' };
  return {
    day: l.day,
    finding: finding('routine', `year.lost.${l.rule + 1}.${l.fate}`, {
      verdict: 'tight',
      title:
        `Rule ${l.rule + 1}, ${s ? quotedAt(s, namesIn(job)) : ''}, comes to nothing ` +
        `${l.times === 1 ? 'once' : `${l.times} times`} in the year: ` +
        `${WHY[l.fate] ?? 'it is refused'}${by}; first on ${date} at ${clockText(Math.floor(l.minutes))}`,
      caption: 'comes to nothing',
      source: ['simulation'],
      remedy,
    }),
  };
}

const moved = (day: number, rule: number, change: string, date: string): YearFound => ({
  day,
  finding: finding('routine', `year.clock.${rule + 1}.${day}`, {
    verdict: 'tight',
    title: `On ${date} rule ${rule + 1} falls into a clock change: ${change}`,
    caption: 'clock change',
    source: ['iana-tz'],
    remedy: { text: 'Pick a time before 01:00 or after 03:00.' },
  }),
});
