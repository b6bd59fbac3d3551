import {
  freshNever,
  freshPress,
  stepOf,
  withSteps,
  type GuardRecord,
  type Job,
  type Never,
  type NeverKind,
} from '../../core/ground/job';
import { machined } from '../../core/testing/jobs';
import { HEATER } from './switched';
import { BUTTON, EMPTY, edit, pressed, put, type Situation } from './situation';

const MINUTES = 60;
/** A fill valve of 24 V that runs for ten minutes, behind a relay and a timer relay that ends it after eleven and a half. */
const VALVE: Job = put(
  edit(
    machined(
      { ...EMPTY, wish: { ...EMPTY.wish, hazards: ['water'], hazardsReviewed: true } },
      { kind: 'while-held', longestPressSeconds: null },
    ),
    { do: 'put', list: 'presses', item: { ...freshPress('valve', 'valve'), way: 'relay-contact' } },
    withSteps(EMPTY, [stepOf('press', { press: 'valve', seconds: 10 * MINUTES })], 'x'),
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
const never = (kind: NeverKind, seconds: number, press = ''): Never => ({
  ...freshNever('n', kind),
  ...{ state: 'open', press, seconds },
});
/** A button that was never to be held for longer than a second, and a one-shot that ends it before. */
const LIMITED: Job = edit(BUTTON, {
  do: 'put',
  list: 'wish.nevers',
  item: never('output-longer', 1, BUTTON.presses[0]!.id),
});
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
        item: never('output-longer', 12 * MINUTES, 'valve'),
      }),
    holds: timed,
    rooms: ['guard'],
  },
  {
    what: 'a timer relay that lets a valve stand open for longer than what was said of its state',
    source: 'the condition of the maker: what runs while it is fed is in its state for as long',
    sound: VALVE,
    make: (j) => edit(j, { do: 'put', list: 'wish.nevers', item: never('lasts-longer', 12 * MINUTES) }),
    holds: timed,
    rooms: ['guard'],
  },
  {
    what: 'a timer relay behind a contact that is closed at rest',
    source: 'it opens once and stays open: the machine is cut off for good',
    sound: put(pressed(HEATER, { supply: { resumes: 'yes', atRest: 'open' } }), 'guard', {
      cutOff: 'timer-relay',
      endTimer: { seconds: 1, amps: 30 },
    }),
    make: (j) => pressed(j, { supply: { resumes: 'yes', atRest: 'closed' } }),
    holds: timed,
    rooms: ['guard'],
  },
  {
    what: 'a press that was never to last so long, whose one-shot cannot stand before a servo',
    source: 'no monostable ends pulses',
    sound: LIMITED,
    make: (j) => pressed(j, { way: 'finger' }),
    rooms: ['act'],
  },
  {
    what: 'a press that goes on from step to step for longer than what was said',
    source: 'two steps that press the same without a wait are one press',
    sound: LIMITED,
    make: (j) => {
      const press = j.presses[0]!.id;
      const other = { ...freshPress('other', 'other'), control: j.presses[0]!.control };
      const second = edit(j, { do: 'put', list: 'presses', item: other });
      return edit(
        second,
        withSteps(
          second,
          [stepOf('press', { press, seconds: 0.7 }), stepOf('press', { press, also: ['other'], seconds: 0.7 })],
          'x',
        ),
      );
    },
    rooms: ['act'],
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
