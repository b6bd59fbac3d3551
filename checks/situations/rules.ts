import {
  freshNever,
  freshMove,
  sentenceAt,
  stepOf,
  type Job,
  type RoutineLimit,
  type Mode,
  type Move,
  type Sentence,
} from '../../core/ground/job';
import { BUTTON, hand, machine, put, sense, type Situation } from './situation';

const EVERY_DAY = [1, 2, 3, 4, 5, 6, 7];
const rule = (id: string, set: Partial<Sentence> = {}): Sentence =>
  sentenceAt('12:00', { id, days: EVERY_DAY, ...set });
const mode = (id: string, set: Partial<Mode> = {}): Mode => ({
  ...{ id, name: id, on: false, holds: 'nothing' as const, endsSeconds: 3600 },
  ...set,
});
const limit = (kind: RoutineLimit['kind'], set: Partial<RoutineLimit> = {}): RoutineLimit => ({
  ...{ id: kind, kind, press: '', otherPress: '', move: '', sense: '', seconds: 60, count: 1 },
  ...set,
});
const routine =
  (set: Partial<Job['routine']>) =>
  (j: Job): Job =>
    put(j, 'routine', set);
const press = stepOf('press', { press: BUTTON.presses[0]!.id, seconds: 0.3 });
const move = (id: string, purpose: Move['purpose'], steps = [press]): Move => ({
  ...freshMove(id, id),
  purpose,
  steps,
});
const named = (job: Job, hazards: Job['wish']['hazards']): Job => put(job, 'wish', { hazards, hazardsReviewed: true });

/** A machine that a press starts and that ends by itself, begun every noon; nobody is hurt by it. */
const NOON = routine({ sentences: [rule('noon')] })(
  put(machine({ kind: 'starts-and-stops-itself', runSeconds: 600 })(named(BUTTON, [])), 'act', {
    moves: [move('begin', 'start')],
  }),
);
/** The same by a sense that is read on a pin. */
const BY_SENSE = routine({
  sentences: [rule('full', { when: 'sense', sense: 'told' })],
})(sense(NOON, { kind: 'contact', tells: 'at-rest', highVolts: null, debounceSeconds: 0.05 }));
const PLACED = put(NOON, 'region', { latitude: 51.5, longitude: -0.1 });
const TWO_MOVES = put(NOON, 'act', { moves: [move('begin', 'start'), move('end', 'stop')] });
const MODES = routine({
  sentences: [rule('noon'), rule('out', { at: '08:00', does: 'mode-on', sets: 'away' })],
  modes: [mode('away')],
})(NOON);

/** What must never be green of rules, modes and limits. */
export const OF_RULES: readonly Situation[] = [
  {
    what: 'a rule by the sun at a place that nobody said',
    source: 'arithmetic: sunset moves by four minutes a degree of longitude',
    sound: NOON,
    make: routine({ sentences: [rule('noon', { when: 'sun' })] }),
    rooms: ['routine'],
  },
  {
    what: 'a rule by a sunset that does not come for weeks',
    source: 'NREL/TP-560-34302: beyond 65.7 degrees there are days without rise and set',
    sound: routine({ sentences: [rule('noon', { when: 'sun' })] })(PLACED),
    make: (j) => put(j, 'region', { latitude: 69.6, longitude: 19 }),
    rooms: ['routine'],
  },
  {
    what: 'a rule whose window leaves its own time out',
    source: 'common practice: a rule that never acts is found by nobody',
    sound: NOON,
    make: routine({
      sentences: [
        rule('noon', { ifs: [{ kind: 'window', is: true, from: '13:00', until: '14:00', sense: '', mode: '' }] }),
      ],
    }),
    rooms: ['routine'],
  },
  {
    what: 'a rule that hears a sense that is not named',
    source: 'arithmetic',
    sound: BY_SENSE,
    make: routine({ sentences: [rule('full', { when: 'sense' })] }),
    rooms: ['routine'],
  },
  {
    what: 'a rule on holidays, of which none is named',
    source: 'arithmetic',
    sound: NOON,
    make: routine({ sentences: [rule('noon', { dates: 'holidays' })] }),
    rooms: ['routine'],
  },
  {
    what: 'a rule before events of a calendar that has ended',
    source: 'common practice: a calendar is brought once and forgotten',
    sound: routine({
      sentences: [rule('noon', { when: 'event', aheadSeconds: 600 })],
      events: [{ id: 'e', name: 'delivery', at: '2027-01-01T10:00:00Z' }],
    })(NOON),
    make: routine({ events: [{ id: 'e', name: 'delivery', at: '2020-01-01T10:00:00Z' }] }),
    rooms: ['routine'],
  },
  {
    what: 'a rule that waits for a mode which nothing puts on',
    source: 'common practice',
    sound: MODES,
    make: routine({
      sentences: [rule('noon', { when: 'mode', mode: 'away' })],
    }),
    rooms: ['routine'],
  },
  {
    what: 'modes that put each other on and off for ever',
    source: 'common practice: rules that set each other off drain cells and wear contacts',
    sound: MODES,
    make: routine({
      sentences: [
        rule('noon'),
        rule('a', { when: 'mode', mode: 'away', says: true, does: 'mode-off', sets: 'away' }),
        rule('b', { when: 'mode', mode: 'away', says: false, does: 'mode-on', sets: 'away' }),
      ],
    }),
    rooms: ['routine'],
  },
  {
    what: 'a mode that holds back and that nothing ends',
    source: 'common practice: the machine is dead for a fortnight and nobody knows why',
    sound: routine({ modes: [mode('away', { holds: 'comfort' })] })(MODES),
    make: routine({ modes: [mode('away', { holds: 'comfort', endsSeconds: null })] }),
    rooms: ['routine'],
  },
  {
    what: 'a mode that locks people out where there is no stop',
    source: 'ISO 13850: a stop goes before everything',
    sound: MODES,
    make: routine({ modes: [mode('away', { holds: 'hands' })] }),
    rooms: ['routine'],
  },
  {
    what: 'on and off by two rules, of which the second can get lost, and water runs',
    source: 'common practice: a lost “off” waters for a fortnight',
    sound: named(TWO_MOVES, []),
    make: (j) =>
      machine({ kind: 'on-and-off', runSeconds: null, timerSeconds: null })(
        routine({ sentences: [rule('noon', { move: 'begin' }), rule('late', { at: '12:10', move: 'end' })] })(
          named(j, ['water']),
        ),
      ),
    rooms: ['routine'],
  },
  {
    what: 'on by a rule and off by none',
    source: 'common practice',
    sound: named(TWO_MOVES, []),
    make: machine({ kind: 'on-and-off', runSeconds: null, timerSeconds: null }),
    rooms: ['routine'],
  },
  {
    what: 'opposite moves within the machine’s own time',
    source: 'common practice: the second finds the machine under way and is missed',
    sound: TWO_MOVES,
    make: routine({ sentences: [rule('noon', { move: 'begin' }), rule('after', { at: '12:05', move: 'end' })] }),
    rooms: ['routine'],
  },
  {
    what: 'a door’s move that was held back and comes hours later',
    source: 'ISO 12100: unexpected start-up',
    sound: named(NOON, ['moving-door']),
    make: routine({ sentences: [rule('noon', { whenHeld: 'kept' })] }),
    rooms: ['routine'],
  },
  {
    what: 'a heater begun by a sense that nobody armed',
    source: 'common practice: unattended heat wants somebody who filled it',
    sound: hand(named(BY_SENSE, []), { kind: 'arm', latching: true, asks: [] }),
    make: (j) => named(j, ['unattended-heat']),
    rooms: ['routine'],
  },
  {
    what: 'an alarm of this program as what keeps people from gas',
    source: 'EN 50291, EN 50194: detectors that protect people are tested as a whole',
    sound: BY_SENSE,
    make: (j) =>
      routine({ sentences: [rule('full', { when: 'sense', sense: 'told', tier: 'safety' })] })(named(j, ['gas'])),
    rooms: ['routine'],
  },
  {
    what: 'an alarm by message that may fall silent',
    source: 'common practice: no news is no good news',
    sound: BY_SENSE,
    make: (j) =>
      routine({ sentences: [rule('full', { when: 'sense', sense: 'told', tier: 'lock-out' })] })(
        sense(j, { kind: 'message', highVolts: null, topic: 'house/full', staleSeconds: null }),
      ),
    rooms: ['routine'],
  },
  {
    what: 'a limit that cuts its own move off',
    source: 'arithmetic',
    sound: routine({ limits: [limit('longest-on', { press: press.press, seconds: 5 })] })(NOON),
    make: routine({ limits: [limit('longest-on', { press: press.press, seconds: 0.2 })] }),
    rooms: ['routine'],
  },
  {
    what: 'a limit that cuts off a press which goes on from step to step, each of which is short enough',
    source: 'arithmetic: what stays closed over a step is one press',
    sound: routine({ limits: [limit('longest-on', { press: press.press, seconds: 5 })] })(NOON),
    make: (j) =>
      put({ ...j, presses: [...j.presses, { ...j.presses[0]!, id: 'beside', name: 'beside' }] }, 'act', {
        moves: j.act.moves.map((m) => ({
          ...m,
          steps: [
            { ...press, seconds: 3 },
            { ...press, seconds: 3, also: ['beside'] },
          ],
        })),
      }),
    rooms: ['routine'],
  },
  {
    what: 'only if armed, where nothing arms',
    source: 'arithmetic: it never starts',
    sound: NOON,
    make: routine({ limits: [limit('only-armed')] }),
    rooms: ['routine'],
  },
  {
    what: 'fewer starts a day than its own sentences ask for',
    source: 'arithmetic',
    sound: routine({ limits: [limit('a-day', { count: 2 })] })(NOON),
    make: routine({ sentences: [rule('noon'), rule('two', { at: '14:00' }), rule('six', { at: '18:00' })] }),
    rooms: ['routine'],
  },
  {
    what: 'a rule whose move may leave on what stays on, and nobody said what it is for',
    source: 'nothing follows from what is not known',
    sound: put(machine({ kind: 'flips', runSeconds: null })(NOON), 'guard', { cutOff: 'own-end' }),
    make: (j) => put(put(j, 'act', { moves: [move('begin', 'other')] }), 'guard', { cutOff: 'none' }),
    rooms: ['routine'],
  },
  {
    what: 'a limit that only a program keeps, where a door moves',
    source: 'ISO 13849-1: a single channel without monitoring',
    sound: routine({ limits: [limit('longest-on', { press: press.press, seconds: 5 })] })(NOON),
    make: (j) => named(j, ['moving-door']),
    rooms: ['routine'],
  },
  {
    what: 'a state that the moves of one day leave behind for the next',
    source: 'common practice: each move is right by itself, and the day is not',
    sound: put(NOON, 'wish', {
      nevers: [
        {
          ...freshNever('n', 'lasts-longer'),
          state: 'running',
          seconds: 700,
        },
      ] as Job['wish']['nevers'],
    }),
    make: machine({ kind: 'flips', runSeconds: null }),
    rooms: ['act'],
  },
];
