import { freshOf } from '../../core/ground/field';
import {
  boardLayoutFields,
  freshHand,
  freshMove,
  freshPart,
  freshSign,
  sentenceAt,
  stepOf,
  type BoardLayout,
  type JobEdit,
  type LaidPart,
} from '../../core/ground/job';
import { DEAD, Maker, never } from '../demo-maker';

/** The relay of the yard light: its contact at mains, its coil on the side that can be touched, three holes from each other. */
const LIGHT_RELAY: LaidPart = {
  ...{ id: 'relay', name: 'light relay', column: 6, row: 5, apart: 8e-3 },
  pins: [
    { column: 0, row: 0, net: 'line' },
    { column: 0, row: 4, net: 'switched' },
    { column: 3, row: 0, net: 'coil' },
    { column: 3, row: 4, net: 'ground' },
  ],
};
const LIGHT_BOARD: BoardLayout = {
  ...freshOf(boardLayoutFields),
  ...{ id: 'light-board', name: 'yard light board', columns: 16, rows: 14, measured: true },
  nets: [
    { id: 'line', name: 'line', side: 'mains' },
    { id: 'switched', name: 'switched line', side: 'mains' },
    { id: 'coil', name: 'coil', side: 'touchable' },
    { id: 'ground', name: 'ground', side: 'touchable' },
  ],
  parts: [
    LIGHT_RELAY,
    {
      ...{ id: 'terminal', name: 'mains terminal', column: 2, row: 5, apart: null },
      pins: [
        { column: 0, row: 0, net: 'line' },
        { column: 0, row: 4, net: 'switched' },
      ],
    },
    {
      ...{ id: 'header', name: 'header', column: 14, row: 6, apart: null },
      pins: [
        { column: 0, row: 0, net: 'coil' },
        { column: 0, row: 1, net: 'ground' },
      ],
    },
  ],
  cleared: [{ id: 'gap', fromColumn: 0, fromRow: 0, toColumn: 8, toRow: 15, width: 0 }],
  slots: [{ id: 'saw', fromColumn: 7.5, fromRow: 3, toColumn: 7.5, toRow: 11, width: 1.5e-3 }],
};

new Maker(
  'demo-yard-gate',
  {
    title: 'Yard gate',
    outcome: 'the gate opens for deliveries and closes at night',
    when: 'deliveries, and 22:30',
    never: 'move by itself at power-up, or stay open overnight',
  },
  '2026-11-19',
)
  .edit({
    do: 'set',
    at: 'wish',
    set: {
      hazards: ['mains', 'moving-door', 'pinch'],
      hazardsReviewed: true,
      others: 'two drivers with a hand remote',
    },
    say: 'hazards: mains inside, closing door, pinch',
  })
  .tick(...DEAD)
  .say(
    'mains plug turns',
    'mains switch closed',
    'mains earth case',
    'strip back 6',
    'back 1 wire red',
    'back 2 wire blue',
    'back 3 wire green',
    'back 4 wire white',
    'back 5 wire brown',
    'back 6 wire yellow',
    ...[1, 2, 3, 4, 5, 6].map((t) => `back ${t} to mains off >20M`),
    'back 1 to earth on 1.1 VAC',
    'back 1 to earth plug-turned 1.3 VAC',
    'back 1-2 idle -24.3 V',
    'back 1-3 idle -12.6 V',
    'back 1-4 idle -24.2 V',
    'back 1-5 idle 0.02 V',
    'back 1-5 idle 0.1 VAC',
    'back 1-6 idle 0.01 V',
    'back 1-6 idle 0.1 VAC',
    'back 5-6 idle 0.00 V',
    'back 5-6 idle 0.0 VAC',
    'back 3-4 idle -11.62 V',
    'back 3-4 loaded -4.81 V',
    'back jumper 3-4 1k moves',
    'ground to mains off >20M',
    'gate A to mains off >20M',
    'gate B to mains off >20M',
    'gate A to earth on 1.1 VAC',
    'gate A to earth plug-turned 1.3 VAC',
    'gate look terminals',
    'gate B to ground off >20M',
    'gate A-B idle 11.62 V',
    'gate short 8.21 mA',
    'gate A-B pressed 0.3 ohm',
    'note: terminals 3 and 4, green and white',
  )
  .edit({ do: 'set', at: 'standin', set: { model: 'yard-gate', seed: 3 }, say: 'the yard gate stands in' })
  .edit(
    { do: 'set', at: 'bench', set: { picks: { relay: 'relay-signal' } }, say: 'part: gold signal relay' },
    { do: 'set', at: 'press', of: 'gate', set: { way: 'relay-contact' }, say: 'way of pressing: relay contact' },
    { do: 'put', list: 'board.pins', item: { line: 'gate', gpio: 12, fixed: true }, say: 'press on pin 12' },
    {
      do: 'put',
      list: 'hands',
      item: { ...freshHand('arm', 'arm switch'), kind: 'arm', latching: true },
      say: 'an arm switch indoors: open, and nothing moves by itself',
    },
    {
      do: 'put',
      list: 'signs',
      item: { ...freshSign('lamp', 'closing lamp'), means: 'about-to-move', forwardVolts: 2, amps: 0.005 },
      say: 'a lamp that warns before the gate closes',
    },
    {
      do: 'put',
      list: 'signs',
      item: { ...freshSign('beeper', 'beeper'), kind: 'beeper', means: 'about-to-move', amps: 0.03, volts: 5 },
      say: 'a beeper that warns with it',
    },
    ...(
      [
        ['arm', 14],
        ['lamp', 4],
        ['beeper', 5],
      ] as const
    ).map(([line, gpio]): JobEdit => ({
      do: 'put',
      list: 'board.pins',
      item: { line, gpio, fixed: false },
      say: `${line} on pin ${gpio}`,
    })),
  )
  .supply(5, 1, 0.08e-6, 'own supply, 5 V, 1 A, class II, on a thin lead of 1 m')
  .edit(
    {
      do: 'put',
      list: 'act.parts',
      item: {
        ...freshPart('gate', 'gate'),
        kind: 'open-stop-close-stop',
        shortestPressSeconds: 0.08,
        longestPressSeconds: 3,
        runSeconds: 16,
        afterPowerCut: 'off',
        whenBlocked: 'goes-back',
      },
      say: 'opens, stops, closes, stops; 16 s from end to end; it goes back from what is in its way',
    },
    {
      do: 'put',
      list: 'act.moves',
      item: {
        ...freshMove('close', 'close'),
        purpose: 'close',
        steps: [stepOf('warn', { seconds: 4 }), stepOf('press', { press: 'gate', seconds: 0.5 })],
      },
      say: 'close: warn for 4 s, then one press of 0.5 s',
    },
    {
      do: 'set',
      at: 'routine',
      set: { sentences: [sentenceAt('22:30', { id: 'night', days: [1, 2, 3, 4, 5, 6, 7] })] },
      say: 'at 22:30 every day',
    },
    {
      do: 'set',
      at: 'guard',
      set: { place: 'damp', cutOff: 'one-shot' },
      say: 'it stands outdoors; a one-shot ends each press',
    },
  )
  .tick('mains-cover', 'mains-apart', 'own-devices', 'lead-apart')
  .edit({
    do: 'set',
    at: 'wish',
    set: {
      nevers: [
        never('night', 'lasts-longer', {
          state: 'open',
          seconds: 18 * 3600,
          harm: 'goods',
          whom: 'what stands in the yard',
        }),
        never('warned', 'no-warning', {
          state: 'closing',
          seconds: 3,
          harm: 'person',
          whom: 'whoever stands in the gateway',
        }),
      ],
    },
    say: 'never: open for longer than 18 h; a move without 3 s of warning',
  })
  .edit(
    {
      do: 'set',
      at: 'guard.apart',
      set: { category: 'II', altitude: 40, group: 'III' },
      say: 'its light hangs on a plug, 40 m over the sea',
    },
    { do: 'put', list: 'guard.boards', item: LIGHT_BOARD, say: 'a board with the relay of the yard light of 230 V' },
  )
  .whole('open and close', 40, 190, 'it knocks once as it starts, the leaf stops softly')
  .write('yard-gate');
