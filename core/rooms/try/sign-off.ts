import type { Finding } from '../../ground/finding';
import type { Job } from '../../ground/job';
import { progressOf, testSheet } from './sheet';

/** The step that comes after all others. */
export const SIGN_OFF = 'sign-off';

/**
 * Why nobody may sign off now, in words; empty where somebody may.
 * @param findings of the whole job: nothing is signed off over a stop.
 */
export function signOffBlocked(job: Job, proveDead: boolean, findings: readonly Finding[]): string {
  const stop = findings.find((f) => f.verdict === 'stop');
  if (stop) return `Nothing is signed off over a stop: ${stop.title}.`;
  const open = progressOf(job, testSheet(job, proveDead)).some((p) => p.step.id !== SIGN_OFF && p.state !== 'passed');
  if (open) return 'Every other step comes first, on the machine.';
  return job.sheet.by.trim() === '' ? 'Say who tests before you sign off.' : '';
}
