import { describe, expect, it } from 'vitest';
import { demoJob, machined } from '../../testing/jobs';
import { filledIn } from '../../ground/finding';
import { runScene, sceneOf } from '.';
import { ledFinding, moveFromTakes, takeOfRecording, timingsOfLed, type LedEvent, type Take } from './recorded-move';

const pot = demoJob('rice-pot');
const SENSE = pot.senses[0]!.id;
const e = (at: number, what: LedEvent['what'], of = what === 'yes' || what === 'no' ? SENSE : 'start'): LedEvent => ({
  at,
  what,
  of,
});
const take = (n: number, ...events: LedEvent[]): Take => ({ name: `take ${n}`, events });
const steps = (...takes: Take[]) => {
  const led = moveFromTakes(pot, takes);
  if (!led.ok) throw new Error(led.problem);
  return led.steps.map((s) => `${s.do} ${s.press || s.sense} ${s.is ? '' : 'not '}${s.seconds}`.replace(/ +/g, ' '));
};

describe('a move from runs that were led by hand', () => {
  it('is presses and waits, one take with half as much again', () => {
    expect(steps(take(1, e(2, 'down'), e(2.2, 'up'), e(5.2, 'down'), e(5.4, 'up')))).toEqual([
      'press start 0.2',
      'wait 4.5',
      'press start 0.2',
    ]);
  });

  it('waits for the longest that the next one may take, by the prediction interval', () => {
    // Waits of 10, 11 and 12 s: mean 11, s = 1, t(0.975; 2) = 4.303 (the handbook's table): 11 + 4.303 · √(4/3) = 15.97.
    const led = [10, 11, 12].map((w, i) =>
      take(i + 1, e(1, 'down'), e(1.2, 'up'), e(1.2 + w, 'down'), e(1.4 + w, 'up')),
    );
    expect(steps(...led)[1]).toBe('wait 16');
  });

  it('waits for a sense that told how it went, and calls where it never does', () => {
    const led = moveFromTakes(pot, [take(1, e(1, 'down'), e(1.2, 'up'), e(3, 'no'), e(11.2, 'yes'))]);
    expect(led).toMatchObject({
      ok: true,
      steps: [
        { do: 'press' },
        // 1.8 s and 8.2 s seen once: half as much again, and half of that before somebody is called.
        { do: 'until', sense: SENSE, is: false, seconds: 4.05, orElse: 'call' },
        { do: 'until', sense: SENSE, is: true, seconds: 18.5, orElse: 'call' },
      ],
    });
  });

  it('is played by the engine as it was led: it waits for the rest that comes after the run, not for the one before', () => {
    const run = machined(pot, { runSeconds: 10 });
    const led = moveFromTakes(run, [take(1, e(1, 'down'), e(1.2, 'up'), e(1.3, 'no'), e(11.2, 'yes'))]);
    if (!led.ok) throw new Error(led.problem);
    const scene = sceneOf({ ...run, act: { ...run.act, moves: [{ ...run.act.moves[0]!, steps: [...led.steps] }] } })!;
    const played = runScene(scene, { starts: [{ at: 1, move: 0, ifArmed: false }], faults: [], end: 60 });
    expect(played.calls).toEqual([]);
    expect(played.steps.map((s) => s.step)).toEqual([0, 1, 2]);
    expect(played.steps.at(-1)!.to).toBeGreaterThan(11);
    // A pot that never stops: the wait ends in a call.
    const stuck = runScene(scene, {
      starts: [{ at: 1, move: 0, ifArmed: false }],
      faults: [{ id: 'f', kind: 'stuck-sense', atSeconds: 5, seconds: 0, of: SENSE }],
      end: 60,
    });
    expect(stuck.calls.length).toBe(1);
  });

  it('takes no bounce of a recorded contact for news', () => {
    const bounced = [e(1.3, 'no'), e(1.304, 'yes'), e(1.308, 'no')];
    const led = moveFromTakes(pot, [take(1, e(1, 'down'), e(1.2, 'up'), ...bounced, e(11.2, 'yes'))]);
    expect(led.ok && led.steps.map((s) => s.do)).toEqual(['press', 'until', 'until']);
  });

  it('says of each time how it comes about', () => {
    const led = moveFromTakes(
      pot,
      [10, 11, 12].map((w, i) => take(i + 1, e(1, 'down'), e(2, 'up'), e(2 + w, 'yes'))),
    );
    if (!led.ok) throw new Error(led.problem);
    const found = led.times.map((t, i) => ledFinding(t, i + 1));
    expect(found.map((f) => f.verdict)).toEqual(['settled', 'settled']);
    expect(found[1]!.steps.map(filledIn)).toEqual([
      '(10 s + 11 s + 12 s) / 3 = 11 s',
      'max(11 s + 4.97 s; 12 s) = 16 s',
      '16 s · 1.5 = 24 s',
    ]);
    const once = moveFromTakes(pot, [take(1, e(1, 'down'), e(2, 'up'))]);
    expect(once.ok && ledFinding(once.times[0]!, 1).verdict).toBe('tight');
  });

  it('tells how long the machine ran, and nothing of one that is not known', () => {
    const led = moveFromTakes(
      pot,
      [8, 9].map((s, i) => take(i + 1, e(1, 'down'), e(1.2, 'up'), e(3, 'no'), e(1.2 + s, 'yes'))),
    );
    expect(timingsOfLed(pot, led)).toEqual([
      { of: 'run', seconds: 8 },
      { of: 'run', seconds: 9 },
    ]);
    expect(timingsOfLed(machined(pot, { kind: 'unknown' }), led)).toEqual([]);
  });

  it('holds for a sense where the hand let go right after it, and not where it held on for long', () => {
    expect(steps(take(1, e(1, 'down'), e(9, 'no'), e(9.4, 'up')))).toEqual(['hold start not 18']);
    expect(steps(take(1, e(1, 'down'), e(2, 'no'), e(9.4, 'up')))).toEqual(['press start 8.4']);
  });

  it('refuses takes that differ, with the step at which they do', () => {
    const a = take(1, e(1, 'down'), e(1.2, 'up'), e(4, 'down'), e(4.2, 'up'));
    const b = take(2, e(1, 'down'), e(1.2, 'up'));
    expect(moveFromTakes(pot, [a, b])).toEqual({
      ok: false,
      problem: 'take 2 differs from take 1 at step 2: it ends instead of wait. Take one of them away.',
    });
    expect(moveFromTakes(pot, [b, a])).toMatchObject({
      problem: expect.stringMatching(/take 2 .*step 2: wait instead of the end/),
    });
    expect(moveFromTakes(pot, [take(1, e(1, 'down'))])).toMatchObject({
      problem: expect.stringMatching(/still pressed/),
    });
    expect(moveFromTakes(pot, [take(1, e(1, 'yes'))])).toMatchObject({ problem: 'take 1 presses nothing.' });
    expect(moveFromTakes(pot, [])).toMatchObject({ ok: false });
  });
});

describe('a recording', () => {
  const lines = [{ name: 'Start' }, { name: pot.senses[0]!.name }, { name: 'clock' }];
  it('is a take, by the names of its lines; a press rests at its first level', () => {
    // A bare contact that is closed at rest is low while it says so.
    const found = takeOfRecording(pot, 'r1', lines, [
      { line: 0, at: 0, level: 1 },
      { line: 1, at: 0, level: 0 },
      { line: 0, at: 1, level: 0 },
      { line: 0, at: 1.2, level: 1 },
      { line: 1, at: 1.5, level: 1 },
      { line: 2, at: 2, level: 1 },
      { line: 1, at: 31.2, level: 0 },
    ]);
    expect(found).toEqual({
      name: 'r1',
      events: [e(1, 'down'), e(1.2, 'up'), e(1.5, 'no'), e(31.2, 'yes')],
    });
  });
  it('that has no line of a press is refused with the names that it could have', () => {
    expect(takeOfRecording(pot, 'r1', [{ name: 'x' }], [])).toMatch(/no line called as a press of this job \(start\)/);
  });
});
