import { sentenceAt, type Amount, type Job, type Loop, type RoutineLimit, type Sense } from '../../core/ground/job';
import { demoJob } from '../../core/testing/jobs';
import { put, type Situation } from './situation';

/** A cabinet that is held at 27 °C by rules of its thermometer, and a valve that lets 45 litres in. */
const DEMO = demoJob('proving-cabinet');
/** Its own regulator taken out: what nothing else ends has to be told. */
const CABINET: Job = {
  ...DEMO,
  routine: { ...DEMO.routine, loops: DEMO.routine.loops.map((l) => ({ ...l, cutsOffAt: null, backAt: null })) },
};
const VALVE = demoJob('ice-bath-valve');
const routine =
  (set: (r: Job['routine']) => Partial<Job['routine']>) =>
  (j: Job): Job =>
    put(j, 'routine', set(j.routine));
const loop = (set: Partial<Loop>) => routine((r) => ({ loops: r.loops.map((l) => ({ ...l, ...set })) }));
const amount = (set: Partial<Amount>) => routine((r) => ({ amounts: r.amounts.map((a) => ({ ...a, ...set })) }));
const sensed =
  (set: Partial<Sense>) =>
  (j: Job): Job => ({ ...j, senses: j.senses.map((s) => (s.kind === 'temperature' ? { ...s, ...set } : s)) });
const bound = (kind: RoutineLimit['kind'], press: string, seconds: number): RoutineLimit => ({
  ...{ id: `${kind}-${press}`, kind, press, otherPress: '', move: '', sense: '', seconds, count: 1 },
});
const pours = (...seconds: number[]): Amount['pours'] => seconds.map((s) => ({ litres: 10, seconds: s }));
/** The same cabinet as a cooler: its thermometer says so while it is cold enough. */
const COOLER = sensed({ closedThen: false, limit: { over: 6, under: 4, holdSeconds: 0 } })(
  loop({ way: 'cools', kelvin: 25, around: 20, highest: 10, lowest: 0, tauSeconds: 7200 })(
    routine((r) => ({ limits: r.limits.filter((l) => l.kind !== 'longest-on') }))(CABINET),
  ),
);
const ROUTINE = ['routine'] as const;

/** What must never be green of what is warmed, cooled or let flow by time. */
export const OF_WARMTH: readonly Situation[] = [
  {
    what: 'a heater that never gets as warm as where it is to end',
    source: 'arithmetic: a first-order room comes to what is around it and what its work adds',
    sound: CABINET,
    make: loop({ kelvin: 6 }),
    rooms: ROUTINE,
  },
  {
    what: 'a heater with nothing to do, since it is as warm around it',
    source: 'arithmetic',
    sound: CABINET,
    make: loop({ around: 29 }),
    rooms: ROUTINE,
  },
  {
    what: 'a heater that goes past what may never be passed, by its dead time',
    source: 'arithmetic: what was put in before the thermometer tells goes on',
    sound: CABINET,
    make: loop({ deadSeconds: 1500 }),
    rooms: ROUTINE,
  },
  {
    what: 'the same by a least time on that a limit asks for',
    source: 'arithmetic',
    sound: CABINET,
    make: routine((r) => ({ limits: r.limits.map((l) => (l.kind === 'least-on' ? { ...l, seconds: 2400 } : l)) })),
    rooms: ROUTINE,
  },
  {
    what: 'frost behind a heater that is let rest for hours',
    source: 'arithmetic: it falls to what is around it',
    sound: loop({ lowest: 20 })(loop({ around: 5 })(CABINET)),
    make: routine((r) => ({ limits: [...r.limits, bound('least-off', 'heater', 3600)] })),
    rooms: ROUTINE,
  },
  {
    what: 'frost that only the weather of a year brings',
    source: 'arithmetic: the coldest night, and not the mean',
    sound: loop({ lowest: 24, around: 15 })(CABINET),
    make: loop({ weather: true, kelvin: 26 }),
    rooms: ROUTINE,
  },
  {
    what: 'over and under closer than what a thermometer may be off by',
    source: 'data sheets of digital thermometers, as remembered: half a kelvin either way',
    sound: CABINET,
    make: sensed({ limit: { over: 27, under: 26.6, holdSeconds: 0 } }),
    rooms: ROUTINE,
  },
  {
    what: 'a compressor that starts again before its pressures are even',
    source: 'common practice: three minutes of rest',
    sound: COOLER,
    make: loop({ tauSeconds: 400, deadSeconds: 10 }),
    rooms: ROUTINE,
  },
  {
    what: 'a contact that is worn out within five years by its cycles',
    source: 'relay data sheets, as remembered: 100 000 operations at the rated load',
    sound: sensed({ limit: { over: 31, under: 23, holdSeconds: 0 } })(loop({ highest: 40 })(CABINET)),
    make: sensed({ limit: { over: 27, under: 26, holdSeconds: 0 } }),
    rooms: ROUTINE,
  },
  {
    what: 'a limit that cuts every warming off',
    source: 'arithmetic',
    sound: CABINET,
    make: routine((r) => ({ limits: r.limits.map((l) => (l.kind === 'longest-on' ? { ...l, seconds: 90 } : l)) })),
    rooms: ROUTINE,
  },
  {
    what: 'a loop of which nobody said how fast it goes',
    source: 'nothing follows from what is not known',
    sound: CABINET,
    make: loop({ tauSeconds: null }),
    rooms: ROUTINE,
  },
  {
    what: 'a loop whose dead time nobody said',
    source: 'nothing follows from what is not known',
    sound: CABINET,
    make: loop({ deadSeconds: 0 }),
    rooms: ROUTINE,
  },
  {
    what: 'a loop whose numbers were typed and never recorded',
    source: 'a guess is tight',
    sound: CABINET,
    make: loop({ recording: '' }),
    rooms: ROUTINE,
  },
  {
    what: 'two loops that follow one thermometer',
    source: 'two regulators on one variable work against each other',
    sound: CABINET,
    make: routine((r) => ({ loops: [...r.loops, { ...r.loops[0]!, id: 'other', way: 'cools' }] })),
    rooms: ROUTINE,
  },
  {
    what: 'a loop that no rule ever sets to work',
    source: 'the run itself',
    sound: CABINET,
    make: routine((r) => ({ sentences: r.sentences.filter((s) => s.id === 'begin') })),
    rooms: ROUTINE,
  },
  {
    what: 'warming that one rule begins and nothing ends',
    source: 'the run itself: it comes to 50 °C',
    sound: CABINET,
    make: (j) => ({
      ...j,
      act: {
        ...j.act,
        moves: j.act.moves.map((m) => ({
          ...m,
          steps: m.steps.map((s) => ({ ...s, do: 'press' as const, sense: '', seconds: 2700 })),
        })),
      },
    }),
    rooms: ROUTINE,
  },
  {
    what: 'a thermometer and a program as all that ends the warming',
    source: 'IEC 60730-1: an operating control is no protective control',
    sound: CABINET,
    make: (j) => put(j, 'guard', { cutOff: 'none' }),
    rooms: ROUTINE,
  },
  {
    what: 'a cooler that freezes what may not freeze, if its thermometer sticks',
    source: 'IEC 60730-1: an operating control is no protective control',
    sound: put(COOLER, 'guard', { cutOff: 'own-end' }),
    make: (j) => put(j, 'guard', { cutOff: 'none' }),
    rooms: ROUTINE,
  },
  {
    what: 'a bath that is filled once more before anybody emptied it',
    source: 'arithmetic: two openings',
    sound: amount({ fits: 80 })(VALVE),
    make: (j) => ({
      ...j,
      act: { ...j.act, moves: j.act.moves.map((m) => ({ ...m, steps: m.steps.filter((s) => s.do !== 'look') })) },
    }),
    rooms: ROUTINE,
  },
  {
    what: 'a least time on that is longer than a press of the plan',
    source: 'arithmetic: a limit lengthens only what waits for a sense',
    sound: VALVE,
    make: routine((r) => ({ limits: [...r.limits, bound('least-on', 'valve', 400)] })),
    rooms: ROUTINE,
  },
  {
    what: 'a switch that puts no mode on',
    source: 'nothing follows from it',
    sound: CABINET,
    make: (j) => ({ ...j, hands: j.hands.map((h) => ({ ...h, kind: 'mode' as const, mode: '' })) }),
    rooms: ['board'],
  },
  {
    what: 'litres of which nobody measured the flow',
    source: 'nothing follows from what is not known',
    sound: VALVE,
    make: amount({ pours: [] }),
    rooms: ROUTINE,
  },
  {
    what: 'a flow that was poured once',
    source: 'one value tells no spread (NIST e-Handbook 7.2.6.3)',
    sound: VALVE,
    make: amount({ pours: pours(56) }),
    rooms: ROUTINE,
  },
  {
    what: 'a time that brings a third more than is wanted',
    source: 'arithmetic',
    sound: VALVE,
    make: amount({ pours: pours(42, 42.5, 42) }),
    rooms: ROUTINE,
  },
  {
    what: 'an opening that runs over at the highest flow',
    source: 'ISO 16269-6: what the next pours stay within',
    sound: VALVE,
    make: amount({ fits: 47 }),
    rooms: ROUTINE,
  },
  {
    what: 'the same by trials that scatter',
    source: 'ISO 16269-6',
    sound: VALVE,
    make: amount({ pours: pours(40, 57, 75) }),
    rooms: ROUTINE,
  },
  {
    what: 'an end of a valve that only the program knows',
    source: 'common practice: a valve that does not hear its end waters for a fortnight',
    sound: VALVE,
    make: (j) => put(j, 'guard', { cutOff: 'none' }),
    rooms: ROUTINE,
  },
  {
    what: 'a timer relay that is set so late that the bath runs over',
    source: 'arithmetic: what it lets through at the highest flow',
    sound: VALVE,
    make: (j) => put(j, 'guard', { endTimer: { ...j.guard.endTimer, seconds: 900 } }),
    rooms: ROUTINE,
  },
  {
    what: 'a machine’s own end after a time that nobody said',
    source: 'nothing follows from what is not known',
    sound: VALVE,
    make: (j) => put(j, 'guard', { cutOff: 'own-end' }),
    rooms: ROUTINE,
  },
  {
    what: 'a one-shot before the driver as all that ends a contact that may stick',
    source: 'common practice: a monostable ends what a pin asks for, and no welded contact',
    sound: VALVE,
    make: (j) => put(j, 'guard', { cutOff: 'one-shot' }),
    rooms: ROUTINE,
  },
  {
    what: 'a loop that goes round so fast that no run follows it',
    source: 'what was not run is not known',
    sound: CABINET,
    make: (j) =>
      sensed({ limit: { over: 27, under: 26.999, holdSeconds: 0 }, debounceSeconds: 0 })(
        loop({ tauSeconds: 2, deadSeconds: 0.001 })(put(j, 'routine', { limits: [] })),
      ),
    rooms: ROUTINE,
  },
  {
    what: 'a loop whose recording is no longer there',
    source: 'a guess is tight',
    sound: CABINET,
    make: (j) => ({ ...j, recordings: [] }),
    rooms: ROUTINE,
  },
  {
    what: 'a loop of a part of which nobody said what a press does',
    source: 'what cannot be run is not known',
    sound: CABINET,
    make: (j) => ({ ...j, act: { ...j.act, parts: j.act.parts.map((p) => ({ ...p, kind: 'unknown' as const })) } }),
    rooms: ROUTINE,
  },
  {
    what: 'frost behind a heater that its rules never let get there',
    source: 'the run itself: it stays as cold as what is around it',
    sound: loop({ around: 2 })(CABINET),
    make: (j) => routine((r) => ({ sentences: r.sentences.filter((s) => s.id !== 'first') }))(loop({ lowest: 10 })(j)),
    rooms: ROUTINE,
  },
  {
    what: 'a limit of the program that lets more through than fits',
    source: 'arithmetic',
    sound: VALVE,
    make: routine((r) => ({ limits: r.limits.map((l) => (l.kind === 'longest-on' ? { ...l, seconds: 600 } : l)) })),
    rooms: ROUTINE,
  },
  {
    what: 'more starts a day than the litres that are wanted',
    source: 'arithmetic',
    sound: VALVE,
    make: routine((r) => ({
      sentences: [...r.sentences, sentenceAt('18:00', { id: 'two', move: 'fill', days: [1, 2, 3, 4, 5, 6, 7] })],
    })),
    rooms: ROUTINE,
  },
];
