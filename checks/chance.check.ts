// What chance does to machines and plans, against closed forms: counts by their laws, a toggle's drift, contacts in series, policies.
import { describe, expect, it } from 'vitest';
import {
  daysOf,
  drawLuck,
  FAULT_RATES,
  moveBy,
  policiesFor,
  sceneOf,
  sceneOfModel,
  simulateDays,
  startsAsHappenings,
  wantedDays,
} from '../core/rooms/act';
import type { MachineModel } from '../core/ground/job';
import { seededRandom } from '../core/ground/quantity';
import { demoJob } from '../core/testing/jobs';
import {
  compileWorld,
  FLAG,
  freshLog,
  happeningsOf,
  LOGGED,
  runTo,
  worldOf,
  type WorldEvent,
} from '../core/engines/world';
import { usualMs } from '../core/testing/pace';

/** Within so many standard deviations of a count: one check in fifteen thousand fails by chance at four, and the seeds are fixed. */
const SIGMAS = 4;
const lamp: MachineModel = { kind: 'flips', shortestPressSeconds: 0.04, runSeconds: 1, afterPowerCut: 'as-before' };
const press = [{ do: 'press', seconds: 0.2 }] as const;
const daily = (days: number): number[] => Array.from({ length: days }, (_, d) => d * 86400 + 38_400);

describe('chance against closed forms', () => {
  // W. Feller, An Introduction to Probability Theory and Its Applications, volume 1, chapter VI: n trials of p have mean np and
  // variance np(1 − p); hands and cuts, one draw a day, tend to Poisson's law with that mean.
  it('hands and power cuts come as often as their rates say, and spread as Poisson says', () => {
    const days = 365;
    const years = Array.from({ length: 400 }, (_, seed) => drawLuck(daily(days), days, seededRandom(seed)));
    const cuts = years.map((y) => y.happenings.filter((h) => h.what === 'cut').length);
    const mean = cuts.reduce((s, c) => s + c, 0) / cuts.length;
    const variance = cuts.reduce((s, c) => s + (c - mean) ** 2, 0) / (cuts.length - 1);
    const rate = FAULT_RATES.cutsPerYear;
    expect(Math.abs(mean - rate)).toBeLessThan(SIGMAS * Math.sqrt(rate / cuts.length));
    // The variance of Poisson's law is its mean; the spread of an estimate of it is about the mean times √(2/n + 1/(n·mean)).
    expect(Math.abs(variance - rate)).toBeLessThan(
      SIGMAS * rate * Math.sqrt(2 / cuts.length + 1 / (cuts.length * rate)),
    );
    // A year without any: e^−2.
    const none = cuts.filter((c) => c === 0).length / cuts.length;
    const p = Math.exp(-rate);
    expect(Math.abs(none - p)).toBeLessThan(SIGMAS * Math.sqrt((p * (1 - p)) / cuts.length));
  });

  // A toggle that misses each press with probability p is out of step after n presses with probability (1 − (1 − 2p)^n)/2: the parity of
  // a binomial count (the same book, chapter XI, problems on recurrent parity; by generating function at −1).
  it('a toggling machine drifts out of step as the parity of its missed presses', () => {
    const scene = sceneOfModel(lamp, press);
    const p = FAULT_RATES.missedShare;
    const n = 30;
    const tries = 4000;
    let out = 0;
    for (let seed = 0; seed < tries; seed++) {
      const starts = daily(n);
      const luck = drawLuck(starts, n, seededRandom(seed));
      const list: WorldEvent[] = starts.flatMap((at, i) =>
        luck.missed[i]! & 1 ? [{ at, what: 'missed' as const, of: 0, how: 0 }] : [],
      );
      const given = happeningsOf([
        ...list,
        ...startsAsHappenings(starts.map((at) => ({ at, move: 0, ifArmed: false }))),
      ]);
      const log = freshLog();
      const state = worldOf(scene.world, given, log);
      runTo(state, n * 86400, given, log);
      if (scene.world.words[state.part[0]!] !== scene.world.words[state.part[1]!]) out++;
    }
    const expected = (1 - (1 - 2 * p) ** n) / 2;
    expect(Math.abs(out / tries - expected)).toBeLessThan(SIGMAS * Math.sqrt((expected * (1 - expected)) / tries));
  });

  it('two contacts in series stick closed as the product of their probabilities, one as its own', () => {
    const r = seededRandom(7);
    const base = sceneOfModel({ ...lamp, kind: 'starts-and-stops-itself' }, press).world.plan;
    const p = 0.3;
    const tries = 4000;
    const stuck = [1, 2].map((contacts) => {
      const w = compileWorld({ ...base, contacts: [contacts] });
      let closed = 0;
      for (let i = 0; i < tries; i++) {
        const welds = Array.from({ length: contacts }, () => r.next() < p).filter(Boolean).length;
        const list = Array.from({ length: welds }, (): WorldEvent => ({ at: 1, what: 'welded', of: 0, how: 0 }));
        const given = happeningsOf(list);
        const log = freshLog(8);
        runTo(worldOf(w, given, log), 10, given, log);
        for (let k = 0; k < log.count; k++) if (log.kind[k] === LOGGED.contact && log.value[k] === 1) closed++;
      }
      return closed / tries;
    });
    expect(Math.abs(stuck[0]! - p)).toBeLessThan(SIGMAS * Math.sqrt((p * (1 - p)) / tries));
    expect(Math.abs(stuck[1]! - p * p)).toBeLessThan(SIGMAS * Math.sqrt((p * p * (1 - p * p)) / tries));
  });

  // Of n starts a share p is missed, and p² twice in a row: blind, the machine is wrong for a whole run at each of the first; where it
  // looks and tries once more, at each of the second, and late by its wait at the others.
  it('policies are wrong for as long as the missed presses say, blind and with a second try', () => {
    const days = 36_500;
    const starts = daily(days).map((at) => ({ at, move: 0, ifArmed: false }));
    const job = demoJob('rice-pot');
    const run = job.act.parts[0]!.runSeconds!;
    const p = FAULT_RATES.missedShare;
    const luck = { ...drawLuck(daily(days), days, seededRandom(5)), happenings: [] };
    const sceneOfPolicy = (kind: 'blind' | 'look-again') => {
      const [move] = job.act.moves;
      const policy = policiesFor(job, move!).find((x) => x.kind === kind)!;
      return sceneOf({ ...job, act: { ...job.act, moves: [moveBy(move!, policy)] } })!;
    };
    const wanted = wantedDays(sceneOfPolicy('blind'), starts, [], days);
    const wrong = (kind: 'blind' | 'look-again') => {
      const out = daysOf(sceneOfPolicy(kind), starts, [], days, luck, wanted);
      return { seconds: out.wrongByWeek.reduce((s, x) => s + x, 0), calls: out.calls };
    };
    const within = (runs: number, share: number): void =>
      expect(Math.abs(runs - days * share)).toBeLessThan(SIGMAS * Math.sqrt(days * share * (1 - share)));
    within(wrong('blind').seconds / run, p);
    const again = wrong('look-again');
    // A second try comes about 2.2 s late, and the run ends as late: two stretches of that at each of them.
    const late = 2 * 2.21 * days * p * (1 - p);
    within((again.seconds - late) / run, p * p);
    within(again.calls, p * p);
  });

  it('costs ten times as much for ten times the days, counted in events', () => {
    const scene = sceneOfModel(lamp, press);
    const events = (days: number): number => {
      const given = happeningsOf(startsAsHappenings(daily(days).map((at) => ({ at, move: 0, ifArmed: false }))));
      const state = worldOf(scene.world, given);
      const count = runTo(state, days * 86400, given);
      expect(state.flag[FLAG.presses]).toBe(days);
      return count;
    };
    expect(events(3650)).toBe(10 * events(365));
    const took = (days: number): number =>
      usualMs(() => void simulateDays(scene, daily(days), days, seededRandom(3)), 2);
    took(3650);
    const [short, long] = [took(3650), took(36_500)];
    console.log(`10 years of days in ${short.toFixed(0)} ms, 100 years in ${long.toFixed(0)} ms`);
    // What grows with the square takes a hundred times as long; what memory and a busy machine add to ten is well under half of that.
    expect(long).toBeLessThan(50 * short);
  });
});
