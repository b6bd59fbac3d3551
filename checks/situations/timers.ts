import { freshPress, stepOf, withSteps, type GuardRecord, type Job } from '../../core/ground/job';
import { machined } from '../../core/testing/jobs';
import { BUTTON, edit, put, type Situation } from './situation';

const MINUTES = 60;
/** A fill valve of 24 V that runs for ten minutes, behind a relay and a timer relay that ends it after eleven and a half. */
const VALVE: Job = put(
  edit(
    machined(
      {
        ...BUTTON,
        presses: [],
        controls: [],
        readings: [],
        act: { ...BUTTON.act, moves: [] },
        board: { ...BUTTON.board, pins: [] },
        wish: { ...BUTTON.wish, hazards: ['water'], hazardsReviewed: true },
      },
      { kind: 'while-held', longestPressSeconds: null },
    ),
    { do: 'put', list: 'presses', item: { ...freshPress('valve', 'valve'), way: 'relay-contact' } },
    withSteps({ act: { ...BUTTON.act, moves: [] } }, [stepOf('press', { press: 'valve', seconds: 10 * MINUTES })], 'x'),
    { do: 'tick', step: 'press-again', title: 'x', on: true },
  ),
  'guard',
  {
    cutOff: 'timer-relay',
    endTimer: { seconds: 11.5 * MINUTES, amps: 16 },
    loads: [{ press: 'valve', watts: 12, kind: 'solenoid', volts: 24, current: 'ac' }],
  },
);
const timer = (job: Job, set: Partial<GuardRecord['endTimer']>): Job =>
  put(job, 'guard', { endTimer: { ...job.guard.endTimer, ...set } });
const timed = (job: Job): boolean => job.guard.cutOff === 'timer-relay';

/** What must never be green of a timer relay that ends a press of minutes. */
export const OF_TIMERS: readonly Situation[] = [
  {
    what: 'a timer relay of which nobody said to what it is set',
    source: 'a dial that nobody set ends nothing',
    sound: VALVE,
    make: (j) => timer(j, { seconds: null }),
    holds: timed,
    rooms: ['guard'],
  },
  {
    what: 'a timer relay that may open before the press of the script is over',
    source: 'IEC 61812-1: setting accuracy of a time relay',
    sound: VALVE,
    make: (j) => timer(j, { seconds: 10.5 * MINUTES }),
    holds: timed,
    rooms: ['guard'],
  },
  {
    what: 'a timer relay that lets a press of ten minutes run for half an hour',
    source: 'twice the longest press, where nobody said what may be',
    sound: VALVE,
    make: (j) => timer(j, { seconds: 30 * MINUTES }),
    holds: timed,
    rooms: ['guard'],
  },
  {
    what: 'a timer relay that opens later than what was said never to last',
    source: 'the condition of the maker',
    sound: VALVE,
    make: (j) =>
      edit(j, {
        do: 'put',
        list: 'wish.nevers',
        item: {
          ...{ id: 'n', kind: 'output-longer', state: '', other: '', otherPress: '', count: 1 },
          press: 'valve',
          seconds: 12 * MINUTES,
        },
      }),
    holds: timed,
    rooms: ['guard'],
  },
  {
    what: 'a timer relay of which nobody said what its contact carries',
    source: 'its contact stands in the same lead as that of the press',
    sound: VALVE,
    make: (j) => timer(j, { amps: null }),
    holds: timed,
    rooms: ['guard'],
  },
  {
    what: 'a timer relay of 0.5 A before a valve that draws more',
    source: '12 W at 24 V, of which a contact breaks a part',
    sound: VALVE,
    make: (j) => timer(j, { amps: 0.5 }),
    holds: timed,
    rooms: ['guard'],
  },
  {
    what: 'a timer relay before a load of 5 V, which feeds none',
    source: 'common practice: timer relays run on 12 V or more',
    sound: VALVE,
    make: (j) => put(j, 'guard', { loads: j.guard.loads.map((l) => ({ ...l, volts: 5, current: 'dc' })) }),
    holds: timed,
    rooms: ['guard'],
  },
  {
    what: 'a timer relay that is asked to end the press of a button, whose signal feeds none',
    source: 'a timer relay runs on what the contact switches',
    sound: put(BUTTON, 'wish', { hazards: ['unattended-heat'], hazardsReviewed: true }),
    make: (j) => put(j, 'guard', { cutOff: 'timer-relay', endTimer: { seconds: 1, amps: 8 } }),
    holds: timed,
    rooms: ['guard'],
  },
];
