import { BENCH_MAINS, edited, freshJob, type Job } from '../../ground/job';

/** Seeds of practice controls: so many different ones are drawn before the first comes again. */
const SEEDS = 9000;

/** A job whose one control is drawn at random, on a bench without mains. `at` gives the seed and its dates. */
export function practiceJob(id: string, at: Date): Job {
  const now = at.toISOString();
  const seed = 1 + (Math.floor(at.getTime() / 1000) % SEEDS);
  const job = edited(
    freshJob({ title: 'Practice', outcome: 'find out what this control is' }, id, now),
    { do: 'add-control', id: 'control-it', name: 'it' },
    now,
  );
  return { ...job, survey: { ...job.survey, mains: { ...BENCH_MAINS } }, standin: { model: 'practice', seed } };
}
