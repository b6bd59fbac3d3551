import { describe, expect, it } from 'vitest';
import { fateIn } from '../engines/world';
import { freshSense, sentenceAt, type Job, type Sentence } from '../ground/job';
import { demoJob } from '../testing/jobs';
import { regretOf } from './regret';
import { yearSeen } from './year-seen';
import { inTheWayOf, yearOf } from './year';

const FROM = '2026-03-02T12:00:00Z';
const EVERY_DAY = [1, 2, 3, 4, 5, 6, 7];
const shutter = demoJob('hatch-shutter');
const ruled = (sentences: readonly Sentence[], set: Partial<Job['routine']> = {}): Job => ({
  ...shutter,
  routine: { ...shutter.routine, modes: [], limits: [], handHoldsSeconds: null, sentences: [...sentences], ...set },
});
const rule = (id: string, at: string, set: Partial<Sentence> = {}): Sentence =>
  sentenceAt(at, { id, days: EVERY_DAY, move: 'open', ...set });
/** What became of a rule, by how often. */
function became(job: Job, which: number, days?: number): Record<string, number> {
  const { marks } = yearOf(job, FROM, days);
  const out: Record<string, number> = {};
  marks.rule.forEach((r, i) => {
    const fate = fateIn(marks.fate[i]!);
    if (r === which) out[fate] = (out[fate] ?? 0) + 1;
  });
  return out;
}

describe('a year of rules', () => {
  it('tells each time that one comes true, on days of the local calendar', () => {
    const y = yearOf(ruled([rule('a', '11:45', { days: [1, 3] })]), FROM);
    expect(y.run).toBe(366);
    expect(y.days[0]).toMatchObject({ date: '2026-03-02', weekday: 1, hours: 24 });
    expect(y.days.filter((d) => d.hours !== 24).map((d) => [d.date, d.hours])).toEqual([
      ['2026-03-29', 23],
      ['2026-10-25', 25],
    ]);
    expect(y.marks.rule.length).toBe(105);
    expect(y.marks.minutes.every((m) => m === 11 * 60 + 45)).toBe(true);
  });

  it('has one that comes while a move is under way come to nothing, or late, as it says', () => {
    const early = rule('a', '11:45');
    const busy = rule('b', '11:45', { id: 'b', move: 'close' });
    expect(became(ruled([early, busy]), 1, 10)).toEqual({ busy: 10 });
    expect(became(ruled([early, { ...busy, whenHeld: 'kept' }]), 1, 10)).toEqual({ waits: 10, done: 10 });
    expect(became(ruled([early, { ...busy, whenHeld: 'late', lateSeconds: 5 }]), 1, 10)).toEqual({
      waits: 10,
      'too-late': 10,
    });
    const { marks } = yearOf(ruled([early, busy]), FROM, 2);
    expect(inTheWayOf(ruled([early, busy]), marks.fate[1]!)).toBe('rule 1');
  });

  it('says who holds whom back: a mode that is on, a rule that lasts', () => {
    const modes = [{ id: 'away', name: 'away', on: true, holds: 'comfort' as const, endsSeconds: null }];
    const job = ruled([rule('a', '11:45'), rule('b', '12:45', { tier: 'lock-out' })], { modes });
    expect([became(job, 0, 5), became(job, 1, 5)]).toEqual([{ 'held-back': 5 }, { done: 5 }]);
    const { findings } = yearSeen(job, FROM);
    expect(findings.map((f) => f.finding.title).join()).toMatch(/held back by mode “away”/);
    const lost = findings.find((f) => f.finding.id === 'routine.year.lost.1.held-back')!;
    expect(lost.day).toBe(0);
    // A mode that never ends is not outlasted in ten minutes: that is tried, and not offered.
    expect(lost.finding.remedy?.label).toBeUndefined();
    const busy = ruled([rule('a', '11:45'), rule('b', '11:45', { move: 'close' })]);
    const label = (j: Job) =>
      yearSeen(j, FROM).findings.find((f) => f.finding.id === 'routine.year.lost.2.busy')!.finding.remedy?.label;
    const hazards = (list: Job['wish']['hazards']): Job => ({ ...busy, wish: { ...busy.wish, hazards: list } });
    expect(label(hazards([]))).toBe('Up to ten minutes late');
    expect(label(hazards(['moving-door']))).toBeUndefined();
  });

  it('counts starts of a day anew at midnight, and refuses what a limit does not let go', () => {
    const limits = [{ ...shutter.routine.limits[0]!, id: 'day', kind: 'a-day' as const, move: 'open', count: 1 }];
    const job = ruled([rule('a', '11:45'), rule('b', '12:45')], { limits });
    expect([became(job, 0, 5), became(job, 1, 5)]).toEqual([{ done: 5 }, { 'enough-today': 5 }]);
  });

  it('makes up what no part of the machine tells, the same for the same seed, and says so', () => {
    const sense = { ...freshSense('front', 'front door'), tells: 'other' as const, meaning: 'somebody is out' };
    const at = sentenceAt('12:00', { id: 's', when: 'sense', sense: 'front', move: 'close' });
    const job = { ...ruled([at]), senses: [sense] };
    const y = yearOf(job, FROM, 14);
    expect(y.madeUp).toEqual([{ name: 'front door', as: 'habits' }]);
    expect(y.marks.rule.length).toBe(14);
    expect([...yearOf(job, FROM, 14).marks.minutes]).toEqual([...y.marks.minutes]);
    expect([...yearOf(job, FROM, 14, 2).marks.minutes]).not.toEqual([...y.marks.minutes]);
  });

  it('names the days without a sunset, and the rule that acts on no day', () => {
    const north = { ...ruled([rule('a', '12:00', { when: 'sun', sun: 'set' })]) };
    const job = { ...north, region: { ...north.region, latitude: 69.65, longitude: 18.96, timeZone: 'Europe/Oslo' } };
    const days = yearOf(job, FROM).marks.rule.length;
    expect(days).toBeGreaterThan(200);
    expect(days).toBeLessThan(270);
    const nowhere = { ...job, region: { ...job.region, latitude: null, longitude: null } };
    expect(yearSeen(nowhere, FROM).findings.map((f) => f.finding.id)).toEqual(['routine.year.never.1']);
  });
});

describe('the whole range of a number', () => {
  it('is tried over the same year: how late a rule may be until the move before it is over', () => {
    const job = ruled([rule('a', '11:45'), rule('b', '11:45', { move: 'close', whenHeld: 'late', lateSeconds: 5 })]);
    const regret = regretOf(job, 'b', 'lateSeconds', FROM)!;
    const at = (value: number) => regret.points.find((p) => p.value >= value)!;
    expect(regret.points.find((p) => p.value === 5)).toMatchObject({ done: 0, lost: 366 });
    expect(at(100)).toMatchObject({ done: 366, lost: 0 });
    expect(regret.best[0]).toBeGreaterThan(20);
    expect(regret.now).toBe(5);
    expect(regretOf(job, 'nobody', 'lateSeconds', FROM)).toBeNull();
  });
});
