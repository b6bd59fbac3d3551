import {
  APART,
  BUTTON,
  KEY,
  LOOP,
  RELAY,
  dryPair,
  edit,
  finished,
  lowButton,
  machine,
  mainsLoad,
  moves,
  pressed,
  put,
  said,
  sense,
  type Situation,
} from './situation';
import { freshPress, type Hazard, type Job } from '../../core/ground/job';

const held =
  (hazard: Hazard) =>
  (j: Job): Job =>
    put(
      put(
        moves(
          machine({ kind: 'while-held', shortestPressSeconds: 0.05, longestPressSeconds: 60, runSeconds: null })(j),
          ['press', 30],
        ),
        'guard',
        { cutOff: 'none' },
      ),
      'wish',
      { hazards: [hazard] },
    );
const AND = ['guard', 'act', 'thumb'] as const;

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

/** What must never be green of times, loads and people. */
export const OF_PRESSES: readonly Situation[] = [
  {
    what: 'a press shorter than the machine sees',
    source: 'arithmetic',
    sound: BUTTON,
    make: (j) => moves(j, ['press', 0.02]),
    rooms: ['act'],
  },
  {
    what: 'a press longer than the machine takes',
    source: 'arithmetic',
    sound: BUTTON,
    make: (j) => moves(j, ['press', 5]),
    rooms: ['act'],
  },
  {
    what: 'a press that the relay’s release makes longer than the machine takes',
    source: 'release with a diode, up to 3 times, relay makers’ application notes',
    sound: RELAY,
    make: (j) => moves(machine({ shortestPressSeconds: 0.01, longestPressSeconds: 0.03 })(j), ['press', 0.02]),
    rooms: AND,
  },
  {
    what: 'a press of which the relay’s own time leaves less than the machine sees',
    source: 'operate time 15 ms',
    sound: pressed(RELAY, { picks: { relay: 'relay-power' } }),
    make: (j) => moves(machine({ shortestPressSeconds: 0.01 })(j), ['press', 0.02]),
    rooms: AND,
  },
  {
    what: 'a press of 2 ms by a photo relay that takes 1 to 3 ms',
    source: 'turn-on of photo relays, data sheets',
    sound: BUTTON,
    make: (j) => moves(machine({ shortestPressSeconds: 0.001 })(j), ['press', 0.002]),
    rooms: AND,
  },
  {
    what: 'two presses so close that the machine takes them for one',
    source: 'arithmetic',
    sound: machine({ leastGapSeconds: 0.5 })(BUTTON),
    make: (j) => moves(j, ['press', 0.2], ['wait', 0.1], ['press', 0.2]),
    rooms: ['act'],
  },
  {
    what: 'a press of a scanned key that meets fewer scans than it wants',
    source: 'period times scans',
    sound: KEY,
    make: (j) => moves(pressed(j, { scan: { ...j.presses[0]!.scan, scansNeeded: 4 } }), ['press', 0.03]),
    rooms: AND,
  },
  ...(['unattended-heat', 'moving-door', 'pressure', 'gas', 'water', 'pinch', 'medical'] as const).map(
    (h): Situation => ({
      what: `a valve or drive that runs while it is held, and nothing ends it: ${h}`,
      source: 'IEC 60335-1 §22 and 60730-1: a failed controller must not hold it on',
      sound: put(BUTTON, 'wish', { hazards: ['mains'] }),
      make: held(h),
      rooms: ['guard'],
    }),
  ),
  {
    what: 'a one-shot of which a hung short press lasts longer than the machine takes',
    source: 'one-shot is as long as the longest press',
    sound: BUTTON,
    make: (j) => moves(machine({ longestPressSeconds: 40 })(j), ['press', 0.2], ['wait', 2], ['press', 30]),
    rooms: ['guard', 'act'],
  },
  {
    what: 'hazards that nobody looked through',
    source: 'ISO 12100, risk assessment',
    sound: BUTTON,
    make: (j) => put(j, 'wish', { hazards: [], hazardsReviewed: false }),
    rooms: ['wish', 'guard'],
  },
  {
    what: 'a damp room and open terminals',
    source: 'IEC 60664-1, pollution degree',
    sound: BUTTON,
    make: (j) => put(j, 'guard', { place: 'unknown' }),
    rooms: ['guard'],
  },
  {
    what: 'a machine of which nobody said what a press does',
    source: 'common practice',
    sound: BUTTON,
    make: machine({ kind: 'unknown' }),
    rooms: ['act'],
  },
  {
    what: 'a machine that stays on after a power cut, with heat',
    source: 'IEC 60335-1 §20 and 22: unexpected restart',
    sound: BUTTON,
    make: machine({ afterPowerCut: 'on' }),
    rooms: ['act', 'guard'],
    worst: 'tight',
  },
  {
    what: 'a machine whose first press only wakes it',
    source: 'arithmetic',
    sound: BUTTON,
    make: machine({ firstPressWakes: true, awakeSeconds: 5 }),
    rooms: ['act'],
  },
  {
    what: 'presses of which nobody said how long they have to be',
    source: 'common practice',
    sound: BUTTON,
    make: machine({ shortestPressSeconds: null }),
    rooms: ['act'],
  },
  {
    what: 'presses of which nobody said how long they may be',
    source: 'common practice',
    sound: BUTTON,
    make: machine({ longestPressSeconds: null }),
    rooms: ['act'],
  },
  {
    what: 'a transistor on AC',
    source: 'a junction is a diode',
    sound: pressed(LOOP, { way: 'solid-state-relay' }),
    make: () => pressed(finished(said([...APART, ...dryPair('24 VAC', 19.2)])), { way: 'optocoupler' }),
    rooms: ['thumb'],
  },
  {
    what: 'a loop of 24 V and 150 mA, which is a coil, without a diode',
    source: 'L·di/dt: 7.4 kV at 0.5 H into 200 pF, ngspice',
    sound: LOOP,
    make: () =>
      pressed(finished(said([...APART, ...dryPair('24 V', 150)])), {
        way: 'relay-contact',
        picks: { relay: 'relay-reed' },
      }),
    rooms: ['thumb', 'guard'],
    worst: 'unknown',
  },
  {
    what: 'a loop of 24 V and 150 mA on a photo relay',
    source: 'inductive energy, no clamp',
    sound: LOOP,
    make: () => pressed(finished(said([...APART, ...dryPair('24 V', 150)])), { way: 'solid-state-relay' }),
    rooms: ['thumb', 'guard'],
  },
  {
    what: 'a loop over the photo relay’s 60 V',
    source: 'load rating',
    sound: LOOP,
    make: () => pressed(finished(said([...APART, ...dryPair('60 VAC', 5)])), { way: 'solid-state-relay' }),
    rooms: ['thumb'],
  },
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
      put(put(j, 'routine', { sentences: [{ id: 's', at: '22:30', days: [1], ifArmed: false, move: '' }] }), 'act', {
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
        sentences: [{ id: 's', at: '22:30', days: [1], ifArmed: false, move: '' }],
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
