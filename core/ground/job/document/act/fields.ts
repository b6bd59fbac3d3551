import { idOf, oneOf, sided } from '../reference';
import {
  choice,
  flag,
  group,
  list,
  maybeGroup,
  maybeQuantity,
  name,
  plainWords,
  quantity,
  text,
  untried,
  type Fields,
} from '../../../field';
import { YEAR_SECONDS } from '../plan/fields';
import {
  FAULT_KINDS,
  HEED_ROLES,
  MACHINE_KINDS,
  MOVE_PURPOSES,
  STEP_KINDS,
  TIMED,
  type ActPlan,
  type CellEdit,
  type Fault,
  type Heed,
  type MachineAsk,
  type MachinePart,
  type Move,
  type PartBetween,
  type ScrewTurn,
  type Shown,
  type MoveStep,
  type Timing,
} from './types';

const span = (label: string) => quantity(label, 's', 0, { most: YEAR_SECONDS });
const maybeSpan = (label: string, hint = 'not known') => maybeQuantity(label, 's', { most: YEAR_SECONDS, hint });
const named = (label: string) => text(label, { most: 200 });

const heedFields: Fields<Heed> = {
  press: idOf('press', { to: ['press'], gone: 'drop', todo: 'Let {name} heed another press in Act first.' }),
  other: flag('its other side'),
  as: choice('as', plainWords(HEED_ROLES), 'press'),
};

const cellFields: Fields<CellEdit> = { state: name('in state'), event: name('at event'), to: named('goes to') };

/** Fields of what a state of a machine shows. */
export const shownFields: Fields<Shown> = {
  state: name('in state'),
  watts: maybeQuantity('Draws', 'W', { most: 1e6, hint: 'not known' }),
  light: flag('a light is on'),
  sound: flag('it sounds'),
  warm: flag('it gives off heat'),
};

const timingFields: Fields<Timing> = {
  of: choice('of', plainWords(TIMED), 'run'),
  seconds: quantity('took', 's', 1, { most: YEAR_SECONDS }),
};

/** Fields of what a machine asks for between its presses. */
export const askFields: Fields<MachineAsk> = {
  after: quantity('after press', '1', 1, { least: 1, most: 40, whole: true }),
  word: name('It asks for', 'water'),
  by: choice(
    'That is seen to by',
    { hand: 'somebody at it', itself: 'itself' } satisfies Record<MachineAsk['by'], string>,
    'hand',
  ),
  seconds: maybeSpan('That takes'),
};

/** Fields of what is asked of a part that stands between its ends. */
export const betweenFields: Fields<PartBetween> = {
  mayMiss: quantity('It may miss its place by', '1', 0.05, { least: 1e-3, most: 0.5 }),
  startsSeconds: maybeSpan('Its starts and stops vary by', 'not watched'),
};

/** Fields of a pass at an end screw. */
export const screwFields: Fields<ScrewTurn> = {
  end: choice('end', { far: 'the far end', rest: 'the rest' } satisfies Record<ScrewTurn['end'], string>, 'far'),
  turns: quantity('Turned by', '1', 0, { least: -100, most: 100 }),
  missMetres: quantity('It then misses by', 'm', 0, { least: -10, most: 10 }),
};

/** Fields of a part of the machine. */
export const partFields: Fields<MachinePart> = {
  id: name('id'),
  name: untried(name('name', 'machine')),
  kind: choice('A press', plainWords([...MACHINE_KINDS, 'unknown'] as const), 'unknown'),
  heeds: list('presses that reach it', group('a press', heedFields), 40),
  shortestPressSeconds: maybeSpan('The machine overlooks presses under'),
  longestPressSeconds: maybeSpan('A press may last at most'),
  runSeconds: maybeSpan('The machine runs for'),
  backSeconds: maybeSpan('Back it travels in', 'as long as there'),
  modes: list('modes that it steps through', name('a mode'), 20),
  asks: list('what it asks for between its presses', group('an ask', askFields), 40),
  afterPowerCut: choice(
    'After a power cut it is',
    { off: 'off', 'as-before': 'as before', on: 'on' } satisfies Record<MachinePart['afterPowerCut'], string>,
    'off',
  ),
  firstPressWakes: flag('the first press only wakes it'),
  awakeSeconds: maybeSpan('It sleeps again after'),
  longPress: choice(
    'A press longer than that',
    { same: 'does the same', off: 'switches it off', nothing: 'does nothing' } satisfies Record<
      MachinePart['longPress'],
      string
    >,
    'same',
  ),
  timerSeconds: maybeSpan('Goes off or closes by itself after', 'never'),
  leastGapSeconds: maybeSpan('It overlooks presses closer than', 'none'),
  deafWhileBusy: flag('it overlooks presses while it runs or moves'),
  whenBlocked: choice(
    'With something in the way it',
    { 'goes-on': 'goes on', stops: 'stops', 'goes-back': 'goes back' } satisfies Record<
      MachinePart['whenBlocked'],
      string
    >,
    'goes-on',
  ),
  cells: list('cells of the state table', group('a cell', cellFields), 200),
  shows: list('what its states show', group('a state', shownFields), 100),
  timings: untried(list('timings', group('a timing', timingFields), 50)),
  between: maybeGroup('stands between its ends', betweenFields),
  screws: untried(list('passes at its end screws', group('a pass', screwFields), 60)),
};

/** Fields of a fault on the lanes. */
export const faultFields: Fields<Fault> = {
  id: name('id'),
  kind: choice('kind', plainWords(FAULT_KINDS), 'missed-press'),
  atSeconds: span('at'),
  seconds: span('for'),
  of: idOf('befalls', {
    to: ['press', 'sense', 'hand', 'part', 'move'],
    gone: 'drop',
    todo: 'Take the fault away first.',
    parted: sided(['hand']),
  }),
};

const PRESSED = { to: ['press'], gone: 'refuse', todo: 'Take its steps out of the moves in Act first.' } as const;

/** Fields of a step of a move. */
export const stepFields: Fields<MoveStep> = {
  do: choice('does', plainWords(STEP_KINDS), 'press'),
  press: idOf('press', PRESSED),
  also: list('and at the same time', oneOf('a press', PRESSED), 30),
  other: flag('its other side'),
  alsoOther: flag('their other side'),
  seconds: span('for'),
  sense: idOf('sense', {
    to: ['sense'],
    gone: 'refuse',
    todo: 'Take the steps that read it out of the moves in Act first.',
  }),
  is: flag('says so', true),
  orElse: choice(
    'else',
    { 'go-on': 'go on', end: 'end here', call: 'call for help' } satisfies Record<MoveStep['orElse'], string>,
    'call',
  ),
  to: quantity('step', '1', 1, { least: 1, most: 200, whole: true }),
  times: quantity('times', '1', 1, { least: 1, most: 1000, whole: true }),
  text: text('message', { most: 500 }),
};

/** Fields of a move. */
export const moveFields: Fields<Move> = {
  id: name('id'),
  name: untried(name('name', 'start')),
  purpose: choice('purpose', plainWords(MOVE_PURPOSES), 'start'),
  steps: list('steps', group('a step', stepFields), 200),
};

/** Fields of all that Act holds. */
export const actFields: Fields<ActPlan> = {
  parts: list('parts of the machine', group('a part', partFields), 20, { key: 'id' }),
  moves: list('moves', group('a move', moveFields), 40, { key: 'id' }),
  faults: untried(list('faults', group('a fault', faultFields), 200, { key: 'id' })),
};
