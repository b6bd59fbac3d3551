import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { daysStudy } from '../../house/many-days';
import { checkJob, freshMove, freshPart, stepOf, type Job, type MachinePart, type MoveStep } from '../../ground/job';
import { demoJob } from '../../testing/jobs';
import { checkTable, RunEnded } from '../../engines/world';
import { lacksOfPart, oneRun, planWay, sceneOf, tableOf } from '.';

const gate = demoJob('yard-gate');
const press = stepOf('press', { press: gate.presses[0]!.id, seconds: 0.2 });

/** The gate's job with another machine and one move. */
const withMachine = (part: Partial<MachinePart>, steps: readonly MoveStep[] = [press]): Job => ({
  ...gate,
  act: {
    parts: [{ ...freshPart('part', 'machine'), shortestPressSeconds: 0.05, runSeconds: 10, ...part }],
    moves: [{ ...freshMove('move', 'other'), steps: [...steps] }],
    faults: [],
  },
  senses: [],
  hands: [],
  signs: [],
  board: { ...gate.board, pins: [] },
  wish: { ...gate.wish, nevers: [] },
  routine: { ...gate.routine, sentences: [] },
});
/** Rounds within rounds after one press, each gone back from a thousand times. */
const rounds = (seconds: number): MoveStep[] => [
  press,
  ...Array.from({ length: 60 }, (_, i) => [
    stepOf('wait', { seconds }),
    stepOf('again', { to: 2 + (i % 2), times: 1000 }),
  ]).flat(),
];

describe('machines of their own words', () => {
  it.each([
    [['low', 'high', 'off'], 1e-6],
    [['low', 'closing'], 1e-6],
    [['dark, off', 'off'], 1],
    [['off', 'dark, off', 'asleep'], 1],
    [['running', 'stopped', 'open'], 0],
    [['dark, red', 'red'], null],
  ])('modes %j with a timer of %s can be run, and rest at the first', (modes, timerSeconds) => {
    const job = withMachine({ kind: 'steps', modes, timerSeconds, firstPressWakes: true, awakeSeconds: 60 });
    const [part] = job.act.parts;
    expect(lacksOfPart(part!)).toBe('');
    const table = tableOf(part!);
    expect(() => checkTable(table)).not.toThrow();
    // Every maker's word is a lit state; only those without power are dark.
    for (const m of modes) expect(table.states.find((s) => s.key === m)!.role).not.toBe('dark');
    expect(table.states.filter((s) => s.role === 'dark').every((s) => s.word === 'no power')).toBe(true);
    // Left alone it comes to its rest, and stays there.
    const run = oneRun(job, [])!;
    expect(run.parts[0]!.machine.at(-1)!.still || timerSeconds === null).toBe(true);
    expect(assess(job).findings.find((f) => f.id === 'act.run')!.verdict).not.toBe('unknown');
  });
});

describe('budgets', () => {
  it.each([1e-9, 0])(
    'end a run of rounds within rounds over waits of %f s, and what comes of it is unknown',
    (wait) => {
      const job = withMachine({ kind: 'flips' }, rounds(wait));
      expect(checkJob(job).ok).toBe(true);
      expect(() => oneRun(job, [])).toThrow(RunEnded);
      const run = assess(job).findings.find((f) => f.id === 'act.run')!;
      expect(run).toMatchObject({ verdict: 'unknown', caption: 'run not followed' });
      expect(run.title).toContain('more than 100,000 things happen in it');
    },
  );

  it('end a plan over very many sets of states, and say so rather than that there is none', () => {
    const heeds = Array.from({ length: 20 }, (_, i) => ({ press: `k${i}`, other: false, as: 'press' as const }));
    const presses = heeds.map((h) => ({ ...gate.presses[0]!, id: h.press, name: h.press }));
    const job = { ...withMachine({ kind: 'in-turn', heeds }, []), presses };
    const scene = sceneOf(job)!;
    const states = scene.tables[0]!.states.filter((s) => s.role !== 'dark').map((s) => s.key);
    const told: number[] = [];
    const planned = planWay(job, scene, 0, states, ['ready'], (share) => told.push(share) > 0);
    expect(planned).toEqual({ way: null, ended: true });
    expect(Math.max(...told)).toBeLessThanOrEqual(1);
    // Stopped by whoever waits for it, it ends as well.
    expect(planWay(job, scene, 0, states, ['ready'], () => false).ended).toBe(true);
    expect(planWay(job, scene, 0, ['at rest'], ['after 2'])).toMatchObject({ ended: false, way: { length: 2 } });
  });

  it('count as many days as they can, and tell how many', () => {
    const steps = Array.from({ length: 90 }, () => [press, stepOf('wait', { seconds: 1 })]).flat();
    const sentences = Array.from({ length: 24 }, (_, i) => ({
      ...gate.routine.sentences[0]!,
      id: `s${i}`,
      at: `${String(i).padStart(2, '0')}:00`,
      days: [1, 2, 3, 4, 5, 6, 7],
      move: '',
      ifArmed: false,
    }));
    const job = { ...withMachine({ kind: 'flips' }, steps), routine: { ...gate.routine, sentences } };
    const { own } = daysStudy(job, 3650, 1);
    expect(own!.wantedDays).toBe(3650);
    expect(own!.days).toBeLessThan(3650);
    expect(own!.days).toBeGreaterThan(50);
    // A clock that is changed on the way moves one of them by an hour.
    expect(Math.abs(own!.starts - 24 * own!.days)).toBeLessThanOrEqual(1);
    const told: number[] = [];
    daysStudy(demoJob('rice-pot'), 365, 1, (share) => told.push(share) > 0);
    expect(told.length).toBeGreaterThan(10);
    expect([...told].sort((a, b) => a - b)).toEqual(told);
  });
});
