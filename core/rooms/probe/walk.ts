import { firstItem } from '../../ground/lists';
import { edited, BENCH_MAINS, freshJob, type ControlKind, type Job, type Meter, type Reading } from '../../ground/job';
import type { Random } from '../../ground/quantity';
import { TEST_BATTERY_VOLTS } from '../../engines/circuit';
import { readStandin, type Measurable } from '../../engines/standin';
import { isolationOf } from './isolation/isolation';
import { isIsolationReading } from './isolation/relevant';
import type { NextReading } from './next/say-next';
import { nextFor, surveyOf, tieOf, type ControlSurvey } from './survey';

const CONTROL = 'control-it';
const T = '2026-01-01T00:00:00Z';

/** How a walk over a stand-in went, reading by reading. */
export interface Walk {
  readonly job: Job;
  /** Readings after the isolation ones, up to the one that made the control known or ended the walk. */
  readonly readings: number;
  readonly isolationReadings: number;
  /** `remainder`: none of the kinds. `held`: not isolated from mains, so that powered readings were never proposed. */
  readonly end: 'known' | 'tie' | 'remainder' | 'held' | 'open';
  readonly kind: ControlKind;
  readonly tie: readonly ControlKind[];
  /** Every probability stated on the way after isolation, with the kind it was stated for. */
  readonly forecasts: readonly {
    readonly kind: ControlKind;
    readonly probability: number;
    readonly leading: boolean;
  }[];
  /** Every reading as it was proposed, with what was known of isolation then. */
  readonly proposed: readonly {
    readonly next: NextReading;
    readonly isolated: boolean;
    readonly before: readonly Reading[];
  }[];
}

/** Whose reading it is: that of the control where a tip stands on it, of the whole machine where none does. */
export const controlOf = (next: Pick<NextReading, 'control' | 'from' | 'to'>): string =>
  [next.from, next.to].some((p) => p.kind === 'contact') ? next.control : '';

/** A reading taken from a stand-in for a proposal, as a reading of the job. */
export function takenFrom(
  standin: Measurable,
  next: NextReading,
  id: string,
  at: string,
  random: Random,
  meter?: Meter,
  batteryVolts: number | null = null,
): Reading {
  const shown = readStandin(standin, next, random, meter);
  // A stand-in is read past a battery of its own: what is left is a share of the one in hand.
  const share = next.kind === 'battery' && batteryVolts ? batteryVolts / TEST_BATTERY_VOLTS : 1;
  return {
    id,
    at,
    control: controlOf(next),
    from: next.from,
    to: next.to,
    state: next.state,
    kind: next.kind,
    by: 'standin',
    struck: false,
    ...shown,
    value: shown.value * share,
  };
}

/** How a walk ends that leaves the kind open. */
const openEnd = (survey: ControlSurvey, tie: readonly ControlKind[] = []): Walk['end'] =>
  survey.remainder.leads ? 'remainder' : tie.length > 1 ? 'tie' : 'open';

/**
 * Follows the proposals of Probe on one stand-in until its control is known and no proposal tells more of the kind, a tie is
 * reported, or nothing may be taken.
 * @param most readings after the isolation ones.
 */
export function walk(standin: Measurable, random: Random, most = 16): Walk {
  const begun = edited(freshJob({ title: 'walk' }, 'walk', T), { do: 'add-control', id: CONTROL, name: 'it' }, T);
  // A board on the bench: its plug goes in either way round, its main switch is closed.
  let job = edited(begun, { do: 'set', at: 'survey', set: { mains: BENCH_MAINS }, say: 'on the bench' }, T);
  const forecasts: { kind: ControlKind; probability: number; leading: boolean }[] = [];
  const proposed: { next: NextReading; isolated: boolean; before: readonly Reading[] }[] = [];
  let readings = 0;
  let isolationReadings = 0;
  for (let n = 0; ; n++) {
    const survey: ControlSurvey = surveyOf(job, CONTROL);
    const isolation = isolationOf(job, CONTROL);
    const best = firstItem(survey.candidates);
    const settled = isolation.verdict !== 'unknown';
    if (settled)
      forecasts.push(
        ...survey.candidates.map((c, i) => ({ kind: c.kind, probability: c.probability, leading: i === 0 })),
      );
    const done = (end: Walk['end'], tie: readonly ControlKind[] = []): Walk => ({
      job,
      readings,
      isolationReadings,
      end,
      kind: best.kind,
      tie,
      forecasts,
      proposed,
    });
    const known = settled && survey.known;
    if (readings >= most) return done(known ? 'known' : openEnd(survey));
    const next = nextFor(job, survey);
    if (known && !next?.tellsKind) return done('known');
    if (!next) {
      const tie = tieOf(job, survey);
      return done(isolation.verdict === 'not-isolated' ? 'held' : openEnd(survey, tie), tie);
    }
    proposed.push({ next, isolated: isolation.verdict === 'isolated', before: job.readings });
    if (isIsolationReading(next)) isolationReadings++;
    else readings++;
    job = edited(job, { do: 'add-reading', say: '', reading: takenFrom(standin, next, `w${n}`, T, random) }, T);
  }
}
