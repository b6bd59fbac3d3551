import '@angular/compiler';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { describe, expect, it } from 'vitest';
import { freshJob, type Job } from '../../core/ground/job';
import { JobsActions } from './jobs.actions';
import { initialState, jobsReducer, type JobsState } from './jobs.reducer';

const NOW = '2026-03-02T14:00:00Z';
const job: Job = freshJob({ title: 'Pot' }, 'a', NOW);
const play = (...actions: Parameters<typeof jobsReducer>[1][]): JobsState => actions.reduce(jobsReducer, initialState);
const rename = (title: string) => JobsActions.edited({ id: 'a', edit: { do: 'title', title, place: '' }, now: NOW });
const undo = JobsActions.undone({ id: 'a', now: NOW });
const redo = JobsActions.redone({ id: 'a', now: NOW });
const added = JobsActions.added({ jobs: [job] });

describe('undo and redo', () => {
  it('walks back and forth through every edit, and the log only grows', () => {
    const titles = [[], [undo], [undo, undo], [undo, undo, redo], [undo, undo, redo, redo]].map(
      (more) => play(added, rename('One'), rename('Two'), ...more).byId['a']!.job,
    );
    expect(titles.map((j) => j.title)).toEqual(['Two', 'One', 'Pot', 'One', 'Two']);
    expect(titles.map((j) => j.log.length)).toEqual([3, 4, 5, 6, 7]);
    expect(titles[1]!.log.at(-1)!.text).toBe('undone: called Two');
  });

  it('forgets the way forth after a new edit, and does nothing at either end', () => {
    const s = play(added, rename('One'), undo, rename('Other'), redo).byId['a']!;
    expect(s.job.title).toBe('Other');
    expect(play(added, undo, undo).byId['a']!.job).toEqual(job);
  });

  it('keeps at most two hundred steps', () => {
    const many = Array.from({ length: 230 }, (_, i) => rename(`t${i}`));
    expect(play(added, ...many).byId['a']!.past).toHaveLength(200);
  });
});

const odd = { id: 'z', title: 'Odd', document: {}, problem: { what: 'w', where: 'x', todo: 'y' } };

describe('a long evening of edits', () => {
  it('two thousand of them grow the memory by their log lines and by nothing beyond the undo depth', () => {
    setFlagsFromString('--expose_gc');
    const collect = runInNewContext('gc') as () => void;
    const heap = (): number => {
      collect();
      return process.memoryUsage().heapUsed;
    };
    let state = play(added);
    const some = (from: number, n: number): void => {
      for (let i = from; i < from + n; i++) state = jobsReducer(state, rename(`title ${i}`));
    };
    some(0, 500);
    const after500 = heap();
    some(500, 1500);
    const grown = heap() - after500;
    expect(state.byId['a']!.past).toHaveLength(200);
    expect(state.byId['a']!.job.log).toHaveLength(2001);
    // Each of the two hundred states in the past holds its own list of log lines, 8 bytes a line: 200 · 1500 · 8 is 2.4 MB.
    expect(grown).toBeLessThan(8e6);
  });
});

describe('an edit that cannot be', () => {
  it.each([
    ['a reading that is gone', { do: 'strike-reading', id: 'r9', struck: true } as const, /no reading r9/],
    [
      'a value beyond its bounds',
      { do: 'set', at: 'sheet', set: { reliability: 0 } } as const,
      /reliability: not below/,
    ],
    ['an item that is not there', { do: 'drop', list: 'survey.rails', key: 'x' } as const, /no x/],
  ])('%s changes nothing and is told', (_, edit, why) => {
    const s = play(added, JobsActions.edited({ id: 'a', edit, now: NOW })).byId['a']!;
    expect(s.job).toBe(job);
    expect(s.past).toEqual([]);
    expect(s.refused!.what).toMatch(why);
    // The next good edit clears it.
    expect(play(added, JobsActions.edited({ id: 'a', edit, now: NOW }), rename('One')).byId['a']!.refused).toBeNull();
  });

  it('of a job that is not there changes nothing', () => {
    const s = play(added);
    expect(jobsReducer(s, JobsActions.edited({ id: 'toString', edit: { do: 'note', text: 'x' }, now: NOW }))).toBe(s);
  });
});

describe('saving', () => {
  it('is "kept" only once the very last version is in the store', () => {
    const two = play(added, rename('One'), rename('Two'));
    const one = play(added, rename('One')).byId['a']!.job;
    const first = jobsReducer(two, JobsActions.saved({ id: 'a', job: one, revision: 1, now: NOW }));
    expect(first.byId['a']).toMatchObject({ revision: 1, save: 'saving' });
    const last = jobsReducer(first, JobsActions.saved({ id: 'a', job: two.byId['a']!.job, revision: 2, now: NOW }));
    expect(last.byId['a']).toMatchObject({ revision: 2, save: 'kept' });
  });

  it('keeps the revision and the time', () => {
    expect(play(added, JobsActions.saved({ id: 'a', job, revision: 1, now: NOW })).byId['a']).toMatchObject({
      revision: 1,
      save: 'kept',
      savedAt: NOW,
    });
  });

  it('stays at "changed elsewhere" until the maker decides, whatever is typed', () => {
    const s = play(added, JobsActions.changedElsewhere({ id: 'a' }), rename('Mine'));
    expect(s.byId['a']).toMatchObject({ save: 'changed-elsewhere', job: { title: 'Mine' } });
  });

  it('keeps mine as a copy and leaves theirs to be taken', () => {
    const s = play(
      added,
      rename('Mine'),
      JobsActions.keepAsCopy({ id: 'a', copyId: 'b', now: NOW }),
      JobsActions.refreshed({ job: { ...job, title: 'Theirs' }, revision: 4, now: NOW }),
    );
    expect(s.byId['b']!.job).toMatchObject({ id: 'b', title: 'Mine, copy' });
    expect(s.byId['a']).toMatchObject({ revision: 4, job: { title: 'Theirs' } });
    // Taking theirs can be taken back.
    expect(jobsReducer(s, undo).byId['a']!.job.title).toBe('Mine');
  });

  it('remembers why a save failed and that the store is forbidden', () => {
    expect(play(added, JobsActions.saveFailed({ id: 'a', why: 'full' })).byId['a']).toMatchObject({
      save: 'failed',
      why: 'full',
    });
    expect(play(JobsActions.storeForbidden({ why: 'forbidden' }))).toMatchObject({
      phase: 'forbidden',
      why: 'forbidden',
    });
    expect(play(added, JobsActions.loaded({ jobs: [], unreadable: [odd] }))).toMatchObject({
      phase: 'ready',
      unreadable: [odd],
      byId: { a: { job } },
    });
  });
});

describe('a job that is taken away', () => {
  it('goes alone, and comes back as it was when it is added again', () => {
    const other = { ...job, id: 'b' };
    const gone = play(added, JobsActions.added({ jobs: [other] }), rename('One'), JobsActions.removed({ id: 'a' }));
    expect(Object.keys(gone.byId)).toEqual(['b']);
    // The store has no row of it any more: it is saved as a new one.
    expect(jobsReducer(gone, added).byId['a']).toMatchObject({ job, revision: 0, save: 'saving' });
    expect(Object.keys(jobsReducer(gone, JobsActions.forgotten({ id: 'b' })).byId)).toEqual([]);
  });

  it('is no trouble where it is gone already', () =>
    expect(play(added, JobsActions.removed({ id: 'zz' })).byId['a']).toBeDefined());
});
