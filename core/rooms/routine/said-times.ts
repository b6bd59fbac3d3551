import { own } from '../../ground/quantity';

const NUMBERS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  fifteen: 15,
  twenty: 20,
  thirty: 30,
};
const WORD = Object.keys(NUMBERS).join('|');
const UNIT_SECONDS: Readonly<Record<string, number>> = { s: 1, m: 60, h: 3600, d: 86400 };

const ONE = String.raw`(?:\d+(?:[.,]\d+)?\s*|(?:${WORD})\s+)(?:seconds?|secs?|s|minutes?|mins?|min|hours?|hrs?|h|days?)\b`;
/** A length of time as it is said: `20 min`, `half an hour`, `a minute`, `1.5 h`, `1 h 30 min`. */
export const DURATION = String.raw`(?:half an hour|half hour|an hour and a half|${ONE}(?:\s+(?:and\s+)?${ONE})*)`;

/** The first length of time in a text, s; 0 where none stands in it. */
export function durationIn(text: string): number {
  const said = new RegExp(String.raw`\b${DURATION}`).exec(text)?.[0] ?? '';
  if (said === 'an hour and a half') return 5400;
  if (said === 'half an hour' || said === 'half hour') return 1800;
  return [...said.matchAll(new RegExp(String.raw`(\d+(?:[.,]\d+)?|${WORD})\s*([smhd])`, 'g'))].reduce((sum, m) => {
    const number = own(NUMBERS, m[1] ?? '') ?? Number((m[1] ?? '').replace(',', '.'));
    return sum + number * (own(UNIT_SECONDS, m[2] ?? '') ?? 0);
  }, 0);
}

const HOUR = String.raw`(?:[01]?\d|2[0-9])`;
const NAMED = 'one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve';
const CLOCK = String.raw`${HOUR}[:.][0-5]\d(?:\s*(?:am|pm))?|\d{1,2}\s*(?:am|pm)`;
const PAST = String.raw`(?:half past|quarter past|quarter to)\s+(?:${NAMED}|\d{1,2})`;
/** A bare number counts what stands behind it, where that is something. */
const NO_COUNT = String.raw`(?!\s*(?:times|seconds?|secs?|minutes?|mins?|hours?|hrs?|days?|degrees)\b)`;
/** A time of day as it is said: `7:30`, `9.05`, `6 pm`, `noon`, `half past seven`, `quarter to eight`, `eleven`. */
export const TIME_WORDS = String.raw`(?:${PAST}|${CLOCK}|noon|midnight|${HOUR}|${NAMED})\b${NO_COUNT}`;

const HALF_DAY = 12;
const DAY_HOURS = 24;
const text = (hour: number, minute: number): string =>
  `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;

/** An hour of one half of the day. */
const ofHalf = (hour: number, half: string): number => (hour % HALF_DAY) + (half === 'pm' ? HALF_DAY : 0);
const hourOf = (word: string): number => own(NUMBERS, word) ?? Number(word);

/** `Half past seven` and its like. @param later shifts an hour that is meant after noon. */
function pastIn(words: string, later: (hour: number) => number): string | null {
  const m = new RegExp(String.raw`(half past|quarter past|quarter to)\s+(${NAMED}|\d{1,2})`).exec(words);
  if (!m) return null;
  const hour = later(hourOf(m[2] ?? ''));
  if (m[1] === 'quarter to') return text((hour + DAY_HOURS - 1) % DAY_HOURS, 45);
  return text(hour % DAY_HOURS, m[1] === 'half past' ? 30 : 15);
}

/** The time of day in a text as `07:30`; null where it is none. @param evening an hour under twelve is meant after noon. */
export function timeIn(words: string, evening = false): string | null {
  if (/\bnoon\b/.test(words)) return '12:00';
  if (/\bmidnight\b/.test(words)) return '00:00';
  const later = (hour: number): number => (evening && hour < HALF_DAY ? hour + HALF_DAY : hour);
  const past = pastIn(words, later);
  if (past !== null) return past;
  const clock = /(\d{1,2})(?:[:.]([0-5]\d))?\s*(am|pm)?/.exec(words);
  const named = new RegExp(String.raw`\b(${NAMED})\b`).exec(words);
  if (!clock && !named) return null;
  const hour = clock ? Number(clock[1]) : hourOf(named?.[1] ?? '');
  const at = clock?.[3] ? ofHalf(hour, clock[3]) : later(hour);
  return at < DAY_HOURS ? text(at, Number(clock?.[2] ?? 0)) : null;
}
