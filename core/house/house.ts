import { actFindings } from '../rooms/act';
import { boardFindings, driveFact, profileOf } from '../rooms/board';
import type { Facts } from '../ground/facts';
import { feedFindings } from '../rooms/feed';
import type { Finding } from '../ground/finding';
import { guardFindings, hazardsOf, needsProveDead, neverFinding } from '../rooms/guard';
import type { Job, Room } from '../ground/job';
import { linesOf, type Line } from '../build/lines';
import { heatOfPresses, ledgerOfJob, type LedgerRow } from '../build/whole';
import { recordedDrill } from './drill/recorded';
import { ledgerFinding, ratingFindings } from './ratings';
import { loopRunFindings } from './loop-findings';
import { packFindings } from '../rooms/pack';
import { controlFacts, probeFindings, surveysOf, type ControlSurvey } from '../rooms/probe';
import { routineFindings } from '../rooms/routine';
import { senseFindings } from '../rooms/sense';
import { planPresses, thumbFindings, type PlannedPress } from '../rooms/thumb';
import { neverTried, tryFindings } from '../rooms/try';
import { wishFindings } from '../rooms/wish';

/** All that the rooms know of a job and of each other. */
export interface Known extends Facts {
  readonly surveys: readonly ControlSurvey[];
  /** Every press with its chosen way. */
  readonly plans: readonly PlannedPress[];
  /** Every signal between the controller and the rest. */
  readonly lines: readonly Line[];
  /** Mains is inside: the machine has to be proven dead before it is opened. */
  readonly proveDead: boolean;
  /** Every rating of every part of the job's circuit, and presses that are no such circuit. */
  readonly ledger: readonly LedgerRow[];
  readonly apart: readonly string[];
  /** What must never happen was tried and did not. */
  readonly neverTried: boolean;
}

/** Before anything was learned. */
export const NOTHING_KNOWN: Known = {
  controls: {},
  drive: null,
  presses: [],
  surveys: [],
  plans: [],
  lines: [],
  ledger: [],
  apart: [],
  proveDead: true,
  neverTried: false,
};

/** What is learned of a job, in the order in which one thing rests on another. */
export const LEARNING: readonly ((job: Job, known: Known) => Partial<Known>)[] = [
  (job) => {
    const surveys = surveysOf(job);
    return { surveys, controls: controlFacts(job, surveys), drive: driveFact(job) };
  },
  (job, known) => {
    const plans = planPresses(job, known);
    return { plans, presses: plans.flatMap(({ way }) => (way ? [way.press] : [])) };
  },
  (job, { presses }) => ({ lines: linesOf(job, presses) }),
  (job, known) => ledgerOfJob(job, known, profileOf(job)?.weakOhms),
  (job, known) => ({ proveDead: needsProveDead(job, known) }),
  (job, { proveDead }) => ({ neverTried: neverTried(job, proveDead) }),
];

/** A room: what it finds in a job, given what is known and what the rooms before it found. */
export interface RoomCore {
  readonly room: Room;
  readonly findings: (job: Job, known: Known, before: readonly Finding[]) => readonly Finding[];
}

/** The eleven rooms in the order of the work; the only place that knows them all. A further judgement of a room is one more row. */
export const HOUSE: readonly RoomCore[] = [
  { room: 'wish', findings: wishFindings },
  { room: 'probe', findings: (job, { surveys }) => probeFindings(job, surveys) },
  { room: 'thumb', findings: (job, { plans }) => thumbFindings(job, plans) },
  { room: 'thumb', findings: (_, { ledger }, before) => ratingFindings(ledger, 'thumb', before) },
  { room: 'board', findings: (job, { lines, presses }) => boardFindings(job, lines, presses) },
  { room: 'board', findings: (_, { ledger }, before) => ratingFindings(ledger, 'board', before) },
  { room: 'feed', findings: (job, known) => feedFindings(job, known, heatOfPresses(job, known.ledger)) },
  { room: 'guard', findings: (job, known) => guardFindings(job, known, known.neverTried) },
  {
    room: 'guard',
    findings: (job, known) => recordedDrill(job, hazardsOf(job, known), { lines: known.lines, facts: known }),
  },
  { room: 'guard', findings: (_, { ledger, apart }) => ledgerFinding(ledger, apart) },
  { room: 'sense', findings: senseFindings },
  { room: 'act', findings: actFindings },
  { room: 'act', findings: (job, known) => neverFinding(job, 'act', known.neverTried) },
  { room: 'routine', findings: routineFindings },
  { room: 'routine', findings: loopRunFindings },
  {
    room: 'try',
    findings: (job, { proveDead }, before) =>
      tryFindings(
        job,
        proveDead,
        before.filter((f) => f.verdict === 'stop'),
      ),
  },
  { room: 'pack', findings: (job, { presses }, before) => packFindings(job, presses, before) },
];
