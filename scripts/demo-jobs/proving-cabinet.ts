import { freshOf } from '../../core/ground/field';
import { legsOf } from '../../core/engines/trace';
import {
  BENCH_MAINS,
  chainFields,
  freshHand,
  freshMove,
  freshPart,
  freshPress,
  freshSense,
  sentenceAt,
  stepOf,
} from '../../core/ground/job';
import { loopEdit, roomFrom } from '../../core/rooms/sense';
import { LOW_VOLTAGE, Maker, never, recordingOf } from '../demo-maker';
import { warmRecording } from '../demo-recordings';

/** An old cabinet with a heater and no thermostat that works: held at 27 °C on baking mornings, its old cut-out left in series. */
const log = warmRecording(23, '2026-11-28T20:00:00Z');
const maker = new Maker(
  'demo-proving-cabinet',
  {
    title: 'Proving cabinet',
    outcome: 'dough stands at 27 °C',
    when: '04:00 to 10:00 on baking days',
    never: 'get hotter than 35 °C',
  },
  '2026-11-29',
)
  .edit(
    {
      do: 'set',
      at: 'wish',
      set: { hazards: ['unattended-heat'], hazardsReviewed: true, others: 'the bakers' },
      say: 'hazards: heat while nobody watches; its mat is of 24 V',
    },
    {
      do: 'set',
      at: 'survey',
      set: { mains: { ...BENCH_MAINS, feed: 'none' } },
      say: 'nothing of it is on mains but its plug-in supply',
    },
  )
  .edit(
    {
      do: 'put',
      list: 'presses',
      item: { ...freshPress('heater', 'heater'), way: 'relay-contact' },
      say: 'its heating mat of 24 V is fed through a relay, in series with its old cut-out',
    },
    {
      do: 'put',
      list: 'senses',
      item: {
        ...freshSense('cabinet', 'cabinet thermometer'),
        kind: 'temperature',
        touches: 'own',
        tells: 'other',
        meaning: 'it is warm enough',
        closedThen: true,
        limit: { over: 27.5, under: 26, holdSeconds: 0 },
        debounceSeconds: 20,
        place: 'at-it',
        lead: { metres: 2, beside: 'apart', pullUpOhms: null, filtered: false, devices: 1 },
      },
      say: 'a thermometer where the dough stands',
    },
    {
      do: 'put',
      list: 'hands',
      item: { ...freshHand('off', 'off switch'), kind: 'stop', latching: true, pullUpOhms: 10e3 },
      say: 'a switch that keeps it off',
    },
    { do: 'set', at: 'board', set: { profile: 'wifi-34' }, say: 'controller: Wi-Fi module, 34 GPIO' },
    ...LOW_VOLTAGE,
    { do: 'tick', step: 'own-supply.heater', title: 'the mat’s supply is class II, 24 V', on: true },
    {
      do: 'put',
      list: 'act.parts',
      item: {
        ...freshPart('heater', 'heater'),
        kind: 'while-held',
        heeds: [{ press: 'heater', other: false, as: 'press' }],
        shortestPressSeconds: 0.05,
        longestPressSeconds: 7200,
        leastGapSeconds: 1,
        shows: [{ state: 'on', watts: 60, light: false, sound: false, warm: true }],
      },
      say: 'it warms while it is fed',
    },
    {
      do: 'put',
      list: 'act.moves',
      item: {
        ...freshMove('warm', 'warm up'),
        purpose: 'start',
        steps: [stepOf('hold', { press: 'heater', sense: 'cabinet', is: true, seconds: 2700, orElse: 'call' })],
      },
      say: 'move: feed the heater until it is warm enough, for 45 min at most',
    },
    {
      do: 'set',
      at: 'guard',
      set: {
        cutOff: 'timer-relay',
        endTimer: { seconds: 3100, amps: 16 },
        place: 'dry',
        loads: [{ press: 'heater', watts: 60, kind: 'resistive', volts: 24, current: 'dc' }],
        watchdogSeconds: 8,
        chains: [{ ...freshOf(chainFields), press: 'heater', wires: 0.75e-6, terminalAmps: 10, duty: 'hours' }],
      },
      say: 'a timer relay ends each press after 52 min; its old cut-out of 32 °C stays in series',
    },
    {
      do: 'put',
      list: 'wish.nevers',
      item: never('hot', 'gets-warmer', {
        sense: 'cabinet',
        degrees: 35,
        harm: 'person',
        whom: 'whoever sleeps over the bakery',
      }),
      say: 'never warmer than 35 °C',
    },
    {
      do: 'set',
      at: 'routine',
      set: {
        modes: [{ id: 'baking', name: 'baking', on: false, holds: 'nothing', endsSeconds: 6 * 3600 }],
        sentences: [
          sentenceAt('04:00', { id: 'begin', does: 'mode-on', sets: 'baking', days: [2, 4, 6], move: '' }),
          sentenceAt('12:00', { id: 'first', when: 'mode', mode: 'baking', says: true, days: [], move: 'warm' }),
          sentenceAt('12:00', {
            ...{ id: 'again', when: 'sense', sense: 'cabinet', says: false, days: [], move: 'warm' },
            ifs: [{ kind: 'mode', is: true, from: '00:00', until: '00:00', sense: '', mode: 'baking' }],
          }),
        ],
        limits: [
          {
            ...{ id: 'least', kind: 'least-on', press: 'heater', otherPress: '', move: '', sense: '' },
            ...{ seconds: 60, count: 1 },
          },
          {
            ...{ id: 'longest', kind: 'longest-on', press: 'heater', otherPress: '', move: '', sense: '' },
            ...{ seconds: 3000, count: 1 },
          },
        ],
      },
      say: 'on baking days it is warm from 04:00 for six hours',
    },
  )
  .placeAll()
  .kept([{ name: 'proving-cabinet-warm-and-cool.csv', text: log, shows: 'empty: warmed for 80 minutes, then left' }]);
const recording = maker.job.recordings[0]!;
const room = roomFrom(legsOf(recordingOf(log)), 'warms');
if (!room.ok) throw new Error(room.why);
const loop = {
  ...room.numbers,
  name: 'proving',
  sense: 'cabinet',
  part: 'heater',
  deadSeconds: 150,
  highest: 35,
  lowest: null,
  cutsOffAt: 32,
  backAt: 28,
};
maker
  .edit(loopEdit(maker.job, recording, 'warms', loop, 'proving'))
  .drilled(1)
  .write('proving-cabinet');
