import type { Facts } from '../ground/facts';
import type { Finding } from '../ground/finding';
import { HOUSE, LEARNING, NOTHING_KNOWN, type Known } from './house';
import type { Job } from '../ground/job';
import { nextFor, type NextReading, type SeenSurvey, type ControlSurvey } from '../rooms/probe';
import type { PlannedPress } from '../rooms/thumb';
import type { Line } from '../build/lines';
import { ledgerParts, type LedgerPart } from './ratings';

/** Everything that follows from a job: the findings of all rooms, and what the rooms computed on the way. */
export interface Assessment {
  readonly findings: readonly Finding[];
  readonly facts: Facts;
  readonly surveys: readonly ControlSurvey[];
  /** Every press with its chosen way. */
  readonly plans: readonly PlannedPress[];
  /** Every signal between the controller and the rest. */
  readonly lines: readonly Line[];
  /** Every rating of every part of the job's circuit. */
  readonly ledger: readonly LedgerPart[];
  /** Mains is inside: the machine has to be proven dead before it is opened. */
  readonly proveDead: boolean;
}

/** An assessment as it goes to the screens. */
export type Seen = Omit<Assessment, 'surveys'> & { readonly surveys: readonly SeenSurvey[] };

/** What the rooms know of a job, each thing from those before it. */
const knownOf = (job: Job): Known =>
  LEARNING.reduce<Known>((known, learn) => ({ ...known, ...learn(job, known) }), NOTHING_KNOWN);

/** What is learned of how a job is wired, without what the rooms judge of it. */
export function wiredOf(job: Job): Pick<Assessment, 'lines' | 'facts'> {
  const { controls, drive, presses, lines } = knownOf(job);
  return { lines, facts: { controls, drive, presses } };
}

/** Asks each room in the order of the work. Pure and free of side effects. */
export function assess(job: Job): Assessment {
  const known = knownOf(job);
  const findings = HOUSE.reduce<readonly Finding[]>(
    (before, room) => [...before, ...room.findings(job, known, before)],
    [],
  );
  const { controls, drive, presses, surveys, plans, lines, proveDead } = known;
  const ledger = ledgerParts(job, known.ledger, findings);
  return { findings, facts: { controls, drive, presses }, surveys, plans, lines, ledger, proveDead };
}

/** The next reading of a control, or null; see the room Probe. */
export function nextReadingOf(
  job: Job,
  a: Assessment,
  control: string,
  skip?: ReadonlySet<string>,
): NextReading | null {
  const survey = a.surveys.find((s) => s.control === control);
  return survey ? nextFor(job, survey, skip) : null;
}
