import { idOf, oneOf } from '../reference';
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
  record,
  text,
  untried,
  type Fields,
} from '../../../field';
import { boardLayoutFields } from './board-fields';
import {
  CUT_OFFS,
  DRILL_VERDICTS,
  LOAD_KINDS,
  PLACES,
  type Accepted,
  type ApartPlan,
  type Chain,
  type DrillRecord,
  type EndTimer,
  type Gate,
  type GuardRecord,
  type Harm,
  type Load,
  type LOAD_CURRENTS,
  type Loss,
  type OwnHazard,
  type ReachLink,
} from './types';

/** What each harm is called. */
export const HARM_WORDS = {
  unsaid: 'nobody said',
  person: 'somebody',
  machine: 'the machine',
  goods: 'what is in it',
  nuisance: 'nobody, it is a nuisance',
} as const satisfies Record<Harm, string>;

/** Fields of what no longer works. */
export const lossFields: Fields<Loss> = {
  id: name('id'),
  what: text('What no longer works', { most: 200, usual: 'the knob' }),
  safety: flag('keeps from harm'),
  instead: text('In its place', { most: 200 }),
};

const loadCurrent = choice(
  'of',
  { ac: 'alternating current', dc: 'direct current' } satisfies Record<(typeof LOAD_CURRENTS)[number], string>,
  'ac',
);
const loadWatts = maybeQuantity('load that the contact switches', 'W', { most: 1e6 });
const loadKind = choice('kind of load', plainWords(LOAD_KINDS), 'unknown');
const loadVolts = maybeQuantity('it runs on', 'V', { least: 0.5, most: 1000, hint: 'mains, or as read' });

/** Fields of the load of one press. */
export const loadFieldsOf: Fields<Load> = {
  press: oneOf('press', { to: ['press'], gone: 'drop', todo: 'Name a press that the job has.' }),
  watts: loadWatts,
  kind: loadKind,
  volts: loadVolts,
  current: loadCurrent,
};

/** The longest that common timer relays are set to, s. */
const MOST_TIMER_SECONDS = 100 * 3600;
/** Fields of a timer relay that ends a press. */
export const endTimerFields: Fields<EndTimer> = {
  seconds: maybeQuantity('timer relay set to', 's', { least: 0.05, most: MOST_TIMER_SECONDS }),
  amps: maybeQuantity('its contact carries', 'A', { least: 0.01, most: 100 }),
};

/** What is known of one thing: yes, no, or nothing. */
const asked = (label: string) => choice(label, { unknown: 'not looked at', yes: 'yes', no: 'no' }, 'unknown');
const amps = (label: string, hint: string) => maybeQuantity(label, 'A', { least: 0.1, most: 200, hint });
const section = (label: string) =>
  maybeQuantity(label, 'm²', { least: 0.1e-6, most: 50e-6, bare: 'mm2', hint: 'not read' });

/** Fields of the links of a mains lead before a contact. */
export const chainFields: Fields<Chain> = {
  press: idOf('press', { to: ['press'], gone: 'drop', todo: 'Name a press that the job has.' }),
  plug: choice(
    'It hangs on',
    {
      unknown: 'not said',
      'fused-plug': 'a plug with a fuse in it',
      plug: 'a plug without a fuse',
      fixed: 'fixed wiring',
    } satisfies Record<Chain['plug'], string>,
    'unknown',
  ),
  outletAmps: amps('Outlet made for', 'not read'),
  plugFuse: amps('Fuse in the plug', 'not read'),
  breaker: amps('Breaker of its circuit', 'not read'),
  cord: section('Flexible cord'),
  wires: section('Wires to the contact'),
  terminalAmps: amps('Smallest terminal carries', 'not read'),
  duty: choice(
    'At a time it runs',
    { unknown: 'not said', short: 'for minutes', hours: 'for hours' } satisfies Record<Chain['duty'], string>,
    'unknown',
  ),
  inrush: maybeQuantity('Measured as it comes on', 'A', { least: 0.01, most: 5000, hint: 'reckoned' }),
  suppressor: choice(
    'Across the coil',
    {
      unknown: 'not said',
      none: 'nothing',
      varistor: 'a varistor',
      rc: 'a snubber',
      diode: 'a diode',
    } satisfies Record<Chain['suppressor'], string>,
    'unknown',
  ),
  opens: choice(
    'The contact opens',
    {
      unknown: 'not looked at',
      line: 'the line',
      both: 'line and neutral',
      neutral: 'the neutral alone',
    } satisfies Record<Chain['opens'], string>,
    'unknown',
  ),
  earth: choice(
    'The load’s protective earth',
    {
      unknown: 'not looked at',
      through: 'goes through without a break',
      'class-two': 'there is none: class II',
      missing: 'is missing',
    } satisfies Record<Chain['earth'], string>,
    'unknown',
  ),
  strainRelief: asked('A strain relief holds the cord'),
  colours: asked('Conductors have the colours of the region'),
};

/** Fields of what keeps mains apart. */
export const apartFields: Fields<ApartPlan> = {
  category: choice(
    'Overvoltage category',
    { unknown: 'not said', II: 'II, behind a plug', III: 'III, fixed wiring' },
    'unknown',
  ),
  altitude: maybeQuantity('Over the sea', 'm', { least: -400, most: 9000, bare: 'm', hint: 'not said' }),
  group: choice(
    'The board is of group',
    { unknown: 'not known, taken for III', I: 'I', II: 'II', III: 'III' } satisfies Record<ApartPlan['group'], string>,
    'unknown',
  ),
};

/** Fields of a hazard that was added by hand. */
export const ownHazardFields: Fields<OwnHazard> = {
  id: name('id'),
  what: text('What can hurt', { most: 200, usual: 'a sharp edge' }),
  harm: choice('It hurts', HARM_WORDS, 'unsaid'),
  prevents: text('What prevents it', { most: 400 }),
};

/** Fields of how a gate was closed. */
const gateFields: Fields<Gate> = {
  by: text('by', { most: 200 }),
  reading: text('on the reading', { most: 400 }),
  rests: record('rests on', text('key', { most: 64 })),
};

const drillFields: Fields<DrillRecord> = {
  at: moment('drilled at'),
  most: quantity('things going wrong', '1', 2, { least: 0, most: 2, whole: true }),
  stories: quantity('stories', '1', 0, { most: 1e12, whole: true }),
  broken: quantity('that break a condition', '1', 0, { most: 1e6, whole: true }),
  stops: list('stories that stop', name('story'), 60),
  verdict: choice('it came to', plainWords(DRILL_VERDICTS), 'unknown'),
  basis: text('rests on', { most: 64 }),
};

const acceptedFields: Fields<Accepted> = {
  id: name('id'),
  never: text('condition', { most: 200 }),
  story: text('story', { most: 400 }),
  by: name('accepted by'),
  at: moment('accepted at'),
  why: text('because', { most: 400 }),
  basis: text('rests on', { most: 64 }),
};

/** Fields of a link over which somebody can press. */
export const reachLinkFields: Fields<ReachLink> = {
  id: name('id'),
  name: name('Called', 'home network'),
  kind: choice(
    'It is',
    {
      hand: 'a hand at it',
      wire: 'a wire',
      radio: 'a short radio link',
      'home-network': 'the network of the house',
      broker: 'a message broker',
      port: 'a port opened to the outside',
      'remote-login': 'a log-in from outside',
      account: 'an account at somebody else’s service',
    } satisfies Record<ReachLink['kind'], string>,
    'home-network',
  ),
  over: text('It comes over', { most: 200 }),
  seconds: maybeQuantity('A command takes', 's', { most: 86400, hint: 'not measured' }),
  lost: maybeQuantity('Of a hundred are lost', '1', { most: 1, factor: 0.01, hint: 'not counted' }),
  ownPassword: asked('A password for each user'),
};

/** Fields of all that Guard holds. */
export const guardFields: Fields<GuardRecord> = {
  ticks: untried(record('steps done', moment('when it was done'))),
  loadWatts,
  loadKind,
  loadVolts,
  loadCurrent,
  loads: list('loads', group('a load', loadFieldsOf), 40, { key: 'press' }),
  place: choice('it stands in', plainWords(PLACES), 'unknown'),
  cutOff: choice('what ends a press if the controller does not', plainWords(CUT_OFFS), 'none'),
  endTimer: group('timer relay', endTimerFields),
  losses: untried(list('what no longer works', group('a loss', lossFields), 20, { key: 'id' })),
  lossesReviewed: untried(flag('looked through what no longer works')),
  watchdogSeconds: maybeQuantity('a watchdog restarts a hung program after', 's', {
    least: 0.01,
    most: 3600,
    hint: 'no watchdog',
  }),
  chains: list('mains leads', group('a mains lead', chainFields), 40, { key: 'press' }),
  apart: group('what keeps mains apart', apartFields),
  boards: list('boards', group('a board', boardLayoutFields), 6, { key: 'id' }),
  own: untried(list('other hazards', group('a hazard', ownHazardFields), 20, { key: 'id' })),
  gates: untried(record('how steps were done', group('a gate', gateFields))),
  drills: untried(list('drills', group('a drill', drillFields), 1)),
  accepted: untried(list('accepted stories', group('a story', acceptedFields), 60, { key: 'id' })),
  links: list('links', group('a link', reachLinkFields), 20, { key: 'id' }),
};
