import { choice, flag, group, list, maybeQuantity, moment, name, quantity, text, type Fields } from '../../../field';
import { YEAR_SECONDS } from '../plan/fields';
import { idOf } from '../reference';
import type {
  Amount,
  CalendarEvent,
  RoutineLimit,
  LimitKind,
  Loop,
  Mode,
  Pour,
  RoutinePlan,
  RuleEdgeKind,
  RuleIf,
  RuleTier,
  Sentence,
  SunEvent,
} from './types';

const DAY_SECONDS = 86400;

const CLOCK = /^([01]\d|2[0-3]):[0-5]\d$/;
const clock = (label: string, usual: string) =>
  text(label, { most: 5, pattern: CLOCK, words: 'a clock time such as 10:40', usual });
const maybeClock = (label: string) =>
  text(label, {
    most: 5,
    pattern: /^(([01]\d|2[0-3]):[0-5]\d)?$/,
    words: 'a clock time such as 10:40, or nothing',
    usual: '',
  });

const SENSE = {
  to: ['sense'],
  gone: 'refuse',
  todo: 'Let the rule or limit in Routine read another sense first.',
} as const;
const MODE = {
  to: ['mode'],
  gone: 'refuse',
  todo: 'Let the rules in Routine that name it name another mode first.',
} as const;
const MOVE = { to: ['move'], gone: 'refuse', todo: 'Let the sentence in Routine begin another move first.' } as const;
const PRESS = { to: ['press'], gone: 'refuse', todo: 'Take the limit in Routine away first.' } as const;

/** Fields of what a rule looks at beside its day. */
export const ruleIfFields: Fields<RuleIf> = {
  kind: choice(
    'and if',
    { window: 'the time is', sense: 'a sense says', mode: 'a mode is on' } satisfies Record<RuleIf['kind'], string>,
    'window',
  ),
  is: flag('it is so', true),
  from: clock('from', '08:00'),
  until: clock('until', '20:00'),
  sense: idOf('sense', SENSE),
  mode: idOf('mode', MODE),
};

/** Fields of a rule of the routine. */
export const sentenceFields: Fields<Sentence> = {
  id: name('id'),
  when: choice(
    'when',
    {
      clock: 'at a time',
      sun: 'by the sun',
      event: 'before an event',
      sense: 'a sense says',
      mode: 'a mode changes',
    } satisfies Record<RuleEdgeKind, string>,
    'clock',
  ),
  at: clock('at', '12:00'),
  sun: choice(
    'sun',
    { rise: 'sunrise', set: 'sunset', dawn: 'dawn', dusk: 'dusk' } satisfies Record<SunEvent, string>,
    'set',
  ),
  offsetSeconds: quantity('later by', 's', 0, { least: -DAY_SECONDS / 2, most: DAY_SECONDS / 2 }),
  notBefore: maybeClock('not before'),
  notAfter: maybeClock('not after'),
  event: text('called', { most: 200 }),
  aheadSeconds: quantity('ahead by', 's', 0, { most: 7 * DAY_SECONDS }),
  sense: idOf('sense', SENSE),
  says: flag('says so', true),
  forSeconds: quantity('for', 's', 0, { most: 7 * DAY_SECONDS }),
  mode: idOf('mode', MODE),
  days: list('on', quantity('a weekday', '1', 1, { least: 1, most: 7, whole: true }), 7, { once: true }),
  dates: choice(
    'dates',
    { any: 'any date', holidays: 'holidays alone', others: 'no holidays' } satisfies Record<Sentence['dates'], string>,
    'any',
  ),
  ifArmed: flag('only if armed'),
  ifs: list('and if', group('a condition', ruleIfFields), 8),
  does: choice(
    'then',
    {
      move: 'begin a move',
      'mode-on': 'put a mode on',
      'mode-off': 'put a mode off',
      call: 'call for somebody',
    } satisfies Record<Sentence['does'], string>,
    'move',
  ),
  move: idOf('move', MOVE),
  sets: idOf('mode', MODE),
  tier: choice(
    'tier',
    {
      comfort: 'comfort',
      hand: 'as a hand',
      'lock-out': 'lock-out',
      safety: 'safety',
    } satisfies Record<RuleTier, string>,
    'comfort',
  ),
  whenHeld: choice(
    'if it is held back',
    { dropped: 'it is dropped', late: 'it comes late', kept: 'it waits until it can' } satisfies Record<
      Sentence['whenHeld'],
      string
    >,
    'dropped',
  ),
  lateSeconds: quantity('at most late by', 's', 600, { least: 1, most: DAY_SECONDS }),
  gapSeconds: quantity('then not again for', 's', 0, { most: 7 * DAY_SECONDS }),
  aDay: maybeQuantity('at most a day', '1', { least: 1, most: 1000, whole: true, hint: 'as often as it comes true' }),
};

/** Fields of a mode. */
export const modeFields: Fields<Mode> = {
  id: name('id'),
  name: name('name', 'away'),
  on: flag('on when the controller starts'),
  holds: choice(
    'while it is on',
    {
      nothing: 'nothing is held back',
      comfort: 'comfort is held back',
      hands: 'comfort and hands are held back',
    } satisfies Record<Mode['holds'], string>,
    'nothing',
  ),
  endsSeconds: maybeQuantity('It ends by itself after', 's', { least: 1, most: YEAR_SECONDS, hint: 'never' }),
};

/** Fields of a limit. */
export const limitFields: Fields<RoutineLimit> = {
  id: name('id'),
  kind: choice(
    'limit',
    {
      'longest-on': 'a press lasts at most',
      'least-on': 'a press lasts at least',
      'least-off': 'a press rests at least',
      'never-both': 'two presses never at once',
      'a-day': 'a move starts at most so often a day',
      'only-armed': 'a move starts only if armed',
      'only-known': 'a move starts only while a sense is known',
    } satisfies Record<LimitKind, string>,
    'longest-on',
  ),
  press: idOf('press', PRESS),
  otherPress: idOf('and press', PRESS),
  move: idOf('move', MOVE),
  sense: idOf('sense', SENSE),
  seconds: quantity('for', 's', 60, { least: 0.05, most: YEAR_SECONDS }),
  count: quantity('times', '1', 1, { least: 1, most: 1000, whole: true }),
};

const LOOP_SENSE = {
  to: ['sense'],
  gone: 'refuse',
  todo: 'Let {name} in Routine read another sense first.',
} as const;
const LOOP_PART = {
  to: ['part'],
  gone: 'refuse',
  todo: 'Let {name} in Routine be of another part first.',
} as const;
const AMOUNT_PRESS = {
  to: ['press'],
  gone: 'refuse',
  todo: 'Let {name} in Routine flow by another press first.',
} as const;
const degrees = { least: -60, most: 300 };

/** Fields of a loop. */
export const loopFields: Fields<Loop> = {
  id: name('id'),
  name: name('Called', 'warming'),
  sense: idOf('Thermometer', LOOP_SENSE),
  part: idOf('Part of the machine', LOOP_PART),
  way: choice('At work it', { warms: 'warms', cools: 'cools' } satisfies Record<Loop['way'], string>, 'warms'),
  kelvin: maybeQuantity('Its work takes it by', 'K', {
    least: 0.1,
    most: 300,
    hint: 'not known',
  }),
  tauSeconds: maybeQuantity('Time constant', 's', { least: 1, most: 7 * DAY_SECONDS, hint: 'not known' }),
  deadSeconds: quantity('Dead time', 's', 0, { most: DAY_SECONDS }),
  around: maybeQuantity('Around it', '°C', { ...degrees, hint: 'not said' }),
  weather: flag('what is around goes with the weather'),
  lowest: maybeQuantity('Never under', '°C', { ...degrees, hint: 'no bound' }),
  highest: maybeQuantity('Never over', '°C', { ...degrees, hint: 'no bound' }),
  recording: text('From the recording', { most: 64 }),
  cutsOffAt: maybeQuantity('Its own regulator in series opens at', '°C', { ...degrees, hint: 'none stays' }),
  backAt: maybeQuantity('and closes again at', '°C', { ...degrees, hint: 'by hand only' }),
};

/** Fields of a trial of a flow. */
export const pourFields: Fields<Pour> = {
  litres: quantity('litres', 'l', 1, { least: 1e-3, most: 1e4 }),
  seconds: quantity('in', 's', 10, { least: 0.1, most: DAY_SECONDS }),
};

/** Trials of a flow that are kept. */
const MOST_POURS = 12;
/** Fields of an amount. */
export const amountFields: Fields<Amount> = {
  id: name('id'),
  name: name('Called', 'filling'),
  press: idOf('Press that opens it', AMOUNT_PRESS),
  litres: maybeQuantity('Wanted each time', 'l', { least: 1e-3, most: 1e4, hint: 'not said' }),
  off: quantity('The jug may be off by', '%', 0.02, { most: 0.5, factor: 0.01 }),
  pours: list('trials', group('a trial', pourFields), MOST_POURS),
  fits: maybeQuantity('More than this never fits', 'l', { least: 1e-3, most: 1e5, hint: 'it runs to waste' }),
  aDay: maybeQuantity('Wanted a day', 'l', { least: 1e-3, most: 1e5, hint: 'each time is enough' }),
};

/** Fields of an event of the calendar. */
export const calendarEventFields: Fields<CalendarEvent> = {
  id: name('id'),
  name: text('event', { most: 200 }),
  at: moment('begins at'),
};

/** Sentences of one routine. */
const MOST_SENTENCES = 50;
/** Events of a calendar that are kept: two a day for a year. */
const MOST_EVENTS = 800;
const MOST_HOLIDAYS = 200;
/** Fields of all that Routine holds. */
export const routineFields: Fields<RoutinePlan> = {
  sentences: list('sentences', group('a sentence', sentenceFields), MOST_SENTENCES, { key: 'id' }),
  modes: list('modes', group('a mode', modeFields), 12, { key: 'id' }),
  limits: list('limits', group('a limit', limitFields), 40, { key: 'id' }),
  loops: list('loops', group('a loop', loopFields), 12, { key: 'id' }),
  amounts: list('amounts', group('an amount', amountFields), 12, { key: 'id' }),
  events: list('events', group('an event', calendarEventFields), MOST_EVENTS, { key: 'id' }),
  holidays: list(
    'holidays',
    text('a date', {
      most: 10,
      pattern: /^\d{4}-\d{2}-\d{2}$/,
      words: 'a date such as 2026-12-25',
      usual: '2026-12-25',
    }),
    MOST_HOLIDAYS,
    { once: true },
  ),
  handHoldsSeconds: maybeQuantity('A hand holds comfort back for', 's', {
    least: 1,
    most: 7 * DAY_SECONDS,
    hint: 'as long as it presses',
  }),
};
