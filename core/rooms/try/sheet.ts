import { chosen, derive, type Step } from '../../ground/finding';
import { neverSaid, onlyListens, type Job, type Trial } from '../../ground/job';
import { handSteps, listensAgainStep, senseSteps, signSteps, toldSteps } from './around-steps';
import { stillCounts } from './basis';
import {
  byHandSteps,
  cutOffSteps,
  dummyStep,
  manyStep,
  oneStep,
  pressesTried,
  restartsStep,
  reversalSteps,
  seriesSteps,
} from './press-steps';
import { ruleSteps } from './rule-steps';
import type { SheetStep } from './sheet-step';

/** How far a step is. */
export interface StepProgress {
  readonly step: SheetStep;
  /** Repeats without a failure since the last one, on the machine itself. */
  readonly done: number;
  /** The same with those on the stand-in. */
  readonly rehearsed: number;
  readonly failed: number;
  readonly trials: readonly Trial[];
  /** Trials that were made before something that they rest on was changed. */
  readonly voided: number;
  /** `rehearsed`: done in full, and at least partly on the stand-in, which proves nothing of the machine. */
  readonly state: 'open' | 'passed' | 'rehearsed' | 'failed';
}

/**
 * Trials without a failure that show a reliability at a confidence, rounded up.
 * Source: success-run theorem, n = ln(1 − C)/ln(R).
 */
export function successRun(reliability: number, confidence: number): Step {
  return derive('presses without a failure', 'n', 'ceil(ln(1 - C) / ln(R))', '1', [
    chosen('C', 'confidence', confidence, '1', 'set in Try', [0.5, 0.9999]),
    chosen('R', 'reliability', reliability, '1', 'set in Try', [0.5, 0.9999]),
  ]);
}

const PROVE_DEAD: SheetStep = {
  id: 'prove-dead',
  title: 'Prove it dead',
  how: 'Go through the five steps in Guard with the tester in hand.',
  expected: 'no voltage between any pair, and the tester proven twice',
  wanted: 1,
  onStandin: false,
};

/**
 * The test sheet of a job, in safe order: dead, then in the air or on a lamp, then what must hold by itself, then on the machine press by
 * press and side by side, then what stands at the controller, then many presses, then what must never be.
 */
export function testSheet(job: Job, proveDead: boolean): SheetStep[] {
  const tried = pressesTried(job);
  const many = successRun(job.sheet.reliability, job.sheet.confidence).result.value;
  const share = (x: number): string => `${Number((100 * x).toPrecision(4))} %`;
  const shows = `every press seen: ${share(job.sheet.reliability)} reliable at ${share(job.sheet.confidence)} confidence`;
  return [
    ...(proveDead ? [PROVE_DEAD] : []),
    ...tried.map((t) => dummyStep(job, t)),
    onlyListens(job) ? listensAgainStep() : restartsStep(),
    ...tried.flatMap((t) => [...seriesSteps(t), ...cutOffSteps(job, t)]),
    ...senseSteps(job),
    ...(onlyListens(job) ? toldSteps(job) : []),
    ...tried.map((t, i) => oneStep(job, t, i === 0)),
    ...tried.flatMap((t) => reversalSteps(t)),
    ...handSteps(job),
    ...signSteps(job),
    ...ruleSteps(job),
    ...tried.map((t) => manyStep(job, t, many, shows)),
    ...byHandSteps(tried),
    ...(neverSaid(job.wish.never) ? [neverStep(neverSaid(job.wish.never))] : []),
    LAST,
  ];
}

const neverStep = (never: string): SheetStep => ({
  id: 'never',
  title: 'Try to bring “never” about',
  how:
    `Never: ${never}. With somebody at the plug, try to make just that happen: ` +
    'wrong order, twice, at the wrong moment, with the power cut in between.',
  expected: 'it cannot be brought about',
  wanted: 1,
  onStandin: false,
});

const LAST: SheetStep = {
  id: 'sign-off',
  title: 'Sign off',
  how: 'Close the case, label the joint, note who may open it.',
  expected: 'you would leave it running while you are out of the room, within its own cautions',
  wanted: 1,
  onStandin: false,
};

/** How far each step has come with the joint as it stands. A failed trial sends its step back to the beginning. */
export function progressOf(job: Job, sheet: readonly SheetStep[]): StepProgress[] {
  return sheet.map((step) => {
    const all = job.trials.filter((t) => t.step === step.id);
    const trials = all.filter((t) => stillCounts(job, t));
    const lastFailure = trials.findLastIndex((t) => t.outcome === 'not-as-expected');
    const since = trials.slice(lastFailure + 1);
    const count = (list: readonly Trial[]): number => list.reduce((s, t) => s + t.count - t.failed, 0);
    const done = count(since.filter((t) => t.on === 'hand'));
    const rehearsed = count(since);
    const failed = trials.reduce((s, t) => s + t.failed, 0);
    const state =
      done >= step.wanted
        ? 'passed'
        : lastFailure >= 0 && since.length === 0
          ? 'failed'
          : rehearsed >= step.wanted
            ? 'rehearsed'
            : 'open';
    return {
      step,
      done: Math.min(done, step.wanted),
      rehearsed: Math.min(rehearsed, step.wanted),
      failed,
      trials: all,
      voided: all.length - trials.length,
      state,
    };
  });
}
