import { DateTime } from 'luxon';
import type { ProgramCalendar } from '../build/program';
import type { Job } from '../ground/job';
import { byteAt, realAt } from '../ground/lists';
import { calendarOf, CLOCK_CHANGES, daysFrom, timesOn } from '../rooms/routine';

/** Days for which the sun, the calendar and dates are told: a year, and a month to write the program anew in. */
const TOLD_DAYS = 396;
/** Years for which the changes of the clock are told: rules of zones are decided anew by then. */
const ZONE_YEARS = 10;
/** Programs count from the first of January 2000. */
const EPOCH_SECONDS = 946_684_800;

const sinceEpoch = (ms: number): number => Math.round(ms / 1000) - EPOCH_SECONDS;

/** From when on a zone is how far before universal time, s, found by halving each month in which that changes. */
function zonesFrom(ms: number, zone: string): [number, number][] {
  const offset = (at: number): number => DateTime.fromMillis(at, { zone }).offset * 60;
  const out: [number, number][] = [[sinceEpoch(ms), offset(ms)]];
  const start = DateTime.fromMillis(ms, { zone: 'utc' });
  for (let month = 0; month < 12 * ZONE_YEARS; month++) {
    let low = start.plus({ months: month }).toMillis();
    let high = start.plus({ months: month + 1 }).toMillis();
    const before = offset(low);
    if (offset(high) === before) continue;
    while (high - low > 1000) {
      const middle = Math.floor((low + high) / 2);
      if (offset(middle) === before) low = middle;
      else high = middle;
    }
    out.push([sinceEpoch(high), offset(high)]);
  }
  return out;
}

/** Whether a sentence comes true by more than a clock time on weekdays. */
const isTold = (s: Job['routine']['sentences'][number]): boolean =>
  s.when === 'sun' || s.when === 'event' || (s.when === 'clock' && s.dates !== 'any');

/** What a program has of clock and calendar, from the day on which the job was touched last. */
export function programCalendar(job: Job): ProgramCalendar {
  const { timeZone } = job.region;
  const days = daysFrom(job.touchedAt, timeZone, TOLD_DAYS);
  const start = days[0]?.ms ?? Date.parse(job.touchedAt);
  const { sentences } = job.routine;
  const told = timesOn(calendarOf(job), days);
  const instants = Array.from(told.ms, (_, i): [number, number] => [
    sinceEpoch(realAt(told.ms, i)),
    byteAt(told.rule, i),
  ]).filter(([, rule], i) => {
    const s = sentences[rule];
    // A time that the clock skips comes an hour later by that clock, which no weekday tells.
    return s !== undefined && (isTold(s) || told.changes.get(i) === CLOCK_CHANGES[1]);
  });
  return {
    madeAt: sinceEpoch(start),
    madeOn: job.touchedAt.slice(0, 10),
    until: days.at(-1)?.date ?? '',
    zones: zonesFrom(start, timeZone),
    instants,
    dated: sentences.flatMap((s, i) => (s.when === 'clock' && s.dates !== 'any' ? [i] : [])),
  };
}
