import { describe, expect, it } from 'vitest';
import { demoJob } from '../../testing/jobs';
import { freshFault, freshStep, instantsOf, lastParted, oneRun, standAt } from '.';

describe('a run as it is watched', () => {
  const job = demoJob('yard-gate');
  const run = oneRun(job)!;
  const part = run.parts[0]!;

  it('has instants that rise from the beginning to the end, and a stand at each', () => {
    const instants = instantsOf(run);
    expect(instants[0]).toBe(0);
    expect(instants.at(-1)).toBe(run.end);
    expect([...instants].sort((a, b) => a - b)).toEqual(instants);
    expect(standAt(part, 0).machine).toBe(part.machine[0]!.word);
    // After the last stretch the last word stands.
    expect(standAt(part, run.end * 2)).toEqual({
      machine: part.machine.at(-1)!.word,
      believes: part.believes.at(-1)!.word,
    });
  });

  it('tells the last way in which belief and truth part, with all its time', () => {
    expect(lastParted({ ...part, parted: [] })).toBeNull();
    const parted = [
      { from: 1, to: 3, true: 'closed', believed: 'open' },
      { from: 4, to: 5, true: 'open', believed: 'closed' },
      { from: 6, to: 10, true: 'closed', believed: 'open' },
    ] as const;
    expect(lastParted({ ...part, parted })).toEqual({ from: 6, seconds: 6, true: 'closed', believed: 'open' });
  });

  it('lays new faults and steps where they can be seen', () => {
    expect(freshFault('f', 'missed-press', 40)).toEqual({
      id: 'f',
      kind: 'missed-press',
      atSeconds: 0,
      seconds: 0,
      of: '',
    });
    expect(freshFault('f', 'power-cut', 40)).toMatchObject({ atSeconds: 12, seconds: 6 });
    expect(freshFault('f', 'hand-press', 40)).toMatchObject({ atSeconds: 12, seconds: 0 });
    expect(freshStep('press', 'start')).toMatchObject({ do: 'press', press: 'start', seconds: 0.18 });
    expect(freshStep('wait', 'start')).toMatchObject({ do: 'wait', press: '', seconds: 1, sense: '' });
    expect(freshStep('until', 'start', 'rest')).toMatchObject({
      do: 'until',
      press: '',
      sense: 'rest',
      orElse: 'call',
    });
  });
});
