import { DateTime } from 'luxon';

/** Nothing here is told in words; asking the system for its language takes a tenth of a first verdict. */
export const SPEAKS = { locale: 'en-GB' } as const;
const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;

/** What a clock change did to a time of the wall clock. */
export const CLOCK_CHANGES = [
  'none',
  'hour skipped, fires when the clock has jumped',
  'hour comes twice, fires the first time',
] as const;
/** One of `CLOCK_CHANGES`. */
export type ClockChange = (typeof CLOCK_CHANGES)[number];

/** A local day. */
export interface Day {
  readonly start: DateTime;
  /** Its beginning, ms since 1970, and whether no clock is moved within it. */
  readonly ms: number;
  readonly plain: boolean;
  /** ISO weekday, 1 is Monday. */
  readonly weekday: number;
  /** As `2026-03-02`. */
  readonly date: string;
}

const known = new Map<string, readonly Day[]>();
/** Stretches of days that are kept: a bench that is open for long asks for a handful. */
const MOST_KNOWN = 12;

/** So many local days, from the one of an instant on. Throws RangeError for a zone or time that does not exist. */
export function daysFrom(fromIso: string, zone: string, count: number): readonly Day[] {
  const from = DateTime.fromISO(fromIso, { ...SPEAKS, zone });
  if (!from.isValid) throw new RangeError(`no such time or time zone: ${fromIso}, ${zone}`);
  const first = from.startOf('day');
  const key = `${zone}|${first.toISODate()}`;
  const have = known.get(key);
  if (have && have.length >= count) return have.slice(0, count);
  const days: Day[] = [];
  let start = first;
  let ms = first.toMillis();
  for (let i = 0; i < count; i++) {
    const next = first.plus({ days: i + 1 });
    const ends = next.toMillis();
    days.push({ start, ms, plain: ends - ms === DAY_MS, weekday: start.weekday, date: start.toISODate() ?? '' });
    [start, ms] = [next, ends];
  }
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(key, days);
  return days;
}

const isSameWall = (a: DateTime, b: DateTime): boolean =>
  a.toFormat('yyyy-MM-dd HH:mm') === b.toFormat('yyyy-MM-dd HH:mm');

/** An instant of a day, with what a clock change did to it. */
export interface Wall {
  readonly ms: number;
  readonly clockChange: ClockChange;
}

/** The instant of a wall-clock time on a day; a skipped hour moves on, a repeated one is taken the first time. */
export function onDay(day: Day, minutes: number): Wall {
  if (day.plain) return { ms: day.ms + minutes * MINUTE_MS, clockChange: 'none' };
  // A slot that is dragged asks for the same times of the same days again and again.
  const key = `${day.start.zoneName ?? ''}|${day.ms}|${minutes}`;
  const have = walls.get(key);
  if (have) return have;
  if (walls.size >= MOST_WALLS) walls.clear();
  const wall = wallOn(day, minutes);
  walls.set(key, wall);
  return wall;
}

const walls = new Map<string, Wall>();
/** Times of days of a clock change that are kept. */
const MOST_WALLS = 2000;

function wallOn(day: Day, minutes: number): Wall {
  const [hour, minute] = [Math.floor(minutes / 60), minutes % 60];
  const wanted = day.start.set({ hour, minute, second: 0, millisecond: 0 });
  const skipped = wanted.hour !== hour || wanted.minute !== minute;
  const earlier = wanted.minus({ hours: 1 });
  const twice = !skipped && (isSameWall(earlier, wanted) || isSameWall(wanted.plus({ hours: 1 }), wanted));
  const ms = (twice && isSameWall(earlier, wanted) ? earlier : wanted).toMillis();
  return { ms, clockChange: skipped ? CLOCK_CHANGES[1] : twice ? CLOCK_CHANGES[2] : 'none' };
}

/** Minutes from midnight that a wall clock shows at an instant of a day. */
export function wallMinutes(day: Day, ms: number): number {
  if (day.plain) return (ms - day.ms) / MINUTE_MS;
  const at = DateTime.fromMillis(ms, { zone: day.start.zone, ...SPEAKS });
  return at.hour * 60 + at.minute + at.second / 60;
}

/** Months of a year, and days of the longest. */
const [DAYS_OF_YEAR, MONTHS] = [366, 12];
// A zone's rules do not depend on any job.
const changeDays = new Map<string, readonly Day[]>();

/** The days within a year of an instant on which a zone moves its clock, by halving the months in which its offset changes. */
export function clockChangeDays(fromIso: string, zone: string): readonly Day[] {
  const start = DateTime.fromISO(fromIso, { ...SPEAKS, zone }).startOf('day');
  const key = `${zone}|${start.toISODate()}`;
  const have = changeDays.get(key);
  if (have) return have;
  const out: Day[] = [];
  for (let month = 0; month < MONTHS; month++) {
    let [low, high] = [Math.round((month * DAYS_OF_YEAR) / MONTHS), Math.round(((month + 1) * DAYS_OF_YEAR) / MONTHS)];
    const offset = (day: number): number => start.plus({ days: day }).offset;
    if (offset(low) === offset(high)) continue;
    const before = offset(low);
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (offset(middle) === before) low = middle;
      else high = middle;
    }
    const iso = start.plus({ days: low }).toISO();
    if (iso) out.push(...daysFrom(iso, zone, 1));
  }
  if (changeDays.size >= MOST_KNOWN) changeDays.clear();
  changeDays.set(key, out);
  return out;
}

/** What a zone's wall clock is ahead of universal time when it shows a time, ms. @param wallMs that time as if it were universal. */
export const zoneOffset =
  (zone: string) =>
  (wallMs: number): number => {
    const at = DateTime.fromMillis(wallMs, { ...SPEAKS, zone: 'utc' }).setZone(zone, { keepLocalTime: true });
    return at.offset * MINUTE_MS;
  };
