import { freshSense, type BoardProfile } from '../../core/ground/job';
import { SHIPPED_BOARDS } from '../../core/rooms/board';
import { Maker } from '../demo-maker';

const shipped = SHIPPED_BOARDS.find((b) => b.key === 'plug-switch')!;
/** The switch that hangs there, as it was read, unplugged and open. */
const outlet: BoardProfile = {
  ...shipped,
  key: 'scullery-outlet',
  name: 'scullery outlet switch, 16 A, with meter',
  module: {
    ...shipped.module!,
    contactAmps: 16,
    inrushAmps: 30,
    contactGpio: 5,
    returns: 'closed',
  },
  pins: shipped.pins.map((p) => ({ ...p, tag: 'measured' as const })),
};

new Maker(
  'demo-glass-washer',
  {
    title: 'Glass washer',
    outcome: 'the kitchen is told when a wash is done',
    when: 'when its draw falls for good',
    never: 'be cut off in mid-wash',
  },
  '2026-11-27',
)
  .edit(
    {
      do: 'set',
      at: 'wish',
      set: { role: 'listens', hazards: ['mains', 'water'], hazardsReviewed: true, others: 'whoever washes up' },
      say: 'it only listens; hazards: mains inside, water',
    },
    {
      do: 'set',
      at: 'survey',
      set: {
        mains: { feed: 'plug-one-way', mainSwitch: 'closed', cables: 'none', earth: 'pin', tester: 'unknown' },
      },
      say: 'a plug that goes in one way only',
    },
    {
      do: 'set',
      at: 'board',
      set: { profiles: [outlet], profile: outlet.key },
      say: `controller: ${outlet.name}, its pins read unplugged`,
    },
    {
      do: 'put',
      list: 'senses',
      item: {
        ...freshSense('draw', 'its draw'),
        kind: 'current',
        touches: 'module',
        tells: 'at-work',
        meaning: 'more than 30 W for a minute',
        debounceSeconds: 60,
      },
      say: 'its draw, by the meter of the switch',
    },
    {
      do: 'set',
      at: 'guard',
      set: { loadWatts: 2600, loadKind: 'resistive', place: 'dry' },
      say: 'load: 2600 W, nearly all of it the heater; the outlet is on the dry wall',
    },
  )
  .say('note: 2.6 kW while it heats, 120 W while it pumps, 3 W at rest')
  .tick('module-closed')
  .write('glass-washer');
