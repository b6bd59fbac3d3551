import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import type { Facts } from '../../ground/facts';
import { edited, type Fault, type Job, type MachineModel } from '../../ground/job';
import { seededRandom } from '../../ground/quantity';
import { demoJob, findingOf, machined, scripted, withSense } from '../../testing/jobs';
import { actFindings, FAULT_RATES, oneRun, sceneOfModel, scriptPresses, simulate, simulateDays } from '.';

const pot: MachineModel = {
  kind: 'starts-and-stops-itself',
  shortestPressSeconds: 0.04,
  runSeconds: 100,
  afterPowerCut: 'off',
};
const lamp: MachineModel = { ...pot, kind: 'flips' };
const gate: MachineModel = { ...pot, kind: 'open-stop-close-stop', runSeconds: 16 };
const press = [{ do: 'press', seconds: 0.18 }] as const;
const fault = (kind: Fault['kind'], atSeconds: number, seconds = 0): Fault => ({
  id: kind,
  kind,
  atSeconds,
  seconds,
  of: '',
});
const run = (
  machine: MachineModel,
  starts: number[],
  faults: Fault[] = [],
  end = 300,
  script: { do: 'press' | 'wait'; seconds: number }[] = [...press],
) => simulate({ machine, script, faults, starts, end });
const story = (t: ReturnType<typeof run>) =>
  t.machine.map((s) => [s.word, Number(s.from.toFixed(9)), Number(s.to.toFixed(9))]);

describe('machines without faults', () => {
  it('starts on a press, stops by itself, and ignores a press while it runs', () => {
    const t = run(pot, [10, 50]);
    expect(story(t)).toEqual([
      ['at rest', 0, 10.04],
      ['running', 10.04, 110.04],
      ['at rest', 110.04, 300],
    ]);
    expect(t.seen).toHaveLength(2);
    expect(t.parted).toEqual([]);
  });

  it('flips at every press', () => {
    expect(story(run(lamp, [10, 20, 30])).map((s) => s[0])).toEqual(['off', 'on', 'off', 'on']);
  });

  it('overlooks a press shorter than it obeys', () => {
    const t = run(pot, [10], [], 300, [{ do: 'press', seconds: 0.03 }]);
    expect(t.seen).toEqual([]);
    expect(t.contact).toEqual([{ from: 10, to: 10.03 }]);
  });

  it('opens, stops half way, closes, and stops again', () => {
    const t = run(gate, [0, 8, 20, 24, 30], [], 60);
    expect(t.machine.map((s) => s.word)).toEqual([
      'closed',
      'opening',
      'stopped',
      'closing',
      'stopped',
      'opening',
      'open',
    ]);
    expect(t.travel.find((p) => Math.abs(p.at - 8.04) < 1e-9)!.position).toBeCloseTo(0.5, 9);
    expect(t.travel.find((p) => Math.abs(p.at - 24.04) < 1e-9)!.position).toBeCloseTo(0.25, 9);
    expect(t.machine.at(-1)!.from).toBeCloseTo(30.04 + 12, 9);
  });

  it('runs a script in order', () => {
    expect(
      scriptPresses(
        [
          { do: 'press', seconds: 0.2 },
          { do: 'wait', seconds: 1 },
          { do: 'press', seconds: 0.3 },
        ],
        5,
      ),
    ).toEqual([
      { from: 5, to: 5.2 },
      { from: 6.2, to: 6.5 },
    ]);
  });
});

describe('faults', () => {
  it('names the stretch in which a missed press parts belief and truth', () => {
    const t = run(lamp, [10, 20], [fault('missed-press', 10)], 40);
    expect(t.missed).toEqual([10]);
    expect(t.parted).toEqual([
      { from: 10.04, to: 20.04, believed: 'on', true: 'off' },
      { from: 20.04, to: 40, believed: 'off', true: 'on' },
    ]);
  });

  it('moves the gate when someone presses by hand', () => {
    const t = run(gate, [0], [fault('hand-press', 30)], 60);
    expect(t.machine.map((s) => s.word)).toEqual(['closed', 'opening', 'open', 'closing', 'closed']);
    expect(t.seen.at(-1)).toEqual({ at: 30.04, by: 'hand' });
    expect(t.parted.at(-1)).toMatchObject({ believed: 'open', true: 'closed' });
  });

  it('loses the run, or takes it up again, as the machine does after a power cut', () => {
    const cut = [fault('power-cut', 40, 20)];
    expect(story(run(pot, [10], cut)).map((s) => s[0])).toEqual(['at rest', 'running', 'no power', 'at rest']);
    expect(story(run({ ...pot, afterPowerCut: 'as-before' }, [10], cut)).map((s) => s[0])).toEqual([
      'at rest',
      'running',
      'no power',
      'running',
      'at rest',
    ]);
    expect(run(gate, [0], [fault('power-cut', 8.04, 5)], 60).machine.at(-1)).toMatchObject({ word: 'stopped' });
  });

  it('ends a press and the rest of the script at a power cut, and starts none in the dark', () => {
    const t = run(pot, [10, 15], [fault('power-cut', 10.1, 20)], 60, [...press, { do: 'wait', seconds: 1 }, ...press]);
    expect(t.contact).toEqual([{ from: 10, to: 10.1 }]);
  });
});

describe('many days', () => {
  const starts = Array.from({ length: 365 }, (_, d) => d * 86400 + 38_400);

  it('is the same for the same seed and another for another', () => {
    const a = simulateDays(sceneOfModel(lamp, press), starts, 365, seededRandom(1));
    expect(simulateDays(sceneOfModel(lamp, press), starts, 365, seededRandom(1))).toEqual(a);
    expect(simulateDays(sceneOfModel(lamp, press), starts, 365, seededRandom(2))).not.toEqual(a);
  });

  it('draws faults at their rates', () => {
    const days = 3650;
    const many = Array.from({ length: days }, (_, d) => d * 86400 + 38_400);
    const o = simulateDays(sceneOfModel(pot, press), many, days, seededRandom(5));
    // Within three standard deviations of a binomial count.
    const near = (count: number, n: number, p: number): void =>
      expect(Math.abs(count - n * p)).toBeLessThan(3 * Math.sqrt(n * p * (1 - p)) + 1);
    near(o.missed, days, FAULT_RATES.missedShare);
    near(o.byHand, days, FAULT_RATES.handPerDay);
    near(o.powerCuts, days, FAULT_RATES.cutsPerYear / 365);
  });

  it('forgives a machine that stops by itself and not one that flips', () => {
    const p = simulateDays(sceneOfModel(pot, press), starts, 365, seededRandom(3));
    const l = simulateDays(sceneOfModel(lamp, press), starts, 365, seededRandom(3));
    expect(p.asBelieved).toBeGreaterThan(l.asBelieved);
    expect(l.partedSeconds).toBeGreaterThan(10 * p.partedSeconds);
  });
});

describe('what Act judges', () => {
  const job = demoJob('rice-pot');
  it('wants twice the shortest press, and offers it', () => {
    expect(findingOf(scripted(job, [{ do: 'press', seconds: 0.05 }]), 'act.press-length')).toMatchObject({
      verdict: 'tight',
      // The solid-state relay may close 3 ms late.
      remedy: { label: 'Use 83 ms' },
    });
    const short = scripted(job, [{ do: 'press', seconds: 0.02 }]);
    expect(findingOf(short, 'act.press-length').verdict).toBe('stop');
    const press = { do: 'press', seconds: 0.2 } as const;
    const gap = (seconds: number | null) =>
      findingOf(
        scripted(job, seconds === null ? [press, press] : [press, { do: 'wait', seconds }, press]),
        'act.press-gap',
      );
    expect([gap(null), gap(0.03), gap(0.05), gap(0.2)].map((f) => f.verdict)).toEqual([
      'stop',
      'stop',
      'tight',
      'settled',
    ]);
    expect(gap(null).remedy?.edit).toMatchObject({ item: { steps: [press, { do: 'wait', seconds: 0.2 }, press] } });
    expect(findingOf(short, 'act.run').verdict).toBe('stop');
    expect(findingOf(scripted(job, []), 'act.script').remedy?.label).toBe('Press for 180 ms');
  });

  it('stops a door that one missed press leaves the wrong way; a contact that nothing looks at settles nothing', () => {
    const door = demoJob('yard-gate');
    expect(findingOf(door, 'act.missed-press').verdict).toBe('stop');
    expect(findingOf(withSense(door), 'act.missed-press')).toMatchObject({
      verdict: 'stop',
      title: expect.stringContaining('the move does not look at it'),
    });
    // One button that opens and closes, pressed at a time of day, opens what is closed.
    expect(findingOf(door, 'routine.blind')).toMatchObject({ verdict: 'stop', caption: 'opens what is closed' });
  });

  it('simulates nothing of a machine that nobody described', () => {
    const job = machined(demoJob('rice-pot'), {
      kind: 'unknown',
      shortestPressSeconds: null,
      longestPressSeconds: null,
      runSeconds: null,
    });
    for (const id of ['act.machine', 'act.press-length', 'act.press-longest', 'routine.blind'])
      expect(findingOf(job, id).verdict, id).toBe('unknown');
    expect(oneRun(job)).toBeNull();
    expect(() => findingOf(job, 'act.run')).toThrow(/no finding/);
  });

  it('stops a press that is longer than the machine takes for one', () => {
    const long = scripted(demoJob('rice-pot'), [{ do: 'press', seconds: 5 }]);
    expect(findingOf(long, 'act.press-longest')).toMatchObject({ verdict: 'stop', limit: { value: 2 } });
  });

  it('holds the contact of a switch that stays down, or says that it must be held', () => {
    const pot = demoJob('rice-pot');
    const { facts } = assess(pot);
    const latching: Facts = {
      ...facts,
      controls: {
        'control-start': { ...facts.controls['control-start']!, kind: 'latching-switch', leading: 'latching-switch' },
      },
    };
    const hold = (job: Job) => actFindings(job, latching).find((f) => f.id === 'act.hold')!;
    expect(hold(pot)).toMatchObject({ verdict: 'stop', remedy: { label: 'Hold for 25 min' } });
    expect(hold(edited(pot, hold(pot).remedy!.edit!, '2026-03-02T14:00:00Z')).verdict).toBe('settled');
  });
});
