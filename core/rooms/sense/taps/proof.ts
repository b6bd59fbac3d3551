import { SENSES } from '../../../build/lines';
import { highShare, tapOf } from '../../../build/panel';
import {
  tapCourseOf,
  PULLS_LOW,
  readTap,
  TAP_PARTS,
  TAP_SHARES,
  tapLevels,
  tapNetlist,
  tapTimes,
  type Tap,
  type TapCourse,
  type TapLevels,
  type TapReading,
  type TapTimes,
  type TapWave,
} from '../../../engines/tap';
import type { DriveFact } from '../../../ground/facts';
import { atLeast, atMost, computed, derive, judged, type Finding } from '../../../ground/finding';
import type { Sense } from '../../../ground/job';
import { hashOf, type Random } from '../../../ground/quantity';
import { slowestTap } from './heard';
import { LOW_SHARE } from './levels';

/** Levels that a pin takes for low and for high, V. */
export interface PinLevels {
  readonly low: number;
  readonly high: number;
}
/** What the pins of a board take for low and for high. */
export const pinLevels = ({ pinVolts }: Pick<DriveFact, 'pinVolts'>): PinLevels => ({
  low: LOW_SHARE * pinVolts,
  high: highShare(pinVolts) * pinVolts,
});

/** One course of a tap to be simulated. */
export interface TapCase {
  readonly corner: 'nominal' | 'slowest';
  readonly tap: Tap;
  readonly course: TapCourse;
  readonly netlist: string;
  readonly id: string;
}
/** What a case came to, beside the closed form. */
export interface TapResult {
  readonly corner: TapCase['corner'];
  readonly pullsLow: boolean;
  readonly course: TapCourse;
  readonly wave: TapWave;
  readonly read: TapReading;
  readonly form: TapLevels & TapTimes;
}

/** The courses that prove a tap: at its usual values, and where it is slowest; none where nothing can be simulated. */
export function tapCases(sense: Sense, drive: DriveFact, id: string): TapCase[] {
  // A number is read at any level: there is none to be told.
  const nominal = SENSES[sense.kind].sort === 'analogue' ? null : tapOf(sense, drive);
  if (!nominal) return [];
  const { low, high } = pinLevels(drive);
  return (
    [
      ['nominal', nominal],
      ['slowest', slowestTap(nominal)],
    ] as const
  ).map(([corner, tap]) => {
    const course = tapCourseOf(tap, tapTimes(tap, low, high));
    return { corner, tap, course, id: `${id}-${corner}`, netlist: tapNetlist(tap, course, `${id}-${corner}`) };
  });
}

/** Key of the very circuit of a tap: what was proven holds for this one alone; undefined where there is none. */
export function tapBasis(sense: Sense, drive: DriveFact): string | undefined {
  const cases = tapCases(sense, drive, 'key');
  return cases.length === 0 ? undefined : hashOf(cases.map((c) => c.netlist).join('\n'));
}

/** Reads a simulated course beside the closed form. Throws RangeError where the simulator gave up on the way. */
export function tapResult({ corner, tap, course }: TapCase, drive: DriveFact, wave: TapWave): TapResult {
  const { low, high } = pinLevels(drive);
  const pullsLow = PULLS_LOW[tap.joint];
  const read = readTap(wave, course, pullsLow, low, high);
  return { corner, pullsLow, course, wave, read, form: { ...tapLevels(tap), ...tapTimes(tap, low, high) } };
}

/** How much kinder the closed form may be than the simulation, as a share of the pins’ supply, % (`proof-agrees`). */
const APART = 3;

/** What a proof says: the closed form is no kinder than the simulation, and the pin tells both. */
export function tapProofFindings(sense: Sense, drive: DriveFact, results: readonly TapResult[]): Finding[] {
  const kinder = results.flatMap(({ read, form, pullsLow }) =>
    pullsLow ? [read.on - form.on, form.off - read.off] : [form.on - read.on, read.off - form.off],
  );
  const step = derive('how much kinder the closed form is, at most', 'e', '100 * d / V_DD', '%', [
    computed('d', 'largest difference of a level', Math.max(0, ...kinder), 'V', 'closed form against the simulation'),
    computed('V_DD', 'supply of the pins', drive.pinVolts, 'V', 'the board'),
  ]);
  const told = results.filter(({ read }) => read.seen !== null && read.gone !== null).length;
  return [
    judged('sense', `tap.${sense.id}.proof`, {
      title: `${sense.name}: closed form and simulation of its tap`,
      caption: 'tap simulated',
      steps: [step],
      limit: atMost(APART, '%', 'counts as agreeing', { from: 'source', key: 'proof-agrees' }),
      tightShare: 'met',
      source: ['ngspice'],
    }),
    judged('sense', `tap.${sense.id}.told`, {
      title: `${sense.name}: of the simulated courses, those in which the pin tells that it came and that it went`,
      caption: 'tap tells both',
      steps: [
        derive('courses that are told', 'n', 'k', '1', [
          computed('k', 'told both ways', told, '1', 'read off the simulated courses'),
        ]),
      ],
      limit: atLeast(results.length, '1', 'all of them', { from: 'computed', what: 'courses that were simulated' }),
      tightShare: 'met',
      source: ['ngspice'],
    }),
  ];
}

/** Taps from parts within their tolerances: how many tell both, and how near the nearest came, as a share of the pins’ supply. */
export interface TapScatter {
  readonly draws: number;
  readonly yield: number;
  readonly leastMargin: number;
}

/** Draws between two words about how far it is. */
const TOLD_EVERY = 500;

/** Draws taps from scattered parts, every value as likely as another, and holds each against what the pin takes for low and high. */
export function tapScatter(
  sense: Sense,
  drive: DriveFact,
  draws: number,
  random: Random,
  onProgress: (done: number) => void = () => undefined,
): TapScatter | null {
  const nominal = tapOf(sense, drive);
  if (!nominal) return null;
  const { low, high } = pinLevels(drive);
  let [obeyed, least] = [0, Infinity];
  for (let d = 0; d < draws; d++) {
    if (d % TOLD_EVERY === 0) onProgress(d);
    const { on, off } = tapLevels(scattered(nominal, random));
    const margin = PULLS_LOW[nominal.joint] ? Math.min(low - on, off - high) : Math.min(on - high, low - off);
    if (margin >= 0) obeyed++;
    least = Math.min(least, margin / drive.pinVolts);
  }
  return { draws, yield: obeyed / draws, leastMargin: least };
}

/** A tap with each value somewhere between its bounds. */
function scattered(t: Tap, random: Random): Tap {
  const about = (value: number, share: number): number => value * (1 + share * (2 * random.next() - 1));
  const parts = Object.fromEntries(
    Object.entries(TAP_PARTS).map(([key, { low, high }]) => [key, low + (high - low) * random.next()]),
  );
  const ohms = (value: number): number => about(value, TAP_SHARES.ohms);
  return {
    ...t,
    ...parts,
    signal: { ...t.signal, highVolts: about(t.signal.highVolts, TAP_SHARES.volts) },
    pullOhms: ohms(t.pullOhms),
    upperOhms: ohms(t.upperOhms),
    lowerOhms: ohms(t.lowerOhms),
    ledOhms: ohms(t.ledOhms),
    chargeOhms: ohms(t.chargeOhms),
    baseOhms: ohms(t.baseOhms),
    bleedOhms: ohms(t.bleedOhms),
    couplingFarads: about(t.couplingFarads, TAP_SHARES.farads),
    keepFarads: about(t.keepFarads, TAP_SHARES.farads),
    pinFarads: about(t.pinFarads, TAP_SHARES.farads),
  };
}

/** The yield of scattered taps as a finding that can be opened. */
export const tapYield = (sense: Sense, t: TapScatter): Finding =>
  judged('sense', `tap.${sense.id}.yield`, {
    title: `${sense.name}: of ${t.draws} taps from parts within their tolerances, those that tell both`,
    caption: 'yield of the tap',
    steps: [
      derive('taps that tell both', 'Y', '100 * n_ok / n', '%', [
        computed('n_ok', 'told both', t.yield * t.draws, '1', 'closed form, each value drawn between its bounds'),
        computed('n', 'drawn', t.draws, '1', 'seed of this tap'),
      ]),
    ],
    limit: atLeast(99.9, '%', 'one in a thousand may fail', { from: 'source', key: 'yield-wanted' }),
    tightShare: 'met',
    source: ['tap-parts'],
  });
