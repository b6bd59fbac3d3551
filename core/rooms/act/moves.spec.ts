import { describe, expect, it } from 'vitest';
import {
  edited,
  freshMove,
  freshSense,
  stepOf,
  withMachine,
  withSteps,
  type Job,
  type MoveStep,
} from '../../ground/job';
import { demoJob, findingOf, machined, withSense } from '../../testing/jobs';
import { nextTiming, oneRun, planWay, policiesFor, POLICY_WORDS, runScene, sayWay, sceneOf } from '.';

const NOW = '2026-03-02T14:00:00Z';

const gate = demoJob('yard-gate');
const looking = (job: Job, kind: 'look-first' | 'look-again'): Job => {
  const move = job.act.moves[0]!;
  const policy = policiesFor(job, move).find((p) => p.kind === kind)!;
  expect(policy.lacks).toBe('');
  return edited(job, withSteps(job, policy.steps, kind), NOW);
};

describe('policies', () => {
  it('need a sense that tells whether it got there', () => {
    const kinds = (job: Job) =>
      Object.fromEntries(policiesFor(job, job.act.moves[0]!).map((p) => [p.kind, p.lacks === '']));
    expect(kinds(gate)).toEqual({ blind: true, 'look-first': false, 'look-again': false, timed: false });
    expect(kinds(withSense(gate))).toEqual({ blind: true, 'look-first': true, 'look-again': true, timed: false });
    expect(POLICY_WORDS.blind).toBe('press and hope');
    expect(kinds(demoJob('hatch-shutter')).timed).toBe(true);
  });

  it('close a gate from wherever it stands, and leave a closed one alone; pressed blind it is opened', () => {
    expect(findingOf(gate, 'act.purpose')).toMatchObject({
      verdict: 'stop',
      title: expect.stringContaining('from “closed” it comes to “open”'),
    });
    const job = looking(withSense(gate), 'look-again');
    expect(findingOf(job, 'act.purpose').verdict).toBe('settled');
    expect(findingOf(job, 'act.missed-press').verdict).toBe('settled');
    expect(findingOf(job, 'routine.blind').verdict).toBe('settled');
    expect(findingOf(job, 'sense.contact').verdict).toBe('settled');
    const clean = oneRun(job)!;
    expect(clean.outputs[0]!.spans).toEqual([]);
    expect(findingOf(job, 'act.run')).toMatchObject({
      verdict: 'settled',
      title: 'Without faults it looks, finds the machine closed and presses nothing',
    });
  });

  it('try again after a missed press, and call for help where the contact no longer closes', () => {
    const job = looking(demoJob('rice-pot'), 'look-again');
    const scene = sceneOf(job)!;
    const run = (kind: 'missed-press' | 'dirty') =>
      runScene(scene, {
        starts: [{ at: 0, move: 0, ifArmed: false }],
        faults: [{ id: 'f', kind, atSeconds: 0, seconds: 0, of: 'start' }],
        end: 60,
      });
    expect(run('missed-press')).toMatchObject({ calls: [], parts: [{ seen: [{ by: 'plan' }] }] });
    expect(run('missed-press').outputs[0]!.spans).toHaveLength(2);
    const dirty = run('dirty');
    expect(dirty.calls).toHaveLength(1);
    // What it looked at told it: it believes the truth by then.
    expect(dirty.parts[0]!.believes.at(-1)!.word).toBe('at rest');
  });
});

describe('a press that is made again', () => {
  const pot = demoJob('rice-pot');
  const press = stepOf('press', { press: 'start', seconds: 0.2 });
  const again = stepOf('again', { sense: 'rest', is: false, to: 1, times: 2 });
  const withGap = (...between: MoveStep[]): Job => edited(pot, withSteps(pot, [press, ...between, again], 'x'), NOW);
  const gap = (...between: MoveStep[]) => findingOf(withGap(...between), 'act.press-gap');

  it('needs a wait before it, as any other: without one the two are one long press', () => {
    expect(gap()).toMatchObject({ verdict: 'stop', caption: 'no wait between' });
    expect(gap(stepOf('wait', { seconds: 1 })).verdict).toBe('settled');
    expect(gap(stepOf('until', { sense: 'rest', is: false, seconds: 2, orElse: 'go-on' })).verdict).toBe('settled');
    // What is waited for may be there at once.
    expect(gap(stepOf('until', { sense: 'rest', is: true, seconds: 2, orElse: 'go-on' })).verdict).toBe('stop');
  });

  it('is given its wait by one press, and goes back to the same step as before', () => {
    const three = [stepOf('look', { sense: 'rest', orElse: 'end' }), press, press, { ...again, to: 3 }];
    const job = edited(pot, withSteps(pot, three, 'x'), NOW);
    const mended = edited(job, findingOf(job, 'act.press-gap').remedy!.edit!, NOW);
    const { steps } = mended.act.moves[0]!;
    expect(steps.map((s) => s.do)).toEqual(['look', 'press', 'wait', 'press', 'wait', 'again']);
    expect(steps[steps.at(-1)!.to - 1]!.do).toBe('press');
    expect(steps.at(-1)!.to).toBe(4);
    expect(findingOf(mended, 'act.press-gap').verdict).toBe('settled');
  });
});

describe('the way from here', () => {
  const say = (s: number): string => `${s} s`;
  const scene = sceneOf(gate)!;
  it('is presses and waits where the state is known, and nothing where it is there', () => {
    expect(planWay(gate, scene, 0, ['closed'], ['closed']).way).toEqual({ steps: null, length: 0 });
    const way = planWay(gate, scene, 0, ['opening'], ['closed']).way!;
    // Stop it, press once more, wait for the way: shorter than letting it open.
    expect(sayWay(way.steps, say)).toEqual(['1. Press gate.', '2. Press gate.', '3. Wait 16 s, until nothing moves.']);
  });

  it('cannot be told blind from anywhere, and begins with a look where there is a sense', () => {
    const anywhere = ['closed', 'opening', 'open', 'closing', 'stopped on its way up', 'stopped on its way down'];
    expect(planWay(gate, scene, 0, anywhere, ['closed'])).toEqual({ way: null, ended: false });
    const job = withSense(gate);
    const way = planWay(job, sceneOf(job)!, 0, anywhere, ['closed']).way!;
    const words = sayWay(way.steps, say);
    expect(words.some((w) => w.includes('Look at rest contact'))).toBe(true);
    expect(way.length).toBeLessThanOrEqual(10);
  });

  it('holds what acts while it is held, and wakes what sleeps first', () => {
    const hatch = demoJob('hatch-shutter');
    const up = planWay(hatch, sceneOf(hatch)!, 0, ['closed', 'stopped'], ['open']).way!;
    expect(sayWay(up.steps, say)).toEqual(['1. Hold motor until it stops.']);
    const larder = demoJob('larder-dehumidifier');
    const way = planWay(larder, sceneOf(larder)!, 0, ['asleep'], ['on']).way!;
    expect(sayWay(way.steps, say)).toEqual(['1. Press power.', '2. Press power.']);
    expect(() => planWay(larder, sceneOf(larder)!, 0, ['nowhere'], ['on'])).toThrow(/no state nowhere/);
  });

  // By another road: the way is walked on the machine itself, state by state, and not on the table that it was found in.
  it('brings the machine there from every state that it was planned for', () => {
    const job = withSense(gate);
    const [start, goal] = [['open', 'stopped on its way up', 'stopped on its way down'], 'closed'];
    const way = planWay(job, sceneOf(job)!, 0, start, [goal]).way!;
    for (const from of start) {
      // Brought there by presses of its own from where it begins: 8 s of its way and a stop.
      const before = { open: [0], 'stopped on its way up': [0, 8], 'stopped on its way down': [0, 30, 38] }[from]!;
      let at = 100;
      const presses = before.map((t) => t);
      for (let step = way.steps; step;) {
        if (step.do === 'press') {
          presses.push(at);
          at += 1;
          step = step.then;
        } else if (step.do === 'wait') {
          at += step.seconds + 1;
          step = step.then;
        } else {
          const now = wordAt(presses, at);
          step = now === 'closed' ? step.yes : step.no;
        }
      }
      expect(wordAt(presses, at), from).toBe(goal);
    }
  });
});

/** What the gate is after these presses by hand. */
function wordAt(presses: readonly number[], at: number): string {
  const scene = sceneOf(gate)!;
  const faults = presses.map((t, i) => ({
    id: `h${i}`,
    kind: 'hand-press' as const,
    atSeconds: t,
    seconds: 0,
    of: 'gate',
  }));
  return runScene(scene, { starts: [], faults, end: at }).parts[0]!.machine.at(-1)!.word;
}

describe('timings', () => {
  // NIST/SEMATECH e-Handbook, 6.5.1: of n = 3 with mean 21.3 and s = 0.3 the next lies within 21.3 ± 4.303·0.3·√(4/3) at 95 %.
  it('tell where the next one lies, and nothing of a spread from one', () => {
    expect(nextTiming([21])).toBeNull();
    const range = nextTiming([21, 21.3, 21.6])!;
    expect(range.nominal).toBeCloseTo(21.3, 9);
    expect(range.high).toBeCloseTo(21.3 + 4.303 * 0.3 * Math.sqrt(4 / 3), 6);
  });

  it('are held against what the machine is told, and against waits that end too soon', () => {
    const timed = (...seconds: number[]) =>
      machined(looking(withSense(gate), 'look-again'), {
        timings: seconds.map((s) => ({ of: 'run' as const, seconds: s })),
      });
    expect(findingOf(timed(16), 'act.part.gate.timed')).toMatchObject({ verdict: 'tight', caption: 'timed once' });
    expect(findingOf(timed(15.9, 16, 16.1), 'act.part.gate.timed').verdict).toBe('settled');
    const slow = timed(23, 23.2, 23.1);
    expect(findingOf(slow, 'act.part.gate.timed')).toMatchObject({ verdict: 'tight', remedy: { label: 'Use 23.1 s' } });
    expect(
      findingOf(edited(slow, findingOf(slow, 'act.part.gate.timed').remedy!.edit!, NOW), 'act.part.gate.timed').verdict,
    ).toBe('settled');
    expect(findingOf(slow, 'act.part.gate.timed-wait')).toMatchObject({
      verdict: 'tight',
      title: expect.stringContaining('step 4 of close waits 21 s'),
    });
  });
});

describe('a run with senses', () => {
  it('tells each lane: what is closed, heard, believed, warned of, and which step is at', () => {
    const job = looking(withSense(gate), 'look-again');
    const scene = sceneOf(job)!;
    const t = runScene(scene, {
      starts: [{ at: 60, move: 0, ifArmed: false }],
      faults: [{ id: 'h', kind: 'hand-press', atSeconds: 10, seconds: 0, of: 'gate' }],
      end: 120,
    });
    expect(t.senses[0]!.spans.map((s) => s.word)).toEqual(['yes', 'no', 'yes']);
    expect(t.warns).toHaveLength(1);
    // Warned for 4 s, then the gate closes in its 16 s.
    expect(t.parts[0]!.machine.map((s) => s.word)).toEqual(['closed', 'opening', 'open', 'closing', 'closed']);
    expect(t.parts[0]!.machine.at(-1)!.from).toBeCloseTo(80.08, 6);
    expect(t.steps.map((s) => s.step)).toEqual([0, 1, 2, 3, 4]);
    expect(t.broken).toEqual([]);
  });

  it('names what a sense lacks to be read, and what no run can hold', () => {
    const strange = {
      ...freshSense('s', 'smell'),
      kind: 'light' as const,
      tells: 'other' as const,
      meaning: 'burning',
    };
    const job = edited(gate, { do: 'put', list: 'senses', item: strange }, NOW);
    expect(sceneOf(job)!.senseLacks).toEqual([
      'it tells of no state of the machine, and nobody said what runs take it for',
    ]);
    // A lamp of which nobody said what it means shines where the machine is told to shine.
    const shining = machined(edited(job, { do: 'put', list: 'senses', item: { ...strange, meaning: '' } }, NOW), {
      shows: [{ state: 'closing', watts: null, light: true, sound: false, warm: false }],
    });
    expect(sceneOf(shining)!.world.plan.senses[0]!.yes).toEqual(['closing']);
    const named = edited(job, { do: 'put', list: 'senses', item: { ...strange, states: ['open'] } }, NOW);
    expect(sceneOf(named)!.world.plan.senses[0]!.yes).toEqual(['open']);
  });

  it('refuses moves that name what is not there, and steps that go back to nowhere', () => {
    const move = { ...freshMove('m', 'm'), steps: [stepOf('until', { sense: 'gone', seconds: 1 })] };
    expect(() => edited(gate, { do: 'put', list: 'act.moves', item: move }, NOW)).toThrow(/There is no "gone"/);
    const round = { ...move, steps: [stepOf('again', { to: 1, times: 2 })] };
    expect(() => edited(gate, { do: 'put', list: 'act.moves', item: round }, NOW)).toThrow(/does not come before it/);
    const short = withMachine(gate, { longPress: 'off', longestPressSeconds: 0.05 });
    expect(() => edited(gate, short, NOW)).toThrow(/no longer than the shortest/);
    const back = stepOf('again', { to: 2, times: 1000 });
    const press = stepOf('press', { press: 'gate', seconds: 0.5 });
    const endless = edited(gate, withSteps(gate, [press, stepOf('tell'), ...Array(12).fill(back)], 'x'), NOW);
    expect(findingOf(endless, 'act.run')).toMatchObject({
      verdict: 'stop',
      title: expect.stringContaining('comes round again'),
    });
  });
});
