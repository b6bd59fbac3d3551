import { chosen, derive, type Step } from '../../ground/finding';
import { type Job, type Trial, scriptOf } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { stillCounts } from './basis';

/** A step of the test sheet. */
export interface SheetStep {
  readonly id: string;
  readonly title: string;
  readonly how: string;
  readonly expected: string;
  /** Repeats wanted in total. */
  readonly wanted: number;
  /** Whether the stand-in can take it. */
  readonly onStandin: boolean;
}

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

/** The test sheet of a job, in safe order. */
export function testSheet(job: Job, proveDead: boolean): SheetStep[] {
  const press = scriptOf(job).find((s) => s.do === 'press');
  const length = press ? formatQuantity(press.seconds, 's') : 'as long as the script says';
  const many = successRun(job.sheet.reliability, job.sheet.confidence).result.value;
  const share = (x: number): string => `${Number((100 * x).toPrecision(4))} %`;
  return [
    ...(proveDead ? [PROVE_DEAD] : []),
    {
      id: 'dummy-load',
      title: 'Press a lamp first',
      how: `Leave the machine unconnected. Put a lamp or a meter on the contact and run the script.`,
      expected: `the contact closes for ${length} and opens again`,
      wanted: 1,
      onStandin: true,
    },
    {
      id: 'restarts',
      title: 'Restart ten times and watch the contact',
      how: 'Machine unconnected, meter on the contact. Cut and return the controller’s power.',
      expected: 'the contact never closes, not even for a blink',
      wanted: 10,
      onStandin: true,
    },
    {
      id: 'one-press',
      title: 'One press on the machine',
      how: 'Connect, stand by, run the script once.',
      expected: job.wish.outcome ? `the machine answers: ${job.wish.outcome}` : 'the machine answers as wished',
      wanted: 1,
      onStandin: true,
    },
    {
      id: 'many-presses',
      title: `${many} presses without a miss`,
      how: `Run the script ${many} times, at a pace the machine allows. A miss begins the count anew.`,
      expected: `every press seen: ${share(job.sheet.reliability)} reliable at ${share(job.sheet.confidence)} confidence`,
      wanted: many,
      onStandin: true,
    },
    {
      id: 'hand-switch',
      title: 'The old button still works',
      how: 'Press by hand, with the controller on and with it off.',
      expected: 'the machine obeys both times',
      wanted: 1,
      onStandin: true,
    },
    ...(job.wish.never.trim()
      ? [
          {
            id: 'never',
            title: 'Try to bring “never” about',
            how:
              `Never: ${job.wish.never}. With somebody at the plug, try to make just that happen: ` +
              'wrong order, twice, at the wrong moment, with the power cut in between.',
            expected: 'it cannot be brought about',
            wanted: 1,
            onStandin: false,
          },
        ]
      : []),
    {
      id: 'sign-off',
      title: 'Sign off',
      how: 'Close the case, label the joint, note who may open it.',
      expected: 'you would leave it running while you are out of the room, within its own cautions',
      wanted: 1,
      onStandin: false,
    },
  ];
}

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
