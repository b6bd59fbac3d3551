import { DateTime } from 'luxon';
import { inWindow, type RuleFlag } from '../../build/rules';
import { sunEvent, type SkyPlace } from '../../engines/sky';
import type { WorldEvent } from '../../engines/world';
import { eventsFor, isTimed, type CalendarEvent, type Job, type Sentence } from '../../ground/job';
import { byteAt, itemAt, realAt } from '../../ground/lists';
import { minutesOf } from '../../ground/quantity';
import { clockChangeDays, daysFrom, onDay, SPEAKS, wallMinutes, type ClockChange, type Day, type Wall } from './days';

/** What tells beforehand when rules come true. */
export interface Calendar {
  readonly sentences: readonly Sentence[];
  readonly events: readonly CalendarEvent[];
  /** Local dates, as `2026-12-25`. */
  readonly holidays: ReadonlySet<string>;
  readonly zone: string;
  /** Null where nobody said: the sun is not known then. */
  readonly place: SkyPlace | null;
}

/** Where the machine stands, as far as that was said. */
export const standsAt = ({ region }: Pick<Job, 'region'>): SkyPlace | null =>
  region.latitude === null || region.longitude === null
    ? null
    : { latitude: region.latitude, longitude: region.longitude };

/** The calendar of a job. @param sentences its own, where none are given. */
export const calendarOf = (job: Job, sentences: readonly Sentence[] = job.routine.sentences): Calendar => ({
  sentences,
  events: job.routine.events,
  holidays: new Set(job.routine.holidays),
  zone: job.region.timeZone,
  place: standsAt(job),
});

/** An instant at which a rule comes true. */
interface Timed {
  readonly ms: number;
  /** Number of its sentence. */
  readonly rule: number;
  readonly clockChange: ClockChange;
}

/** An instant at which a rule comes true, as it is shown. */
export interface Firing {
  /** ISO instant in UTC. */
  readonly at: string;
  /** Local wall time as `2026-03-30T10:40:00.000+01:00`. */
  readonly local: string;
  readonly sentence: string;
  /** What the clock change did to it, if anything. */
  readonly clockChange: ClockChange;
}

const HALF_DAY_MS = 43_200_000;
const SECOND_MS = 1000;
const DAY_SECONDS = 86_400;

/** Whether a sentence takes a day at all. */
const takesDay = (s: Sentence, day: Day, c: Calendar): boolean =>
  s.days.includes(day.weekday) && (s.dates === 'any' || (s.dates === 'holidays') === c.holidays.has(day.date));

/** Whether the windows of a sentence let an instant of a day through. */
const inWindows = (s: Sentence, day: Day, ms: number): boolean =>
  s.ifs.every((x) => x.kind !== 'window' || inWindow(wallMinutes(day, ms), x) === x.is);

/** When the sun has a sentence come true on a day; null on days on which it does not do that, or where the place is not known. */
function bySun(s: Sentence, day: Day, place: SkyPlace | null): Wall | null {
  const at = place ? sunEvent(s.sun, day.ms + HALF_DAY_MS, place) + s.offsetSeconds * SECOND_MS : Number.NaN;
  if (Number.isNaN(at)) return null;
  const least = s.notBefore === '' ? -Infinity : onDay(day, minutesOf(s.notBefore)).ms;
  const most = s.notAfter === '' ? Infinity : onDay(day, minutesOf(s.notAfter)).ms;
  return { ms: Math.min(most, Math.max(least, at)), clockChange: 'none' };
}

/** Rules that one calendar has at most: a number of fewer bits stands behind each instant while they are sorted. */
const MOST_RULES = 64;

/** Instants at which rules come true, in order of time, then of sentences. */
export interface Times {
  /** ms since 1970, whole ones. */
  readonly ms: Float64Array;
  /** Number of the sentence. */
  readonly rule: Uint8Array;
  /** What a clock change did, by the place in these lists; nothing for all others. */
  readonly changes: ReadonlyMap<number, ClockChange>;
}

/** All instants of some days at which rules come true that a calendar tells beforehand. */
export function timesOn(c: Calendar, days: readonly Day[]): Times {
  const keys: number[] = [];
  const changed = new Map<number, ClockChange>();
  const put = (ms: number, rule: number, clockChange: ClockChange): void => {
    const key = Math.round(ms) * MOST_RULES + rule;
    keys.push(key);
    if (clockChange !== 'none') changed.set(key, clockChange);
  };
  c.sentences.slice(0, MOST_RULES).forEach((s, rule) => {
    if (!isTimed(s) || s.days.length === 0) return;
    if (s.when === 'event') {
      for (const ms of byEvents(s, c, days)) put(ms, rule, 'none');
      return;
    }
    const minutes = s.when === 'clock' ? minutesOf(s.at) : 0;
    const windows = s.ifs.some((x) => x.kind === 'window');
    for (const day of days) {
      if (!takesDay(s, day, c)) continue;
      const wall = s.when === 'clock' ? onDay(day, minutes) : bySun(s, day, c.place);
      if (wall && (!windows || inWindows(s, day, wall.ms))) put(wall.ms, rule, wall.clockChange);
    }
  });
  const sorted = Float64Array.from(keys).sort();
  const changes = new Map<number, ClockChange>();
  if (changed.size > 0)
    sorted.forEach((key, i) => {
      const change = changed.get(key);
      if (change) changes.set(i, change);
    });
  return {
    ms: sorted.map((k) => Math.floor(k / MOST_RULES)),
    rule: Uint8Array.from(sorted, (k) => k % MOST_RULES),
    changes,
  };
}

/** One of these instants. */
const timedAt = (t: Times, i: number): Timed => ({
  ms: realAt(t.ms, i),
  rule: byteAt(t.rule, i),
  clockChange: t.changes.get(i) ?? 'none',
});
const timedIn = (t: Times): Timed[] => Array.from(t.ms, (_, i) => timedAt(t, i));

/** When events of a calendar have a sentence come true: so long before each, on days that it takes; ms. */
function byEvents(s: Sentence, c: Calendar, days: readonly Day[]): number[] {
  return eventsFor(s, c.events).flatMap((event) => {
    const ms = Date.parse(event.at) - s.aheadSeconds * SECOND_MS;
    const next = days.findIndex((d) => d.ms > ms);
    const day = days[(next < 0 ? days.length : next) - 1];
    if (!day || ms >= day.start.plus({ days: 1 }).toMillis()) return [];
    return takesDay(s, day, c) && inWindows(s, day, ms) ? [ms] : [];
  });
}

function shown(t: Timed, c: Calendar): Firing | null {
  const at = DateTime.fromMillis(t.ms, { ...SPEAKS, zone: c.zone });
  const [utc, local] = [at.toUTC().toISO(), at.toISO()];
  const sentence = c.sentences[t.rule];
  return utc && local && sentence ? { at: utc, local, sentence: sentence.id, clockChange: t.clockChange } : null;
}

/** Days at a time in which the next times are looked for, and days after which none is: a leap year and a week. */
const LOOK_DAYS = 31;
const MOST_DAYS = 373;

/**
 * The next firings after an instant, daylight saving included.
 * @param fromIso ISO instant. Throws RangeError for a zone or time that does not exist.
 */
export function nextFirings(c: Calendar, fromIso: string, count: number): Firing[] {
  const from = Date.parse(fromIso);
  const all = daysFrom(fromIso, c.zone, MOST_DAYS);
  const out: Timed[] = [];
  for (let i = 0; out.length < count && i < all.length; i += LOOK_DAYS)
    out.push(...timedIn(timesOn(c, all.slice(i, i + LOOK_DAYS))).filter((t) => t.ms > from));
  return out.slice(0, count).flatMap((t) => shown(t, c) ?? []);
}

/** The firings within a year that fall into a clock change. */
export const clockChangeFirings = (c: Calendar, fromIso: string): Firing[] =>
  timedIn(timesOn(c, clockChangeDays(fromIso, c.zone)))
    .filter((t) => t.clockChange !== 'none')
    .flatMap((t) => shown(t, c) ?? []);

/** A firing, s from midnight, and the number of its sentence. */
export interface FiringWithin {
  readonly seconds: number;
  readonly rule: number;
}

/** All firings of the days that follow midnight of an instant, in seconds from that midnight. */
export function firingsWithin(c: Calendar, fromIso: string, days: number): FiringWithin[] {
  const all = daysFrom(fromIso, c.zone, days + 1);
  const began = all[0]?.ms ?? 0;
  return timedIn(timesOn(c, all))
    .map((t) => ({ seconds: (t.ms - began) / SECOND_MS, rule: t.rule }))
    .filter(({ seconds }) => seconds < days * DAY_SECONDS);
}

/** When windows and days that rules of senses and modes look at begin and end, and when days begin, in seconds from that midnight. */
export function stretchesOf(c: Calendar, flags: readonly RuleFlag[], fromIso: string, days: number): WorldEvent[] {
  const all = daysFrom(fromIso, c.zone, days + 1);
  const began = all[0]?.ms ?? 0;
  const second = (ms: number): number => (ms - began) / SECOND_MS;
  const out: WorldEvent[] = all.slice(1).map((d) => ({ at: second(d.ms), what: 'midnight', of: 0, how: 0 }));
  flags.forEach(({ sentence, window }, of) => {
    const s = itemAt(c.sentences, sentence);
    for (const day of all) {
      const put = (ms: number, lasts: boolean): void => {
        out.push({ at: second(ms), what: 'flag', of, how: lasts ? 1 : 0 });
      };
      if (window === null) put(day.ms, takesDay(s, day, c));
      else {
        put(day.ms, inWindow(0, window));
        put(onDay(day, minutesOf(window.from)).ms, window.from !== window.until);
        put(onDay(day, minutesOf(window.until)).ms, false);
      }
    }
  });
  return out.filter(({ at }) => at < days * DAY_SECONDS).sort((a, b) => a.at - b.at);
}

/** Minutes of the wall clock at which the sun rises and sets on some days; NaN where it does not, or where the place is not said. */
export function sunLines(
  c: Calendar,
  fromIso: string,
  count: number,
): { readonly rise: Float32Array; readonly set: Float32Array } {
  const days = daysFrom(fromIso, c.zone, count);
  const line = (event: 'rise' | 'set'): Float32Array =>
    Float32Array.from(days, (d) => {
      const at = c.place ? sunEvent(event, d.ms + HALF_DAY_MS, c.place) : Number.NaN;
      return Number.isNaN(at) ? at : wallMinutes(d, at);
    });
  return { rise: line('rise'), set: line('set') };
}
