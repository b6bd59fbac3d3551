import { demoJob } from '../../core/testing/jobs';
import {
  freshGroup,
  freshRail,
  freshSource,
  type FeedDuty,
  type FeedPlan,
  type Job,
  type Rail,
} from '../../core/ground/job';
import {
  BUTTON,
  RELAY,
  cells,
  converted,
  edit,
  fed,
  lead,
  link,
  load,
  moves,
  pressed,
  put,
  source,
  type Situation,
} from './situation';

const duty = (job: Job, set: Partial<FeedDuty>): Job => edit(job, { do: 'set', at: 'feed.duty', set, say: 'x' });
const box = (job: Job, set: Partial<FeedPlan['box']>): Job => edit(job, { do: 'set', at: 'feed.box', set, say: 'x' });
/** A rail of the machine in the place of the supply. */
const railed = (job: Job, set: Partial<Rail>): Job =>
  fed(
    edit(job, {
      do: 'put',
      list: 'survey.rails',
      item: {
        ...freshRail('r', 'logic'),
        openVolts: 5,
        loadedVolts: 4.9,
        loadAmps: 0.8,
        whileIdle: true,
        whileRunning: true,
        rippleVolts: 0.02,
        ...set,
      },
    }),
    {
      ...freshSource(job.feed.sources[0]!.id, 'rail', 'rail'),
      kind: 'rail',
      rail: 'r',
      isolated: 'yes',
      polarity: 'read',
    },
  );
export const RAIL = railed(BUTTON, {});
/** Four alkaline cells, with a controller that sleeps. */
export const CELLS = duty(cells(BUTTON, { chemistry: 'alkaline', series: 3, parallel: 2, cellAmpHours: 2.5 }), {
  sleeps: 'yes',
  wakesPerDay: 10,
  wakeSeconds: 5,
  sleepAmps: 1e-4,
});
const REGULATED = converted(BUTTON, { kind: 'linear', amps: 1, package: 'to-220' }, { volts: 9, amps: 1 });
const STEPPED = converted(BUTTON, {}, { volts: 12, amps: 1 });
const BOXED = box(RELAY, { widthMetres: 0.2, heightMetres: 0.1, depthMetres: 0.15, roomCelsius: 25 });
const FLAPS = demoJob('steam-flaps');

/** What must never be green of supplies, time and heat, beside the first list. */
export const OF_ENERGY: readonly Situation[] = [
  {
    what: 'a controller in an air of 85 °C, the size of its case not said',
    source: 'consumer parts are made for 70 °C around them at most',
    sound: BUTTON,
    make: (j) => box(j, { roomCelsius: 85 }),
    rooms: ['feed'],
  },
  {
    what: 'a case of unknown size in an air of 50 °C',
    source: 'a case is warmer inside than its room; what was not said is unknown',
    sound: BUTTON,
    make: (j) => box(j, { roomCelsius: 50 }),
    rooms: ['feed'],
  },
  {
    what: 'a controller in a cold store of −30 °C',
    source: 'consumer parts are made for 0 °C or −20 °C at least',
    sound: BUTTON,
    make: (j) => box(j, { roomCelsius: -30 }),
    rooms: ['feed'],
  },
  {
    what: 'a rail that goes away while the machine rests, under a controller that must start it',
    source: 'common practice',
    sound: RAIL,
    make: (j) => railed(j, { whileIdle: false }),
    rooms: ['feed', 'probe'],
  },
  {
    what: 'a rail of which nobody read whether it is there at rest',
    source: 'common practice',
    sound: RAIL,
    make: (j) => railed(j, { whileIdle: null }),
    rooms: ['feed', 'probe'],
  },
  {
    what: 'a rail that nobody loaded',
    source: 'common practice',
    sound: RAIL,
    make: (j) => railed(j, { loadedVolts: null, loadAmps: null }),
    rooms: ['feed', 'probe'],
  },
  {
    what: 'a rail that falls from 5 V to 3.9 V at 100 mA',
    source: 'Ohm: 11 Ω of source',
    sound: RAIL,
    make: (j) => railed(j, { loadedVolts: 3.9, loadAmps: 0.1 }),
    rooms: ['feed', 'probe'],
  },
  {
    what: 'a rail whose loaded volts are over its open ones',
    source: 'a passive load raises no rail: one of the two was misread',
    sound: RAIL,
    make: (j) => railed(j, { openVolts: 5, loadedVolts: 5.6, loadAmps: 0.1 }),
    rooms: ['feed', 'probe'],
  },
  {
    what: 'a rail with half a volt of ripple',
    source: 'brown-out of controllers, common practice',
    sound: RAIL,
    make: (j) => railed(j, { rippleVolts: 0.6 }),
    rooms: ['feed', 'probe'],
  },
  {
    what: 'a machine’s rail of 9 V on a board for 5 V',
    source: 'absolute maximum of the board',
    sound: RAIL,
    make: (j) => railed(j, { openVolts: 9, loadedVolts: 8.9 }),
    rooms: ['feed'],
  },
  {
    what: 'one alkaline cell under a board for 5 V',
    source: 'IEC 60086-1: 1.5 V',
    sound: CELLS,
    make: (j) => cells(j, { chemistry: 'alkaline', series: 1, cellAmpHours: 2.5 }),
    rooms: ['feed'],
  },
  {
    what: 'coin cells under a radio that draws 0.4 A',
    source: 'coin cells have some 12 Ω',
    sound: CELLS,
    make: (j) => cells(j, { chemistry: 'coin', series: 2, parallel: 1, cellAmpHours: 0.22 }),
    rooms: ['feed'],
  },
  {
    what: 'cells under a controller of which nobody said whether it sleeps',
    source: 'common practice',
    sound: CELLS,
    make: (j) => duty(j, { sleeps: 'unknown' }),
    rooms: ['feed'],
  },
  {
    what: 'lead-acid cells in series for 14 V on a board for 5 V',
    source: '2.1 V a cell',
    sound: CELLS,
    make: (j) => cells(j, { chemistry: 'lead-acid', series: 6, cellAmpHours: 7 }),
    rooms: ['feed'],
  },
  {
    what: 'a linear regulator from 9 V that gives more than it is rated for',
    source: 'sum of currents',
    sound: REGULATED,
    make: (j) =>
      converted(
        source(BUTTON, { volts: 9 }),
        { kind: 'linear', amps: 0.05, package: 'to-220' },
        { volts: 9, amps: 1 },
      ) && load(j, { amps: 1.5, startAmps: null }),
    rooms: ['feed'],
  },
  {
    what: 'a linear regulator in a flat case that makes 5 V of 12 V for 0.5 A',
    source: '3.5 W in SOT-223 of some 60 K/W and more',
    sound: REGULATED,
    make: () =>
      load(converted(BUTTON, { kind: 'linear', amps: 1, package: 'sot-223' }, { volts: 12, amps: 2 }), { amps: 0.5 }),
    rooms: ['feed'],
  },
  {
    what: 'a step-up converter set under what it is fed with',
    source: 'a step-up converter passes its input on',
    sound: STEPPED,
    make: () => converted(BUTTON, { kind: 'step-up', volts: 5 }, { volts: 9, amps: 2 }),
    rooms: ['feed'],
  },
  {
    what: 'a step-up converter from 0.6 V',
    source: 'start-up voltage of step-up converters, 0.8 V and more',
    sound: STEPPED,
    make: () => converted(BUTTON, { kind: 'step-up', volts: 5, mostVolts: 5.5 }, { volts: 0.6, amps: 3 }),
    rooms: ['feed'],
  },
  {
    what: 'a converter set to 9 V before a board for 5 V',
    source: 'absolute maximum of the board',
    sound: STEPPED,
    make: () => converted(BUTTON, { volts: 9 }, { volts: 12, amps: 1 }),
    rooms: ['feed'],
  },
  {
    what: 'a converter from 5 V that takes more than the supply gives',
    source: 'power: 12 V × 0.5 A / 0.85 of 5 V are 1.4 A',
    sound: STEPPED,
    make: () =>
      load(converted(BUTTON, { kind: 'step-up', volts: 12, mostVolts: 12 }, { volts: 5, amps: 0.5 }), {
        leastVolts: 11,
        mostVolts: 13,
        amps: 0.5,
      }),
    rooms: ['feed'],
  },
  {
    what: 'a converter’s efficiency of 0.3, with what it makes of heat',
    source: 'power: 7.5 W / 0.3',
    sound: STEPPED,
    make: () => load(converted(BUTTON, { efficiency: 0.3 }, { volts: 12, amps: 2 }), { amps: 1.5 }),
    rooms: ['feed'],
  },
  {
    what: 'a capacitor of 6.3 V on 12 V',
    source: 'IEC 60384-4: rated voltage',
    sound: source(BUTTON, { volts: 5 }),
    make: () =>
      link(STEPPED, { kind: 'capacitor', farads: 1e-3, ohms: 0.1, bearsVolts: 6.3, from: STEPPED.feed.sources[0]!.id }),
    rooms: ['feed'],
  },
  {
    what: 'a lead of 20 m of 0.08 mm² before a load of 2 A',
    source: 'Ohm with IEC 60028',
    sound: fed(BUTTON, { amps: 4 }),
    make: (j) => load(lead(j, { metres: 20, squareMetres: 0.08e-6 }), { amps: 2 }),
    rooms: ['feed'],
  },
  {
    what: 'pin headers under 5 A',
    source: 'header pins carry 1 to 3 A',
    sound: fed(BUTTON, { amps: 8 }, { squareMetres: 1.5e-6 }),
    make: (j) => load(lead(j, { connector: 'header' }), { amps: 5 }),
    rooms: ['feed'],
  },
  {
    what: 'a supply’s own resistance of 10 Ω under a board that draws 0.4 A',
    source: 'Ohm: 4 V are lost',
    sound: BUTTON,
    make: (j) => source(j, { ohms: 10 }),
    rooms: ['feed'],
  },
  {
    what: 'a bank that wants 100 mA under a board that draws 20 mA asleep',
    source: 'banks switch off, common practice',
    sound: BUTTON,
    make: (j) =>
      duty(fed(j, { kind: 'bank', volts: 5, amps: 2, holdAmps: 0.1 }), {
        sleeps: 'yes',
        wakesPerDay: 24,
        wakeSeconds: 5,
        sleepAmps: 0.02,
      }),
    rooms: ['feed'],
  },
  {
    what: 'a coil held for an hour in a box of 3 by 3 by 2 cm in a room of 45 °C',
    source: '0.5 W at 8 W/(m²·K) from 42 cm², EN 60890 in its order',
    sound: BOXED,
    make: (j) =>
      moves(box(j, { widthMetres: 0.03, heightMetres: 0.03, depthMetres: 0.02, roomCelsius: 45 }), ['press', 3600]),
    rooms: ['feed'],
  },
  {
    what: 'a fuse that is less than what the motors take as they start',
    source: 'IEC 60127: ten times its rating for milliseconds, not for a third of a second',
    sound: FLAPS,
    make: (j) =>
      edit(
        j,
        ...j.feed.links
          .filter((l) => l.kind === 'fuse')
          .map((l) => ({ do: 'put' as const, list: 'feed.links' as const, item: { ...l, amps: 0.2 } })),
      ),
    rooms: ['feed'],
  },
  {
    what: 'a group of which all start at once on a supply for two',
    source: 'sum of starting currents',
    sound: FLAPS,
    make: (j) =>
      edit(fed(j, { amps: 1.2 }), {
        do: 'put',
        list: 'feed.groups',
        item: { ...freshGroup('all', 'all'), presses: j.presses.map((p) => p.id), atOnce: 8, runSeconds: 10 },
      }),
    rooms: ['feed'],
  },
  {
    what: 'a mains module to build in, without a word on whether it is apart',
    source: 'IEC 61558-1; IEC 62368-1',
    sound: BUTTON,
    make: (j) => source(j, { kind: 'mains-module', isolated: 'unknown' }),
    rooms: ['feed', 'guard'],
  },
  {
    what: 'a mains module to build in: mains work',
    source: 'local electrical code',
    sound: put(BUTTON, 'wish', { hazards: [], hazardsReviewed: true }),
    make: (j) => source(j, { kind: 'mains-module' }),
    rooms: ['feed', 'guard'],
  },
  {
    what: 'two supplies whose grounds stand 2 V apart, joined by a transistor to ground',
    source: 'ground shift, common practice',
    sound: pressed(BUTTON, { way: 'npn-to-ground' }),
    make: (j) =>
      edit(j, { do: 'put', list: 'feed.shifts', item: { id: `${j.feed.sources[0]!.id}~machine`, volts: 2 } }),
    rooms: ['feed', 'guard'],
  },
];
