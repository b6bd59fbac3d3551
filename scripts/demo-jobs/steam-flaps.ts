import {
  freshConverter,
  freshGroup,
  freshHand,
  freshLink,
  freshPart,
  freshPress,
  freshSense,
  freshSource,
  freshSign,
  sentenceAt,
  stepOf,
  type AlikeUnit,
  type JobEdit,
} from '../../core/ground/job';
import { assess } from '../../core/house/assess';
import { Maker } from '../demo-maker';

const FLAPS = [1, 2, 3, 4, 5, 6, 7, 8];
const UNITS: AlikeUnit[] = [
  { id: 'window', name: 'window row', side: 'as drawn', order: 1, differs: '', pins: {} },
  { id: 'wall', name: 'wall row', side: 'mirrored', order: 2, differs: 'its leads are 4 m longer', pins: {} },
];
const named = (n: number): string => `flap.${n}`;
const idOf = (n: number): string => `flap-${n}`;

/** Eight louvre flaps, each with a small DC motor between two wires: what was read of the first was read of each. */
const maker = new Maker(
  'demo-steam-flaps',
  {
    title: 'Steam flaps',
    outcome: 'flaps open over the boilers that steam',
    when: 'whenever a boiler steams',
    never: 'stay shut while the alarm sounds, or move while somebody cleans them',
  },
  '2026-11-23',
).edit({
  do: 'set',
  at: 'wish',
  set: { hazards: ['pinch'], hazardsReviewed: true, others: 'whoever cleans the flaps' },
  say: 'hazards: fingers between the louvres',
});
for (const n of FLAPS) maker.measure('steam-flaps', named(n), 40 + n, 'two-wires');
maker
  .edit(
    ...FLAPS.slice(1).map((n): JobEdit => ({
      do: 'change-control',
      id: `control-${named(n)}`,
      set: { like: `control-${named(1)}` },
      say: `${named(n)} is one of eight alike`,
    })),
  )
  .edit({
    do: 'set',
    at: 'bench',
    set: { picks: { bridge: 'bridge-medium' } },
    say: 'part: a motor bridge per flap',
  })
  .edit(
    ...FLAPS.map((n): JobEdit => {
      const plain = freshPress(idOf(n), named(n), `control-${named(n)}`);
      return {
        do: 'put',
        list: 'presses',
        item: {
          ...plain,
          way: 'reverse-motor',
          pullDown: true,
          motor: {
            ...plain.motor,
            wiring: 'bridge',
            supplyVolts: 12,
            runningAmps: 0.25,
            stallAmps: 0.8,
            swapped: n > 4,
          },
        },
        say: `${named(n)}: its motor run both ways by a bridge`,
      };
    }),
  )
  .edit(
    {
      do: 'put',
      list: 'senses',
      item: {
        ...freshSense('alarm', 'alarm relay'),
        touches: 'own',
        tells: 'other',
        meaning: 'the alarm of the kitchen sounds',
        takenFor: 'no',
        lead: { metres: 8, beside: 'mains-or-motor', pullUpOhms: 4700, filtered: true, devices: 1 },
      },
      say: 'a contact of the kitchen alarm',
    },
    {
      do: 'put',
      list: 'senses',
      item: {
        ...freshSense('steam', 'steam over the boilers'),
        touches: 'own',
        tells: 'other',
        meaning: 'a boiler steams',
        takenFor: 'no',
        debounceSeconds: 2,
        lead: { metres: 4, beside: 'mains-or-motor', pullUpOhms: 4700, filtered: true, devices: 1 },
      },
      say: 'a humidity switch over the boilers',
    },
    {
      do: 'put',
      list: 'routine.modes',
      item: { id: 'cleaning', name: 'cleaning', on: false, holds: 'hands', endsSeconds: null },
      say: 'a mode in which nothing but the alarm moves the flaps',
    },
    {
      do: 'put',
      list: 'hands',
      item: {
        ...freshHand('clean', 'cleaning switch'),
        kind: 'mode',
        mode: 'cleaning',
        latching: true,
        pullUpOhms: 10e3,
      },
      say: 'a switch that opens the flaps and locks them for cleaning',
    },
    {
      do: 'put',
      list: 'hands',
      item: { ...freshHand('halt', 'stop beside the flaps'), kind: 'stop', latching: true, pullUpOhms: 10e3 },
      say: 'a stop that holds until somebody pulls it out',
    },
    {
      do: 'put',
      list: 'signs',
      item: { ...freshSign('call', 'call lamp'), means: 'call' },
      say: 'a lamp that calls for help',
    },
    {
      do: 'put',
      list: 'signs',
      item: {
        ...freshSign('moving', 'beeper before they move'),
        kind: 'beeper',
        means: 'about-to-move',
        amps: 0.02,
        volts: 5,
      },
      say: 'a beeper that sounds before they move',
    },
    { do: 'set', at: 'board', set: { profile: 'wifi-34' }, say: 'controller: Wi-Fi module, 34 GPIO' },
    { do: 'set', at: 'bench', set: { machines: 2, units: UNITS }, say: 'two rows of flaps; the second is mirrored' },
  )
  .edit(
    {
      do: 'put',
      list: 'feed.sources',
      item: {
        ...freshSource('supply', 'plug-in supply'),
        volts: 12,
        amps: 5,
        isolated: 'yes',
        polarity: 'read',
      },
      say: 'one plug-in supply, 12 V, 5 A, class II',
    },
    {
      do: 'put',
      list: 'feed.links',
      item: { ...freshLink('fuse', 'fuse of the flaps', 'fuse', 'supply'), amps: 4 },
      say: 'a slow fuse of 4 A before the flaps',
    },
    {
      do: 'put',
      list: 'feed.links',
      item: { ...freshLink('trunk', 'lead to the flaps', 'lead', 'fuse'), metres: 3, squareMetres: 0.75e-6 },
      say: '3 m of 0.75 mm² to the flaps',
    },
    {
      do: 'put',
      list: 'feed.converters',
      item: { ...freshConverter('five', 'step-down', 'step-down', 'supply'), volts: 5, amps: 1, mostVolts: 28 },
      say: 'a step-down converter of 5 V for the controller',
    },
    {
      do: 'set',
      at: 'feed',
      set: {
        hangs: [
          { load: 'controller', node: 'five' },
          ...FLAPS.map((n) => ({ load: `${idOf(n)}/motor`, node: 'trunk' })),
        ],
        groups: [
          {
            ...freshGroup('row', 'the whole row'),
            presses: FLAPS.map(idOf),
            atOnce: 2,
            staggerSeconds: 0.5,
            runSeconds: 14,
          },
        ],
        shifts: [],
      },
      say: 'motors behind the fuse, the controller behind the step-down; two flaps start at once, the next two half a second later',
    },
  )
  .edit(
    ...FLAPS.map((n): JobEdit => ({
      do: 'put',
      list: 'act.parts',
      item: {
        ...freshPart(idOf(n), named(n)),
        kind: 'travels-while-held',
        heeds: [
          { press: idOf(n), other: false, as: 'open' },
          { press: idOf(n), other: true, as: 'close' },
        ],
        shortestPressSeconds: 0.1,
        longestPressSeconds: 30,
        runSeconds: 11.5,
        backSeconds: 12,
        whenBlocked: 'stops',
        timings: [
          ...[11.4, 11.5, 11.6, 11.5, 11.3].map((seconds) => ({ of: 'run' as const, seconds: seconds + n / 100 })),
          ...[11.9, 12.1, 12, 11.8, 12].map((seconds) => ({ of: 'back' as const, seconds: seconds + n / 100 })),
        ],
      },
      say: `${named(n)}: opens in 11.5 s and closes in 12, where its end switches stop it`,
    })),
  );
const group = assess(maker.job).findings.find((f) => f.id === 'feed.group-held@row');
if (!group?.remedy?.edit) throw new Error('the row has no moves to be made');
maker.edit(group.remedy.edit);
const [there, back] = maker.job.act.moves;
if (!there || !back) throw new Error('the row has no two moves');
const warned = stepOf('warn', { seconds: 3 });
maker
  .edit(
    {
      do: 'put',
      list: 'act.moves',
      item: { ...there, name: 'open the row', purpose: 'open', steps: [warned, ...there.steps] },
      say: 'open the row: two flaps at once, after 3 s of its beeper',
    },
    {
      do: 'put',
      list: 'act.moves',
      item: { ...back, name: 'close the row', purpose: 'close', steps: [warned, ...back.steps] },
      say: 'close the row: likewise',
    },
    {
      do: 'set',
      at: 'routine',
      set: {
        sentences: [
          sentenceAt('12:00', {
            ...{ id: 'alarm', when: 'sense', sense: 'alarm', says: true, forSeconds: 2, days: [] },
            ...{ move: there.id, tier: 'safety', whenHeld: 'late', lateSeconds: 3600 },
          }),
          sentenceAt('12:00', {
            ...{ id: 'help', when: 'sense', sense: 'alarm', says: true, forSeconds: 2, days: [] },
            ...{ does: 'call', tier: 'safety' },
          }),
          sentenceAt('12:00', {
            ...{
              id: 'cleaned',
              when: 'mode',
              mode: 'cleaning',
              says: true,
              days: [],
              move: there.id,
              tier: 'lock-out',
            },
          }),
          sentenceAt('12:00', {
            ...{ id: 'steams', when: 'sense', sense: 'steam', says: true, forSeconds: 60, days: [], move: there.id },
            ...{ gapSeconds: 600 },
          }),
          sentenceAt('12:00', {
            ...{ id: 'clears', when: 'sense', sense: 'steam', says: false, forSeconds: 900, days: [], move: back.id },
            ...{ ifs: [{ kind: 'sense', is: false, from: '22:00', until: '06:00', sense: 'alarm', mode: '' }] },
          }),
        ],
      },
      say: 'the alarm opens them first and calls; cleaning opens and locks them; steam opens them, fifteen minutes without close them',
    },
  )
  .placeAll()
  .tick('press-hung-tried')
  .write('steam-flaps');
