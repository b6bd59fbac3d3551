import { idOf, oneOf, sided } from '../reference';
import { choice, group, list, maybeQuantity, name, quantity, untried, type Fields } from '../../../field';
import type {
  Chemistry,
  FeedBox,
  FeedConverter,
  FeedDuty,
  FeedGroup,
  FeedHang,
  FeedLink,
  FeedLoad,
  FeedPlan,
  FeedSource,
  FeedStanding,
  GroundShift,
  SourceKind,
} from './types';

const on = idOf('It hangs on', {
  to: ['node'],
  gone: 'clear',
  todo: 'Name a source, a converter, a fuse or a lead that is there.',
});
const current = choice('It is', { dc: 'direct current', ac: 'alternating current' }, 'dc');

/** Fields of a source. */
export const sourceFields: Fields<FeedSource> = {
  id: name('id'),
  name: untried(name('Called')),
  kind: choice(
    'It is',
    {
      'plug-in': 'a plug-in supply',
      rail: 'a rail of the machine',
      cells: 'cells',
      bank: 'a power bank',
      'mains-module': 'a mains module to build in',
    } satisfies Record<SourceKind, string>,
    'plug-in',
  ),
  volts: maybeQuantity('The supply gives', 'V', { least: 1e-3, most: 1000, hint: '5 V' }),
  amps: maybeQuantity('and at most', 'A', { least: 1e-6, most: 1000, hint: '1 A' }),
  current,
  polarity: choice(
    'Which conductor is plus',
    {
      unknown: 'not read yet',
      read: 'read with a meter, and right',
      keyed: 'its plug goes in one way only',
      reversed: 'read, and the wrong way round',
    },
    'unknown',
  ),
  isolated: choice('isolated from mains', { unknown: 'not said', yes: 'yes', no: 'no' }, 'unknown'),
  rail: idOf('Rail of the machine', { to: ['rail'], gone: 'refuse', todo: 'Take another supply in Feed first.' }),
  ohms: maybeQuantity('Its own resistance', 'Ω', { most: 1e6, hint: 'as such sources have' }),
  chemistry: choice(
    'Cells of',
    {
      alkaline: 'zinc and manganese, alkaline',
      'lithium-iron': 'lithium and iron disulphide, 1.5 V',
      nickel: 'nickel-metal hydride',
      'lithium-ion': 'lithium-ion, 3.7 V',
      'iron-phosphate': 'lithium iron phosphate, 3.2 V',
      coin: 'lithium coin, 3 V',
      'lead-acid': 'lead and acid, 2 V',
    } satisfies Record<Chemistry, string>,
    'alkaline',
  ),
  series: quantity('Cells in a row', '1', 2, { least: 1, most: 40, whole: true }),
  parallel: quantity('Rows side by side', '1', 1, { least: 1, most: 40, whole: true }),
  cellAmpHours: maybeQuantity('One cell holds, ampere-hours', '1', {
    least: 1e-3,
    most: 1000,
    hint: 'as such cells do',
  }),
  holdAmps: maybeQuantity('It switches off under', 'A', { most: 10, hint: '50 to 100 mA' }),
};

/** Fields of a converter. */
export const converterFields: Fields<FeedConverter> = {
  id: name('id'),
  name: untried(name('Called')),
  kind: choice(
    'It is',
    { linear: 'a linear regulator', 'step-down': 'a step-down converter', 'step-up': 'a step-up converter' },
    'step-down',
  ),
  from: on,
  volts: quantity('Set to', 'V', 5, { least: 0.1, most: 1000 }),
  amps: maybeQuantity('It gives at most', 'A', { least: 1e-6, most: 1000, hint: '1 A' }),
  package: choice(
    'Built as',
    { 'to-220': 'a tab with a screw hole', 'sot-223': 'a flat chip on its board', module: 'a ready-made module' },
    'module',
  ),
  dropVolts: maybeQuantity('Needs above its output', 'V', { most: 100, hint: 'as its sort does' }),
  efficiency: maybeQuantity('Efficiency, as a share', '1', { least: 0.05, most: 1, hint: 'as its sort has' }),
  mostVolts: maybeQuantity('Its input bears', 'V', { least: 0.1, most: 1000, hint: 'not said' }),
  idleAmps: maybeQuantity('Its own draw', 'A', { most: 10, hint: 'as its sort has' }),
};

/** Fields of a fuse, lead or capacitor. */
export const linkFields: Fields<FeedLink> = {
  id: name('id'),
  name: untried(name('Called')),
  kind: choice('It is', { fuse: 'a fuse', lead: 'a lead', capacitor: 'a capacitor' }, 'lead'),
  from: on,
  amps: maybeQuantity('Rated', 'A', { least: 1e-3, most: 1000, hint: '1 A' }),
  metres: maybeQuantity('Its length', 'm', { most: 1000, bare: 'm', hint: 'not said' }),
  squareMetres: maybeQuantity('Cross-section of a conductor', 'm²', {
    least: 1e-9,
    most: 1e-3,
    hint: '0.5mm2, 28AWG',
  }),
  strand: choice('Its conductors are', { flexible: 'stranded', solid: 'solid' }, 'flexible'),
  connector: choice(
    'Ends in',
    {
      none: 'solder',
      barrel: 'a round plug',
      header: 'a pin header',
      'wire-to-wire': 'a crimped plug',
      screw: 'a screw terminal',
      usb: 'a flat data plug',
    },
    'none',
  ),
  farads: maybeQuantity('Capacitor', 'F', { least: 1e-12, most: 100, hint: '1000 µF' }),
  ohms: maybeQuantity('Its series resistance', 'Ω', { most: 1000, hint: 'as such have' }),
  bearsVolts: maybeQuantity('Marked for', 'V', { least: 1, most: 1000, hint: '16 V' }),
};

/** Fields of a load of one’s own. */
export const loadFields: Fields<FeedLoad> = {
  id: name('id'),
  name: untried(name('Called')),
  leastVolts: quantity('Runs from', 'V', 4.5, { most: 1000 }),
  mostVolts: quantity('and bears', 'V', 5.5, { least: 0.1, most: 1000 }),
  current,
  idleAmps: quantity('Draws at rest', 'A', 0, { most: 1000 }),
  amps: quantity('at work', 'A', 0.1, { most: 1000 }),
  startAmps: maybeQuantity('and at its start', 'A', { most: 1000, hint: 'no more' }),
  startSeconds: quantity('for', 's', 0.2, { most: 60 }),
  runsWith: idOf('Runs with', { to: ['press'], gone: 'clear', todo: 'Name a press that the job has.' }),
};

/** Fields of what a load hangs on. */
export const hangFields: Fields<FeedHang> = {
  load: oneOf('load', {
    to: ['load', 'press'],
    gone: 'drop',
    todo: 'Name the controller, a press, or a load that the job has.',
    parted: sided(['press']),
  }),
  node: oneOf('hangs on', { to: ['node'], gone: 'drop', todo: 'Hang it on something that is there.' }),
};

/** A year and a leap day. */
const YEAR_SECONDS = 366 * 86400;
/** Fields of presses that move together. */
export const groupFields: Fields<FeedGroup> = {
  id: name('id'),
  name: untried(name('Called')),
  presses: list(
    'presses',
    oneOf('a press', { to: ['press'], gone: 'drop', todo: 'Name presses that the job has.' }),
    40,
    { once: true },
  ),
  atOnce: quantity('Start at once', '1', 1, { least: 1, most: 40, whole: true }),
  staggerSeconds: quantity('the next ones after', 's', 0.5, { most: 3600 }),
  runSeconds: quantity('Each runs for', 's', 10, { least: 0.01, most: YEAR_SECONDS }),
};

/** Fields of a reading between two grounds. */
export const shiftFields: Fields<GroundShift> = {
  id: name('between'),
  volts: quantity('shift', 'V', 0, { most: 1000 }),
};

/** Fields of how the controller sleeps and wakes. */
export const dutyFields: Fields<FeedDuty> = {
  into: choice('Feeds', { board: 'the board’s own regulator', chip: 'the chip’s supply pin' }, 'board'),
  sleeps: choice('The controller sleeps', { unknown: 'not said', yes: 'yes', no: 'no' }, 'unknown'),
  wakesPerDay: maybeQuantity('Wakes in a day', '1', { most: 86400, hint: 'not said' }),
  wakeSeconds: maybeQuantity('and is awake for', 's', { most: 86400, hint: 'not said' }),
  sleepAmps: maybeQuantity('Draws asleep, as measured', 'A', { most: 10, hint: 'not measured' }),
};

/** Fields of the box that all stands in. */
export const boxFields: Fields<FeedBox> = {
  widthMetres: maybeQuantity('Box, width', 'm', { least: 1e-3, most: 10, hint: 'no box' }),
  heightMetres: maybeQuantity('height', 'm', { least: 1e-3, most: 10, hint: 'no box' }),
  depthMetres: maybeQuantity('depth', 'm', { least: 1e-3, most: 10, hint: 'no box' }),
  roomCelsius: quantity('The air around it, at most', '°C', 40, { least: -40, most: 100 }),
};

/** Fields of what is read at a sense without power. */
export const standingFields: Fields<FeedStanding> = {
  withoutWatts: maybeQuantity('At the plug, at rest, without the addition', 'W', { most: 1e5, hint: 'not read' }),
  withWatts: maybeQuantity('and with it', 'W', { most: 1e5, hint: 'not read' }),
  pricePerKilowattHour: maybeQuantity('A kilowatt-hour costs', '1', { most: 1000, hint: 'not said' }),
};

/** Fields of all that Feed holds. */
export const feedFields: Fields<FeedPlan> = {
  sources: list('sources', group('a source', sourceFields), 20, { key: 'id' }),
  converters: list('converters', group('a converter', converterFields), 20, { key: 'id' }),
  links: list('fuses and leads', group('a fuse or lead', linkFields), 60, { key: 'id' }),
  loads: list('loads', group('a load', loadFields), 60, { key: 'id' }),
  hangs: list('what hangs where', group('a load', hangFields), 160, { key: 'load' }),
  groups: list('groups', group('a group', groupFields), 12, { key: 'id' }),
  shifts: list('ground shifts', group('a shift', shiftFields), 40, { key: 'id' }),
  duty: group('time awake', dutyFields),
  box: group('the box', boxFields),
  standing: untried(group('standing draw', standingFields)),
};
