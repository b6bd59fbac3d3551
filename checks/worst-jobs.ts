// The largest and meanest jobs that the border lets through: each fills some list, or sets some time as short as it may be set.
import {
  checkJob,
  freshControl,
  freshConverter,
  freshLink,
  freshLoad,
  freshMove,
  freshNever,
  freshPart,
  freshPress,
  freshSense,
  freshSource,
  stepOf,
  type Job,
  type MachinePart,
  type Reading,
  type MoveStep,
} from '../core/ground/job';
import { demoJob } from '../core/testing/jobs';

const count = <T>(n: number, of: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => of(i));

/** The demo's gate with a machine and moves of one's own. */
function machine(part: Partial<MachinePart>, steps: readonly MoveStep[], more: Partial<Job> = {}): Job {
  const gate = demoJob('yard-gate');
  const own: MachinePart = { ...freshPart('part', 'machine'), shortestPressSeconds: 0.05, runSeconds: 10, ...part };
  const move = { ...freshMove('move', 'other'), steps: [...steps] };
  const plain = {
    ...gate,
    act: { parts: [own], moves: [move], faults: [] },
    routine: { ...gate.routine, sentences: [] },
    wish: { ...gate.wish, nevers: [] },
    hands: [],
    signs: [],
    senses: [],
    board: { ...gate.board, pins: [] },
  };
  return { ...plain, ...more };
}

const press = demoJob('yard-gate').presses[0]!.id;
const pressed = stepOf('press', { press, seconds: 0.2 });

/** A lamp with a timer of its own that is over at once. */
const timer = (modes: readonly string[], seconds: number): Job =>
  machine({ kind: 'steps', modes: [...modes], timerSeconds: seconds }, [pressed]);

/** Rounds within rounds, each gone back from a thousand times, with waits of next to nothing. */
const rounds = (seconds: number): Job =>
  machine({ kind: 'flips' }, [
    pressed,
    ...count(99, (i) => [stepOf('wait', { seconds }), stepOf('again', { to: 2 + (i % 2), times: 1000 })]).flat(),
  ]);

/** So many keys that are asked for in turn, each another press. */
function inTurn(keys: number): Job {
  const gate = demoJob('yard-gate');
  const presses = count(keys, (i) => ({ ...freshPress(`k${i}`, `key ${i}`, gate.controls[0]!.id) }));
  const heeds = presses.map(({ id }) => ({ press: id, other: false, as: 'press' as const }));
  return machine({ kind: 'in-turn', heeds }, [stepOf('press', { press: 'k0', seconds: 0.2 })], { presses });
}

/** Readings of so many places of each control, most of them at odds with each other. */
function readings(total: number, controls: number): Job {
  const pot = demoJob('rice-pot');
  const [sample] = pot.readings.filter((r) => r.kind === 'volts-dc' && r.control !== '');
  const states = [
    'idle',
    'pressed',
    'released',
    'turning',
    'neighbour',
    'moving',
    'moving-back',
    'loaded-10k',
  ] as const;
  const kinds = ['volts-dc', 'ohms', 'amps', 'hertz', 'volts-ac', 'duty'] as const;
  const own = count(controls, (i) => (i === 0 ? pot.controls[0]! : freshControl(`c${i}`, `button ${i}`)));
  const more = count(total, (i): Reading => ({
    ...sample!,
    id: `more-${i}`,
    control: own[i % controls]!.id,
    from: { kind: 'contact', name: i % 2 === 0 ? 'A' : 'B' },
    state: states[Math.floor(i / controls) % states.length]!,
    kind: kinds[Math.floor(i / controls / states.length) % kinds.length]!,
    value: ((i * 37) % 11) / 11,
    digit: 0.01,
    relation: '=',
    said: '',
  }));
  return { ...pot, controls: own, readings: [...pot.readings, ...more].slice(0, 2000) };
}

/** Moves, sentences, senses and conditions as many as there may be: every story of them. */
function stories(): Job {
  const gate = demoJob('yard-gate');
  const senses = count(20, (i) => ({ ...freshSense(`s${i}`, `sense ${i}`), tells: 'at-rest' as const }));
  const moves = count(20, (i) => ({
    ...freshMove(`m${i}`, 'other'),
    name: `move ${i}`,
    steps: count(30, () => pressed),
  }));
  const nevers = count(40, (i) => ({ ...freshNever(`n${i}`, 'lasts-longer'), state: 'open', seconds: 60 + i }));
  return {
    ...gate,
    senses,
    act: { ...gate.act, moves, faults: [] },
    board: { ...gate.board, pins: [] },
    routine: { ...gate.routine, sentences: [] },
    wish: { ...gate.wish, nevers },
  };
}

/** A sentence every half an hour, each with a move of two hundred steps. */
function busyDays(): Job {
  const steps = count(100, () => [pressed, stepOf('wait', { seconds: 1 })]).flat();
  const gate = demoJob('yard-gate');
  const sentences = count(48, (i) => ({
    ...gate.routine.sentences[0]!,
    id: `at-${i}`,
    at: `${String(Math.floor(i / 2)).padStart(2, '0')}:${i % 2 ? '30' : '00'}`,
    days: [1, 2, 3, 4, 5, 6, 7],
    move: '',
    ifArmed: false,
  }));
  return machine({ kind: 'flips' }, steps, { routine: { ...gate.routine, sentences } });
}

/** Every list of Feed full, each part on the one before it. */
function supplies(): Job {
  const flaps = demoJob('steam-flaps');
  const sources = count(20, (i) => ({ ...freshSource(`source-${i}`, `source ${i}`), volts: 24, amps: 5 }));
  const converters = count(20, (i) => ({ ...freshConverter(`conv-${i}`, `converter ${i}`), from: `source-${i}` }));
  const links = count(60, (i) => ({ ...freshLink(`link-${i}`, `lead ${i}`), from: `conv-${i % 20}` }));
  const loads = count(60, (i) => ({ ...freshLoad(`load-${i}`, `load ${i}`) }));
  const hangs = loads.map((l, i) => ({ load: l.id, node: `link-${i}` }));
  return { ...flaps, feed: { ...flaps.feed, sources, converters, links, loads, hangs, groups: [] } };
}

/** What a job is called, and how it is made. */
const WORST: Readonly<Record<string, () => Job>> = {
  'a lamp whose mode “off” comes last, timed for a microsecond': () => timer(['low', 'high', 'off'], 1e-6),
  'the same, timed for the least that there is': () => timer(['low', 'off'], 5e-324),
  'a door that closes by itself in no time': () =>
    machine({ kind: 'opens-and-closes', runSeconds: 5e-324, timerSeconds: 5e-324 }, [pressed]),
  'a hundred rounds of a thousand over waits of a nanosecond': () => rounds(1e-9),
  'the same over no time at all': () => rounds(0),
  '360 odd readings of one control': () => readings(360, 1),
  '2,000 readings of 40 controls': () => readings(2000, 40),
  'as many readings of one control as may be': () => readings(30, 1),
  'as many readings of 40 controls as may be': () => readings(310, 40),
  'twenty keys in turn': () => inTurn(20),
  'twenty moves, senses and forty conditions': stories,
  'a start every half an hour, of two hundred steps': busyDays,
  'every list of supplies full': supplies,
};

/** Those of the worst jobs that the border lets through, each by what it is. */
export const worstJobs = (): readonly (readonly [what: string, job: Job | string])[] =>
  Object.entries(WORST).map(([what, make]) => {
    const loaded = checkJob(make());
    return [what, loaded.ok ? loaded.job : `${loaded.problem.where}: ${loaded.problem.what}`];
  });
