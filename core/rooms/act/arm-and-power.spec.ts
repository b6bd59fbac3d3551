import { describe, expect, it } from 'vitest';
import { edited, type Job, type MachinePart } from '../../ground/job';
import { demoJob, machined, pressed } from '../../testing/jobs';
import { lacksOfPolicies, policiesFor, runScene, sceneOf } from '.';

const NOW = '2026-03-02T14:00:00Z';

describe('arm and power', () => {
  const power = (set: Partial<MachinePart>, arm = true): Job => {
    const pot = machined(pressed(demoJob('rice-pot'), { way: 'switched-supply' }), { kind: 'while-held', ...set });
    const hand = { ...pot.hands[0]!, startsPerArming: arm ? 1 : null };
    return edited(pot, { do: 'put', list: 'hands', item: hand }, NOW);
  };
  const of = (job: Job) => policiesFor(job, job.act.moves[0]!).find((p) => p.kind === 'arm-and-power');

  it('is for a press that switches a supply, and for one start of one arming', () => {
    expect(of(demoJob('rice-pot'))).toBeUndefined();
    expect(of(power({}, false))!.lacks).toBe('an arm switch that lets one start go');
    expect(lacksOfPolicies([of(power({}, false))!])).toEqual([
      'to arm and power it needs an arm switch that lets one start go',
    ]);
    const blind = { ...power({ runSeconds: 600 }), senses: [] };
    expect(of(blind)!.steps.map((s) => [s.do, s.seconds])).toEqual([['press', 751]]);
    expect(of({ ...power({ runSeconds: null }), senses: [] })!.lacks).toMatch(/how long it runs/);
  });

  it('holds the contact until the machine rests, and comes to that', () => {
    const job = power({ runSeconds: 600, timerSeconds: 600 });
    const steps = of(job)!.steps;
    expect(steps.map((s) => s.do)).toEqual(['press', 'hold']);
    const scene = sceneOf({ ...job, act: { ...job.act, moves: [{ ...job.act.moves[0]!, steps: [...steps] }] } })!;
    const run = runScene(scene, { starts: [{ at: 1, move: 0, ifArmed: false }], faults: [], end: 2000 });
    expect(run.parts[0]!.machine.map((s) => s.word)).toEqual(['off', 'on', 'off']);
    // Its own timer ends it after ten minutes, and the contact opens once the sense has told so.
    expect(run.outputs[0]!.spans[0]!.to).toBeCloseTo(601 + job.senses[0]!.debounceSeconds, 1);
    expect(run.calls).toEqual([]);
  });
});
