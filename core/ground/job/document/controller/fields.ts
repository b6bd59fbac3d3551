import { idOf, oneOf, sided } from '../reference';
import {
  choice,
  flag,
  group,
  list,
  maybeChoice,
  maybeGroup,
  maybeQuantity,
  name,
  plainWords,
  quantity,
  record,
  text,
  untried,
  type Field,
  type Fields,
} from '../../../field';
import {
  LEVELS,
  PIN_ABILITIES,
  REGULATORS,
  type SIGN_MEANINGS,
  TAGS,
  type BoardPin,
  type BoardPlan,
  type BoardProfile,
  type Hand,
  type Level,
  type Phase,
  type PinChoice,
  type Sign,
  type SwitchModule,
} from './types';
import { debounce } from './sense-fields';

/** Fields of a hand at the controller. */
export const handInputFields: Fields<Hand> = {
  id: name('id'),
  name: untried(name('Called')),
  kind: choice(
    'It is',
    {
      arm: 'an arm switch',
      button: 'a button',
      rocker: 'a three-way rocker',
      stop: 'a stop',
      answer: 'an answer to a call',
      mode: 'a mode switch',
      command: 'a command by message',
    },
    'button',
  ),
  latching: flag('stays where it is put'),
  debounceSeconds: debounce,
  pullUpOhms: maybeQuantity('Pull-up outside the chip', 'Ω', { least: 100, most: 1e6, hint: 'the one inside' }),
  asks: list(
    'asks for',
    idOf('a press', { to: ['press'], gone: 'refuse', todo: 'Let {name} ask for another press first.' }),
    2,
  ),
  begins: list(
    'begins',
    idOf('a move', { to: ['move'], gone: 'refuse', todo: 'Let {name} begin another move in Board first.' }),
    2,
  ),
  mode: idOf('puts on', { to: ['mode'], gone: 'clear', todo: 'Let {name} put another mode on first.' }),
  startsPerArming: maybeQuantity('Starts for one arming', '1', {
    least: 1,
    most: 1000,
    whole: true,
    hint: 'as many as come',
  }),
  wakes: flag('wakes the controller'),
  topic: text('Topic', { most: 200 }),
};

/** Fields of a sign. */
export const signFields: Fields<Sign> = {
  id: name('id'),
  name: untried(name('Called')),
  kind: choice('It is', { lamp: 'a lamp', beeper: 'a beeper' }, 'lamp'),
  means: choice(
    'It means',
    { armed: 'armed', 'about-to-move': 'about to move', call: 'call for help', due: 'due for care' } satisfies Record<
      (typeof SIGN_MEANINGS)[number],
      string
    >,
    'armed',
  ),
  forwardVolts: quantity('Its forward voltage', 'V', 2, { least: 0.5, most: 12 }),
  amps: quantity('It takes', 'A', 5e-3, { least: 1e-5, most: 5 }),
  resistorOhms: maybeQuantity('Resistor', 'Ω', { least: 1e-3, most: 1e9, hint: 'computed' }),
  volts: maybeQuantity('Works on', 'V', { least: 0.5, most: 60, hint: 'not said' }),
  dueAfterStarts: maybeQuantity('Due after so many starts', '1', {
    least: 1,
    most: 1e6,
    whole: true,
    hint: 'not counted',
  }),
};

/** Highest number of a pin. */
export const MOST_GPIO = 199;
const level = (label: string, usual: Level): Field<Level> => choice(label, plainWords(LEVELS), usual);
const levelFields: Fields<Record<Phase, Level>> = {
  rising: level('while power rises', 'float'),
  boot: level('while it starts', 'float'),
  programming: level('while it is programmed', 'float'),
  running: level('while the program runs', 'program'),
  reset: level('while reset', 'float'),
  sleep: level('in deep sleep', 'float'),
};

/** Fields of a pin of a board. */
export const pinFields: Fields<BoardPin> = {
  gpio: quantity('Chip number', '1', 0, { most: MOST_GPIO, whole: true }),
  label: name('Printed label'),
  header: text('Place', { most: 40 }),
  can: list('can', choice('an ability', plainWords(PIN_ABILITIES), 'input'), PIN_ABILITIES.length, { once: true }),
  strap: maybeChoice('Level that it must have at reset', plainWords(['high', 'low'] as const)),
  levels: group('levels', levelFields),
  pulse: maybeChoice('Begins the start with', plainWords(LEVELS)),
  pulseSeconds: quantity('for', 's', 0, { most: 60 }),
  nature: text('nature', { most: 200 }),
  tag: choice('known from', plainWords(TAGS), 'measured'),
};

/** Numbers that do not fall, as many as it begins with. */
const rising = <V extends readonly number[]>(label: string, usual: V, most: number): Field<V> =>
  list(label, quantity('a value', '1', 0, { most }), usual.length, {
    least: usual.length,
    rising: true,
    usual,
  }) as unknown as Field<V>;

/** Fields of what makes a board a bought switch. */
export const moduleFields: Fields<SwitchModule> = {
  fit: choice('It is', { 'plug-in': 'plugged in between', 'wired-in': 'wired in' }, 'plug-in'),
  mainsVolts: rising<[number, number]>('It runs on mains of, least and most', [100, 240], 1000),
  contactGpio: quantity('Pin of its contact', '1', 0, { most: MOST_GPIO, whole: true }),
  contactOn: choice('which closes on', plainWords(['high', 'low'] as const), 'high'),
  contactAmps: quantity('Its contact bears', 'A', 10, { least: 0.1, most: 1000 }),
  inrushAmps: quantity('and as it closes', 'A', 10, { least: 0.1, most: 10_000 }),
  contactVolts: quantity('at', 'V', 250, { least: 1, most: 1000 }),
  poles: choice('It opens', { one: 'one conductor', both: 'both conductors' }, 'one'),
  returns: choice(
    'When mains comes back it is',
    {
      unknown: 'not said',
      open: 'open',
      closed: 'closed',
      'as-before': 'as it was before',
    } satisfies Record<SwitchModule['returns'], string>,
    'unknown',
  ),
  buttonGpio: maybeQuantity('Pin of its button', '1', { most: MOST_GPIO, whole: true, hint: 'it has none' }),
  lampGpio: maybeQuantity('Pin of its lamp', '1', { most: MOST_GPIO, whole: true, hint: 'it has none' }),
  meters: flag('measures what goes through it'),
  insulation: choice(
    'Between mains and its pins',
    {
      unknown: 'not said',
      none: 'nothing: the pins stand at mains',
      reinforced: 'reinforced insulation',
    } satisfies Record<SwitchModule['insulation'], string>,
    'unknown',
  ),
  loads: choice(
    'A program comes in',
    {
      'over-the-air': 'over the air',
      'lead-outside': 'by a lead from outside',
      'lead-inside': 'by a lead inside of its casing',
    } satisfies Record<SwitchModule['loads'], string>,
    'lead-inside',
  ),
  splashProof: flag('made for where it is damp'),
};

/** Pins of one board. */
const MOST_PINS = 120;
/** Fields of a board. */
export const profileFields: Fields<BoardProfile> = {
  key: text('Key', {
    least: 1,
    most: 60,
    pattern: /^[a-z0-9][a-z0-9-]*$/,
    words: 'lower-case letters, digits and dashes',
  }),
  name: name('Name'),
  volts: quantity('Supply of its pins', 'V', 3.3, { least: 0.5, most: 60 }),
  highVolts: rising<[number, number, number]>('A high pin gives, lowest, usual, highest', [2.9, 3.2, 3.4], 60),
  pinAmps: quantity('A pin gives at most', 'A', 0.012, { least: 1e-5, most: 10 }),
  allPinsAmps: maybeQuantity('All pins together', 'A', { least: 1e-5, most: 100, hint: 'nobody says' }),
  weakOhms: rising<[number, number]>('The pull inside, least and most', [30e3, 100e3], 1e9),
  supplyVolts: rising<[number, number, number]>('It is fed with, lowest, usual, highest', [4.5, 5, 5.5], 1000),
  meanAmps: quantity('It draws', 'A', 0.05, { most: 100 }),
  peakAmps: quantity('and at most', 'A', 0.1, { most: 100 }),
  regulator: choice('Its own regulator', plainWords(REGULATORS), 'unknown'),
  dropVolts: maybeQuantity('which needs above its output', 'V', { most: 20, hint: 'nobody says' }),
  chipLeastVolts: maybeQuantity('The chip itself runs from', 'V', { most: 60, hint: 'nobody says' }),
  chipMostVolts: maybeQuantity('and bears', 'V', { most: 60, hint: 'nobody says' }),
  sleepAmps: maybeQuantity('The board draws asleep', 'A', { most: 10, hint: 'it does not sleep' }),
  chipSleepAmps: maybeQuantity('and the chip by itself', 'A', { most: 10, hint: 'nobody says' }),
  riseSeconds: quantity('Its supply stands after', 's', 0.05, { most: 60 }),
  readySeconds: quantity('Its program has set the pins after', 's', 0.35, { most: 600 }),
  resetSeconds: quantity('A reset lasts', 's', 0.01, { most: 60 }),
  programSeconds: quantity('Programming lasts', 's', 10, { most: 3600 }),
  tags: record('known from', choice('a tag', plainWords(TAGS), 'memory'), 40),
  module: maybeGroup('a bought switch', moduleFields),
  pins: list('pins', group('a pin', pinFields), MOST_PINS, { key: 'gpio' }),
};

/** Fields of a line’s pin. */
export const pinChoiceFields: Fields<PinChoice> = {
  line: oneOf('line', {
    to: ['press', 'sense', 'hand', 'sign'],
    gone: 'drop',
    todo: 'Name a press, sense, hand or sign that the job has.',
    parted: sided(['press', 'sense', 'hand', 'sign']),
  }),
  gpio: quantity('pin', '1', 0, { most: MOST_GPIO, whole: true }),
  fixed: untried(flag('chosen by hand')),
};

/** Lines of one job: forty presses would be a great machine. */
const MOST_LINES = 120;
/** Fields of all that Board holds. */
export const boardFields: Fields<BoardPlan> = {
  profile: name('controller', 'wifi-17'),
  profiles: list('own boards', group('a board', profileFields), 12, { key: 'key' }),
  pins: list('pins', group('a pin', pinChoiceFields), MOST_LINES, { key: 'line' }),
};
