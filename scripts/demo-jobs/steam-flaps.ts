import {
  freshConverter,
  freshGroup,
  freshHand,
  freshLink,
  freshPress,
  freshSense,
  freshSource,
  freshSign,
  type AlikeUnit,
  type JobEdit,
} from '../../core/ground/job';
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
      list: 'hands',
      item: { ...freshHand('clean', 'cleaning switch'), kind: 'stop', latching: true, pullUpOhms: 10e3 },
      say: 'a switch that locks the flaps out for cleaning',
    },
    {
      do: 'put',
      list: 'signs',
      item: { ...freshSign('call', 'call lamp'), means: 'call' },
      say: 'a lamp that calls for help',
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
  .placeAll()
  .write('steam-flaps');
