// Isolation alone, as a maker without an insulation tester reads it: every reading that is asked for is taken, and nothing else.
import { edited, freshJob, type Job, type Reading } from '../../core/ground/job';
import { isolationOf } from '../../core/rooms/probe';
import { seededRandom, type Random } from '../../core/ground/quantity';
import { chance, decades, pick } from './draw';
import { ladder, low } from './buttons';
import { isolated, tied, type Mains } from './mains';
import { drawMeter } from './meters';
import { dryPair } from './others';
import { BATTERY_VOLTS, taken, type Answer, type Bench, type Spec } from './reading';
import type { Part } from './solve';

const T = '2026-01-01T00:00:00Z';
const CONTROL = 'it';
/** No machine asks for more. */
const MOST = 30;

function benchOf(random: Random, mains: Mains, battery: boolean, turns = false): Bench {
  const draw = pick(random, [
    [low, 3],
    [ladder, 1],
    [dryPair, 1],
  ] as const);
  const feed = turns ? 'plug-turns' : chance(random, 0.6) ? 'plug-one-way' : 'wired';
  return {
    control: draw(random),
    mains: {
      ...mains,
      said: {
        ...mains.said,
        feed,
        tester: turns ? 'unknown' : 'none',
        batteryVolts: battery ? BATTERY_VOLTS : 0,
      },
    },
    meter: drawMeter(random),
    slips: 0.01,
  };
}

/** What is said of the isolation of one control once all was read that is asked for, by whatever answers. */
export function readOut(survey: Partial<Job['survey']>, answer: (spec: Spec) => Answer): string {
  let job: Job = edited(freshJob({ title: 'bench' }, 'bench', T), { do: 'add-control', id: CONTROL, name: 'it' }, T);
  job = edited(job, { do: 'set', at: 'survey', set: survey, say: 'bench' }, T);
  for (let n = 0; n < MOST; n++) {
    const { verdict, missing } = isolationOf(job, CONTROL);
    const [next] = missing;
    if (verdict !== 'unknown' || !next) return verdict;
    const reading: Reading = {
      ...next,
      id: `r${n}`,
      at: T,
      control: [next.from, next.to].some((p) => p.kind === 'contact') ? CONTROL : '',
      by: 'hand',
      struck: false,
      ...answer(next),
    };
    job = edited(job, { do: 'add-reading', say: '', reading }, T);
  }
  return 'endless';
}

const followed = (b: Bench, random: Random): string =>
  readOut({ mains: b.mains.said, ...(b.meter.stated ? { meter: b.meter.is } : {}) }, (spec) => taken(b, spec, random));

const across: Part = { is: 'r', a: 'P', b: 'Q', ohms: 600e3 };
const junction = (a: string, b: string, weakOhms: number): Part => ({ is: 'd', a, b, drop: 0.6, ohms: 20, weakOhms });

/** Ties of other sorts than the bench's own, from common circuits: what joins the low side to one pin of the plug. */
const OTHER_TIES: Readonly<Record<string, (random: Random) => readonly Part[]>> = {
  'half-wave rectifier': (r) => [across, junction('G', pick(r, PINS), decades(r, 0.8e6, 6e6))],
  'half-wave rectifier, turned': (r) => [across, junction(pick(r, PINS), 'G', decades(r, 0.8e6, 6e6))],
  'gate of a triac': (r) => [across, { is: 'r', a: 'G', b: pick(r, PINS), ohms: decades(r, 100, 1000) }],
  'divider that senses mains': (r) => [across, { is: 'r', a: 'G', b: pick(r, PINS), ohms: decades(r, 200e3, 940e3) }],
  'motor winding to neutral': (r) => [
    { ...across, ohms: 90 },
    { is: 'r', a: 'G', b: pick(r, PINS), ohms: decades(r, 5, 90) },
  ],
};
const PINS = [
  ['P', 1],
  ['Q', 1],
] as const;

/** Ties that an ohmmeter's few tenths of a volt do not open: junctions in a row, a light-emitting diode. */
const SHUT_TIES: typeof OTHER_TIES = {
  'two junctions in a row': (r) => {
    const pin = pick(r, PINS);
    return chance(r, 0.5)
      ? [across, junction('G', 'M', decades(r, 6e6, 60e6)), junction('M', pin, decades(r, 6e6, 60e6))]
      : [across, junction(pin, 'M', decades(r, 6e6, 60e6)), junction('M', 'G', decades(r, 6e6, 60e6))];
  },
  'an optocoupler’s diode and its resistor': (r) => [
    across,
    { is: 'd', a: 'G', b: 'M', drop: 1.1, ohms: 20, weakOhms: 1e9 },
    { is: 'r', a: 'M', b: pick(r, PINS), ohms: decades(r, 10e3, 100e3) },
  ],
};

/** The verdicts of boards with each of those ties. */
export function otherTies(each: number, seed: number, battery = true, shut = false): Record<string, string[]> {
  const random = seededRandom(seed);
  return Object.fromEntries(
    Object.entries(shut ? SHUT_TIES : OTHER_TIES).map(([variant, parts]) => [
      variant,
      Array.from({ length: each }, () =>
        followed(benchOf(random, { ...tied(random), variant, parts: parts(random) }, battery), random),
      ),
    ]),
  );
}

/** A floating pair, as of a dry contact, in a machine whose plug goes in either way round. */
const floating = (random: Random, mains: Mains): Bench => ({
  ...benchOf(random, mains, true, true),
  control: dryPair(random),
});

/** The verdicts of floating pairs in machines with each of those ties. */
export function floatingTies(each: number, seed: number): Record<string, string[]> {
  const random = seededRandom(seed);
  return Object.fromEntries(
    Object.entries(OTHER_TIES).map(([variant, parts]) => [
      variant,
      Array.from({ length: each }, () =>
        followed(floating(random, { ...tied(random), variant, parts: parts(random) }), random),
      ),
    ]),
  );
}

/** The verdicts of floating pairs in machines that are isolated. */
export function floatingApart(count: number, seed: number): string[] {
  const random = seededRandom(seed);
  return Array.from({ length: count }, () => followed(floating(random, isolated(random)), random));
}

/** The verdicts of so many boards that are tied to mains, or isolated from it. */
export function untested(which: 'tied' | 'isolated', count: number, seed: number, battery = true): string[] {
  const random = seededRandom(seed);
  return Array.from({ length: count }, () =>
    followed(benchOf(random, (which === 'tied' ? tied : isolated)(random), battery), random),
  );
}
