// Jobs for the independent judgements: built by note lines as a maker would say them, so that nothing of the core's facts is set by hand.
import { fed, onPin, pressed, scripted, machined } from '../core/testing/jobs';
import { readNoteLine } from '../core/ground/notes';
import { edited, BENCH_MAINS, freshJob, type Job, type JobEdit, type Section } from '../core/ground/job';

const NOW = '2026-03-02T14:00:00Z';
const at = (i: number): string =>
  `2026-03-02T14:${String(Math.floor(i / 60)).padStart(2, '0')}:${String(i % 60).padStart(2, '0')}Z`;

/** A job after some note lines, its mains side answered as on a bench. */
export function said(lines: readonly string[], mains: Partial<Job['survey']['mains']> = {}): Job {
  const fresh = freshJob({ title: 'bench' }, 'bench', NOW);
  const begun: Job = { ...fresh, survey: { ...fresh.survey, mains: { ...BENCH_MAINS, ...mains } } };
  return lines.reduce((job, line, i) => {
    const u = readNoteLine(line, job, { id: `r${i}`, now: at(i) });
    if (!u.ok) throw new Error(`${line}: ${u.message}`);
    return edited(job, u.edit, at(i));
  }, begun);
}

/** The same with one section changed. */
export const put = <S extends Section>(job: Job, section: S, set: Partial<Job[S]>): Job =>
  edited(job, { do: 'set', at: section, set, say: 'test' } as JobEdit, NOW);

export const OHMS_APART = ['ground to mains off >20M', 'it A to mains off >20M', 'it B to mains off >20M'] as const;
export const APART = [...OHMS_APART, 'it A to earth on 0.3 VAC', 'it A to earth plug-turned 0.3 VAC'] as const;

/** A button low when pressed, its supply and its short-circuit current read. */
export const lowButton = (volts: number, ohms: number): string[] => [
  'it look springs back',
  'it B to ground off 0.1 ohm',
  `it A idle ${volts} V`,
  'it A-B pressed 0.4 ohm',
  'it A pressed 3 mV',
  `it short ${((1000 * volts) / ohms).toPrecision(3)} mA`,
  `it A neighbour ${volts} V`,
];
export const dryPair = (volts: string, milliamps: number): string[] => [
  'it look terminals',
  'it B to ground off >20M',
  `it A-B idle ${volts}`,
  `it short ${milliamps} mA`,
  'it A-B pressed 0.3 ohm',
];
export const scannedKey = (volts: number): string[] => [
  'it look membrane',
  `it A idle ${(volts * 0.875).toFixed(2)} V`,
  'it A idle 62.5 Hz',
  `it B idle ${volts} V`,
  `it B pressed ${(volts * 0.875).toFixed(2)} V`,
  'it A-B pressed 85 ohm',
];
export const ladderKey: readonly string[] = [
  'it look springs back',
  'it A idle 5.02 V',
  'it B to ground off 2.2k',
  'it A pressed 1.61 V',
  'it A neighbour 2.97 V',
  'it A-B pressed 0.3 ohm',
  'it short 0.728 mA',
];
export const latching: readonly string[] = [
  'it look stays down',
  'it A-B released 0.3 ohm',
  'it B to ground off 0.1 ohm',
  'it A idle 4.97 V',
  'it short 0.5 mA',
];
export const mainsLoad: readonly string[] = ['it look rocker', 'it A-B idle 229 VAC', 'it A to neutral off 24 ohm'];

/** Everything that the rooms after Thumb ask, answered well: what is not settled then is what was changed. */
export function finished(job: Job): Job {
  const plans = put(
    machined(fed(onPin(pressed(job, { pullDown: true }), 5), { amps: 2 }, { squareMetres: 0.2e-6 }), {
      kind: 'starts-and-stops-itself',
      shortestPressSeconds: 0.04,
      longestPressSeconds: 3,
      runSeconds: 60,
      afterPowerCut: 'off',
    }),
    'guard',
    { place: 'dry', cutOff: 'one-shot', loadWatts: 200, loadKind: 'resistive' },
  );
  // The supply is off before a programming lead goes in.
  const apart = edited(plans, { do: 'tick', step: 'lead-apart', title: 'x', on: true }, plans.touchedAt);
  return put(scripted(apart, [{ do: 'press', seconds: 0.2 }]), 'wish', {
    outcome: 'it starts',
    when: 'at noon',
    never: '',
    hazards: ['mains', 'unattended-heat'],
    hazardsReviewed: true,
  });
}
