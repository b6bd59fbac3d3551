import { describe, expect, it } from 'vitest';
import { edited, freshNever, type Job, type JobEdit } from '../../ground/job';
import { demoJob } from '../../testing/jobs';
import { answerFor } from '../answer';
import { assess, wiredOf } from '../assess';
import { chanceOf, howOften } from './chance';
import { breaksIn, drillOf, POWER_STATES, runDrill } from './drill';
import { drillRecord } from './drill-findings';
import { drillJob, type DrillResult } from './drill-job';
import { jobWith } from './smallest';

const NOW = '2026-03-02T14:00:00Z';
const GATE = demoJob('yard-gate');
const drilled = (job: Job, most: number): DrillResult => drillJob(job, most)!;
const asStudy = (d: DrillResult) => ({
  kind: 'drill' as const,
  of: '',
  basis: d.basis,
  at: NOW,
  findings: d.findings,
});
const of = (job: Job, d: DrillResult, id: string) =>
  answerFor(job, {}, [asStudy(d)], undefined, []).assessment.findings.find((f) => f.id === id)!;

describe('the failure drill of the gate', () => {
  const first = drilled(GATE, 1);

  it('tells stories in all four states of power, each with what it would hurt', () => {
    expect(drillOf(GATE, wiredOf(GATE))!.searches.map(([p]) => p)).toEqual([...POWER_STATES]);
    expect(first.rows.map((r) => [r.story.power, r.story.story.never.never.id])).toEqual([
      ['both', 'night'],
      ['both', 'warned'],
      ['no-machine', 'night'],
      ['no-controller', 'warned'],
    ]);
    expect(first.rows.map((r) => howOften(r.chance))[0]).toBe('each time');
  });

  it('proposes the fewest answers, and with all of them a fresh drill finds nothing', () => {
    const { answers } = first.set;
    expect(answers!.length).toBeGreaterThan(1);
    const mended = jobWith(GATE, answers!)!;
    const anew = drillOf(mended, wiredOf(mended))!;
    expect(runDrill(anew, 1).stories).toEqual([]);
    // Each of them is needed: without it one of the stories comes about.
    for (const left of answers!) {
      const less = jobWith(
        GATE,
        answers!.filter((a) => a !== left),
      );
      const drill = less && drillOf(less, wiredOf(less));
      expect(drill === null || runDrill(drill, 1).stories.length > 0, left.words).toBe(true);
    }
  });

  it('is a stop until a named person accepts what is left, and an edit takes that back', () => {
    const row = first.rows.find((r) => r.story.story.told.length === 1)!;
    const id = `guard.story.${row.id}`;
    expect(of(GATE, first, id)).toMatchObject({ verdict: 'stop', caption: 'one thing breaks it' });
    const accept = (basis: string): JobEdit => ({
      ...{ do: 'accept', never: row.story.story.never.never.id, story: row.story.key, words: 'x' },
      ...{ by: 'the owner', why: 'she stands beside it', basis },
    });
    const accepted = edited(GATE, accept(first.basis), NOW);
    expect(of(accepted, first, id)).toMatchObject({ verdict: 'tight', caption: 'accepted by the owner' });
    const other = edited(GATE, accept('of another plan'), NOW);
    expect(of(other, first, id).verdict).toBe('stop');
    const taken = edited(accepted, { do: 'no-longer-accept', id: row.id, words: 'x' }, NOW);
    expect(of(taken, first, id).verdict).toBe('stop');
    const moved = {
      ...accepted,
      act: { ...accepted.act, moves: accepted.act.moves.map((m) => ({ ...m, steps: m.steps.slice(1) })) },
    };
    expect(of(moved, first, 'guard.drill')).toMatchObject({ verdict: 'unknown', caption: 'drill out of date' });
  });

  it('is kept with the job, and holds for as long as its plan does', () => {
    const record = drillRecord(first.found, first.findings, first.basis, NOW);
    const kept = edited(GATE, { do: 'set', at: 'guard', set: { drills: [record] } }, NOW);
    const verdict = (job: Job) => assess(job).findings.find((f) => f.id === 'guard.drill')!;
    expect(verdict(GATE)).toMatchObject({ verdict: 'unknown', caption: 'not drilled' });
    expect(verdict(kept)).toMatchObject({ verdict: 'stop', caption: 'stories unanswered' });
    const harmless = kept.wish.nevers.map((n) => ({ ...n, seconds: n.seconds + 1 }));
    const changed = edited(kept, { do: 'set', at: 'wish', set: { nevers: harmless } }, NOW);
    expect(verdict(changed)).toMatchObject({ verdict: 'unknown', caption: 'drill out of date' });
  });

  it('replays a story in another plan only where it can come about there', () => {
    const story = first.found.stories[0]!;
    const drill = drillOf(GATE, wiredOf(GATE))!;
    expect(breaksIn(drill, story)).toBe(true);
    const without = { ...GATE, wish: { ...GATE.wish, nevers: [freshNever('other', 'starts-per-arming')] } };
    expect(breaksIn(drillOf(without, wiredOf(without))!, story)).toBe(false);
  });
});

describe('the drill of the cabinet', () => {
  const CABINET = demoJob('proving-cabinet');
  it('finds the thermometer that sticks once its old regulator is gone, and puts that back as the answer', () => {
    const bare = {
      ...CABINET,
      routine: {
        ...CABINET.routine,
        loops: CABINET.routine.loops.map((l) => ({ ...l, cutsOffAt: null, backAt: null, kelvin: 30 })),
      },
    };
    const d = drilled(bare, 1);
    expect(d.rows.length).toBeGreaterThan(0);
    expect(d.set.answers?.map((a) => a.words).join()).toMatch(/regulator in series/);
    expect(drilled(CABINET, 1).rows).toEqual([]);
  });
});

describe('the chance of a story', () => {
  it('is a rate for one thing, a product for two, and never more than the rarer of them', () => {
    const fault = (kind: 'power-cut' | 'welded' | 'hung') => ({ kind, id: kind, of: '', atSeconds: 0, seconds: 0 });
    const one = chanceOf({ faults: [fault('power-cut')] }, 1000)!;
    const two = chanceOf({ faults: [fault('power-cut'), fault('welded')] }, 1000)!;
    expect(two.most).toBeLessThanOrEqual(Math.min(one.most, chanceOf({ faults: [fault('welded')] }, 1000)!.most));
    expect(two.least).toBeLessThan(one.least);
    expect(chanceOf({ faults: [] }, 1000)).toBeNull();
    expect(howOften(null)).toBe('each time');
    expect(howOften({ least: 0.001, most: 20 })).toBe('from once in 1,000 years to 10 times a year');
  });
});
