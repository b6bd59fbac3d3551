import type { Job, Sense } from '../../core/ground/job';
import { listens, told } from './listens-to';
import type { Situation } from './situation';

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
/** Pulses of the machine’s own flow meter, over two resistors, counted. */
const PULSES = listens({
  kind: 'pulses',
  touches: 'machine',
  highVolts: 5,
  joint: 'divider',
  signal: { ...READ, nature: 'flickering' },
  count: {
    unit: 'l',
    worth: 0.002,
    off: 0.03,
    budget: 500,
    budgetUnit: 'l',
    perDay: 5000,
    saveEvery: 1000,
    endurance: 100_000,
    pages: 4,
  },
});

const HANDBOOK = 'common practice of reading foreign signals';
const METER = 'a meter’s ranges: AC shows what alternates, DC its mean';
/** What lacks its volts altogether is told where its pin is. */
const S = ['sense', 'board'] as const;

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
    // Behind a capacitor it is what belongs there.
    holds: (j) => j.senses.every((s) => s.joint !== 'pump'),
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
    make: (j) => signal(told(j, { highVolts: null }), { nature: 'pulls-low' }),
    rooms: S,
  },
  {
    what: 'pulses that are counted, behind a joint that keeps them',
    source: 'what is kept from turn to turn goes up once',
    sound: PULSES,
    make: (j) => told(j, { joint: 'hold' }),
    rooms: S,
  },
  {
    what: 'a fan’s speed signal that the machine may pull up by itself',
    source: 'open collectors are pulled up to 5 or 12 V inside',
    sound: PULSES,
    make: (j) => signal(told(j, { highVolts: null, joint: 'direct' }), { nature: 'pulls-low' }),
    rooms: S,
    worst: 'tight',
  },
];
