import { readFileSync } from 'node:fs';
import { assess, type Assessment } from '../assess';
import type { Finding } from '../finding';
import { edited, BENCH_MAINS, freshJob, loadJob, type Job, type JobEdit, type Section } from '../job';

/** For tests: a demo job from its file. */
export function demoJob(
  name:
    | 'rice-pot'
    | 'yard-gate'
    | 'larder-dehumidifier'
    | 'dough-proofer'
    | 'cold-room-alarm'
    | 'hatch-shutter'
    | 'extractor-rocker'
    | 'hood-fan',
  root: string | URL = new URL('../../', import.meta.url),
): Job {
  const loaded = loadJob(
    readFileSync(typeof root === 'string' ? `${root}demo/${name}.json` : new URL(`demo/${name}.json`, root), 'utf8'),
  );
  if (!loaded.ok) throw new Error(loaded.problem.what);
  return loaded.job;
}

/** For tests: a job about a machine on the bench, its mains side answered, with nothing read. */
export const benchJob = (title = 'x', id = 'x', now = '2026-03-02T14:00:00Z'): Job => {
  const job = freshJob({ title }, id, now);
  return { ...job, survey: { ...job.survey, mains: { ...BENCH_MAINS } } };
};

/** For tests: the job with one section changed. */
export const changed = <S extends Section>(job: Job, section: S, set: Partial<Job[S]>): Job =>
  edited(job, { do: 'set', at: section, set, say: 'test' } as JobEdit, '2026-03-02T14:00:00Z');

/** For tests: one finding by its id, or a clear failure. */
export function findingOf(a: Assessment | Job, id: string): Finding {
  const all = 'findings' in a ? a.findings : assess(a).findings;
  const found = all.find((f) => f.id === id);
  if (!found) throw new Error(`no finding ${id}; there are ${all.map((f) => f.id).join(', ')}`);
  return found;
}
