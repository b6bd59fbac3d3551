import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { edited, freshSense, type Job, type JobEdit, type Way } from '../../ground/job';
import { bareJob } from '../../testing/jobs';

const T = '2026-03-02T14:00:00Z';
const first = bareJob().presses[0]!;
const by = (way: Way, ...edits: JobEdit[]): Job =>
  [{ do: 'put', list: 'presses', item: { ...first, way } } as JobEdit, ...edits].reduce(
    (job, edit) => edited(job, edit, T),
    bareJob(),
  );
const verdicts = (job: Job): (string | undefined)[] => {
  const { findings } = assess(job);
  const of = (id: string) => findings.find((f) => f.id === id)?.verdict;
  return [of(`probe.${first.control}.kind`), of(`guard.isolation.${first.control}`)];
};

describe('a control that is pressed from outside', () => {
  it('asks for no reading, and keeps mains apart by its casing', () => {
    for (const way of ['finger', 'hand-mechanism'] as const)
      expect(verdicts(by(way)), way).toEqual(['settled', 'settled']);
  });

  it('does so for no way that goes inside, nor where a wire of a sense may go in', () => {
    for (const way of ['relay-contact', 'optocoupler', 'npn-to-ground'] as const)
      expect(verdicts(by(way)).includes('settled'), way).toBe(false);
    const tap: JobEdit = { do: 'put', list: 'senses', item: { ...freshSense('tap', 'tap'), kind: 'beep' } };
    expect(verdicts(by('finger', tap))).toEqual(['settled', 'tight']);
    const lamp: JobEdit = { do: 'put', list: 'senses', item: { ...freshSense('eye', 'eye'), kind: 'light' } };
    expect(verdicts(by('finger', lamp))).toEqual(['settled', 'settled']);
  });

  it('is judged by what was read all the same, and by every press that it has', () => {
    const job = by('finger');
    const reading = { from: { kind: 'contact', name: 'A' }, to: { kind: 'mains', name: '' } } as const;
    const tied: JobEdit = {
      do: 'add-reading',
      say: '',
      reading: {
        ...reading,
        id: 'r',
        at: T,
        control: first.control,
        state: 'off',
        kind: 'ohms',
        value: 300e3,
        digit: 100,
        relation: '=',
        said: '',
        by: 'hand',
        struck: false,
      },
    };
    expect(verdicts(edited(job, tied, T))[1]).not.toBe('settled');
    // What was read of the machine's ground speaks of every control.
    const { reading: own } = tied as Extract<JobEdit, { do: 'add-reading' }>;
    const ground = { ...own, control: '', from: { kind: 'ground', name: '' } } as const;
    expect(verdicts(edited(job, { do: 'add-reading', say: '', reading: ground }, T)).includes('settled')).toBe(false);
    const second = edited(
      job,
      { do: 'put', list: 'presses', item: { ...first, id: 'two', name: 'two', way: 'relay-contact' } },
      T,
    );
    expect(verdicts(second).includes('settled')).toBe(false);
  });
});
