import { CONTROL_KINDS, type ControlFact, type Facts, type Job } from '../job';
import { contradictionsIn, type Contradiction } from './contradictions';
import { estimates, signalSide, type Estimate } from './estimate';
import { isolationOf } from './isolation';
import { nextReading, type NextReading } from './next';
import { posteriorOf, type Posterior } from './posterior';
import { kindReadings } from './relevant';
import { PROBED_KINDS, type ProbedKind } from '../circuit';

/** A control counts as known from this probability on. */
export const KNOWN_AT = 0.95;

export interface Candidate {
  readonly kind: ProbedKind;
  readonly probability: number;
  readonly estimates: Readonly<Record<string, Estimate>>;
}

/** Everything Probe can say about one control now. */
export interface Survey {
  readonly control: string;
  readonly posterior: Posterior;
  /** Most probable first. */
  readonly candidates: readonly Candidate[];
  readonly known: boolean;
  readonly signal: 'A' | 'B';
  readonly contradictions: readonly Contradiction[];
}

/** The candidates of a control with their values. Throws RangeError for a control that the job does not have. */
export function surveyOf(job: Job, control: string): Survey {
  if (!job.controls.some((c) => c.id === control)) throw new RangeError(`the job has no control ${control}`);
  const readings = kindReadings(job, control);
  const posterior = posteriorOf(readings);
  const signal = signalSide(posterior.leading, posterior);
  const candidates = PROBED_KINDS.map((kind) => ({
    kind, probability: posterior.kinds[kind], estimates: estimates(kind, signalSide(kind, posterior), readings, posterior),
  })).sort((a, b) => b.probability - a.probability);
  return { control, posterior, candidates, signal, known: candidates[0]!.probability >= KNOWN_AT, contradictions: contradictionsIn(readings, posterior) };
}

/** The next reading of a surveyed control; see `nextReading`. */
export const nextFor = (job: Job, survey: Survey): NextReading | null => nextReading(job, survey.control, survey.posterior);

/** What the other rooms may know of each control. */
export function controlFacts(job: Job, surveys: readonly Survey[]): Facts['controls'] {
  return Object.fromEntries(
    surveys.map((s): [string, ControlFact] => {
      const best = s.candidates[0]!;
      const isolation = isolationOf(job, s.control);
      const times = Object.values(best.estimates).map((e) => e.at).sort();
      return [s.control, {
        kind: s.known ? CONTROL_KINDS.find((k) => k === best.kind)! : null,
        leading: best.kind,
        probability: best.probability,
        parameters: Object.fromEntries(Object.entries(best.estimates).map(([k, e]) => [k, e.value])),
        lastReadingAt: times[times.length - 1] ?? '',
        isolation: isolation.verdict,
        dangerous: isolation.dangerous,
        signal: s.signal,
      }];
    }),
  );
}
