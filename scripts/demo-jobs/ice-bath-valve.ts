import { freshOf } from '../../core/ground/field';
import {
  BENCH_MAINS,
  chainFields,
  freshHand,
  freshMove,
  freshPart,
  freshPress,
  freshSense,
  freshSign,
  sentenceAt,
  stepOf,
} from '../../core/ground/job';
import { LOW_VOLTAGE, Maker, never } from '../demo-maker';

const EVERY_DAY = [1, 2, 3, 4, 5, 6, 7];
/** 45 litres at the flow of its three trials. */
const FILL_SECONDS = 255;

/** A bought valve that fills the ice bath before the kitchen opens: what opens it can get lost on its way to shut. */
new Maker(
  'demo-ice-bath-valve',
  {
    title: 'Ice-bath fill valve',
    outcome: 'the ice bath is filled before the kitchen opens',
    when: '05:30 every day',
    never: 'stay open',
  },
  '2026-11-28',
)
  .edit(
    {
      do: 'set',
      at: 'wish',
      set: { hazards: ['water'], hazardsReviewed: true, others: 'the morning cook' },
      say: 'hazards: water on the floor',
    },
    {
      do: 'set',
      at: 'survey',
      set: { mains: { ...BENCH_MAINS, feed: 'none' } },
      say: 'nothing of it is on mains but its plug-in supply',
    },
    {
      do: 'put',
      list: 'presses',
      item: { ...freshPress('valve', 'valve'), way: 'relay-contact' },
      say: 'the valve opens while it is fed, through a relay',
    },
    {
      do: 'put',
      list: 'senses',
      item: {
        ...freshSense('full', 'float contact'),
        touches: 'own',
        tells: 'other',
        meaning: 'the bath is full',
        takenFor: 'no',
        debounceSeconds: 0.5,
        lead: { metres: 3, beside: 'apart', pullUpOhms: null, filtered: false, devices: 1 },
      },
      say: 'a float contact at the rim',
    },
    {
      do: 'put',
      list: 'hands',
      item: { ...freshHand('clean', 'cleaning switch'), kind: 'stop', latching: true, pullUpOhms: 10e3 },
      say: 'a switch that keeps it shut while somebody cleans the bath',
    },
    {
      do: 'put',
      list: 'signs',
      item: { ...freshSign('call', 'call lamp'), means: 'call' },
      say: 'a lamp that calls for help',
    },
    { do: 'set', at: 'board', set: { profile: 'wifi-34' }, say: 'controller: Wi-Fi module, 34 GPIO' },
    ...LOW_VOLTAGE,
    { do: 'tick', step: 'own-supply.valve', title: 'the valve’s supply is class II, 24 V', on: true },
    {
      do: 'put',
      list: 'act.parts',
      item: {
        ...freshPart('valve', 'valve'),
        kind: 'while-held',
        heeds: [{ press: 'valve', other: false, as: 'press' }],
        shortestPressSeconds: 0.05,
        longestPressSeconds: 3600,
        leastGapSeconds: 1,
        shows: [{ state: 'on', watts: 9, light: false, sound: true, warm: false }],
      },
      say: 'it is open while it is fed',
    },
    {
      do: 'put',
      list: 'act.moves',
      item: {
        ...freshMove('fill', 'fill'),
        purpose: 'start',
        steps: [
          stepOf('look', { sense: 'full', is: false, orElse: 'end' }),
          stepOf('press', { press: 'valve', seconds: FILL_SECONDS }),
        ],
      },
      say: 'move: unless it is full, open the valve for as long as 45 litres take',
    },
    {
      do: 'put',
      list: 'wish.nevers',
      item: never('open', 'lasts-longer', {
        state: 'on',
        seconds: 330,
        harm: 'goods',
        whom: 'the store room under it',
      }),
      say: 'never open for longer than 330 s',
    },
    {
      do: 'set',
      at: 'guard',
      set: {
        cutOff: 'timer-relay',
        endTimer: { seconds: 290, amps: 16 },
        place: 'damp',
        loads: [{ press: 'valve', watts: 9, kind: 'solenoid', volts: 24, current: 'dc' }],
        watchdogSeconds: 8,
        chains: [
          {
            ...freshOf(chainFields),
            ...{ press: 'valve', wires: 0.5e-6, terminalAmps: 10, duty: 'short', suppressor: 'diode' },
          },
        ],
      },
      say: 'a timer relay behind the contact ends it after 290 s, whatever feeds it',
    },
    {
      do: 'set',
      at: 'routine',
      set: {
        sentences: [
          sentenceAt('05:30', { id: 'fill', move: 'fill', days: EVERY_DAY }),
          sentenceAt('12:00', {
            ...{ id: 'leaks', when: 'sense', sense: 'full', says: true, forSeconds: 7200, days: [] },
            ...{ does: 'call', gapSeconds: 86400 },
          }),
        ],
        limits: [
          {
            ...{ id: 'longest', kind: 'longest-on', press: 'valve', otherPress: '', move: '', sense: '' },
            ...{ seconds: 280, count: 1 },
          },
          {
            ...{ id: 'rests', kind: 'least-off', press: 'valve', otherPress: '', move: '', sense: '' },
            ...{ seconds: 1800, count: 1 },
          },
        ],
        amounts: [
          {
            ...{ id: 'filling', name: 'filling', press: 'valve', litres: 45, off: 0.02, fits: 90, aDay: 45 },
            pours: [
              { litres: 10, seconds: 56 },
              { litres: 10, seconds: 57.5 },
              { litres: 10, seconds: 56.5 },
            ],
          },
        ],
      },
      say: 'at 05:30 every day; the program itself ends it after 280 s and lets it rest for half an hour',
    },
  )
  .placeAll()
  .drilled(2, 'the head cook', 'whoever opens it by hand stands beside it')
  .write('ice-bath-valve');
