import { describe, expect, it } from 'vitest';
import { edited, type Job } from '../ground/job';
import { demoJob, machined } from '../testing/jobs';
import { partsTold, takeSenses, whichSense } from './which-sense';

const whichSenses = (job: Job) => partsTold(job).map((p) => whichSense(job, p.id)!);

const NOW = '2026-03-02T14:00:00Z';
const blind = (job: Job): Job => ({
  ...job,
  senses: [],
  board: { ...job.board, pins: [] },
  act: { ...job.act, moves: [] },
});
const gate = blind(machined(demoJob('yard-gate'), { kind: 'open-stop-close-stop', runSeconds: 18 }));

describe('which sense', () => {
  it('tells what a door leaves confused without one, with one contact and with two', () => {
    const [gateSets] = whichSenses(gate);
    const [now, two, one] = gateSets!.sets;
    expect(now!.added).toEqual([]);
    expect(now!.pairs).toBe(15);
    expect(two!.added.map((s) => s.tells).sort()).toEqual(['at-end', 'at-rest']);
    expect(two!.alike).toEqual([['stopped on its way up', 'stopped on its way down']]);
    expect(two!.pins).toBe(2);
    expect(one!.added).toHaveLength(1);
    expect(one!.pairs).toBeGreaterThan(two!.pairs);
  });

  it('offers what its states show: a lamp, a sound, watts, warmth; and what is there already counts', () => {
    const shown = (state: string, watts: number, light: boolean): object => ({
      state,
      watts,
      light,
      sound: false,
      warm: false,
    });
    const pot = blind(
      machined(demoJob('rice-pot'), {
        kind: 'flips',
        shows: [shown('off', 1, false), shown('on', 700, true)] as never,
      }),
    );
    const sets = whichSenses(pot)[0]!.sets;
    expect(sets.slice(1).map((s) => s.added.map((x) => x.kind).join())).toEqual(
      expect.arrayContaining(['contact', 'light', 'watts']),
    );
    expect(sets[1]!.pairs).toBe(0);
    const taken = edited(pot, takeSenses(sets[1]!), NOW);
    expect(taken.senses).toHaveLength(1);
    expect(whichSenses(taken)[0]!.sets).toHaveLength(1);
    expect(whichSenses(taken)[0]!.sets[0]!.pairs).toBe(0);
  });

  it('says nothing of a machine that is not told', () => {
    expect(whichSenses({ ...gate, act: { ...gate.act, parts: [] } })).toEqual([]);
  });
});
