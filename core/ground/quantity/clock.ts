/** A time of day as it is kept: `HH:mm`, from 00:00 to 23:59. */
interface ClockTime {
  readonly hour: number;
  readonly minute: number;
}

const KEPT = /^([01]\d|2[0-3]):([0-5]\d)$/;

/** The time of day of a kept text. Throws RangeError for one that is none: the gate lets no such text into a job. */
function clockTime(at: string): ClockTime {
  const [, hour, minute] = KEPT.exec(at) ?? [];
  if (hour === undefined) throw new RangeError(`${at} is no time of day`);
  return { hour: Number(hour), minute: Number(minute) };
}

/** Minutes since midnight of a kept time of day. */
export const minutesOf = (at: string): number => {
  const { hour, minute } = clockTime(at);
  return hour * 60 + minute;
};

const DAY_MINUTES = 1440;
const WEEK_DAYS = 7;

/** Minutes since midnight as they are kept; a day later is the same time of day. */
export function clockText(minutes: number): string {
  const at = ((minutes % DAY_MINUTES) + DAY_MINUTES) % DAY_MINUTES;
  return `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
}

/** The first of January 2024, a Monday. */
const A_MONDAY = Date.UTC(2024, 0, 1);
const DAY_MS = 86_400_000;

/** Names of the days of a week from Monday on. The platform has them; a date library would be loaded with the first screen for them. */
const weekdays = (weekday: 'short' | 'long'): readonly string[] => {
  const { format } = new Intl.DateTimeFormat('en-GB', { weekday, timeZone: 'UTC' });
  return ['', ...Array.from({ length: WEEK_DAYS }, (_, i) => format(A_MONDAY + i * DAY_MS))];
};

const named: Partial<Record<'short' | 'long', readonly string[]>> = {};

/** Names of the weekdays, `Mon` or `Monday`, by their ISO number, 1 to 7; the number 0 has none. Worked out when first asked for. */
export const WEEKDAYS: { readonly short: readonly string[]; readonly long: readonly string[] } = {
  get short() {
    return (named.short ??= weekdays('short'));
  },
  get long() {
    return (named.long ??= weekdays('long'));
  },
};
