import {
  APART,
  BUTTON,
  LOOP,
  edit,
  finished,
  lowButton,
  machine,
  mainsLoad,
  pressed,
  put,
  said,
  sense,
  type Situation,
} from './situation';
import { sentenceAt, freshPress, type Job } from '../../core/ground/job';

/** A door of two buttons. */
const DOOR: Job = ((j: Job): Job => ({
  ...j,
  presses: [
    ...j.presses,
    { ...freshPress('back', 'back', j.controls[0]!.id), way: 'solid-state-relay', pullDown: true },
  ],
  act: {
    ...j.act,
    parts: [
      {
        ...j.act.parts[0]!,
        kind: 'travels-while-held',
        heeds: [
          { press: j.presses[0]!.id, other: false, as: 'open' },
          { press: 'back', other: false, as: 'close' },
        ],
      },
    ],
  },
}))(BUTTON);
/** A heater of 1 kW whose supply a relay switches. */
const SWITCHED = put(
  pressed(finished(said([...APART, ...mainsLoad])), { way: 'relay-contact', picks: { relay: 'relay-power' } }),
  'guard',
  {
    loadWatts: 1000,
    loadKind: 'resistive',
  },
);

/** What must never be green of what is pressed and what it feeds. */
export const OF_LOADS: readonly Situation[] = [
  {
    what: 'a loop of 8 mA on a silver contact of 100 mA least',
    source: 'least load of silver contacts',
    sound: pressed(LOOP, { way: 'relay-contact', picks: { relay: 'relay-signal' } }),
    make: (j) => pressed(j, { picks: { relay: 'relay-power' } }),
    rooms: ['thumb'],
    worst: 'tight',
  },
  {
    what: 'an unread pull-up',
    source: 'common practice',
    sound: BUTTON,
    make: (j) =>
      edit(
        j,
        ...j.readings
          .filter((r) => r.kind === 'amps')
          .map((r) => ({ do: 'strike-reading' as const, id: r.id, struck: true })),
      ),
    rooms: ['probe', 'thumb'],
  },
  {
    what: 'readings of isolation withdrawn',
    source: 'IEC 61010-1: what was not measured is not apart',
    sound: pressed(BUTTON, { way: 'npn-to-ground' }),
    make: (j) =>
      edit(
        j,
        ...j.readings
          .filter((r) => ['mains', 'earth'].includes(r.to.kind))
          .map((r) => ({ do: 'strike-reading' as const, id: r.id, struck: true })),
      ),
    rooms: ['probe', 'thumb', 'guard'],
  },
  {
    what: 'a module whose jumpers nobody looked at',
    source: 'common practice',
    sound: pressed(BUTTON, { way: 'relay-module', moduleMode: 'momentary' }),
    make: (j) => pressed(j, { moduleMode: 'unknown' }),
    rooms: ['thumb'],
  },
  {
    what: 'a module that stays closed at one pulse',
    source: 'common practice',
    sound: pressed(BUTTON, { way: 'relay-module', moduleMode: 'momentary' }),
    make: (j) => pressed(j, { moduleMode: 'latching' }),
    rooms: ['thumb', 'act', 'board'],
  },
  {
    what: 'both directions of a door pressed in one step',
    source: 'interlock of reversing drives, IEC 60204-1 §9.3',
    sound: DOOR,
    make: (j) =>
      edit(j, {
        do: 'put',
        list: 'act.moves',
        item: { ...j.act.moves[0]!, steps: [{ ...j.act.moves[0]!.steps[0]!, also: ['back'] }] },
      }),
    rooms: ['act'],
  },
  {
    what: 'a loop that feeds a coil, and nothing clamps it',
    source: 'L·di/dt, ngspice: 7.4 kV at 0.5 H into 200 pF',
    sound: LOOP,
    make: (j) => edit(j, { do: 'change-control', id: j.controls[0]!.id, set: { feeds: 'coil' } }),
    rooms: ['thumb', 'guard'],
  },
  {
    what: 'a heater of 3 kW on a contact of 10 A',
    source: 'P/V: 13 A',
    sound: SWITCHED,
    make: (j) => put(j, 'guard', { loadWatts: 3000 }),
    rooms: ['guard'],
  },
  {
    what: 'a load whose watts nobody knows',
    source: 'common practice',
    sound: SWITCHED,
    make: (j) => put(j, 'guard', { loadWatts: null }),
    rooms: ['guard'],
  },
  {
    what: 'a load whose kind nobody knows',
    source: 'IEC 61810-1, categories of loads',
    sound: SWITCHED,
    make: (j) => put(j, 'guard', { loadKind: 'unknown' }),
    rooms: ['guard'],
  },
  {
    what: 'a motor of 2 kW on a contact of 10 A',
    source: '10 A silver: about 0.37 kW of motor, from memory',
    sound: SWITCHED,
    make: (j) => put(j, 'guard', { loadKind: 'motor', loadWatts: 2000 }),
    rooms: ['guard'],
  },
  {
    what: 'a sentence that begins no move that there is',
    source: 'common practice',
    sound: BUTTON,
    make: (j) =>
      put(put(j, 'routine', { sentences: [sentenceAt('22:30', { id: 's', days: [1] })] }), 'act', {
        moves: [],
      }),
    rooms: ['act', 'routine'],
  },
  {
    what: 'a door that a clock opens, whoever stands in it',
    source: 'EN 12453: power-operated doors need sight or protection',
    sound: BUTTON,
    make: (j) =>
      put(machine({ kind: 'open-stop-close-stop' })(j), 'routine', {
        sentences: [sentenceAt('22:30', { id: 's', days: [1] })],
      }),
    rooms: ['routine', 'guard'],
  },
  {
    what: 'a sense by message that nobody named a topic for',
    source: 'common practice',
    sound: BUTTON,
    make: (j) => sense(j, { kind: 'message', highVolts: null, topic: '' }),
    rooms: ['sense'],
  },
  {
    what: 'no board at all',
    source: 'common practice',
    sound: BUTTON,
    make: (j) => put(j, 'board', { profile: 'gone' }),
    rooms: ['board'],
  },
  {
    what: 'a shared ground with a machine that is tied to mains',
    source: 'IEC 61140, protection against electric shock',
    sound: pressed(BUTTON, { way: 'npn-to-ground' }),
    make: () =>
      pressed(finished(said(['ground to mains off 180k', ...lowButton(4.98, 10e3)])), { way: 'npn-to-ground' }),
    rooms: ['thumb', 'guard', 'probe'],
  },
  {
    what: 'a coupler of 1 500 V between mains and hands',
    source: 'IEC 60664-1: reinforced at 230 V, overvoltage category II',
    sound: BUTTON,
    make: () =>
      pressed(finished(said(['ground to mains off 180k', ...lowButton(4.98, 10e3)])), { way: 'solid-state-relay' }),
    rooms: ['thumb'],
  },
];
