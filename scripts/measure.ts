// Measures what docs/measurements.md states about the core, in milliseconds as if on a quiet machine: a piece of work is timed in the same
// breath. Run: npm run measure
import { readdirSync, readFileSync } from 'node:fs';
import { oneRun } from '../core/rooms/act';
import { assess, nextReadingOf } from '../core/house/assess';
import { assignPins, profileOf } from '../core/rooms/board';
import { feedFindings, supplyRun } from '../core/rooms/feed';
import {
  edited,
  freshConverter,
  freshLink,
  freshLoad,
  freshPress,
  freshSense,
  freshSource,
  loadJob,
  type Job,
  type JobEdit,
  freshMove,
  sentenceAt,
  stepOf,
} from '../core/ground/job';
import { comparePolicies } from '../core/house/many-days';
import { seededRandom } from '../core/ground/quantity';
import { searchJob, searchOf } from '../core/house/stories';
import { yearOf } from '../core/house/year';
import { yearsOf } from '../core/house/years';
import { ledgerOf, wholeCircuit } from '../core/build/whole';
import { paceNow } from '../core/testing/pace';
import { rankWays, toleranceOf, wayContext } from '../core/rooms/thumb';

function demo(name: string): Job {
  const loaded = loadJob(readFileSync(`demo/${name}.json`, 'utf8'));
  if (!loaded.ok) throw new Error(loaded.problem.what);
  return loaded.job;
}

/** How long calls go on between two looks at the machine's pace, ms. */
const BREATH_MS = 150;

/**
 * Times of `n` calls, sorted, ms as if on a quiet machine. Each call gets a fresh copy, so that nothing kept per job can help.
 */
function times(n: number, job: Job, f: (job: Job) => void): number[] {
  const all: number[] = [];
  let slow = paceNow();
  while (all.length < n) {
    const breath: number[] = [];
    for (let spent = 0; spent < BREATH_MS && all.length + breath.length < n;) {
      const copy = structuredClone(job);
      const began = performance.now();
      f(copy);
      const took = performance.now() - began;
      breath.push(took);
      spent += took;
    }
    const after = paceNow();
    all.push(...breath.map((ms) => (2 * ms) / (slow + after)));
    slow = after;
  }
  return all.sort((a, b) => a - b);
}

const at = (sorted: number[], q: number): string => sorted[Math.floor(q * (sorted.length - 1))]!.toFixed(2);
const print = (name: string, cold: number, sorted: number[]): void =>
  console.log(
    `${name}: first ${cold.toFixed(1)} ms, then median ${at(sorted, 0.5)} ms, 95th percentile ${at(sorted, 0.95)} ms of ${sorted.length}`,
  );

const done = demo('rice-pot');
const [coldAssess] = times(1, done, (j) => void assess(j));
print(
  'assess of the finished rice pot',
  coldAssess!,
  times(300, done, (j) => void assess(j)),
);
for (const name of ['rice-pot', 'yard-gate', 'steam-flaps']) {
  const job = demo(name);
  const { facts } = assess(job);
  const ledger = times(200, job, (j) => void ledgerOf(wholeCircuit(j, facts)));
  print(`the ledger of ${name}`, ledger[ledger.length - 1]!, ledger);
}
const slowest = readdirSync('demo')
  .filter((f) => f.endsWith('.json'))
  .map((f) => f.slice(0, -5))
  .map((name) => ({ name, sorted: times(300, demo(name), (j) => void assess(j)) }))
  .sort((a, b) => b.sorted[150]! - a.sorted[150]!)[0]!;
print(`assess of the slowest demo job, ${slowest.name}`, slowest.sorted[slowest.sorted.length - 1]!, slowest.sorted);

// Half-way through Probe: the isolation readings are in, the kind is open.
const half: Job = { ...done, readings: done.readings.slice(0, 4) };
const next = (j: Job): void => void nextReadingOf(j, assess(j), 'control-start');
const [coldNext] = times(1, half, next);
print('next reading', coldNext!, times(100, half, next));

// All seventeen ways anew, as at every edit, with what Probe found already there.
for (const name of ['rice-pot', 'dough-proofer', 'hatch-shutter']) {
  const job = demo(name);
  const { facts } = assess(job);
  const rank = (j: Job): void => void rankWays(wayContext(j, facts, j.presses[0]!));
  const [cold] = times(1, job, rank);
  print(`ranking, ${name}`, cold!, times(200, job, rank));
}

const a = assess(done);
const [c, way] = [wayContext(done, a.facts, done.presses[0]!)!, a.plans[0]!.way!];
const draws = (): void => void toleranceOf(c, way, 10_000, seededRandom(1));
const [coldDraws] = times(1, done, draws);
print('ten thousand joints', coldDraws!, times(20, done, draws));

// A year of fifty rules, every day, on the gate: the engine with its machine, marks and who held whom back.
const daily = demo('yard-gate');
const fifty: Job = {
  ...daily,
  routine: {
    ...daily.routine,
    sentences: Array.from({ length: 50 }, (_, i) =>
      sentenceAt(`${String(i % 24).padStart(2, '0')}:${String((i * 7) % 60).padStart(2, '0')}`, {
        id: `s${i}`,
        days: [1, 2, 3, 4, 5, 6, 7],
        tier: i % 9 === 0 ? 'lock-out' : 'comfort',
      }),
    ),
  },
};
const year = (j: Job): void => void yearOf(j, '2026-03-02T14:00:00Z');
const [coldYear] = times(1, fifty, year);
print('a year of fifty rules', coldYear!, times(30, fifty, year));
// The demo's machines, ten years of each.
const machines = readdirSync('demo').filter((f) => f.endsWith('.json'));
const decade = (): void => machines.forEach((f) => void yearsOf(demo(f.slice(0, -5)), '2026-03-02T14:00:00Z'));
const [coldDecade] = times(1, done, decade);
print(`ten years of ${machines.length} machines`, coldDecade!, times(5, done, decade));

// A whole machine: twelve buttons as the one of the rice pot, each pressed, and twelve contacts that are read.
const twelve = Array.from({ length: 12 }, (_, i) => `b${i + 1}`);
const bare: Job = {
  ...done,
  presses: [],
  senses: [],
  hands: [],
  act: { ...done.act, moves: [] },
  board: { ...done.board, profile: 'wifi-34', pins: [] },
  controls: twelve.map((name) => ({ ...done.controls[0]!, id: `control-${name}`, name })),
  readings: done.readings.flatMap((r) =>
    r.control === '' ? [r] : twelve.map((name) => ({ ...r, id: `${r.id}-${name}`, control: `control-${name}` })),
  ),
};
const machine = edited(
  bare,
  {
    do: 'several',
    edits: twelve.flatMap((name): JobEdit[] => [
      {
        do: 'put',
        list: 'presses',
        item: { ...freshPress(name, name, `control-${name}`), way: 'solid-state-relay', pullDown: true },
      },
      {
        do: 'put',
        list: 'senses',
        item: { ...freshSense(`s-${name}`, `rest ${name}`), tells: 'other', meaning: 'it rests' },
      },
    ]),
  },
  '2026-03-02T14:00:00Z',
);
const [coldMachine] = times(1, machine, (j) => void assess(j));
print(
  'assess of 12 presses and 12 senses',
  coldMachine!,
  times(100, machine, (j) => void assess(j)),
);
const machineFacts = assess(machine).facts;
print(
  'its ledger',
  0,
  times(100, machine, (j) => void ledgerOf(wholeCircuit(j, machineFacts))),
);
const board = profileOf(machine)!;
const { lines } = assess(machine);
print(
  '24 lines placed or refused',
  0,
  times(100, machine, (j) => void assignPins(j, lines, board)),
);
const third = readFileSync('core/ground/job/versions/v3.json', 'utf8');
print(
  'a file of version 3 read',
  0,
  times(100, machine, () => void loadJob(third)),
);

// Feed: its share of each demo job, a tree of thirty parts and sixty loads, and a long script over it.
for (const name of ['rice-pot', 'yard-gate', 'hood-fan', 'cold-room-alarm', 'steam-flaps'] as const) {
  const job = demo(name);
  const { facts } = assess(job);
  print(
    `Feed of ${name}`,
    0,
    times(50, job, (j) => void feedFindings(j, facts)),
  );
}
const flaps = demo('steam-flaps');
const supplies = [0, 1, 2].map((i) => ({
  ...freshSource(`s${i}`, `supply ${i}`),
  volts: 12,
  amps: 10,
  isolated: 'yes' as const,
  polarity: 'read' as const,
}));
const converters = Array.from({ length: 7 }, (_, i) => ({
  ...freshConverter(`c${i}`, `converter ${i}`, i % 2 ? 'linear' : 'step-down', `s${i % 3}`),
  volts: 5,
  amps: 3,
  mostVolts: 30,
}));
const links = Array.from({ length: 20 }, (_, i) => ({
  ...freshLink(
    `l${i}`,
    `lead ${i}`,
    i % 5 === 4 ? 'fuse' : 'lead',
    i < 7 ? `c${i}` : i < 10 ? `s${i - 7}` : `l${i - 10}`,
  ),
  metres: 1,
  squareMetres: 0.75e-6,
  amps: 4,
}));
const loads = Array.from({ length: 50 }, (_, i) => ({
  ...freshLoad(`x${i}`, `load ${i}`),
  leastVolts: 4,
  mostVolts: 14,
  amps: 0.05,
  startAmps: 0.1,
  runsWith: i % 3 ? `flap-${1 + (i % 8)}` : '',
}));
const wide = edited(
  flaps,
  {
    do: 'set',
    at: 'feed',
    set: {
      sources: supplies,
      converters,
      links,
      loads,
      groups: [],
      hangs: [
        ...loads.map((l, i) => ({ load: l.id, node: `l${i % 20}` })),
        { load: 'controller', node: 'l0' },
        ...[1, 2, 3, 4, 5, 6, 7, 8].map((n) => ({ load: `flap-${n}/motor`, node: 's0' })),
      ],
    },
  },
  '2026-03-02T14:00:00Z',
);
const wideFacts = assess(wide).facts;
print(
  'a tree of 30 parts and 60 loads judged',
  0,
  times(50, wide, (j) => void feedFindings(j, wideFacts)),
);
const long: Job = {
  ...wide,
  act: {
    ...wide.act,
    moves: [
      {
        ...freshMove('long', 'long'),
        // A move has 200 steps at most in a file; what is rehearsed may be longer.
        steps: Array.from({ length: 1000 }, (_, i) =>
          stepOf(i % 2 ? 'wait' : 'press', {
            press: i % 2 ? '' : `flap-${1 + ((i / 2) % 8)}`,
            seconds: 0.5 + i / 1e4,
          }),
        ),
      },
    ],
  },
};
print(
  'the worst instant of 1,000 steps on it',
  0,
  times(20, long, (j) => void supplyRun(j, wideFacts)),
);

// Act: one run as the lanes show it, and the stories of the job with the most conditions.
for (const name of ['yard-gate', 'larder-dehumidifier']) {
  const job = demo(name);
  const [first] = times(1, job, (j) => void oneRun(j));
  print(
    `a run for the lanes, ${name}`,
    first!,
    times(100, job, (j) => void oneRun(j)),
  );
}
const gate = demo('yard-gate');
const search = searchOf(gate, assess(gate))!;
for (const most of [1, 2]) {
  const [first] = times(1, gate, () => void searchJob(search, most));
  const { stories } = searchJob(search, most);
  print(
    `${stories} stories with up to ${most} going wrong`,
    first!,
    times(9, gate, () => void searchJob(search, most)),
  );
}
print(
  'four policies compared over a year',
  0,
  times(9, demo('rice-pot'), (j) => void comparePolicies(j, 365, 1)),
);
