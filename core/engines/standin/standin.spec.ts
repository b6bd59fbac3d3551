import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { notRehearsed, runOnStandin } from '../../house/standin-run';
import { NOMINAL_PARTS, type Joint } from '../circuit';
import { seededRandom } from '../../ground/quantity';
import { changed, demoJob, onPin, pressed, scripted } from '../../testing/jobs';
import { levelsObeyed, pressStandin, readStandin, restartStandin, RICE_POT } from '.';

const A = { kind: 'contact', name: 'A' } as const;
const G = { kind: 'ground', name: '' } as const;
const joint: Joint = {
  ...NOMINAL_PARTS,
  way: 'solid-state-relay',
  polarity: 'low',
  supplyVolts: 5,
  pullOhms: 10_000,
  onOhms: 16,
};

describe('the virtual meter', () => {
  it('stays within its stated accuracy and shows its own last digit', () => {
    for (let seed = 0; seed < 200; seed++) {
      const r = readStandin(RICE_POT, { from: A, to: G, state: 'idle', kind: 'volts-dc' }, seededRandom(seed));
      expect(Math.abs(r.value - 4.975)).toBeLessThanOrEqual(4.98 * 0.005 + 0.002);
      expect(r.digit).toBe(0.001);
    }
  });

  it('shows over range where the insulation is better than it can read, and noise that moves with the seed', () => {
    expect(
      readStandin(RICE_POT, { from: G, to: { kind: 'mains', name: '' }, state: 'off', kind: 'ohms' }, seededRandom(1)),
    ).toEqual({ value: 20e6, digit: 0, relation: '>', said: '' });
    const values = new Set(
      [1, 2, 3, 4, 5].map(
        (s) => readStandin(RICE_POT, { from: A, to: G, state: 'idle', kind: 'volts-dc' }, seededRandom(s)).value,
      ),
    );
    expect(values.size).toBeGreaterThan(2);
  });
});

describe('pressing the stand-in', () => {
  const press = [{ do: 'press', seconds: 0.18 }] as const;
  it('obeys a good press and overlooks a short one', () => {
    expect(pressStandin(RICE_POT, joint, press, 59, seededRandom(1))).toMatchObject({ count: 59, failed: 0 });
    const short = pressStandin(RICE_POT, joint, [{ do: 'press', seconds: 0.042 }], 200, seededRandom(1));
    expect(short.failed).toBeGreaterThan(20);
    expect(short.failed).toBeLessThan(200);
    expect(short.observed).toMatch(/not seen/);
  });

  it('sees nothing where the level is never reached, or no joint or press is there', () => {
    expect(levelsObeyed(RICE_POT, { ...joint, onOhms: 20_000 })).toBe(false);
    expect(pressStandin(RICE_POT, { ...joint, onOhms: 20_000 }, press, 3, seededRandom(1))).toMatchObject({
      failed: 3,
    });
    expect(pressStandin(RICE_POT, null, press, 3, seededRandom(1)).failed).toBe(3);
    expect(pressStandin(RICE_POT, joint, [], 3, seededRandom(1)).failed).toBe(3);
  });

  it('tells a twitch that it overlooks from one that it takes for a press', () => {
    expect(restartStandin(RICE_POT, 0, 10)).toMatchObject({ failed: 0 });
    expect(restartStandin(RICE_POT, 0.1, 10).observed).toMatch(/took it for a press/);
    expect(restartStandin(RICE_POT, 0.02, 10).observed).toMatch(/overlooked/);
  });
});

describe('the sheet on the stand-in', () => {
  const pot = demoJob('rice-pot');
  const run = (job = pot, step = 'restarts') => runOnStandin(job, assess(job), step, 10, seededRandom(1));

  it('passes the planned press', () => {
    for (const step of ['dummy-load', 'restarts', 'one-press', 'many-presses', 'hand-switch'])
      expect(run(pot, step).failed).toBe(0);
  });

  it('fails a pin that twitches behind a transistor, and refuses what it cannot take', () => {
    const twitch = onPin(pressed(pressed(pot, { way: 'npn-to-ground' }), { pullDown: false }), 13);
    expect(run(twitch)).toMatchObject({ failed: 10 });
    expect(run(onPin(pot, null)).observed).toMatch(/no pin/);
    expect(() => run(pot, 'sign-off')).toThrow(RangeError);
    expect(() => run(changed(pot, 'standin', { model: 'none' }))).toThrow(RangeError);
  });

  it('lets a finger press its button, later by the time to swing there', () => {
    const finger = pressed(pot, { way: 'finger' });
    const long = scripted(finger, [{ do: 'press', seconds: 0.4 }]);
    expect(notRehearsed(long, assess(long))).toBeNull();
    expect(run(long, 'many-presses')).toMatchObject({
      failed: 0,
      observed: expect.stringMatching(/shortest steady closure 2\d\d ms/),
    });
    // 125 ms of its way leave nothing of a press of 0.13 s.
    expect(run(scripted(finger, [{ do: 'press', seconds: 0.13 }]), 'many-presses').failed).toBe(10);
  });

  it('refuses in words what has no button to press', () => {
    const supply = pressed(pot, { way: 'switched-supply' });
    expect(notRehearsed(supply, assess(supply))).toMatch(/supply switched is tried on the machine itself/);
    expect(() => run(supply, 'one-press')).toThrow(/tried on the machine itself/);
  });
});
