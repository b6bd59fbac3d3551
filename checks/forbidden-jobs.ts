import { fed, onPin, pressed, scripted, machined } from '../core/testing/jobs';
import { sentenceAt, WAYS, type Job, type Way } from '../core/ground/job';
import { SHIPPED_PARTS } from '../core/engines/parts';
import type { Random } from '../core/ground/quantity';
import {
  dryPair,
  finished,
  ladderKey,
  latching,
  lowButton,
  mainsLoad,
  OHMS_APART,
  put,
  said,
  scannedKey,
} from './bench-jobs';

/** Colours chosen for the first wires of the first press. */
const coloured = (job: Job, colours: readonly string[]): Record<string, string> =>
  Object.fromEntries(colours.map((c, i) => [`${job.presses[0]!.id}/${i + 1}`, c]));

/** What a machine is drawn as: what the lines say, and the truth beside them. */
interface Machine {
  readonly lines: readonly string[];
  readonly volts: number;
  readonly amps: number;
  readonly alternating: boolean;
  /** False where nobody read the pull-up. */
  readonly read: boolean;
}
const MACHINES: readonly Machine[] = [
  ...[
    [1.8, 4.7e3],
    [3.3, 47e3],
    [4.98, 10e3],
    [4.98, 220e3],
    [12, 2.2e3],
  ].map(([v, r]): Machine => ({ lines: lowButton(v!, r!), volts: v!, amps: v! / r!, alternating: false, read: true })),
  ...[
    ['11.6 V', 8.2, 11.6, false],
    ['24.1 V', 9.1, 24.1, false],
    ['24 VAC', 19.2, 24, true],
    ['38 V', 900, 38, false],
  ].map(([v, ma, volts, ac]): Machine => ({
    lines: dryPair(v as string, ma as number),
    volts: volts as number,
    amps: (ma as number) / 1e3,
    alternating: ac as boolean,
    read: true,
  })),
  {
    lines: [...scannedKey(4.96), 'it B loaded-10k 1.55 V'],
    volts: 4.96,
    amps: 4.96 / 22e3,
    alternating: false,
    read: true,
  },
  { lines: scannedKey(4.96), volts: 4.96, amps: 4.96 / 22e3, alternating: false, read: false },
  { lines: ladderKey, volts: 5.02, amps: 0.73e-3, alternating: false, read: true },
  { lines: latching, volts: 4.97, amps: 0.5e-3, alternating: false, read: true },
  { lines: mainsLoad, volts: 229, amps: 1, alternating: true, read: true },
  { lines: [], volts: 0, amps: 0, alternating: false, read: false },
];

/** Isolation as it was read, and what may be taken from it: proven, tied to mains, or neither. */
const ISOLATION: readonly {
  readonly lines: readonly string[];
  readonly mains?: Partial<Job['survey']['mains']>;
  readonly is: 'proven' | 'tied' | 'open';
}[] = [
  { lines: [...OHMS_APART, 'it A to earth on 0.3 VAC', 'it A to earth plug-turned 0.3 VAC'], is: 'proven' },
  {
    lines: [
      ...OHMS_APART,
      'it A to earth on 97 VAC',
      'it A to earth loaded-10k 1.1 VAC',
      'it A to earth plug-turned 0.3 VAC',
    ],
    is: 'proven',
  },
  { lines: [...OHMS_APART, 'it A to earth on 2.1 VAC'], is: 'open' },
  { lines: [...OHMS_APART, 'it A to earth on 38 VAC', 'it A to earth plug-turned 38 VAC'], is: 'open' },
  {
    lines: [...OHMS_APART, 'it A to earth on 0.3 VAC', 'it A to earth plug-turned 0.3 VAC'],
    mains: { mainSwitch: 'unknown' },
    is: 'open',
  },
  {
    lines: [...OHMS_APART, 'it A to earth on 0.3 VAC', 'it A to earth plug-turned 0.3 VAC'],
    mains: { mainSwitch: 'open' },
    is: 'open',
  },
  { lines: [...OHMS_APART, 'it A to earth on 0.3 VAC'], mains: { feed: 'plug-one-way' }, is: 'open' },
  { lines: ['ground to mains off >20M', 'it A to mains off >20M'], is: 'open' },
  { lines: [], is: 'open' },
  { lines: ['ground to mains off 180k', 'it A to earth on 0.3 VAC'], is: 'tied' },
  { lines: [...OHMS_APART, 'it A to earth on 112 VAC', 'it A to earth loaded-10k 60 VAC'], is: 'tied' },
  { lines: [], mains: { feed: 'none', cables: 'none' }, is: 'proven' },
  { lines: ['it A to earth on 229 VAC'], mains: { feed: 'none', cables: 'none' }, is: 'open' },
  {
    lines: [...OHMS_APART, 'it A to earth on 0.3 VAC', 'it A to earth plug-turned 0.3 VAC', 'it B to earth on 112 VAC'],
    is: 'open',
  },
  {
    lines: [
      ...OHMS_APART,
      'it A to earth on 0.3 VAC',
      'it A to earth plug-turned 0.3 VAC',
      'ground to earth on 112 VAC',
      'ground to earth loaded-10k 80 VAC',
    ],
    is: 'tied',
  },
];

export interface Drawn {
  readonly job: Job;
  readonly machine: Machine;
  readonly isolation: (typeof ISOLATION)[number]['is'];
  readonly way: Way;
}

const pick = <T>(r: Random, list: readonly T[]): T => list[Math.floor(r.next() * list.length)]!;
const measured = new Map<string, Job>();

/** One of the machines with one of the isolations, finished but for some things drawn at random. */
export function draw(r: Random): Drawn {
  const machine = pick(r, MACHINES);
  const isolation = pick(r, ISOLATION);
  const key = `${MACHINES.indexOf(machine)}|${ISOLATION.indexOf(isolation)}`;
  const lines = [...isolation.lines, ...machine.lines];
  if (!measured.has(key))
    measured.set(key, said(lines.some((l) => l.startsWith('it ')) ? lines : [...lines, 'control it'], isolation.mains));
  const way = pick(r, WAYS);
  const often = r.next() < 0.5;
  let job = finished(measured.get(key)!);
  const picks = Object.fromEntries(
    [...new Set(SHIPPED_PARTS.map((p) => p.kind))].flatMap((kind) =>
      r.next() < 0.5
        ? [
            [
              kind,
              pick(
                r,
                SHIPPED_PARTS.filter((p) => p.kind === kind),
              ).id,
            ],
          ]
        : [],
    ),
  );
  job = pressed(job, {
    way,
    picks,
    resistorOhms: r.next() < 0.2 ? pick(r, [47, 270, 1000, 10e3]) : null,
    colours: r.next() < 0.3 ? coloured(job, ['green-yellow', 'blue', 'brown', 'green-yellow']) : {},
    motor: {
      ...job.presses[0]!.motor,
      mirrored: r.next() < 0.3,
      stallAmps: r.next() < 0.5 ? 1.5 : null,
      boxWiring: pick(r, ['box-plain', 'box-interlocked'] as const),
    },
  });
  job = onPin(job, pick(r, [5, 4, 12, 15, 0, 2]));
  job = pressed(job, { pullDown: r.next() < 0.5 });
  job = fed(
    job,
    {
      volts: often ? 5 : pick(r, [2, 3.3, 4.6, 6, 12, 24]),
      amps: pick(r, [0.3, 1, 3]),
      isolated: often ? 'yes' : pick(r, ['unknown', 'no']),
    },
    { metres: pick(r, [1, 1, null]) },
  );
  job = put(job, 'guard', {
    place: pick(r, ['dry', 'damp', 'unknown']),
    cutOff: pick(r, ['none', 'one-shot']),
    loadWatts: pick(r, [null, 0, 40, 400, 2200, 4000]),
    loadKind: pick(r, ['unknown', 'resistive', 'motor', 'filament']),
    ticks: ticks(r.next() < 0.7),
  });
  job = put(job, 'wish', {
    hazards: pick(r, [[], ['mains'], ['unattended-heat'], ['moving-door']]),
    hazardsReviewed: true,
  });
  const press = { do: 'press', seconds: pick(r, [0.05, 0.2, 1, 20]) } as const;
  job = scripted(
    job,
    pick(r, [[press], [press], [press, press], [press, { do: 'wait', seconds: 0.01 } as const, press]]),
  );
  job = machined(job, { kind: pick(r, ['starts-and-stops-itself', 'open-stop-close-stop', 'flips'] as const) });
  job = put(job, 'routine', { sentences: [sentenceAt('22:30', { id: 's', days: [1, 2, 3] })] });
  if (r.next() < 0.3) job = put(job, 'region', { mainsVolts: 120, mainsHertz: 60 });
  return { job, machine, isolation: isolation.is, way };
}

const ALL_TICKS = [
  'mains-cover',
  'mains-apart',
  'not-isolated',
  'heat-cutout',
  'heat-dry',
  'door-edge',
  'door-sight',
  'conductors',
  'suppressor',
  'restart',
  'ground-shift',
  'own-devices',
  'dead-isolate',
  'dead-hold',
  'dead-test-tester',
  'dead-test-dead',
  'dead-test-tester-again',
];
const ticks = (all: boolean): Record<string, string> =>
  Object.fromEntries((all ? ALL_TICKS : ALL_TICKS.slice(0, 3)).map((t) => [t, '2026-03-02T14:00:00Z']));
