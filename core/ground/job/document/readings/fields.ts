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
import {
  LOGIC_LEVELS,
  POINT_KINDS,
  READING_KINDS,
  SAID,
  STATES,
  type Control,
  type Point,
  type Reading,
} from './types';

/** Terminals that a strip can have. */
export const MOST_TERMINALS = 12;

/** Fields of a control. */
export const controlFields: Fields<Control> = {
  id: name('id'),
  name: untried(name('name')),
  levels: choice('input levels', plainWords(LOGIC_LEVELS), 'cmos'),
  lowBelowVolts: maybeQuantity('low below', 'V', { most: 1000 }),
  highAboveVolts: maybeQuantity('high above', 'V', { most: 1000 }),
  strip: idOf('strip', { to: ['strip'], gone: 'clear', todo: 'Name a strip that the job has, or none.' }),
  terminals: list(
    'terminals, A first',
    quantity('a terminal', '1', 1, { least: 1, most: MOST_TERMINALS, whole: true }),
    2,
    {
      once: true,
    },
  ),
  like: idOf('taken to be like', { to: ['control'], gone: 'clear', todo: 'Name a control that the job has, or none.' }),
  feeds: choice(
    'Closing it feeds',
    {
      unknown: 'not said',
      electronics: 'an input of electronics',
      coil: 'a coil: relay, valve, motor, bell',
      'coil-with-diode': 'a coil with a diode across it',
      lamp: 'a lamp',
    } satisfies Record<Control['feeds'], string>,
    'unknown',
  ),
};

const pointFields: Fields<Point> = {
  kind: choice('place', plainWords(POINT_KINDS), 'contact'),
  name: text('name', { most: 60 }),
};

/** Fields of a reading. */
export const readingFields: Fields<Reading> = {
  id: name('id'),
  at: moment('read at'),
  control: idOf('control', { to: ['control', 'strip'], gone: 'refuse', todo: 'Name a control that the job has.' }),
  from: group('from', pointFields),
  to: group('to', pointFields),
  state: choice('state', plainWords(STATES), 'idle'),
  kind: choice('kind', plainWords(READING_KINDS), 'volts-dc'),
  relation: choice('relation', { '=': '=', '>': '>', '<': '<' }, '='),
  value: quantity('value', '1', 0, { least: -1e15, most: 1e15 }),
  digit: quantity('last digit', '1', 0, { most: 1e15 }),
  by: choice('by', { hand: 'by hand', standin: 'on the stand-in', capture: 'from a capture' }, 'hand'),
  said: choice('said', plainWords(SAID), ''),
  struck: flag('withdrawn'),
};
