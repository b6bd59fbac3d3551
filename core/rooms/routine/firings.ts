import { DateTime } from 'luxon';
import { clockOf, dayMinutesOf, type Sentence } from '../../ground/job';

/** Nothing here is told in words; asking the system for its language takes a tenth of a first verdict. */
const SPEAKS = { locale: 'en-GB' } as const;

/** An instant at which a rule comes true. */
export interface Firing {
  /** ISO instant in UTC. */
  readonly at: string;
  /** Local wall time as `2026-03-30T10:40:00.000+01:00`. */
  readonly local: string;
  readonly sentence: string;
  /** What the clock change did to it, if anything. */
  readonly clockChange:
    'none' | 'hour skipped, fires when the clock has jumped' | 'hour comes twice, fires the first time';
}

/** The instant of a wall-clock time on one date; a skipped hour moves on, a repeated one is taken the first time. */
function onDate(day: DateTime, sentence: Sentence): Firing | null {
  const { hour, minute } = clockOf(sentence);
  const wanted = day.set({ hour, minute, second: 0, millisecond: 0 });
  const skipped = wanted.hour !== hour || wanted.minute !== minute;
  const earlier = wanted.minus({ hours: 1 });
  const later = wanted.plus({ hours: 1 });
  const twice = !skipped && (isSameWall(earlier, wanted) || isSameWall(later, wanted));
  const instant = twice && isSameWall(earlier, wanted) ? earlier : wanted;
  const at = instant.toUTC().toISO();
  const local = instant.toISO();
  if (!at || !local) return null;
  return {
    at,
    local,
    sentence: sentence.id,
    clockChange: skipped
      ? 'hour skipped, fires when the clock has jumped'
      : twice
        ? 'hour comes twice, fires the first time'
        : 'none',
  };
}

const isSameWall = (a: DateTime, b: DateTime): boolean =>
  a.toFormat('yyyy-MM-dd HH:mm') === b.toFormat('yyyy-MM-dd HH:mm');

/**
 * The next firings after an instant, daylight saving included.
 * @param fromIso ISO instant; @param zone IANA name. Throws RangeError for a zone or time that does not exist.
 */
export function nextFirings(sentences: readonly Sentence[], fromIso: string, zone: string, count: number): Firing[] {
  const from = DateTime.fromISO(fromIso, { ...SPEAKS, zone });
  if (!from.isValid) throw new RangeError(`no such time or time zone: ${fromIso}, ${zone}`);
  if (sentences.every((s) => s.days.length === 0)) return [];
  const out: Firing[] = [];
  for (let i = 0; out.length < count && i <= TURN * (count + 1); i++) {
    const day = from.startOf('day').plus({ days: i });
    const today = sentences
      .filter((s) => s.days.includes(day.weekday))
      .map((s) => onDate(day, s))
      .filter((f) => f !== null)
      .filter((f) => DateTime.fromISO(f.at, SPEAKS) > from)
      .sort((a, b) => a.at.localeCompare(b.at));
    out.push(...today);
  }
  return out.slice(0, count);
}

/** Days of a leap year, months of any, and days of a week with one over, within which each sentence has had its turn. */
const [DAYS_OF_YEAR, MONTHS, TURN] = [366, 12, 8];
const SECOND_MS = 1000;
const DAY_SECONDS = 86_400;

// A zone's rules do not depend on any job; a bench that is open for days asks for a handful of keys.
const changeDays = new Map<string, DateTime[]>();

/** The days within a year of an instant on which a zone moves its clock, by halving the months in which its offset changes. */
function clockChangeDays(from: DateTime): DateTime[] {
  const start = from.startOf('day');
  const key = `${from.zoneName}|${start.toISODate()}`;
  const known = changeDays.get(key);
  if (known) return known;
  const out: DateTime[] = [];
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
    out.push(start.plus({ days: low }));
  }
  changeDays.set(key, out);
  return out;
}

/** The firings within a year that fall into a clock change. */
export function clockChangeFirings(sentences: readonly Sentence[], fromIso: string, zone: string): Firing[] {
  return clockChangeDays(DateTime.fromISO(fromIso, { ...SPEAKS, zone }))
    .flatMap((day) => sentences.filter((s) => s.days.includes(day.weekday)).map((s) => onDate(day, s)))
    .filter((f) => f !== null)
    .filter((f) => f.clockChange !== 'none');
}

/** All firings of the days that follow midnight of an instant, in seconds from that midnight. */
export function firingSeconds(sentences: readonly Sentence[], fromIso: string, zone: string, days: number): number[] {
  const start = DateTime.fromISO(fromIso, { ...SPEAKS, zone }).startOf('day');
  const out: number[] = [];
  let [day, began] = [start, start.toMillis()];
  for (let i = 0; i <= days; i++) {
    const next = start.plus({ days: i + 1 });
    const ends = next.toMillis();
    // Where no clock moves, a time of day is so long after midnight; a date library is asked for the others alone.
    const plain = ends - began === DAY_SECONDS * SECOND_MS;
    for (const s of sentences) {
      if (!s.days.includes(day.weekday)) continue;
      const firing = plain ? null : onDate(day, s);
      const at = plain ? began + dayMinutesOf(s) * 60 * SECOND_MS : firing ? Date.parse(firing.at) : NaN;
      const seconds = (at - start.toMillis()) / 1000;
      if (seconds < days * 86400) out.push(seconds);
    }
    [day, began] = [next, ends];
  }
  return out.sort((a, b) => a - b);
}
