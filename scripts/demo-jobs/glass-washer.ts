import { freshOf } from '../../core/ground/field';
import { BENCH_MAINS, chainFields, freshSense, type BoardProfile, sentenceAt } from '../../core/ground/job';
import { SHIPPED_BOARDS } from '../../core/rooms/board';
import { Maker } from '../demo-maker';
import { washRecording, WASHES } from '../demo-recordings';

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
        mains: { ...BENCH_MAINS, feed: 'plug-one-way' },
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
        kind: 'watts',
        touches: 'module',
        tells: 'at-work',
        meaning: 'washing',
        debounceSeconds: 5,
      },
      say: 'its draw, by the meter of the switch',
    },
    {
      do: 'set',
      at: 'guard',
      set: {
        ...{ loadWatts: 2600, loadKind: 'resistive', place: 'dry' },
        chains: [
          {
            ...freshOf(chainFields),
            ...{ plug: 'fused-plug', outletAmps: 13, plugFuse: 13, cord: 1.5e-6, duty: 'hours' },
          },
        ],
      },
      say: 'load: 2600 W, nearly all of it the heater; the outlet is on the dry wall',
    },
  )
  .recorded('draw', [
    {
      name: 'glass-washer-quick.csv',
      text: washRecording(WASHES['quick']!, 11, '2026-11-20T10:02:00Z'),
      shows: 'the quick programme',
    },
    {
      name: 'glass-washer-usual.csv',
      text: washRecording(WASHES['usual']!, 12, '2026-11-21T14:31:00Z'),
      shows: 'the usual programme',
    },
    {
      name: 'glass-washer-strong.csv',
      text: washRecording(WASHES['strong']!, 13, '2026-11-22T21:10:00Z'),
      shows: 'the strong programme',
    },
    {
      name: 'glass-washer-kept-back.csv',
      text: washRecording(WASHES['usual']!, 14, '2026-11-24T14:05:00Z'),
      shows: 'the usual programme, some days later',
      heldOut: true,
    },
  ])
  .say('note: 2.6 kW while it heats, 120 W while it pumps, 3 W at rest')
  .edit({
    do: 'put',
    list: 'routine.sentences',
    item: sentenceAt('12:00', {
      id: 'finished',
      when: 'sense',
      sense: 'draw',
      says: false,
      forSeconds: 60,
      does: 'call',
      gapSeconds: 600,
    }),
    say: 'when its draw has been gone for a minute, somebody is called',
  })
  .tick('module-closed')
  .write('glass-washer');
