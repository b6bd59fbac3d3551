import { freshNever, sentenceAt } from '../../core/ground/job';
import type { Fault, Job, MachinePart, Never } from '../../core/ground/job';
import {
  BUTTON,
  RELAY,
  edit,
  hand,
  machine,
  moves,
  onPin,
  pressed,
  put,
  sense,
  sign,
  type Situation,
} from './situation';

/** What must never happen, as a condition. */
const never = (job: Job, condition: Never): Job => put(job, 'wish', { nevers: [condition] });
const routine = (job: Job, set: { at?: string; ifArmed?: boolean; move?: string } = {}): Job =>
  put(job, 'routine', {
    sentences: [sentenceAt('12:00', { id: 's', days: [1, 2, 3, 4, 5], ifArmed: true, ...set })],
  });
const NEVER: Never = { ...freshNever('n', 'lasts-longer'), seconds: 0 };
/** Armed by a switch before a clock starts it. */
const ARMED = routine(hand(BUTTON, { kind: 'arm', latching: true, asks: [] }));
/** A contact that is closed at rest, read with a settling time and a pull-up. */
const SENSED = sense(BUTTON, { kind: 'contact', tells: 'at-rest', highVolts: null, debounceSeconds: 0.05 });
const TOLD = sense(BUTTON, { kind: 'message', highVolts: null, topic: 'house/rest', staleSeconds: 120 });

const flipped: Partial<MachinePart> = { kind: 'flips', runSeconds: null };
const fault =
  (kind: Fault['kind'], set: Partial<Fault> = {}) =>
  (j: Job): Job =>
    edit(j, { do: 'put', list: 'act.faults', item: { id: 'f', kind, atSeconds: 1, seconds: 0, of: '', ...set } });

/** What must never be green of people, senses and the course of time. */
export const OF_PEOPLE: readonly Situation[] = [
  {
    what: 'a machine that every press turns over, pressed blind',
    source: 'arithmetic: one missed press and all that follows is the other way round',
    sound: SENSED,
    make: (j) =>
      machine(flipped)({
        ...j,
        senses: [],
        board: { ...j.board, pins: j.board.pins.filter((p) => p.line !== 'told') },
      }),
    rooms: ['act', 'sense'],
  },
  {
    what: 'a message that is never stale',
    source: 'a sender that fell silent, common practice',
    sound: TOLD,
    make: (j) => sense(j, { kind: 'message', highVolts: null, topic: 'house/rest', staleSeconds: null }),
    rooms: ['sense'],
  },
  {
    what: 'a sense that must wake a sleeping controller on a pin that cannot',
    source: 'abilities of the chip',
    sound: SENSED,
    make: (j) =>
      onPin(
        sense(j, { kind: 'contact', tells: 'at-rest', highVolts: null, wakes: true, debounceSeconds: 0.05 }),
        3,
        'told',
      ),
    rooms: ['board', 'sense'],
  },
  {
    what: 'two lines at a pin, one of them a sense',
    source: 'common practice',
    sound: SENSED,
    make: (j) => onPin(j, 5, 'told'),
    rooms: ['board'],
  },
  {
    what: 'pulses of 24 V at a pin',
    source: 'absolute maximum V_DD + 0.3 V',
    sound: sense(BUTTON, { kind: 'pulses', highVolts: 3.3 }),
    make: (j) => sense(j, { kind: 'pulses', highVolts: 24 }),
    rooms: ['sense', 'board'],
  },
  {
    what: 'the light of a lamp of 48 V as a level',
    source: 'absolute maximum V_DD + 0.3 V',
    sound: sense(BUTTON, { kind: 'light', highVolts: 3.3 }),
    make: (j) => sense(j, { kind: 'light', highVolts: 48 }),
    rooms: ['sense', 'board', 'guard'],
  },
  {
    what: 'a start that a clock asks for, of a heater that nobody armed',
    source: 'IEC 60335-1: remote operation of heating appliances wants arming',
    sound: ARMED,
    make: (j) => routine(j, { ifArmed: false }),
    rooms: ['routine'],
  },
  {
    what: 'a start that asks for arming where no switch arms',
    source: 'common practice',
    sound: ARMED,
    make: () => routine(BUTTON, { ifArmed: true }),
    rooms: ['routine'],
  },
  {
    what: 'one arming for any number of starts of a heater',
    source: 'once filled, once started: IEC 60335-1 §19, dry heating',
    sound: hand(ARMED, { kind: 'arm', latching: true, asks: [], startsPerArming: 1 }),
    make: (j) => hand(j, { kind: 'arm', latching: true, asks: [], startsPerArming: null }),
    rooms: ['routine', 'act', 'sense', 'guard'],
  },
  {
    what: 'a hand on a pin without a pull-up of its own and with none inside',
    source: 'floating input',
    sound: hand(BUTTON, {}),
    make: (j) => hand(j, { pullUpOhms: null }, 16),
    rooms: ['board', 'sense'],
  },
  {
    what: 'a stop that makes no press and ends no move',
    source: 'ISO 13850: a stop must stop',
    sound: hand(moves(RELAY, ['press', 0.2]), { kind: 'stop', asks: [] }),
    make: (j) => machine({ kind: 'on-and-off' })(j),
    rooms: ['act', 'sense'],
  },
  {
    what: 'a pull-up of 1 MΩ at a hand',
    source: 'leakage of a pin of 1 µA and disturbance of a lead: 10 kΩ and less in practice',
    sound: hand(BUTTON, {}),
    make: (j) => hand(j, { pullUpOhms: 1e6 }),
    rooms: ['sense', 'board'],
  },
  {
    what: 'a lamp of 40 mA from a pin',
    source: '12 mA a pin',
    sound: sign(BUTTON, {}),
    make: (j) => sign(j, { amps: 0.04 }),
    rooms: ['board', 'sense', 'thumb'],
  },
  {
    what: 'a lamp with 100 kΩ, which nobody sees',
    source: 'Ohm: 13 µA',
    sound: sign(BUTTON, {}),
    make: (j) => sign(j, { resistorOhms: 100e3 }),
    rooms: ['board', 'sense', 'thumb'],
  },
  {
    what: 'a beeper of 12 V switched on 5 V',
    source: 'rated voltage',
    sound: sign(BUTTON, { kind: 'beeper', amps: 0.03, volts: 5 }),
    make: (j) => sign(j, { kind: 'beeper', amps: 0.03, volts: 12 }),
    rooms: ['feed', 'board', 'sense', 'thumb'],
  },
  {
    what: 'never on for more than half a minute, and it runs for a minute',
    source: 'arithmetic',
    sound: machine({ runSeconds: 10 })(
      never(BUTTON, { ...NEVER, kind: 'lasts-longer', state: 'running', seconds: 30 }),
    ),
    make: (j) => machine({ runSeconds: 60 })(j),
    rooms: ['act', 'guard'],
  },
  {
    what: 'a press while it is deaf',
    source: 'arithmetic',
    sound: machine({ kind: 'flips', runSeconds: null })(moves(BUTTON, ['press', 0.2])),
    make: (j) =>
      machine({ kind: 'starts-and-stops-itself', runSeconds: 60, deafWhileBusy: true })(
        moves(j, ['press', 0.2], ['wait', 2], ['press', 0.2]),
      ),
    rooms: ['act'],
  },
  {
    what: 'a power cut in mid-run of a machine that comes back as it was',
    source: 'IEC 60335-1 §22: unexpected restart',
    sound: BUTTON,
    make: (j) => fault('power-cut', { seconds: 20 })(machine({ afterPowerCut: 'as-before' })(j)),
    holds: (j) => j.wish.hazards.includes('unattended-heat'),
    rooms: ['act', 'guard'],
  },
  {
    what: 'a welded contact',
    source: 'IEC 61810-1: contacts weld at inrush',
    sound: RELAY,
    make: (j) => fault('welded')(machine({ kind: 'while-held', runSeconds: null, longestPressSeconds: 60 })(j)),
    rooms: ['act', 'guard'],
  },
  {
    what: 'hold a press until a sense says so, which nothing ever says',
    source: 'arithmetic',
    sound: machine({ kind: 'while-held', runSeconds: null, longestPressSeconds: 60 })(SENSED),
    make: (j) =>
      edit(j, {
        do: 'put',
        list: 'act.moves',
        item: {
          ...j.act.moves[0]!,
          steps: [{ ...j.act.moves[0]!.steps[0]!, do: 'hold', sense: '', seconds: 30 }],
        },
      }),
    rooms: ['act'],
  },
  {
    what: 'a press of an hour',
    source: 'arithmetic',
    sound: BUTTON,
    make: (j) => moves(j, ['press', 3600]),
    rooms: ['act', 'guard'],
  },
  {
    what: 'a door of two parts of which the second is pressed by nothing',
    source: 'common practice',
    sound: BUTTON,
    make: (j) =>
      edit(j, {
        do: 'put',
        list: 'act.parts',
        item: { ...j.act.parts[0]!, id: 'two', name: 'two', kind: 'unknown', heeds: [] },
      }),
    rooms: ['act'],
  },
  {
    what: 'a relay’s press of a machine that takes 5 ms and no more',
    source: 'release with a diode, up to 3 times 6 ms',
    sound: pressed(RELAY, {}),
    make: (j) => moves(machine({ shortestPressSeconds: 0.001, longestPressSeconds: 0.005 })(j), ['press', 0.004]),
    rooms: ['act'],
  },
];
