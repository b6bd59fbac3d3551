// Isolation that nobody tested with 500 V: what low voltage does not show, and what a hand or a battery hides (common practice, no source).
import { BUTTON, said, type Situation } from './situation';
import { lowButton, OHMS_APART } from '../bench-jobs';
import type { Job } from '../../core/ground/job';

const SOURCE = 'common practice: what opens at which volts, and what a meter hides';

/** Each way round twice with the battery, at ground and at the line that floats from it. */
const PAST = ['ground to mains', 'mains to ground', 'it A to mains', 'it mains to A'].flatMap((place) => [
  `${place} battery 0.06 V`,
  `${place} battery 0.05 V`,
]);
const MAINS = {
  feed: 'plug-one-way',
  mainSwitch: 'closed',
  cables: 'none',
  earth: 'pin',
  tester: 'none',
  batteryVolts: 9.2,
} as const;
const LINES: readonly string[] = [...OHMS_APART, ...PAST, 'it A to earth on 0.3 VAC', ...lowButton(4.98, 10e3)];
const machine = (lines: readonly string[], mains: Partial<Job['survey']['mains']> = {}): Job => {
  const read = said(lines, { ...MAINS, ...mains });
  return { ...BUTTON, readings: read.readings, survey: { ...BUTTON.survey, mains: read.survey.mains } };
};

/** Sound: as isolated as low voltage tells. */
const UNTESTED = machine(LINES);
/** One line in the place of all that begin so. */
const instead = (begins: string, ...lines: readonly string[]): readonly string[] => [
  ...LINES.filter((l) => !l.startsWith(begins)),
  ...lines,
];

const so = (what: string, lines: readonly string[], mains: Partial<Job['survey']['mains']> = {}): Situation => ({
  what: `isolation without a tester: ${what}`,
  source: SOURCE,
  sound: UNTESTED,
  make: (job) => {
    const read = said(lines, { ...MAINS, ...mains });
    return { ...job, readings: read.readings, survey: { ...job.survey, mains: read.survey.mains } };
  },
  rooms: ['probe'],
  // Each brings readings and a mains side of its own.
  holds: (job) =>
    job.readings.length === lines.length && job.survey.mains.batteryVolts === { ...MAINS, ...mains }.batteryVolts,
});

export const OF_UNTESTED: readonly Situation[] = [
  so(
    'two junctions in a row, which ohms do not open',
    instead('mains to ground battery', 'mains to ground battery 7.9 V', 'mains to ground battery 7.9 V'),
  ),
  so(
    'an optocoupler’s diode and its resistor',
    instead('ground to mains battery', 'ground to mains battery 7.6 V', 'ground to mains battery 7.6 V'),
  ),
  so(
    'a junction that one of two readings shows',
    instead('it A to mains battery', 'it A to mains battery 8.1 V', 'it A to mains battery 0.05 V'),
  ),
  so('no battery was read', LINES, { batteryVolts: null }),
  so('nobody has a battery either', LINES, { batteryVolts: 0 }),
  so('a flat battery', LINES, { batteryVolts: 6.8 }),
  so('one way round only', instead('mains to ground battery')),
  so('once each way round', [...new Set(LINES.map((l) => l.replace('0.05 V', '0.06 V')))]),
  so(
    'one pin of two',
    LINES.map((l) => l.replace('mains to ground battery', 'live to ground battery')),
  ),
  so(
    'a bleeder of some megohms',
    LINES.map((l) => l.replace(/ground battery .*/, 'ground battery 6.2 V')),
  ),
  so(
    'a meter of unknown input lets a third through',
    LINES.map((l) => l.replace(/ground battery .*/, 'ground battery 3 V')),
  ),
  so('a junction on the diode range', [...LINES, 'ground to mains diode 0.61 V']),
  so('one way round on the diode range', [...LINES, 'ground to mains diode OL']),
  so('a short on the diode range', [...LINES, 'ground to mains diode 0.002 V']),
  so('a junction that shows the same both ways round', [
    ...LINES,
    'ground to mains diode 0.61 V',
    'mains to ground diode 0.612 V',
  ]),
  so(
    'a beep from a terminal to a pin',
    LINES.map((l) => l.replace('it A to mains off >20M', 'it A to mains off beep')),
  ),
  so('a resistance with the red tip on the pins', [...LINES, 'mains to ground off 180k']),
  so('an insulation test the other way round that failed', [...LINES, 'mains to ground insulation 500k']),
  so(
    'ohms and battery that disagree',
    LINES.map((l) => l.replace('ground to mains off >20M', 'ground to mains off 3M')),
  ),
  so('its main switch open', LINES, { mainSwitch: 'open' }),
  so('AC to earth that no load takes down', [...LINES, 'it A to earth on 98 VAC', 'it A to earth loaded-10k 60 VAC']),
];
