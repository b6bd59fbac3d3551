import { idOf } from '../reference';
import {
  choice,
  flag,
  group,
  list,
  maybeQuantity,
  moment,
  name,
  plainWords,
  quantity,
  text,
  untried,
  type Fields,
} from '../../../field';
import { HARM_WORDS } from '../guard/fields';
import type { Harm } from '../guard/types';
import {
  HAZARDS,
  type Never,
  type NeverKind,
  type Region,
  type SheetPlan,
  type StandinState,
  type Trial,
  type Wish,
  type WISH_ROLES,
  type WholeRun,
} from './types';

/** A year and a leap day: no wait, run or press is longer. */
export const YEAR_SECONDS = 366 * 86400;

/** Fields of where the machine stands: mains and time zone. */
export const regionFields: Fields<Region> = {
  mainsVolts: quantity('mains', 'V', 230, { least: 1, most: 1000 }),
  mainsHertz: quantity('mains', 'Hz', 50, { most: 1000 }),
  timeZone: name('time zone', 'Europe/London'),
  latitude: maybeQuantity('latitude', '°', { least: -90, most: 90 }),
  longitude: maybeQuantity('longitude', '°', { least: -180, most: 180 }),
};

const FORBIDDEN = { to: ['press'], gone: 'refuse', todo: 'Take the condition in Wish away first.' } as const;

/** Fields of a condition. */
export const neverFields: Fields<Never> = {
  id: name('id'),
  kind: choice(
    'never',
    {
      'lasts-longer': 'a state lasts longer than',
      'state-while': 'a state while something else',
      'both-at-once': 'two presses at once',
      'starts-per-arming': 'more starts than so many for one arming',
      'no-warning': 'a move without its warning',
      'output-longer': 'a press lasts longer than',
      'believes-wrongly': 'the plan believes one and another is true for longer than',
      'gets-warmer': 'it gets warmer than',
      'gets-colder': 'it gets colder than',
    } satisfies Record<NeverKind, string>,
    'lasts-longer',
  ),
  state: text('State', { most: 200 }),
  other: text('While', { most: 200 }),
  press: idOf('Press', FORBIDDEN),
  otherPress: idOf('and press', FORBIDDEN),
  seconds: quantity('for', 's', 60, { most: YEAR_SECONDS }),
  count: quantity('at most', '1', 1, { least: 1, most: 1000, whole: true }),
  sense: idOf('by the thermometer', {
    to: ['sense'],
    gone: 'refuse',
    todo: 'Take the condition in Wish away first.',
  }),
  degrees: quantity('at', '°C', 40, { least: -60, most: 300 }),
  harm: untried(choice('it hurts', HARM_WORDS, 'unsaid' satisfies Harm as Harm)),
  whom: untried(text('whom, or what', { most: 200 })),
};

/** Fields of a run of the machine as it was bought. */
export const wholeFields: Fields<WholeRun> = {
  id: name('id'),
  at: moment('run at'),
  what: text('What was run', { most: 200, usual: 'a whole run' }),
  seconds: maybeQuantity('It took', 's', { most: YEAR_SECONDS, hint: 'not timed' }),
  watts: maybeQuantity('It drew at most', 'W', { most: 1e6, hint: 'not read' }),
  noted: text('It sounded and looked', { most: 400 }),
};

/** Fields of all that Wish holds. */
export const wishFields: Fields<Wish> = {
  role: choice(
    'It',
    {
      acts: 'presses, moves or switches something',
      listens: 'only listens, counts or tells',
    } satisfies Record<(typeof WISH_ROLES)[number], string>,
    'acts',
  ),
  outcome: text('What should happen by itself?'),
  when: untried(text('When?')),
  never: text('What must never happen?'),
  hazards: list('hazards', choice('a hazard', plainWords(HAZARDS), 'mains'), HAZARDS.length, { once: true }),
  hazardsReviewed: untried(flag('hazards looked through')),
  others: text('Who else presses it?'),
  heldBy: text('What holds the machine to “never”?'),
  nevers: list('conditions', group('a condition', neverFields), 40, { key: 'id' }),
  whole: untried(list('runs as it was bought', group('a run', wholeFields), 20, { key: 'id' })),
  cameBroken: untried(flag('it came broken')),
};

const share = (label: string, usual: number) => quantity(label, '1', usual, { least: 0.5, most: 0.9999 });
/** Fields of how much a test must show. */
export const sheetFields: Fields<SheetPlan> = {
  reliability: share('reliability to show', 0.999),
  confidence: share('confidence to show', 0.9),
  by: text('tested by', { most: 200 }),
};

/** Fields of which stand-in is used. */
export const standinFields: Fields<StandinState> = {
  model: name('stand-in', 'none'),
  seed: quantity('seed', '1', 1, { least: -1e9, most: 1e9 }),
};

/** Fields of a trial. */
export const trialFields: Fields<Trial> = {
  id: name('id'),
  step: name('step'),
  at: moment('tried at'),
  outcome: choice('outcome', plainWords(['as-expected', 'not-as-expected'] as const), 'as-expected'),
  count: quantity('times', '1', 1, { least: 1, most: 100000, whole: true }),
  failed: quantity('failed', '1', 0, { most: 100000, whole: true }),
  observed: text('observed'),
  on: choice('on', { hand: 'the machine', standin: 'the stand-in' }, 'hand'),
  by: text('by', { most: 200 }),
  basis: text('basis', { most: 200 }),
};
