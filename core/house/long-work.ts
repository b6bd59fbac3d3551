import { planWay, sceneOf, type Planned } from '../rooms/act';
import type { DriveFact } from '../ground/facts';
import type { BoardLayout, Job, Sense } from '../ground/job';
import { apartOn, cureAll, curesFor, type BoardApart, type BoardCure, type Stands } from '../rooms/guard';
import { daysStudy, type DaysStudy } from './many-days';
import { seededRandom } from '../ground/quantity';
import { assess } from './assess';
import { loopRuns, type LoopRun } from './loop-run';
import { drillJob, type DrillResult } from './drill/drill-job';
import { rehearsalOf } from './rehearsal';
import type { Rehearsal } from './rehearsed';
import { regretOf, type Regret, type RegretField } from './regret';
import { yearSeen, type YearSeen } from './year-seen';
import { yearsOf, type Years } from './years';
import { triedAnswers, type TriedAnswers } from './tried-answers';
import { ratingTurns, type Turns } from './turns/turns';
import { searchJob, type Search, type Stories } from './stories';
import { readCalendar, zoneOffset, type ReadCalendar } from '../rooms/routine';
import { tapScatter, type TapScatter } from '../rooms/sense';
import { toleranceOf, type ToleranceResult } from '../rooms/thumb';
import type { WayContext, WayResult } from '../build/ways';

/** Which share of a search is done once its stories are told; the rest is trying what answers them. */
const SEARCHED = 0.5;

/** What may take longer than a frame, each with what is asked and what comes of it. All of it is plain data. */
export interface Works {
  /** Stories with so many things going wrong. */
  readonly stories: {
    readonly order: { readonly job: Job; readonly search: Search; readonly most: number };
    readonly result: Stories & { readonly answers: readonly TriedAnswers[] };
  };
  /** The failure drill with so many things going wrong, and the fewest answers that leave none of its stories. */
  readonly drill: {
    readonly order: { readonly job: Job; readonly most: number };
    readonly result: DrillResult | null;
  };
  /** How far the nets of a board are apart, and what cures it. */
  readonly apart: {
    readonly order: { readonly board: BoardLayout; readonly stands: Stands; readonly cures: boolean };
    readonly result: { readonly on: BoardApart; readonly cures: readonly BoardCure[]; readonly all: BoardCure | null };
  };
  /** The plan and the ready policies over so many days. */
  readonly days: {
    readonly order: { readonly job: Job; readonly days: number; readonly seed: number };
    readonly result: DaysStudy;
  };
  /** The way of one part, by its number, from the states where it may be to those that are wanted. */
  readonly way: {
    readonly order: {
      readonly job: Job;
      readonly part: number;
      readonly from: readonly string[];
      readonly to: readonly string[];
    };
    readonly result: Planned | null;
  };
  /** So many joints from parts within their tolerances, drawn from a seed. */
  readonly scatter: {
    readonly order: {
      readonly context: WayContext;
      readonly way: WayResult;
      readonly draws: number;
      readonly seed: number;
    };
    readonly result: ToleranceResult | null;
  };
  /** So many taps of a sense from parts within their tolerances, drawn from a seed. */
  readonly 'tap-scatter': {
    readonly order: {
      readonly sense: Sense;
      readonly drive: DriveFact;
      readonly draws: number;
      readonly seed: number;
    };
    readonly result: TapScatter | null;
  };
  /** A year of the rules from an instant on, and the next times at which they come true. */
  readonly year: {
    readonly order: { readonly job: Job; readonly from: string };
    readonly result: YearSeen;
  };
  /** Some years of the rules, one after the other. */
  readonly years: {
    readonly order: { readonly job: Job; readonly from: string; readonly years: number };
    readonly result: Years;
  };
  /** Every loop of warmth, run over some days. */
  readonly loops: { readonly order: { readonly job: Job }; readonly result: readonly LoopRun[] };
  /** Events of a calendar file, from an instant on. */
  readonly calendar: {
    readonly order: { readonly text: string; readonly from: string; readonly zone: string };
    readonly result: ReadCalendar;
  };
  /** The whole range of a number of a rule over the same year. */
  readonly regret: {
    readonly order: { readonly job: Job; readonly rule: string; readonly field: RegretField; readonly from: string };
    readonly result: Regret | null;
  };
  /** A day of the packed program on the bench, or of a program of the maker's own; null where none is written for the job. */
  readonly rehearsal: {
    readonly order: { readonly job: Job; readonly own: string | null };
    readonly result: Rehearsal | null;
  };
  /** What would turn the verdict of a rating, by the id of its finding. */
  readonly turns: { readonly order: { readonly job: Job; readonly id: string }; readonly result: Turns | null };
}
/** What long work there is. */
export type WorkKind = keyof Works;
/** What is to be worked out, as plain data. */
export type WorkOrder<K extends WorkKind = WorkKind> = { [P in K]: { readonly do: P } & Works[P]['order'] }[K];
/** What came of each kind of long work. */
export type WorkResult<K extends WorkKind = WorkKind> = Works[K]['result'];

/**
 * Does one piece of long work.
 * @param tell called now and then with the share that is done, 0 to 1.
 * Throws WorldProblem for a machine or a move that cannot be run.
 */
// eslint-disable-next-line complexity -- a plain switch over the kinds of work
export function workOn(order: WorkOrder, tell: (share: number) => void): WorkResult {
  const progress = (share: number): boolean => {
    tell(share);
    return true;
  };
  switch (order.do) {
    case 'stories': {
      const found = searchJob(order.search, order.most, (share) => progress(share * SEARCHED));
      const answers = triedAnswers(order.job, assess(order.job), found.broken, (share) =>
        progress(SEARCHED + (1 - SEARCHED) * share),
      );
      return { ...found, answers };
    }
    case 'drill':
      return drillJob(order.job, order.most, progress);
    case 'apart': {
      const { board, stands, cures } = order;
      const on = apartOn(board, stands);
      return { on, cures: cures ? curesFor(board, stands) : [], all: cures ? cureAll(board, stands) : null };
    }
    case 'days':
      return daysStudy(order.job, order.days, order.seed, progress);
    case 'way': {
      const scene = sceneOf(order.job);
      return scene && planWay(order.job, scene, order.part, order.from, order.to, progress);
    }
    case 'year':
      return yearSeen(order.job, order.from, progress);
    case 'years':
      return yearsOf(order.job, order.from, order.years, progress);
    case 'loops':
      return loopRuns(order.job);
    case 'calendar':
      return readCalendar(order.text, Date.parse(order.from), zoneOffset(order.zone));
    case 'regret':
      return regretOf(order.job, order.rule, order.field, order.from, progress);
    case 'rehearsal':
      return rehearsalOf(order.job, assess(order.job), order.own);
    case 'turns':
      return ratingTurns(order.job, order.id, progress);
    case 'scatter':
      return toleranceOf(order.context, order.way, order.draws, seededRandom(order.seed), (done) =>
        tell(done / order.draws),
      );
    case 'tap-scatter':
      return tapScatter(order.sense, order.drive, order.draws, seededRandom(order.seed), (done) =>
        tell(done / order.draws),
      );
  }
}
