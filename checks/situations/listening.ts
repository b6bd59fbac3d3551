import { freshSense, type Job, type Sense } from '../../core/ground/job';
import { demoJob } from '../../core/testing/jobs';
import { APART, BUTTON, edit, finished, onPin, put, said, sense, type Situation } from './situation';

const listening = (job: Job): Job => ({
  ...put(job, 'wish', { role: 'listens' }),
  presses: [],
  act: { ...job.act, moves: [] },
  routine: { ...job.routine, sentences: [] },
  board: { ...job.board, pins: [] },
});
/** A machine whose beeper is heard over a microphone of one's own: nothing goes into it. */
const nothingRead = finished(said([], { feed: 'plug-turns' }));
const HEARD: Job = onPin(
  edit(listening({ ...nothingRead, controls: [], readings: [] }), {
    do: 'put',
    list: 'senses',
    item: { ...freshSense('beeps', 'its beep'), kind: 'beep', touches: 'own', tells: 'at-work', highVolts: 3.3 },
  }),
  13,
  'beeps',
);
/** The same tapped at two terminals that were read to be apart from mains. */
const TAPPED: Job = onPin(
  edit(listening(finished(said(APART))), {
    do: 'put',
    list: 'senses',
    item: { ...freshSense('beeps', 'its beep'), kind: 'beep', touches: 'machine', tells: 'at-work', highVolts: 3.3 },
  }),
  13,
  'beeps',
);
const beeps = (job: Job, set: Partial<Sense>): Job =>
  edit(job, { do: 'put', list: 'senses', item: { ...job.senses[0]!, ...set } });
/** Ground read to be tied to live. */
const TIED = ['ground to mains off 120 ohm', 'it A to mains off 130 ohm', 'it B to mains off 120 ohm'];

/** What must never be green of a job that only listens, and of wires of senses in any job. */
export const OF_LISTENING: readonly Situation[] = [
  {
    what: 'a beeper that is tapped in a machine of which nothing was read',
    source: 'IEC 61140; a ground that is joined to mains',
    sound: HEARD,
    make: (j) => beeps(j, { touches: 'machine' }),
    rooms: ['guard', 'probe'],
  },
  {
    what: 'a beeper of which nobody said whether it is tapped or heard',
    source: 'what nobody said is not known',
    sound: HEARD,
    make: (j) => beeps(j, { touches: 'unknown' }),
    rooms: ['guard', 'probe'],
    worst: 'unknown',
  },
  {
    what: 'a beeper coupled over an optocoupler to what nobody read',
    source: 'IEC 60664-1: reinforced insulation is asked for where mains may be',
    sound: HEARD,
    make: (j) => beeps(j, { touches: 'coupled' }),
    rooms: ['guard', 'probe'],
  },
  {
    what: 'a beeper tapped in a machine whose ground is tied to mains',
    source: 'IEC 61140; live chassis',
    sound: TAPPED,
    make: (j) => ({ ...j, readings: said(TIED).readings }),
    rooms: ['guard'],
  },
  {
    what: 'two grounds joined by the tap of a sense, with nothing read between them',
    source: 'common practice: read between grounds before they are joined',
    sound: {
      ...TAPPED,
      feed: { ...TAPPED.feed, shifts: [{ id: `${TAPPED.feed.sources[0]!.id}~machine`, volts: 0.01 }] },
    },
    make: (j) => put(j, 'feed', { shifts: [] }),
    rooms: ['feed'],
  },
  {
    what: 'a job that listens to nothing',
    source: 'nothing is heard by nothing',
    sound: HEARD,
    make: (j) => ({ ...j, senses: [] }),
    rooms: ['sense', 'act', 'pack'],
    holds: (j) => j.senses.length === 0,
  },
  {
    what: 'a sense that lies on no pin in a job that listens',
    source: 'what lies on no pin is not heard',
    sound: HEARD,
    make: (j) => put(j, 'board', { pins: [] }),
    rooms: ['board', 'pack'],
  },
  {
    what: 'a job that is to listen only, and presses',
    source: 'the plan contradicts the wish',
    sound: BUTTON,
    make: (j) => put(j, 'wish', { role: 'listens' }),
    rooms: ['wish'],
    worst: 'unknown',
  },
  {
    what: 'hazards that nobody looked through, where it only listens',
    source: 'the machine is opened all the same',
    sound: HEARD,
    make: (j) => put(j, 'wish', { hazardsReviewed: false }),
    rooms: ['wish'],
  },
  {
    what: 'what is tapped brings 12 V to a pin of 3.3 V, where it only listens',
    source: 'absolute ratings of pins',
    sound: TAPPED,
    make: (j) => beeps(j, { highVolts: 12 }),
    rooms: ['board', 'feed'],
  },
  {
    what: 'a message that is never too old, where it only listens',
    source: 'a sender that fell silent is believed for ever',
    sound: beeps(HEARD, { kind: 'message', topic: 'a/b', highVolts: null, staleSeconds: 60 }),
    make: (j) => beeps(j, { staleSeconds: null }),
    rooms: ['sense'],
  },
  {
    what: 'a machine that hangs behind the contact of a bought switch, with no press and no word of its watts',
    source: 'the plate of the switch',
    sound: demoJob('glass-washer'),
    make: (j) => put(j, 'guard', { loadWatts: null }),
    rooms: ['guard'],
  },
  {
    what: 'a machine of 4 kW behind the contact of a bought switch that no press moves',
    source: '4000/230 = 17.4 A on 16 A',
    sound: demoJob('glass-washer'),
    make: (j) => put(j, 'guard', { loadWatts: 4000 }),
    rooms: ['guard'],
  },
  {
    what: 'a level of the machine brought to a pin of a job that presses, with its isolation not tested',
    source: 'IEC 61140; a ground that may be joined to mains',
    sound: sense(BUTTON, { kind: 'beep', highVolts: 3.3, touches: 'own' }),
    make: (j) => ({ ...beeps(j, { touches: 'machine' }), readings: j.readings.slice(3) }),
    rooms: ['guard'],
  },
  {
    what: 'a level on a pin of which nobody said where its wires go, in a job that presses',
    source: 'what nobody said is not known',
    sound: sense(BUTTON, { kind: 'beep', highVolts: 3.3, touches: 'own' }),
    make: (j) => beeps(j, { touches: 'unknown' }),
    rooms: ['guard'],
    worst: 'unknown',
  },
  {
    what: 'a bare contact that may be the machine’s own, of which nobody said so',
    source: 'end switches of a machine carry its own circuit',
    sound: sense(BUTTON, { kind: 'contact', highVolts: null, touches: 'own' }),
    make: (j) => beeps(j, { touches: 'unknown' }),
    rooms: ['guard'],
    worst: 'tight',
  },
];
