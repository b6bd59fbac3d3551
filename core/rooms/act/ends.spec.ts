import { describe, expect, it } from 'vitest';
import {
  edited,
  freshMove,
  freshPart,
  freshPress,
  freshSense,
  stepOf,
  withSteps,
  type Job,
  type JobEdit,
  type MachinePart,
  type Move,
  type Sense,
} from '../../ground/job';
import { assess } from '../../house/assess';
import { demoJob, findingOf } from '../../testing/jobs';
import { oneRun, policiesFor, sceneOf } from '.';

const NOW = '2026-03-02T14:00:00Z';

const shipped = demoJob('hatch-shutter');
// Its moves are made anew here; rules that begin them would hold on to those that were.
const shutter = { ...shipped, routine: { ...shipped.routine, sentences: [] } };
/** The shutter with one sense, and its first move made by a policy. */
const ended = (tells: Sense['tells'], kind: 'look-first' | 'look-again' | null, purpose: Move['purpose']): Job => {
  const sensed = edited(
    shutter,
    { do: 'put', list: 'senses', item: { ...freshSense('end', 'end contact'), tells } },
    NOW,
  );
  const [move, back] = sensed.act.moves;
  const steps = kind
    ? policiesFor(sensed, move!).find((p) => p.kind === kind)!.steps
    : [stepOf('hold', { press: 'motor', sense: 'end', is: true, seconds: 30 })];
  const moves = [{ ...move!, purpose, steps: [...steps] }, back!];
  return edited(sensed, { do: 'set', at: 'act', set: { moves } } as JobEdit, NOW);
};

describe('an end contact', () => {
  const words = (job: Job): readonly string[] => oneRun(job, [])!.parts[0]!.machine.map((s) => s.word);

  it('says so at its end alone: what is held until it says so comes there', () => {
    const job = ended('at-end', 'look-again', 'open');
    expect(words(job)).toEqual(['closed', 'opening', 'open']);
    // 18 s of its way, and what the contact takes to settle.
    const held = oneRun(job, [])!.outputs[0]!.spans[0]!;
    expect(held.to - held.from).toBeGreaterThan(18.03);
    expect(held.to - held.from).toBeLessThan(18.3);
    expect(findingOf(job, 'act.purpose')).toMatchObject({ verdict: 'settled' });
    expect(findingOf(job, 'act.missed-press').verdict).toBe('settled');
  });

  it('is no contact that opens as soon as it leaves its rest: that one lets go too early, and no policy takes it for the end', () => {
    for (const purpose of ['open', 'start'] as const) {
      const job = ended('at-work', null, purpose);
      expect(words(job)).toEqual(['closed', 'opening', 'stopped']);
      expect(findingOf(job, 'act.purpose')).toMatchObject({
        // A door that is left half-way.
        verdict: 'stop',
        title: expect.stringContaining('from “closed” it comes to “stopped”'),
        remedy: { text: expect.stringContaining('a sense at the very end') },
      });
    }
    for (const tells of ['at-work', 'at-rest'] as const) {
      const job = ended(tells, null, 'open');
      expect(policiesFor(job, job.act.moves[0]!).find((p) => p.kind === 'look-again')!.lacks).toContain(
        'at that end alone',
      );
    }
  });

  it('is found nowhere on a machine without a far end', () => {
    const pot = edited(
      demoJob('rice-pot'),
      { do: 'put', list: 'senses', item: { ...freshSense('end', 'end'), tells: 'at-end' } },
      NOW,
    );
    expect(sceneOf(pot)!.senseLacks.at(-1)).toBe('its part has no far end');
  });
});

describe('a sense of something that is no state of the machine', () => {
  const cup: Sense = { ...freshSense('cup', 'cup'), tells: 'other', meaning: 'a cup stands there' };
  const steps = [
    stepOf('look', { sense: 'cup', is: true, orElse: 'end' }),
    stepOf('press', { press: 'start', seconds: 0.2 }),
  ];
  const pot = (takenFor: Sense['takenFor']): Job =>
    edited(
      edited(demoJob('rice-pot'), { do: 'put', list: 'senses', item: { ...cup, takenFor } }, NOW),
      withSteps(demoJob('rice-pot'), steps, 'look for a cup'),
      NOW,
    );

  it('is what somebody says that runs take it for, and tells the plan nothing of the machine', () => {
    const presses = (job: Job): number => oneRun(job, [])!.outputs.flatMap((o) => o.spans).length;
    expect([presses(pot('unknown')), presses(pot('yes')), presses(pot('no'))]).toEqual([0, 1, 0]);
    expect(findingOf(pot('unknown'), 'sense.sense.cup').verdict).toBe('unknown');
    expect(findingOf(pot('yes'), 'sense.sense.cup')).toMatchObject({
      verdict: 'tight',
      title: expect.stringContaining('runs take it for so'),
    });
    // One that is stuck teaches it nothing of the machine either.
    const stuck = oneRun(pot('yes'), [{ id: 'f', kind: 'stuck-sense', atSeconds: 0, seconds: 5, of: 'cup' }])!;
    expect(stuck.parts[0]!.believes[0]!.word).toBe(stuck.parts[0]!.machine[0]!.word);
  });
});

describe('a move of several parts', () => {
  // Two speeds of a fan, each a lamp of its own; the second move is judged by what it presses.
  const low = demoJob('hood-fan');
  it('is judged by the part that it presses, and begins with one that no other move presses', () => {
    const two = edited(
      low,
      {
        do: 'several',
        edits: [
          { do: 'put', list: 'presses', item: { ...freshPress('high', 'high', low.controls[0]!.id) } },
          {
            do: 'set',
            at: 'act',
            set: { faults: [], moves: [], parts: ['low', 'high'].map((id) => part(id)) },
          } as JobEdit,
        ],
      },
      NOW,
    );
    const on = (id: string, press: string): Move => ({
      ...freshMove(id, `${id} on`),
      purpose: 'start',
      steps: [stepOf('press', { press, seconds: 0.2 })],
    });
    const first = low.presses[0]!.id;
    const with2 = (...moves: Move[]): Job => edited(two, { do: 'set', at: 'act', set: { moves } } as JobEdit, NOW);
    const right = with2(on('low', first), on('high', 'high'));
    expect(findingOf(right, 'act.purpose.high').title).toContain('with high');
    // Called “high on”, and it presses low: the line says what it does.
    expect(findingOf(with2(on('low', first), on('high', first)), 'act.purpose.high').title).toContain('with low');
    const fresh: Move = { ...freshMove('high', 'high on'), purpose: 'start' };
    const begun = with2(on('low', first), fresh);
    expect(
      policiesFor(begun, fresh)
        .find((p) => p.kind === 'blind')!
        .steps.map((s) => s.press),
    ).toEqual(['high']);
  });

  const part = (id: string): MachinePart => ({
    ...freshPart(id, id),
    kind: 'on-and-off',
    shortestPressSeconds: 0.06,
    longestPressSeconds: 1,
    heeds: [{ press: id === 'low' ? low.presses[0]!.id : id, other: false, as: 'on' }],
  });
});

describe('the two directions of one motor', () => {
  it('are two: pressing the one is not pressing both at once', () => {
    const both = (job: Job) => assess(job).findings.filter((f) => f.id.startsWith('act.both'));
    expect(both(shutter)).toEqual([]);
    // Two presses that pull one part two ways, in one step, are.
    const part = {
      ...freshPart('door', 'door'),
      kind: 'opens-and-closes' as const,
      shortestPressSeconds: 0.1,
      runSeconds: 9,
    };
    const two = edited(
      shutter,
      {
        do: 'several',
        edits: [
          { do: 'put', list: 'presses', item: freshPress('up', 'up', '') },
          { do: 'put', list: 'presses', item: freshPress('down', 'down', '') },
          {
            do: 'set',
            at: 'act',
            set: {
              parts: [
                {
                  ...part,
                  heeds: [
                    { press: 'up', other: false, as: 'open' },
                    { press: 'down', other: false, as: 'close' },
                  ],
                },
              ],
              moves: [
                { ...freshMove('m', 'm'), steps: [stepOf('press', { press: 'up', also: ['down'], seconds: 1 })] },
              ],
            },
          } as JobEdit,
        ],
      },
      NOW,
    );
    expect(both(two).map((f) => f.verdict)).toEqual(['stop']);
  });
});
