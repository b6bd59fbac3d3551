import { describe, expect, it } from 'vitest';
import { closedTimes, edited, stepOf, withSteps, type FeedGroup, type Job, type JobEdit } from '../../ground/job';
import { assess } from '../../house/assess';
import { sceneOf } from '../act';
import { compileWorld, freshLog, happeningsOf, LOGGED, runTo, worldOf } from '../../engines/world';
import { seededRandom } from '../../ground/quantity';
import { demoJob, machined, unmoved } from '../../testing/jobs';

const flaps = unmoved(demoJob('steam-flaps'));
const group = flaps.feed.groups[0]!;
const T = '2026-03-02T14:00:00Z';
const grouped = (set: Partial<FeedGroup>): Job =>
  edited(flaps, { do: 'put', list: 'feed.groups', item: { ...group, ...set } }, T);
const held = (job: Job) => assess(job).findings.find((f) => f.id === `feed.group-held@${group.id}`)!;
const made = (job: Job): Job => edited(job, held(job).remedy!.edit!, T);

describe('a group that moves together', () => {
  it('is not held by anything until a move starts it, and then by run and program', () => {
    expect(held(flaps)).toMatchObject({ verdict: 'tight', remedy: { label: 'Make its two moves' } });
    const job = made(flaps);
    expect(held(job).verdict).toBe('settled');
    // The other direction of every motor, each once the one before runs.
    expect(job.act.moves.map((m) => m.steps.every((s) => s.other === s.alsoOther))).toEqual([true, true]);
    expect(new Set(closedTimes(job.act.moves[1]!).map((c) => c.other))).toEqual(new Set([true]));
  });

  it('has each of its presses closed once, from its turn on, for as long as it runs', () => {
    const r = seededRandom(7);
    for (let n = 0; n < 30; n++) {
      const set = {
        atOnce: 1 + Math.floor(r.next() * 4),
        staggerSeconds: 0.1 * (1 + Math.floor(r.next() * 20)),
        runSeconds: 0.5 * (1 + Math.floor(r.next() * 20)),
      };
      const [move] = made(grouped(set)).act.moves;
      const closed = closedTimes(move!).filter((c) => group.presses.includes(c.press));
      group.presses.forEach((press, i) => {
        const own = closed.filter((c) => c.press === press);
        const from = Math.floor(i / set.atOnce) * set.staggerSeconds;
        expect(own, JSON.stringify({ set, press })).toHaveLength(1);
        expect(own[0]!.from).toBeCloseTo(from, 5);
        expect(own[0]!.to).toBeCloseTo(from + set.runSeconds, 5);
      });
    }
  });

  it('is what the engine plays: no output opens in between', () => {
    // One part is enough for a world; its machine does not matter to when the outputs close.
    const job = machined(made(grouped({ atOnce: 3, staggerSeconds: 0.6, runSeconds: 4 })), {
      kind: 'starts-and-stops-itself',
      runSeconds: 4,
      shortestPressSeconds: 0.05,
      heeds: [{ press: group.presses[0]!, other: false, as: 'press' }],
    });
    const { world } = sceneOf(job)!;
    const w = compileWorld({ ...world.plan, channels: [], aparts: [] });
    const given = happeningsOf([{ at: 1, what: 'start', of: 0, how: 0 }]);
    const log = freshLog();
    runTo(worldOf(w, given, log), 60, given, log);
    const edges = Array.from({ length: log.count }, (_, i) => i).filter((i) => log.kind[i] === LOGGED.contact);
    const first = edges.map((i) => Number((log.at[i]! - 1).toFixed(3)));
    expect(first).toEqual([0, 0, 0, 0.6, 0.6, 0.6, 1.2, 1.2, 4, 4, 4, 4.6, 4.6, 4.6, 5.2, 5.2]);
  });

  it('is told of a move that starts more of them at once, and of a hand beside it', () => {
    const crowd: JobEdit = {
      do: 'put',
      list: 'act.moves',
      item: {
        id: 'all',
        name: 'all at once',
        purpose: 'other',
        steps: [stepOf('press', { press: group.presses[0]!, also: group.presses.slice(1), seconds: 9 })],
      },
    };
    expect(held(edited(flaps, crowd, T))).toMatchObject({ verdict: 'tight', caption: 'starts closer' });
    const hand = { ...flaps.hands[0]!, id: 'key', name: 'key', kind: 'button' as const, asks: [group.presses[0]!] };
    const beside = edited(made(flaps), { do: 'put', list: 'hands', item: hand }, T);
    expect(held(beside)).toMatchObject({ verdict: 'tight', caption: 'a hand beside it' });
  });
});

describe('what a move keeps closed', () => {
  const press = (press: string, seconds: number, ...also: string[]) => stepOf('press', { press, also, seconds });
  const of = (...steps: ReturnType<typeof press>[]) =>
    closedTimes({ steps }).map((c) => `${c.press} ${c.from}-${c.to}`);

  it('goes on from step to step while others come and go; the very same twice are two', () => {
    expect(of(press('a', 1), press('a', 2, 'b'), press('b', 1))).toEqual(['a 0-3', 'b 1-4']);
    expect(of(press('a', 1), press('a', 1))).toEqual(['a 0-1', 'a 1-2']);
    expect(of(press('a', 1), stepOf('wait', { seconds: 1 }), press('a', 1, 'b'))).toEqual(['a 0-1', 'a 2-3', 'b 2-3']);
    // What takes no time lets nothing go.
    expect(of(press('a', 1), stepOf('tell'), press('a', 1, 'b'))).toEqual(['a 0-2', 'b 1-2']);
  });
});

describe('a wait between two presses', () => {
  const press = (press: number, ...also: number[]) =>
    stepOf('press', { press: group.presses[press]!, also: also.map((n) => group.presses[n]!), seconds: 1 });
  const gap = (...steps: ReturnType<typeof press>[]) =>
    assess(edited(flaps, withSteps(flaps, steps, 'steps'), T)).findings.find((f) => f.id === 'act.press-gap')?.verdict;

  it('is wanted where one comes as another goes, and not where others come to one that goes on, or leave it', () => {
    expect(gap(press(0), press(0, 1), press(1))).toBeUndefined();
    expect(gap(press(0), press(1))).toBe('stop');
    expect(gap(press(0), press(0))).toBe('stop');
    expect(gap(press(0, 1), press(0, 2))).toBe('stop');
  });
});
