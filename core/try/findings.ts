import { finding, type Finding } from '../finding';
import type { Job } from '../job';
import { progressOf, successRun, testSheet } from './sheet';

/** What Try judges: each step of the sheet and the sheet as a whole. */
export function tryFindings(job: Job, proveDead: boolean): Finding[] {
  const progress = progressOf(job, testSheet(job, proveDead));
  const out = progress.map(({ step, done, failed, state }) =>
    finding('try', step.id, {
      verdict: state === 'passed' ? 'settled' : state === 'failed' ? 'stop' : 'unknown',
      title: `${step.title}: ${done} of ${step.wanted}${failed ? `, ${failed} failed so far` : ''}`,
      caption: state === 'failed' ? 'a test failed' : `${step.wanted - done} left of ${step.wanted}`,
      source: step.id === 'restarts' ? ['restart-test'] : step.id === 'many-presses' ? ['success-run'] : [],
      remedy: state === 'failed' ? { text: 'Find out why, mend it, and begin this step anew.' } : null,
    }));
  const many = progress.find((p) => p.step.id === 'many-presses')!;
  const wanted = successRun(job.sheet.reliability, job.sheet.confidence);
  const passed = progress.filter((p) => p.state === 'passed').length;
  out.push(finding('try', 'success-run', {
    verdict: 'settled', title: 'Presses that the confidence asks for', caption: `${many.done} of ${many.step.wanted} presses`, value: wanted.result, steps: [wanted], source: ['success-run'],
  }));
  out.push(finding('try', 'sheet', {
    verdict: passed === progress.length ? 'settled' : 'unknown', title: `${passed} of ${progress.length} steps passed`,
    caption: passed === progress.length ? 'signed off' : job.trials.length === 0 ? 'not begun' : `${passed} of ${progress.length} passed`,
  }));
  return out;
}
