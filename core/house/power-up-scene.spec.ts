import { describe, expect, it } from 'vitest';
import { assess } from './assess';
import type { Job, MotorPlan } from '../ground/job';
import { wholeScene } from './power-up-scene';
import { demoJob, onPin, pressed } from '../testing/jobs';

const shutter = demoJob('hatch-shutter');

/** Which directions move by themselves at power-up, with the outputs on these pins; pin 16 is high for a while, pins 4 and 5 keep still. */
function twitching(wiring: MotorPlan['wiring'], first: number, second: number): boolean[] {
  const bare = pressed(
    { ...shutter, board: { ...shutter.board, pins: [] } },
    { pullDown: true, motor: { ...shutter.presses[0]!.motor, wiring } },
  );
  const job: Job = onPin(onPin(bare, first), second, 'motor/K2');
  const scene = wholeScene(job, assess(job))!;
  expect(scene.lines.map((l) => l.other)).toEqual([false, true]);
  return scene.world.plan.twitches.map((t) => t !== null);
}

describe('a motor whose pins twitch at power-up', () => {
  it('runs the way whose output it is', () => {
    expect(twitching('two-changeovers', 16, 4)).toEqual([true, false]);
    expect(twitching('two-changeovers', 4, 16)).toEqual([false, true]);
    expect(twitching('two-changeovers', 4, 5)).toEqual([false, false]);
  });
  it('moves nothing by the contact that only says which way', () => {
    expect(twitching('double-pole', 16, 4)).toEqual([false, false]);
    expect(twitching('double-pole', 4, 16)).toEqual([true, false]);
  });
});
