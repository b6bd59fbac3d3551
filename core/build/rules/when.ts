import { itemAt } from '../../ground/lists';
import { WEEKDAYS } from '../../ground/quantity';
import { sentenceAt, type Move, type Sentence } from '../../ground/job';

const DAYS: readonly (readonly [RegExp, readonly number[]])[] = [
  [/\b(week ?days?|working days?|mon(day)?s? to fri(day)?s?)\b/i, [1, 2, 3, 4, 5]],
  [/\bweek ?ends?\b/i, [6, 7]],
  [/\b(every ?day|daily|each day|every (morning|evening|night|noon))\b/i, [1, 2, 3, 4, 5, 6, 7]],
  [/\bmon(day)?s?\b/i, [1]],
  [/\btue(s(day)?)?s?\b/i, [2]],
  [/\bwed(nesday)?s?\b/i, [3]],
  [/\bthu(rs(day)?)?s?\b/i, [4]],
  [/\bfri(day)?s?\b/i, [5]],
  [/\bsat(urday)?s?\b/i, [6]],
  [/\bsun(day)?s?\b/i, [7]],
];
const TIME = new RegExp(
  [
    String.raw`\b(?:(?<hour>[01]?\d|2[0-3])[:.h](?<minute>[0-5]\d)(?:\s*(?<half>am|pm))?`,
    String.raw`(?<bare>1[0-2]|[1-9])\s*(?<of>am|pm)|(?<word>noon|midnight))\b`,
  ].join('|'),
  'gi',
);
/** How many of the list speak of several days at once; they go before single ones. */
const RANGES = 3;
const HALF_DAY = 12;
const WEEK: readonly number[] = [1, 2, 3, 4, 5, 6, 7];
const FRIDAY = 5;

/** What “when” reads as: the times of day, and the days where it names any. */
export interface ReadWhen {
  readonly times: readonly string[];
  /** ISO weekdays; empty where it speaks of days that only its maker knows, as “baking days”. */
  readonly days: readonly number[];
}

const clock = (hour: number, minute: number, half: string | undefined): string => {
  const h = half ? (hour % HALF_DAY) + (half.toLowerCase() === 'pm' ? HALF_DAY : 0) : hour;
  return `${String(h).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;
};

/** The times of day in a text, in its order. */
const timesIn = (text: string): readonly string[] =>
  [...text.matchAll(TIME)].map(({ groups = {} }) => {
    const { word, bare, of, hour, minute, half } = groups;
    if (word) return clock(word.toLowerCase() === 'noon' ? HALF_DAY : 0, 0, undefined);
    return bare ? clock(Number(bare), 0, of) : clock(Number(hour), Number(minute), half);
  });

/** Reads clock times and weekdays out of the answer to “when”; null where no time of day stands in it. */
export function readWhen(text: string): ReadWhen | null {
  const times = timesIn(text);
  if (times.length === 0) return null;
  const range = DAYS.slice(0, RANGES).find(([pattern]) => pattern.test(text));
  const named = range
    ? range[1]
    : [...new Set(DAYS.slice(RANGES).flatMap(([pattern, days]) => (pattern.test(text) ? days : [])))];
  const others = /\bdays?\b/i.test(text);
  return { times: [...new Set(times)], days: named.length > 0 ? named : others ? [] : WEEK };
}

/** Weekdays in words: `every day`, `on weekdays`, `on Monday and Thursday`. */
export function sayWeekdays(days: readonly number[]): string {
  if (days.length === WEEK.length) return 'every day';
  if (days.length === FRIDAY && days.every((d) => d <= FRIDAY)) return 'on weekdays';
  const names = [...days].sort((a, b) => a - b).map((d) => itemAt(WEEKDAYS.long, d));
  return `on ${names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : names[0]}`;
}

/** What stands before each time of day in an answer, up to the time before it, as “low” in “low at 13:00, high at 14:00”. */
function saidBefore(text: string): readonly string[] {
  let from = 0;
  return [...text.matchAll(TIME)].map((m) => {
    const words = text.slice(from, m.index);
    from = m.index + m[0].length;
    return words;
  });
}

/** Words that a move's name shares with every other. */
const SMALL = new Set(['on', 'the', 'it', 'at', 'a', 'press', 'move']);
const wordsIn = (text: string): readonly string[] => text.toLowerCase().match(/[\p{L}\d]+/gu) ?? [];

/** The move that some words name: the one of whose name most words stand in them, where no other has as many; empty for none. */
function movesIn(said: string, moves: readonly Pick<Move, 'id' | 'name'>[]): string {
  const words = new Set(wordsIn(said));
  const hits = moves.map((m) => {
    const own = wordsIn(m.name);
    const telling = own.filter((w) => !SMALL.has(w));
    return (telling.length > 0 ? telling : own).filter((w) => words.has(w)).length;
  });
  const most = Math.max(0, ...hits);
  return most > 0 && hits.filter((n) => n === most).length === 1 ? itemAt(moves, hits.indexOf(most)).id : '';
}

/**
 * The rules that “when” proposes, none of which the job has yet: where it names moves beside its times, each with its own.
 * @param id gives an id for each.
 */
export function proposedRules(
  when: string,
  known: readonly Sentence[],
  id: () => string,
  moves: readonly Pick<Move, 'id' | 'name'>[] = [],
): Sentence[] {
  const read = readWhen(when);
  if (!read) return [];
  const before = saidBefore(when);
  const all = timesIn(when).map((at, i) => ({ at, move: movesIn(itemAt(before, i), moves) }));
  return all
    .filter((r, i) => all.findIndex((x) => x.at === r.at && x.move === r.move) === i)
    .filter(({ at, move }) => !known.some((s) => s.when === 'clock' && s.at === at && (move === '' || s.move === move)))
    .map(({ at, move }) => sentenceAt(at, { id: id(), days: [...read.days], ifArmed: false, move }));
}
