import { describe, expect, it } from 'vitest';
import type { Job, Loop } from '../ground/job';
import { demoJob } from '../testing/jobs';
import { cycleOf } from '../rooms/routine/loop-cycle';
import { assess } from './assess';
import { loopRuns } from './loop-run';
import { yearOf } from './year';
import { yearsOf } from './years';

const cabinet = demoJob('proving-cabinet');
const loopOf = (set: Partial<Loop>, job: Job = cabinet): Job => ({
  ...job,
  routine: { ...job.routine, loops: job.routine.loops.map((l) => ({ ...l, ...set })) },
});
const verdict = (job: Job, id: string): string | undefined => assess(job).findings.find((f) => f.id === id)?.verdict;

describe('a loop as it runs', () => {
  it('comes to what is worked out for it, with the delays of its thermometer and the limits of its press', () => {
    const [run] = loopRuns(cabinet);
    const own = cycleOf({
      ...{ warms: true, kelvin: 31, tau: cabinet.routine.loops[0]!.tauSeconds!, dead: 150, around: 19.5 },
      ...{ over: 27.5, under: 26, beginsAfter: 20, endsAfter: 20, leastOn: 60, leastOff: 0 },
    });
    if (own.kind !== 'cycle') throw new Error('it goes round');
    expect(run!.reached).toBe(true);
    expect(run!.highest).toBeCloseTo(own.highest, 2);
    // Between baking mornings it comes to what is around it.
    expect(run!.lowest).toBeCloseTo(19.5, 1);
    const [first, second] = [run!.works[1]!, run!.works[2]!];
    expect(first[1] - first[0]).toBeCloseTo(own.on, 0);
    expect(second[0] - first[1]).toBeCloseTo(own.off, 0);
    expect(run!.degrees.length).toBe(3 * 720);
  });

  it('is held against what may never be passed, by the run and by what is worked out', () => {
    expect(verdict(cabinet, 'routine.loop.proving.highest')).toBe('settled');
    const hot = loopOf({ highest: 28 });
    expect(verdict(hot, 'routine.loop.proving.highest')).toBe('stop');
    expect(verdict(hot, 'routine.loop.proving.run')).toBe('stop');
    // What the remedy says was tried: its thresholds keep the bound.
    const said = assess(hot).findings.find((f) => f.id === 'routine.loop.proving.highest')!.remedy!.text;
    const [over, under] = [...said.matchAll(/([\d.]+) °C/g)].map((m) => Number(m[1])) as [number, number];
    const cooler: Job = {
      ...hot,
      senses: hot.senses.map((s) => (s.id === 'cabinet' ? { ...s, limit: { ...s.limit!, over, under } } : s)),
    };
    expect(verdict(cooler, 'routine.loop.proving.highest')).toBe('settled');
    expect(verdict(cooler, 'routine.loop.proving.run')).toBe('settled');
  });

  it('goes with made-up weather over a year where it is said to, and works more often in winter', () => {
    const year = yearOf(loopOf({ weather: true, around: 12, kelvin: 45 }), '2026-01-01T12:00:00Z');
    expect(year.madeUp.map((m) => m.name)).toEqual(['cabinet thermometer']);
    const again = (from: number, to: number): number =>
      year.marks.rule.reduce(
        (n, rule, i) => n + (rule === 2 && year.marks.day[i]! >= from && year.marks.day[i]! < to ? 1 : 0),
        0,
      );
    expect(again(0, 60)).not.toBe(again(180, 240));
    expect(yearOf(cabinet, '2026-01-01T12:00:00Z').madeUp).toEqual([]);
  });
});

describe('ten years', () => {
  it('are counted rule by rule, each year by itself', () => {
    const ten = yearsOf(demoJob('ice-bath-valve'), '2026-03-02T12:00:00Z');
    expect(ten.begins).toHaveLength(10);
    expect(ten.rules[0]).toEqual({ acts: Array(10).fill(365), lost: Array(10).fill(0), by: '' });
    expect(() => yearsOf(cabinet, '2026-03-02T12:00:00Z', 51)).toThrow(/51 years: a whole number from 1 to 50/);
    const asked: number[] = [];
    expect(yearsOf(cabinet, '2026-03-02T12:00:00Z', 10, (s) => (asked.push(s), asked.length < 3)).begins).toHaveLength(
      2,
    );
  });
});
