import type { Finding } from '../ground/finding';
import { applyEdit, type Job } from '../ground/job';

/** The findings of a job with what they offer tried out: a remedy that would be refused stays as words, and offers nothing to press. */
export const withTriedRemedies = (job: Job, findings: readonly Finding[]): readonly Finding[] =>
  findings.map((f) => {
    const edit = f.remedy?.edit;
    if (!f.remedy || !edit || applyEdit(job, edit, job.touchedAt).ok) return f;
    return { ...f, remedy: { text: f.remedy.text } };
  });
