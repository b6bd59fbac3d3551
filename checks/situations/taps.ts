import {
  freshSense,
  type Job,
  type Sense,
  type SenseCoil,
  type SenseLead,
  type SenseMagnet,
} from '../../core/ground/job';
import { APART, edit, finished, onPin, put, said, type Situation } from './situation';

/** A job that only listens to one sense of a machine that was read to be apart from mains. */
const listens = (set: Partial<Sense>, pin = 13): Job => {
  const job = finished(said(APART));
  const bare: Job = {
    ...put(job, 'wish', { role: 'listens' }),
    presses: [],
    act: { ...job.act, moves: [] },
    routine: { sentences: [] },
    board: { ...job.board, pins: [] },
  };
  return onPin(
    edit(bare, { do: 'put', list: 'senses', item: { ...freshSense('told', 'told'), tells: 'at-work', ...set } }),
    pin,
    'told',
  );
};
const told = (job: Job, set: Partial<Sense>): Job =>
  edit(job, { do: 'put', list: 'senses', item: { ...job.senses[0]!, ...set } });
const signal = (job: Job, set: Partial<NonNullable<Sense['signal']>>): Job =>
  told(job, { signal: { ...job.senses[0]!.signal!, ...set } });

const READ = {
  nature: 'steady',
  lowVolts: 0.05,
  sourceOhms: 100,
  hertz: null,
  duty: null,
  shortestSeconds: null,
} as const;
/** A beeper that is given 5 V from peak to peak at 2.7 kHz for 0.3 s, over a capacitor, diodes and a transistor. */
const BEEP = listens({
  kind: 'beep',
  touches: 'machine',
  highVolts: 5,
  joint: 'pump',
  signal: { ...READ, nature: 'alternating', hertz: 2700, shortestSeconds: 0.3 },
});
/** A ready lamp of 12 V over two resistors. */
const LAMP = listens({ kind: 'lamp', touches: 'machine', highVolts: 12, joint: 'divider', signal: READ });
/** The same over an optocoupler. */
const COUPLED = listens({ kind: 'lamp', touches: 'coupled', highVolts: 12, joint: 'coupler', signal: READ });
/** A lamp of a display, up for a quarter of each turn. */
const FLICKERS = listens({
  kind: 'lamp',
  touches: 'machine',
  highVolts: 5,
  joint: 'hold',
  signal: { ...READ, nature: 'flickering', hertz: 120, duty: 0.25 },
});
const COIL: SenseCoil = {
  round: 'one-lead',
  current: 'alternating',
  turns: 1,
  ratio: 2000,
  burdenOhms: 180,
  mostAmps: 10,
};
/** A current round one lead, on an analogue pin. */
const CURRENT = listens(
  { kind: 'current', touches: 'own', coil: COIL, limit: { over: 1, under: 0.5, holdSeconds: 60 } },
  34,
);
const coil = (job: Job, set: Partial<SenseCoil>): Job => told(job, { coil: { ...COIL, ...set } });
const MAGNET: SenseMagnet = {
  closesMetres: 0.015,
  opensMetres: 0.02,
  nearMetres: 0.004,
  farMetres: 0.08,
  sideMetres: 0.003,
  shakeMetres: 0.002,
};
const LEAD: SenseLead = { metres: 3, beside: 'apart', pullUpOhms: null, filtered: false, devices: 1 };
/** A reed on a lead of three metres that runs by itself. */
const REED = listens({ kind: 'contact', touches: 'own', magnet: MAGNET, lead: LEAD });
const magnet = (job: Job, set: Partial<SenseMagnet>): Job => told(job, { magnet: { ...MAGNET, ...set } });
const lead = (job: Job, set: Partial<SenseLead>): Job => told(job, { lead: { ...LEAD, ...set } });
/** A thermometer at the end of its wire, at what it measures. */
const WARM = listens({
  kind: 'temperature',
  touches: 'own',
  place: 'at-it',
  lead: LEAD,
  limit: { over: 30, under: 28, holdSeconds: 60 },
});

const HANDBOOK = 'common practice of reading foreign signals';
const METER = 'a meter’s ranges: AC shows what alternates, DC its mean';
const S = ['sense'] as const;

/** What must never be green of what a machine gives, on its way to a pin. */
export const OF_TAPS: readonly Situation[] = [
  {
    what: 'a beeper straight on a pin',
    source: `${METER}; half of each wave under ground`,
    sound: BEEP,
    make: (j) => told(j, { joint: 'direct', highVolts: 3 }),
    rooms: S,
  },
  {
    what: 'a beeper on two resistors',
    source: `${METER}; half of each wave under ground`,
    sound: BEEP,
    make: (j) => told(j, { joint: 'divider' }),
    rooms: S,
  },
  {
    what: 'a beeper of which nobody read whether it alternates',
    source: 'most beepers are given what alternates',
    sound: BEEP,
    make: (j) => signal(j, { nature: 'unknown' }),
    rooms: S,
  },
  {
    what: 'a beeper of which nobody read the hertz',
    source: 'a capacitor lets through f·C',
    sound: BEEP,
    make: (j) => signal(j, { hertz: null }),
    rooms: S,
  },
  {
    what: 'a beeper too faint for two diodes and a base',
    source: 'junctions drop 0.2 to 0.45 V, a base 0.5 to 0.75 V',
    sound: BEEP,
    make: (j) => told(j, { highVolts: 1.2 }),
    rooms: S,
  },
  {
    what: 'a beep that is over before it has settled',
    source: 'arithmetic',
    sound: BEEP,
    make: (j) => signal(j, { shortestSeconds: 0.02 }),
    rooms: S,
  },
  {
    what: 'a beep that nobody timed',
    source: 'what nobody read is not known',
    sound: BEEP,
    make: (j) => signal(j, { shortestSeconds: null }),
    rooms: S,
  },
  {
    what: 'a beeper whose driver is weak, and nobody read how weak',
    source: 'a tap takes a tenth at most',
    sound: BEEP,
    make: (j) => signal(j, { sourceOhms: null }),
    rooms: S,
  },
  {
    what: 'a beeper behind more ohms than its tap leaves',
    source: 'a tap takes a tenth at most',
    sound: BEEP,
    make: (j) => signal(j, { sourceOhms: 22e3 }),
    rooms: S,
  },
  {
    what: 'a steady level behind a capacitor',
    source: 'no direct current goes through a capacitor',
    sound: LAMP,
    make: (j) => told(j, { joint: 'pump' }),
    rooms: S,
  },
  {
    what: 'a winding of 12 V AC on two resistors',
    source: `${METER}; half of each wave under ground`,
    sound: LAMP,
    make: (j) => signal(j, { nature: 'alternating', hertz: 50 }),
    rooms: S,
  },
  {
    what: 'a lamp that may flicker',
    source: 'displays are multiplexed',
    sound: LAMP,
    make: (j) => signal(j, { nature: 'unknown' }),
    rooms: S,
    worst: 'tight',
  },
  {
    what: 'a lamp of a display on two resistors',
    source: 'displays are multiplexed at 50 Hz to 1 kHz: it never stands',
    sound: LAMP,
    make: (j) => signal(j, { nature: 'flickering', hertz: 120 }),
    rooms: S,
  },
  {
    what: 'a lamp whose low level nobody read',
    source: HANDBOOK,
    sound: LAMP,
    make: (j) => signal(j, { lowVolts: null }),
    rooms: S,
    worst: 'tight',
  },
  {
    what: 'a lamp whose low level is a high one at the pin',
    source: 'a lamp between rail and a half level; V_IL = 0.3·V_DD',
    sound: LAMP,
    make: (j) => signal(j, { lowVolts: 6 }),
    rooms: S,
  },
  {
    what: 'a lamp that goes under ground',
    source: 'a pin bears 0.3 V under ground',
    sound: LAMP,
    make: (j) => signal(j, { lowVolts: -5 }),
    rooms: S,
  },
  {
    what: 'two resistors behind more ohms than they leave',
    source: 'a tap takes a tenth at most',
    sound: LAMP,
    make: (j) => signal(j, { sourceOhms: 30e3 }),
    rooms: S,
  },
  {
    what: 'two resistors on what nobody read the ohms of',
    source: 'a tap takes a tenth at most',
    sound: LAMP,
    make: (j) => signal(j, { sourceOhms: null }),
    rooms: S,
  },
  {
    what: 'an optocoupler whose lamp gets too little',
    source: 'a lamp drops 1 to 1.5 V; a quarter of its current is left',
    sound: COUPLED,
    make: (j) => told(j, { highVolts: 1.4 }),
    rooms: S,
  },
  {
    what: 'an optocoupler that shines at the low level as well',
    source: 'a lamp drops 1 to 1.5 V',
    sound: COUPLED,
    make: (j) => signal(j, { lowVolts: 4 }),
    rooms: S,
  },
  {
    what: 'an optocoupler behind more ohms than feed its lamp',
    source: 'a tap takes a tenth at most',
    sound: COUPLED,
    make: (j) => signal(j, { sourceOhms: 47e3 }),
    rooms: S,
  },
  {
    what: 'waves over an optocoupler, of unknown hertz',
    source: 'it goes dark twice in each wave',
    sound: COUPLED,
    make: (j) => signal(j, { nature: 'alternating' }),
    rooms: S,
  },
  {
    what: 'an optocoupler that is said, and none that is planned',
    source: 'what is not there keeps nothing apart',
    sound: COUPLED,
    make: (j) => told(j, { joint: 'divider' }),
    rooms: S,
  },
  {
    what: 'an optocoupler planned, its wires into the machine',
    source: 'IEC 60664-1: a gap holds where nothing goes round it',
    sound: COUPLED,
    make: (j) => told(j, { touches: 'machine' }),
    rooms: ['sense', 'guard', 'feed'],
  },
  {
    what: 'a lamp of a display of unknown hertz',
    source: 'what is kept has to last from turn to turn',
    sound: FLICKERS,
    make: (j) => signal(j, { hertz: null }),
    rooms: S,
  },
  {
    what: 'a lamp of a display of unknown share',
    source: METER,
    sound: FLICKERS,
    make: (j) => signal(j, { duty: null }),
    rooms: S,
  },
  {
    what: 'a lamp of a display that is up for too short',
    source: 'Kirchhoff: what is kept runs out',
    sound: FLICKERS,
    make: (j) => signal(j, { duty: 0.01 }),
    rooms: S,
  },
  {
    what: 'a lamp of a display that shines on at its low level',
    source: 'Kirchhoff',
    sound: FLICKERS,
    make: (j) => signal(j, { lowVolts: 2.5 }),
    rooms: S,
  },
  {
    what: 'what only pulls low, over an optocoupler',
    source: 'it gives no current',
    sound: COUPLED,
    make: (j) => signal(j, { nature: 'pulls-low' }),
    rooms: S,
  },
  {
    what: 'a current read round the whole cord',
    source: 'Ampère: what flows out flows back',
    sound: CURRENT,
    make: (j) => coil(j, { round: 'whole-cord' }),
    rooms: S,
  },
  {
    what: 'a current read round what nobody said',
    source: 'Ampère: what flows out flows back',
    sound: CURRENT,
    make: (j) => coil(j, { round: 'unknown' }),
    rooms: S,
  },
  {
    what: 'a direct current by a transformer',
    source: 'Faraday: what does not change induces nothing',
    sound: CURRENT,
    make: (j) => coil(j, { current: 'direct' }),
    rooms: S,
  },
  {
    what: 'a current transformer without its resistor',
    source: 'IEC 61869-2: a winding is never left open',
    sound: CURRENT,
    make: (j) => coil(j, { burdenOhms: null }),
    rooms: S,
  },
  {
    what: 'a swing that leaves the pin’s supply',
    source: 'sqrt(2)·I·n/N·R',
    sound: CURRENT,
    make: (j) => coil(j, { mostAmps: 30 }),
    rooms: S,
  },
  {
    what: 'a threshold that is lost in the pin’s steps',
    source: 'sqrt(2)·I·n/N·R',
    sound: CURRENT,
    make: (j) => told(j, { limit: { over: 0.02, under: 0.01, holdSeconds: 60 } }),
    rooms: S,
  },
  {
    what: 'a current with nothing said of what reads it',
    source: 'what nobody said is not known',
    sound: CURRENT,
    make: (j) => told(j, { coil: null }),
    rooms: S,
  },
  {
    what: 'a reed that opens as the machine shakes',
    source: 'Pythagoras; a fifth in hand',
    sound: REED,
    make: (j) => magnet(j, { shakeMetres: 0.012 }),
    rooms: S,
  },
  {
    what: 'a magnet that passes beside its reed',
    source: 'Pythagoras',
    sound: REED,
    make: (j) => magnet(j, { sideMetres: 0.016 }),
    rooms: S,
  },
  {
    what: 'a reed that stays closed',
    source: 'it opens further away than it closes',
    sound: REED,
    make: (j) => magnet(j, { farMetres: 0.018 }),
    rooms: S,
  },
  {
    what: 'a reed whose distances nobody measured',
    source: 'what nobody read is not known',
    sound: REED,
    make: (j) => magnet(j, { opensMetres: null }),
    rooms: S,
  },
  {
    what: 'a reed that is said to open nearer than it closes',
    source: 'hysteresis of reeds',
    sound: REED,
    make: (j) => magnet(j, { opensMetres: 0.01 }),
    rooms: S,
  },
  {
    what: 'a lead of ten metres beside mains on the pull-up inside',
    source: 'some 50 pF a metre: 68 µA into 100 kΩ',
    sound: REED,
    make: (j) => lead(j, { metres: 10, beside: 'mains-or-motor' }),
    rooms: S,
  },
  {
    what: 'a lead beside nobody knows what',
    source: 'what nobody said is not known',
    sound: REED,
    make: (j) => lead(j, { beside: 'unknown' }),
    rooms: S,
    worst: 'tight',
  },
  {
    what: 'a lead that nobody measured',
    source: 'what nobody said is not known',
    sound: REED,
    make: (j) => told(j, { lead: null }),
    rooms: S,
    worst: 'tight',
  },
  {
    what: 'a thermometer in the case of its electronics',
    source: 'it reads some kelvins too much',
    sound: WARM,
    make: (j) => told(j, { place: 'with-electronics' }),
    rooms: S,
  },
  {
    what: 'a thermometer of which nobody said where it sits',
    source: 'what nobody said is not known',
    sound: WARM,
    make: (j) => told(j, { place: 'unknown' }),
    rooms: S,
    worst: 'tight',
  },
  {
    what: 'thermometers on sixty metres of wire',
    source: 'R·C of wire and pull-up',
    sound: WARM,
    make: (j) => lead(j, { metres: 60 }),
    rooms: S,
  },
  {
    what: 'a pull-up that no thermometer pulls down',
    source: 'a thermometer sinks 4 mA',
    sound: WARM,
    make: (j) => lead(j, { pullUpOhms: 330 }),
    rooms: S,
  },
];
