import { describe, expect, it } from 'vitest';
import { assess, nextReadingOf } from './assess';
import { BENCH_MAINS, ROOMS, freshJob, type Job } from '../ground/job';
import { flips, type Finding } from '../ground/finding';
import { SOURCES } from '../ground/sources';
import { bareJob, changed, demoJob } from '../testing/jobs';
import { nextStep, threadOf } from './thread';

const deepFreeze = <T>(x: T): T => {
  if (x && typeof x === 'object' && !Object.isFrozen(x)) {
    Object.freeze(x);
    Object.values(x).forEach(deepFreeze);
  }
  return x;
};
const DEMOS = ['rice-pot', 'yard-gate', 'larder-dehumidifier'] as const;
const all: Finding[] = DEMOS.flatMap((d) => assess(demoJob(d)).findings);

describe('assess', () => {
  it('is pure: a frozen job, the same answer twice', () => {
    for (const d of DEMOS) {
      const job = deepFreeze(demoJob(d));
      expect(assess(job).findings).toEqual(assess(job).findings);
    }
  });

  it('hears every room, even of a job about which nothing is known', () => {
    const rooms = new Set(assess(freshJob({ title: 'x' }, 'x', '2026-01-01T00:00:00Z')).findings.map((f) => f.room));
    expect([...rooms].sort()).toEqual([...ROOMS].sort());
  });

  it('gives each finding an id of its own, words, and sources that exist', () => {
    for (const d of DEMOS) {
      const ids = assess(demoJob(d)).findings.map((f) => f.id);
      expect(new Set(ids).size).toBe(ids.length);
    }
    for (const f of all) {
      expect(f.title.length).toBeGreaterThan(5);
      expect(f.caption.split(' ').length).toBeLessThanOrEqual(5);
      f.source.forEach((key) => expect(SOURCES).toHaveProperty(key));
    }
  });

  it('can explain every number: steps that end in it, inputs that each say where they come from', () => {
    for (const f of all.filter((x) => x.value && x.id !== 'x')) {
      if (f.id.endsWith('.kind')) {
        expect(f.source).toContain('bayes');
        continue;
      }
      expect(f.steps.at(-1)!.result).toEqual(f.value);
      for (const i of [...f.steps, ...(f.limit?.steps ?? [])].flatMap((s) => s.inputs)) {
        expect(['measured', 'estimated', 'prior', 'default', 'maker', 'class', 'source', 'computed', 'step']).toContain(
          i.origin.from,
        );
        // A result that is carried comes from a step of the same chain, so that every number can be followed to its first inputs.
        if (i.origin.from === 'step')
          expect(
            [...f.steps, ...(f.limit?.steps ?? [])].map((s) => s.symbol),
            `${f.id}: ${i.symbol}`,
          ).toContain(i.symbol);
        expect(Number.isFinite(i.value)).toBe(true);
      }
      expect(() => flips(f)).not.toThrow();
    }
  });

  it('gives every stop and every open question a way on', () => {
    for (const f of all.filter((x) => x.verdict === 'stop' && !x.id.includes('act.run')))
      expect(f.remedy).not.toBeNull();
  });
});

describe('the thread', () => {
  it('has nothing open for the finished rice pot, and is tight where its program looks at no contact and nobody searched stories', () => {
    const thread = threadOf(assess(demoJob('rice-pot')).findings);
    expect(thread.map((b) => b.verdict)).toEqual(
      ROOMS.map((r) => (['sense', 'act', 'pack'].includes(r) ? 'tight' : 'settled')),
    );
    expect(nextStep(thread)?.room).toBe('sense');
    expect(thread.find((b) => b.room === 'routine')!.caption).toBe('weekdays 10:40');
  });

  it('shows the stop of the yard gate and what to do about it first', () => {
    const thread = threadOf(assess(demoJob('yard-gate')).findings);
    expect(thread.find((b) => b.room === 'board')).toMatchObject({ verdict: 'stop', caption: 'pin 12 twitches' });
    expect(nextStep(thread)?.room).toBe('board');
  });

  it('begins the larder dehumidifier at its first open question', () => {
    expect(nextStep(threadOf(assess(demoJob('larder-dehumidifier')).findings))).toMatchObject({
      room: 'wish',
      caption: 'hazards not asked',
    });
  });

  it('says of Probe which reading comes next', () => {
    const unasked: Job = changed(bareJob(), 'wish', { hazardsReviewed: true });
    // How it is fed is asked before any reading counts.
    expect(nextReadingOf(unasked, assess(unasked), 'control-power')).toBeNull();
    const job = changed(unasked, 'survey', {
      mains: { ...BENCH_MAINS, cables: 'unknown' },
    });
    expect(nextReadingOf(job, assess(job), 'control-power')?.notePrefix).toBe('ground to mains off');
    expect(nextReadingOf(job, assess(job), 'nothing')).toBeNull();
  });
});
