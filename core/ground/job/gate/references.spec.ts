import { describe, expect, it } from 'vitest';
import { namedIn } from '../../field';
import { demoJob } from '../../../testing/jobs';
import { applyEdit, type JobEdit } from '../edit/edit';
import { LIST_INFO, type ListName } from '../document/places';
import { JOB_FIELDS, referenceProblem, SORT_OF } from './references';

const NOW = '2026-03-02T14:00:00Z';
const itemsOf = (job: object, path: string): readonly Record<string, string>[] =>
  path.split('.').reduce<unknown>((at, key) => (at as Record<string, unknown>)[key], job) as Record<string, string>[];

describe('what a job names', () => {
  it.each(['rice-pot', 'yard-gate', 'dough-proofer', 'hatch-shutter', 'hood-fan', 'steam-flaps'] as const)(
    'is there, in %s, and when it goes is cleared, goes with it, or keeps it',
    (title) => {
      const job = demoJob(title);
      expect(referenceProblem(job)).toBeNull();
      const named = namedIn(JOB_FIELDS, job);
      expect(named.length).toBeGreaterThan(0);
      for (const [list, sort] of Object.entries(SORT_OF) as [ListName, string][])
        for (const item of itemsOf(job, list)) {
          const key = item[LIST_INFO[list].key]!;
          const keeps = named.filter(
            (x) => x.reference.gone === 'refuse' && x.meant.some((m) => m.sort === sort && m.id === key),
          );
          const done = applyEdit(job, { do: 'drop', list, key } as JobEdit, NOW);
          if (done.ok) {
            expect(keeps, `${list} ${key}`).toEqual([]);
            expect(referenceProblem(done.job)).toBeNull();
          } else expect(keeps.map((x) => x.todo)).toContain(done.problem.todo);
        }
    },
  );

  it('and is not there is told by its place, with what to do', () => {
    const job = demoJob('rice-pot');
    const lost = { ...job, presses: job.presses.map((p) => ({ ...p, control: 'nowhere' })) };
    expect(referenceProblem(lost)).toEqual({
      what: 'There is no "nowhere" in this job.',
      where: 'field "presses[0].control"',
      todo: 'Name a control that the job has.',
    });
  });
});
