import { present } from '../../ground/lists';
import { atLeast, chosen, derive, finding, judged, type Finding, type Verdict, summary } from '../../ground/finding';
import { onlyListens, sayTime, type Job } from '../../ground/job';
import { stillCounts } from './basis';
import { SIGN_OFF } from './sign-off';
import { progressOf, successRun, testSheet, type StepProgress } from './sheet';
import { hitWanted, pressesInMonth } from './use';

const VERDICT: Readonly<Record<StepProgress['state'], Verdict>> = {
  passed: 'settled',
  rehearsed: 'tight',
  failed: 'stop',
  open: 'unknown',
};
/** The trial of a step that counts last: on the machine, as it stands, and as expected. */
const lastCounted = (job: Job, { trials }: StepProgress): Job['trials'][number] | undefined =>
  trials.findLast((t) => stillCounts(job, t) && t.on === 'hand' && t.outcome === 'as-expected');

/** Whether somebody tried in vain to bring "never" about, on the machine and with the joint as it stands. */
export const neverTried = (job: Job, proveDead: boolean): boolean =>
  progressOf(job, testSheet(job, proveDead)).some((p) => p.step.id === 'never' && p.state === 'passed');

/**
 * What Try judges: each step of the sheet and the sheet as a whole. @param stops findings of other rooms that say stop:
 * nothing is signed off over them.
 */
export function tryFindings(job: Job, proveDead: boolean, stops: readonly Finding[]): Finding[] {
  const progress = progressOf(job, testSheet(job, proveDead));
  const out = progress.map(({ step, done, rehearsed, failed, state, voided }) =>
    finding('try', step.id, {
      verdict: VERDICT[state],
      title: [
        `${step.title}: ${done} of ${step.wanted}`,
        state === 'rehearsed' ? ' on the machine, the rest on the stand-in, which proves nothing of the machine' : '',
        failed ? `, ${failed} failed so far` : '',
        voided ? `, ${voided} ${voided === 1 ? 'result' : 'results'} void since what they rest on was changed` : '',
      ].join(''),
      caption:
        state === 'failed'
          ? 'a test failed'
          : state === 'rehearsed'
            ? 'rehearsed only'
            : `${step.wanted - Math.max(done, rehearsed)} left of ${step.wanted}`,
      source:
        step.id === 'restarts'
          ? ['restart-test']
          : step.id.startsWith('many-presses')
            ? ['success-run']
            : step.id === 'never'
              ? ['maker']
              : [],
      remedy: state === 'failed' ? { text: 'Find out why, mend it, and begin this step anew.' } : null,
    }),
  );
  return [...out, ...(onlyListens(job) ? [] : [successFinding(job, progress)]), sheetFinding(job, progress, stops)];
}

/** What the many presses show, once they are done, against what the plan needs as often as it presses. */
function successFinding(job: Job, progress: readonly StepProgress[]): Finding {
  const runs = progress.filter((p) => p.step.id.startsWith('many-presses'));
  const sum = (of: (p: StepProgress) => number): number => runs.reduce((n, p) => n + of(p), 0);
  const left = runs.filter((p) => p.done < p.step.wanted);
  const wanted = successRun(job.sheet.reliability, job.sheet.confidence);
  const shows = derive('presses that are obeyed, as the test would show', 'R_test', '100 * R', '%', [
    chosen('R', 'reliability', job.sheet.reliability, '1', 'set in Try', [0.5, 0.9999]),
  ]);
  const enough = hitWanted(job);
  const month = pressesInMonth(job);
  const meets = job.sheet.reliability >= enough;
  const offered = `${Number((100 * enough).toPrecision(3))} %`;
  return judged('try', 'success-run', {
    title:
      `${wanted.result.value} presses without a miss ${left.length > 0 ? 'would ' : ''}show ` +
      `${100 * job.sheet.reliability} % at ${100 * job.sheet.confidence} % confidence`,
    caption: `${sum((p) => p.done)} of ${sum((p) => p.step.wanted)} presses`,
    steps: [wanted, shows],
    limit: atLeast(
      100 * enough,
      '%',
      month > 0
        ? `one miss in a month at most, at ${Math.round(month)} presses in it`
        : 'one press in a thousand may go unseen',
      { from: 'source', key: 'hit-wanted' },
    ),
    tightShare: 'met',
    verdict: !meets ? 'tight' : left.length > 0 ? 'unknown' : 'settled',
    source: ['success-run', 'sheet-repeat'],
    remedy:
      job.sheet.reliability === enough
        ? null
        : {
            text: meets
              ? `As often as it presses, ${offered} is one miss in a month: fewer presses show that.`
              : 'So few presses show less than the plan counts on: let it press overnight against a counter.',
            label: `Ask for ${offered}`,
            edit: { do: 'set', at: 'sheet', set: { reliability: enough }, say: `reliability to show: ${offered}` },
          },
  });
}

function sheetFinding(job: Job, progress: readonly StepProgress[], stops: readonly Finding[]): Finding {
  const passed = progress.filter((p) => p.state === 'passed').length;
  const at = (verdict: Verdict, title: string, caption: string, remedy: string | null = null): Finding =>
    summary('try', 'sheet', { verdict, title, caption, remedy: remedy === null ? null : { text: remedy } });
  if (stops.length > 0)
    return at(
      'stop',
      `Nothing is signed off over ${stops.length === 1 ? 'a stop' : `${stops.length} stops`}: ${stops
        .slice(0, 3)
        .map((f) => f.title)
        .join('; ')}${stops.length > 3 ? '; and more' : ''}`,
      'stops block sign-off',
      'Mend what says stop; the tests count only after that.',
    );
  if (passed < progress.length) {
    const rehearsed = progress.filter((p) => p.state === 'rehearsed').length;
    return at(
      'unknown',
      `${passed} of ${progress.length} steps passed on the machine${rehearsed ? `, ${rehearsed} rehearsed on the stand-in` : ''}`,
      job.trials.length === 0
        ? 'not begun'
        : `${passed} of ${progress.length} passed${rehearsed ? `, ${rehearsed} rehearsed` : ''}`,
    );
  }
  const signed = lastCounted(job, present(progress.find((p) => p.step.id === SIGN_OFF)));
  if (signed && progress.some((p) => (lastCounted(job, p)?.at ?? '') > signed.at))
    return at(
      'unknown',
      'It was signed off before its last test',
      'signed too early',
      'Sign off again, after everything else.',
    );
  if (!signed || !signed.by.trim())
    return at(
      'unknown',
      'Every step has passed, and nobody says who signed',
      'who signed?',
      'Say below who tests, and sign off again.',
    );
  return at(
    'settled',
    `Every step passed on the machine; signed by ${signed.by} on ` +
      `${sayTime(signed.at, job.region.timeZone, 'day')}. To be tried anew within a year, and after each ` +
      'change',
    'signed off',
  );
}
