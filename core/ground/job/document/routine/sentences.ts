import { freshOf } from '../../../field';
import { formatQuantity, minutesOf } from '../../../quantity';
import { sentenceFields } from './fields';
import type { CalendarEvent, RoutineLimit, Mode, Sentence, SunEvent } from './types';

// All that is asked of a sentence's time: whoever reckons with it, or writes it down, asks here.

/** What the sun does, in words. */
const SUN_WORDS: Readonly<Record<SunEvent, string>> = {
  rise: 'sunrise',
  set: 'sunset',
  dawn: 'dawn',
  dusk: 'dusk',
};
/** Minutes from midnight that stand for an edge of the sun where no date is known: an equinox. */
const SUN_MINUTES: Readonly<Record<SunEvent, number>> = { rise: 360, set: 1080, dawn: 330, dusk: 1110 };
const DAY_MINUTES = 1440;

/** Whether it comes true at instants that a calendar tells beforehand. */
export const isTimed = (s: Pick<Sentence, 'when'>): boolean =>
  s.when === 'clock' || s.when === 'sun' || s.when === 'event';
/** Whether it does anything, ever: one of times needs a day. */
export const acts = (s: Sentence): boolean => s.days.length > 0 || s.when === 'sense' || s.when === 'mode';

/** A clock time in minutes kept between two others, each empty for none. */
const kept = (minutes: number, { notBefore, notAfter }: Sentence): number =>
  Math.min(
    Math.max(minutes, notBefore === '' ? 0 : minutesOf(notBefore)),
    notAfter === '' ? DAY_MINUTES - 1 : minutesOf(notAfter),
  );

/** Minutes from midnight to its beginning on a day like any other; null where no time of day begins it. */
export function dayMinutesOf(s: Sentence): number | null {
  switch (s.when) {
    case 'clock':
      return minutesOf(s.at);
    case 'sun':
      return kept(SUN_MINUTES[s.sun] + s.offsetSeconds / 60, s);
    default:
      return null;
  }
}

const span = (seconds: number): string => formatQuantity(Math.abs(seconds), 's');
const offset = (s: Sentence): string =>
  s.offsetSeconds === 0 ? '' : `${span(s.offsetSeconds)} ${s.offsetSeconds < 0 ? 'before' : 'after'} `;

/** Names of what sentences speak of. */
export interface SentenceNames {
  readonly senses: readonly { readonly id: string; readonly name: string }[];
  readonly modes: readonly Pick<Mode, 'id' | 'name'>[];
}
const NONE: SentenceNames = { senses: [], modes: [] };
const named = (list: readonly { readonly id: string; readonly name: string }[], id: string, what: string): string => {
  const found = list.find((x) => x.id === id);
  return found ? `“${found.name}”` : what;
};

/** Its time in words, as they stand behind “at” or at the beginning of a line. */
export function sayAt(s: Sentence, names: SentenceNames = NONE): string {
  switch (s.when) {
    case 'clock':
      return s.at;
    case 'sun':
      return `${offset(s)}${SUN_WORDS[s.sun]}${s.notBefore === '' ? '' : `, not before ${s.notBefore}`}${
        s.notAfter === '' ? '' : `, not after ${s.notAfter}`
      }`;
    case 'event':
      return `${s.aheadSeconds === 0 ? 'the beginning of' : `${span(s.aheadSeconds)} before`} ${
        s.event === '' ? 'any event' : `an event called “${s.event}”`
      }`;
    case 'sense':
      return `${named(names.senses, s.sense, 'a sense')} ${s.says ? 'says so' : 'no longer says so'}${
        s.forSeconds > 0 ? ` for ${span(s.forSeconds)}` : ''
      }`;
    case 'mode':
      return `${named(names.modes, s.mode, 'a mode')} ${s.says ? 'comes on' : 'goes off'}`;
  }
}

/** A sentence of its own at a time of the clock, else as usual. */
export const sentenceAt = (clock: string, as: Pick<Sentence, 'id'> & Partial<Omit<Sentence, 'at'>>): Sentence => ({
  ...freshOf(sentenceFields),
  ...as,
  at: clock,
});

/** What of a sentence is looked at beside its edge, in words: “if armed, unless away is on”. */
export const sayIfs = (s: Sentence, names: SentenceNames): string =>
  s.ifs
    .map((x) => {
      switch (x.kind) {
        case 'window':
          return `${x.is ? 'between' : 'not between'} ${x.from} and ${x.until}`;
        case 'sense':
          return `${x.is ? 'while' : 'unless'} ${named(names.senses, x.sense, 'a sense')} says so`;
        case 'mode':
          return `${x.is ? 'while' : 'unless'} ${named(names.modes, x.mode, 'a mode')} is on`;
      }
    })
    .map((words) => `, ${words}`)
    .join('');

/** Names of what limits speak of. */
export interface LimitNames extends SentenceNames {
  readonly presses: readonly { readonly id: string; readonly name: string }[];
  readonly moves: readonly { readonly id: string; readonly name: string }[];
}

/** A limit in words. */
export function sayLimit(l: RoutineLimit, n: LimitNames): string {
  const press = (id: string): string => named(n.presses, id, 'a press');
  const move = l.move === '' ? 'Any move' : named(n.moves, l.move, 'a move');
  switch (l.kind) {
    case 'longest-on':
      return `${press(l.press)} lasts at most ${span(l.seconds)}`;
    case 'least-on':
      return `${press(l.press)} lasts at least ${span(l.seconds)}`;
    case 'least-off':
      return `${press(l.press)} rests at least ${span(l.seconds)}`;
    case 'never-both':
      return `${press(l.press)} and ${press(l.otherPress)} never at once`;
    case 'a-day':
      return `${move} starts at most ${l.count === 1 ? 'once' : `${l.count} times`} a day`;
    case 'only-armed':
      return `${move} starts only if armed`;
    case 'only-known':
      return `${move} starts only while ${named(n.senses, l.sense, 'a sense')} is known`;
  }
}

/** Events of the calendar that a sentence speaks of. */
export const eventsFor = (s: Sentence, events: readonly CalendarEvent[]): readonly CalendarEvent[] =>
  events.filter((e) => e.name.toLowerCase().includes(s.event.trim().toLowerCase()));
