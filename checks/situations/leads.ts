import type { Job, SenseCoil, SenseLead, SenseMagnet } from '../../core/ground/job';
import { listens, told } from './listens-to';
import type { Situation } from './situation';

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

const S = ['sense'] as const;

/** What must never be green of currents round a lead, of leads, magnets and thermometers. */
export const OF_LEADS: readonly Situation[] = [
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
  {
    what: 'a contact on the pin itself that is said to come over an optocoupler',
    source: 'IEC 60664-1: a gap holds where nothing goes round it',
    sound: REED,
    make: (j) => told(j, { touches: 'coupled' }),
    rooms: S,
  },
];
