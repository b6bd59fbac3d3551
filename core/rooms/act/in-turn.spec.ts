import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import {
  edited,
  freshMove,
  freshNever,
  freshPart,
  freshSense,
  type Job,
  type JobEdit,
  type MachineAsk,
  type MachinePart,
  type Never,
} from '../../ground/job';
import { searchJob, searchOf } from '../../house/stories';
import { demoJob } from '../../testing/jobs';
import { freshFault, lacksOfPart, oneRun, planWay, policiesFor, READY_MACHINES, sayWay, sceneOf, tableOf } from '.';

const NOW = '2026-03-02T14:00:00Z';
const LID: MachineAsk = { after: 1, word: 'lid', by: 'hand', seconds: 20 };
const HEATS: MachineAsk = { after: 1, word: 'heating up', by: 'itself', seconds: 40 };

/** Two presses, a lid and some heat between them. */
const asker = (asks: MachineAsk[] = [LID, HEATS]): MachinePart => ({
  ...freshPart('asker', 'asker'),
  kind: 'in-turn',
  heeds: ['power', 'dryness'].map((press) => ({ press, other: false, as: 'press' as const })),
  shortestPressSeconds: 0.05,
  runSeconds: 600,
  asks,
});
const larder = demoJob('larder-dehumidifier');
const start = { ...freshMove('start', 'start'), purpose: 'start' as const };
function jobOf(part: MachinePart, more: JobEdit[] = []): Job {
  const bare: Job = {
    ...larder,
    senses: [],
    board: { ...larder.board, pins: larder.board.pins.filter((p) => p.line !== 'tank') },
    wish: { ...larder.wish, nevers: [] },
    act: { parts: [part], moves: [start], faults: [] },
    routine: { ...larder.routine, sentences: [] },
  };
  return edited(bare, { do: 'several', edits: more }, NOW);
}
const taken = (job: Job, kind: 'blind' | 'look-again'): Job => {
  const policy = policiesFor(job, start).find((p) => p.kind === kind)!;
  expect(policy.lacks).toBe('');
  return edited(job, { do: 'put', list: 'act.moves', item: { ...start, steps: [...policy.steps] } }, NOW);
};
const words = (job: Job): string[] => oneRun(job)!.parts[0]!.machine.map((s) => s.word);

describe('a machine that asks for something between its presses', () => {
  it('is a table: each ask goes over to the next, one of somebody may be left alone, and a cancel ends it', () => {
    const rows = tableOf(asker())
      .states.slice(0, 6)
      .map((s) => [s.key, s.word, s.after?.then ?? null, s.on]);
    const off = { off: 'at rest', 'power lost': expect.any(String) };
    expect(rows).toEqual([
      ['at rest', 'at rest', null, { 'press 1': '1-1 lid', 'power lost': 'dark, at rest' }],
      ['1-1 lid', 'asks for lid', '1-2 heating up', { ...off, 'nobody comes': '1-1 lid, left alone' }],
      ['1-1 lid, left alone', 'asks for lid', null, off],
      ['1-2 heating up', 'heating up', 'after 1', off],
      ['after 1', 'after 1', null, { ...off, 'press 2': 'ready' }],
      ['ready', 'ready', 'at rest', off],
    ]);
    // A part that asks for nothing has no such column, and an ask after a press that is gone comes after the last.
    expect(tableOf(asker([HEATS])).events).not.toContain('nobody comes');
    expect(tableOf(asker([{ ...LID, after: 9 }])).states.map((s) => s.key)).toContain('2-1 lid');
  });

  it('is not known before every time is said', () => {
    expect(lacksOfPart(asker([LID, { ...HEATS, seconds: null }]))).toBe('how long “heating up” takes');
    expect(lacksOfPart(asker())).toBe('');
    expect(READY_MACHINES.find((r) => r.key === 'asker')!.set.asks!.map((a) => a.seconds)).toEqual([null, null]);
  });

  it('is pressed in its order, each press after a quarter more than what stands before it takes', () => {
    const job = taken(jobOf(asker()), 'blind');
    expect(job.act.moves[0]!.steps.map((s) => [s.do, s.press, s.seconds])).toEqual([
      ['press', 'power', expect.any(Number)],
      ['wait', '', 1.25 * 20 + 1],
      ['wait', '', 1.25 * 40 + 1],
      ['press', 'dryness', expect.any(Number)],
    ]);
    expect(words(job)).toEqual(['at rest', 'asks for lid', 'heating up', 'after 1', 'ready']);
  });

  it('overlooks a press that comes before its turn', () => {
    const job = taken(jobOf(asker()), 'blind');
    const hasty = edited(
      job,
      {
        do: 'put',
        list: 'act.moves',
        item: { ...job.act.moves[0]!, steps: job.act.moves[0]!.steps.filter((s) => s.seconds !== 51) },
      },
      NOW,
    );
    expect(words(hasty)).not.toContain('ready');
  });

  it('is waited for by a sense where one tells that it goes on, and whoever is not there is called', () => {
    const hot: JobEdit = {
      do: 'put',
      list: 'senses',
      item: { ...freshSense('hot', 'hot lamp'), tells: 'other', states: ['heating up'] },
    };
    const job = taken(jobOf(asker(), [hot]), 'blind');
    expect(job.act.moves[0]!.steps.map((s) => [s.do, s.sense, s.is])).toEqual([
      ['press', '', true],
      ['until', 'hot', true],
      ['until', 'hot', false],
      ['press', '', true],
    ]);
    expect(words(job).at(-1)).toBe('ready');
    const alone = edited(
      job,
      { do: 'put', list: 'act.faults', item: { ...freshFault('f', 'not-answered', 60, 'asker'), atSeconds: 5 } },
      NOW,
    );
    const run = oneRun(alone)!;
    expect(words(alone)).toEqual(['at rest', 'asks for lid']);
    expect(run.calls.length).toBe(1);
  });

  it('is pressed on blindly where nothing tells that somebody came, which is tight and never settled', () => {
    const blind = taken(jobOf(asker()), 'blind');
    const told = (job: Job) => assess(job).findings.filter((f) => f.id.startsWith('act.asked.'));
    expect(told(blind)).toMatchObject([
      { verdict: 'tight', title: expect.stringContaining('with nobody there the plan presses on all the same') },
    ]);
    const lamp: JobEdit = {
      do: 'put',
      list: 'senses',
      item: { ...freshSense('lid', 'lid lamp'), tells: 'other', states: ['asks for lid'] },
    };
    const unread = edited(blind, lamp, NOW);
    expect(told(unread)).toHaveLength(1);
    expect(told(taken(unread, 'blind'))).toEqual([]);
    // What the machine does by itself asks nobody.
    expect(told(taken(jobOf(asker([HEATS])), 'blind'))).toEqual([]);
  });

  it('is told from wherever it stands, with what somebody has to see to', () => {
    const job = jobOf(asker());
    const way = planWay(job, sceneOf(job)!, 0, ['at rest'], ['ready']).way!;
    expect(sayWay(way.steps, (s) => `${s} s`)).toEqual([
      '1. Press power.',
      '2. See to it where it asks for lid; wait 60 s, until nothing moves.',
      '3. Press dryness.',
    ]);
  });

  it('is searched with nobody there', () => {
    const never: Never = { ...freshNever('stands', 'lasts-longer'), state: 'asks for lid' };
    const job = taken(jobOf(asker(), [{ do: 'put', list: 'wish.nevers', item: never }]), 'blind');
    const found = searchJob(searchOf(job, assess(job))!, 1);
    expect(found.broken).toHaveLength(1);
    expect(found.broken[0]!.faults).toMatchObject([{ kind: 'not-answered', of: 'asker' }]);
    expect(found.broken[0]!.sentences[0]).toMatch(/^Nobody does what the machine asks for, .* after “start” began\.$/);
  });
});
