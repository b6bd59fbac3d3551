// The packed C99 compiled without a warning and run on the host with a clock of its own, against the simulation.
import { copyFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { scriptPresses, type TimedStep } from '../core/rooms/act';
import { assess } from '../core/house/assess';
import { filesOf } from '../core/house/deliver';
import { scriptOf, type Job } from '../core/ground/job';
import { pinOf } from '../core/build/lines';
import { calendarOf, firingsWithin } from '../core/rooms/routine';
import { seededRandom } from '../core/ground/quantity';
import { changed, demoJob, pressed, scripted } from '../core/testing/jobs';
import { inFolder, runProgram } from './programs';

interface Run {
  weekday?: number;
  second?: number;
  milliseconds: number;
  startAt?: number;
  armLevel?: number;
  clockOffset?: number;
  tick?: number;
  stallAt?: number;
  stallMs?: number;
  startAfterStall?: boolean;
}

/** Compiles the job's firmware strictly and gives the closures of the press pin, in seconds. */
function closures(job: Job, runs: Run[]): { from: number; to: number }[][] {
  return inFolder((folder) => {
    for (const f of filesOf(job, assess(job))) if (/\.[ch]$/.test(f.name)) writeFileSync(join(folder, f.name), f.text);
    copyFileSync(fileURLToPath(new URL('./host/clock.c', import.meta.url)), join(folder, 'clock.c'));
    runProgram(
      'cc',
      ['-std=c99', '-Wall', '-Wextra', '-Wpedantic', '-Werror', '-O1', '-o', 'clock', 'gentle_thumb.c', 'clock.c'],
      { cwd: folder },
    );
    return runs.map((r) => {
      const args = [
        r.weekday ?? 1,
        r.second ?? 0,
        r.milliseconds,
        r.startAt ?? -1,
        r.armLevel ?? 0,
        r.clockOffset ?? 0,
        r.tick ?? 1,
        r.stallAt ?? -1,
        r.stallMs ?? 0,
        r.startAfterStall ? 1 : 0,
      ].map(String);
      const lines = runProgram(join(folder, 'clock'), args)
        .trim()
        .split('\n')
        .map((l) => l.split(' ').map(Number) as [number, number, number]);
      const closedLevel = assess(job).facts.presses[0]!.pressesOn === 'high' ? 1 : 0;
      const pin_ = pinOf(job, job.presses[0]!.id);
      expect(lines[0]).toEqual([0, pin_, 1 - closedLevel]);
      const out: { from: number; to: number }[] = [];
      lines.slice(1).forEach(([ms, pin, level]) => {
        expect(pin).toBe(pin_);
        if (level === closedLevel) out.push({ from: ms / 1000, to: Number.NaN });
        else out[out.length - 1]!.to = ms / 1000;
      });
      return out;
    });
  });
}

const rounded = (spans: readonly { from: number; to: number }[]) =>
  spans.map((s) => [Math.round(s.from * 1000), Math.round(s.to * 1000)]);
const shipped = demoJob('rice-pot');
/** The rice pot with an arm switch that is good for any number of starts: what one arming lets go is tried with hands. */
const pot = { ...shipped, hands: shipped.hands.map((h) => ({ ...h, startsPerArming: null })) };

describe('the packed firmware on the host', () => {
  it('presses at the instants of the simulation, for random scripts, of ways that press on high and on low', () => {
    const random = seededRandom(99);
    for (let n = 0; n < 6; n++) {
      const script: TimedStep[] = Array.from({ length: 1 + Math.floor(random.next() * 6) }, (_, i) => ({
        do: i % 2 ? 'wait' : 'press',
        seconds: Math.round(50 + random.next() * 2000) / 1000,
      }));
      const job = pressed(scripted(pot, script), {
        way: n % 2 === 0 ? 'solid-state-relay' : 'relay-module',
      });
      const [found] = closures(job, [{ milliseconds: 20_000, startAt: 1234 }]);
      expect(rounded(found!)).toEqual(rounded(scriptPresses(script, 1.234)));
    }
  });

  it('goes on when the millisecond counter wraps round', () => {
    const [found] = closures(pot, [{ milliseconds: 5000, startAt: 2000, clockOffset: 2 ** 32 - 2090 }]);
    expect(rounded(found!)).toEqual([[2000, 2180]]);
  });

  it('keeps the week of the routine, only while armed', () => {
    // Monday 00:00 for five and a half days, a tick every 20 ms as a slow controller has it.
    const week: Run = { weekday: 1, second: 0, milliseconds: 475_200_000, tick: 20 };
    const [armed, unarmed] = closures(pot, [
      { ...week, armLevel: 0 },
      { ...week, armLevel: 1 },
    ]);
    const inUtc = { ...pot, region: { ...pot.region, timeZone: 'UTC' } };
    const starts = firingsWithin(calendarOf(inUtc), '2026-03-02T00:00:00Z', 5).map((f) => f.seconds);
    expect(rounded(armed!)).toEqual(rounded(starts.flatMap((s) => scriptPresses(scriptOf(pot), s))));
    expect(armed).toHaveLength(5);
    expect(unarmed).toEqual([]);
  });

  // The contact of a controller that stands still is held for as long as it does; what follows is never a press of another length.
  it('gives a script up when a call comes late, and neither stretches nor shortens the press after it', () => {
    const twice = scripted(pot, [
      { do: 'press', seconds: 0.18 },
      { do: 'wait', seconds: 1 },
      { do: 'press', seconds: 0.18 },
    ]);
    const [late, waiting, slight, asked] = closures(twice, [
      { milliseconds: 80_000, startAt: 1000, stallAt: 1100, stallMs: 60_000 },
      { milliseconds: 80_000, startAt: 1000, stallAt: 1500, stallMs: 60_000 },
      { milliseconds: 5000, startAt: 1000, stallAt: 1100, stallMs: 40 },
      { milliseconds: 80_000, startAt: 1000, stallAt: 1100, stallMs: 60_000, startAfterStall: true },
    ]);
    // Held while it stood still, opened at the first call after it; the second press is not made.
    expect(rounded(late!)).toEqual([[1000, 61_101]]);
    // A start that is refused meanwhile hides nothing of it.
    expect(asked).toEqual(late);
    // Standing still in a wait: the press that would have followed is given up, and not made at 0 ms or late.
    expect(rounded(waiting!)).toEqual([[1000, 1180]]);
    // Late by less than is allowed: both presses have their whole length.
    expect(rounded(slight!)).toEqual([
      [1000, 1180],
      [2180, 2360],
    ]);
    for (const { from, to } of slight!) expect(to - from).toBeCloseTo(0.18, 3);
  });

  it('makes no press of a sentence that fell due while nothing ran', () => {
    // 10:39:50 on a Monday; a minute in which nothing runs lies over 10:40.
    const [past, present] = closures(pot, [
      { weekday: 1, second: 38_390, milliseconds: 120_000, stallAt: 5000, stallMs: 60_000 },
      { weekday: 1, second: 38_390, milliseconds: 20_000 },
    ]);
    expect(past).toEqual([]);
    expect(rounded(present!)).toEqual([[10_000, 10_180]]);
  });

  it('compiles for a job with nothing planned and a title that tries to break out', () => {
    const odd: Job = {
      ...scripted(changed(pot, 'routine', { sentences: [] }), []),
      title: '*/ int x = "??/\n\\',
    };
    expect(closures(odd, [{ milliseconds: 100, startAt: 10 }])).toEqual([[]]);
  });
});
