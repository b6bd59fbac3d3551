import type { Finding, Remedy } from '../ground/finding';
import { applyEdit, type Job, type JobEdit } from '../ground/job';

/** The findings of a job with what they offer tried out: a remedy that would be refused stays as words, and offers nothing to press. */
export const withTriedRemedies = (job: Job, findings: readonly Finding[]): readonly Finding[] =>
  findings.map((f) => {
    const { remedy } = f;
    if (!remedy?.edit) return f;
    const taken = (edit: JobEdit): boolean => applyEdit(job, edit, job.touchedAt).ok;
    const others = (remedy.others ?? []).filter(({ edit }) => taken(edit));
    const own = taken(remedy.edit);
    if (own && others.length === (remedy.others ?? []).length) return f;
    const { others: _all, label: _label, edit: _edit, ...words } = remedy;
    const { label, edit } = remedy;
    if (own) return { ...f, remedy: { ...words, ...(label === undefined ? {} : { label }), edit, ...more(others) } };
    // The first of the answers that are left stands where the remedy's own would be refused.
    const [first, ...rest] = others;
    return { ...f, remedy: { ...words, ...first, ...more(rest) } };
  });

const more = (others: NonNullable<Remedy['others']>): Pick<Remedy, 'others'> => (others.length > 0 ? { others } : {});
