import { describe, expect, it } from 'vitest';
import { edited, type Reading } from '../../../ground/job';
import { benchJob } from '../../../testing/jobs';
import { controlFromPair, strongestReading } from '..';
import { surveyOf } from '../survey';

const NOW = '2026-03-02T14:05:00Z';
const strip = { id: 'strip-back', name: 'back', wires: ['', '', '', ''] };
const base: Omit<Reading, 'id' | 'from' | 'to' | 'kind' | 'value'> = {
  at: NOW,
  control: 'strip-back',
  state: 'idle',
  relation: '=',
  digit: 0.01,
  by: 'hand',
  said: '',
  struck: false,
};
const contact = (name: string) => ({ kind: 'contact', name }) as const;
const readings: Reading[] = [
  { ...base, id: '1', from: contact('3'), to: contact('4'), kind: 'volts-dc', value: -11.6 },
  { ...base, id: '2', from: contact('1'), to: contact('4'), kind: 'volts-dc', value: 5 },
  {
    ...base,
    id: '3',
    from: contact('4'),
    to: { kind: 'mains', name: '' },
    kind: 'ohms',
    value: 20e6,
    relation: '>',
    state: 'off',
  },
  { ...base, id: '4', from: contact('3'), to: contact('4'), kind: 'volts-dc', value: -9, state: 'loaded' },
  { ...base, id: '5', from: contact('3'), to: contact('4'), kind: 'volts-dc', value: -12, struck: true },
];

describe('the pair that moves the machine', () => {
  it('becomes a control: A is the higher side, its readings come along under their letters', () => {
    let n = 0;
    const job = { ...benchJob(), survey: { ...benchJob().survey, strips: [strip] }, readings };
    const edit = controlFromPair(job, strip, { a: 3, b: 4, dcVolts: -11.6 }, () => `new-${++n}`);
    const after = edited(job, edit, NOW);
    expect(after.controls).toMatchObject([{ name: 'back.4.3', strip: strip.id, terminals: [4, 3] }]);
    expect(
      after.readings
        .filter((r) => r.control === after.controls[0]!.id)
        .map((r) => [r.from.name, r.to.name || r.to.kind]),
    ).toEqual([
      ['B', 'A'],
      ['A', 'mains'],
    ]);
    expect(after.log.at(-1)!.text).toBe('control back.4.3, with 2 readings from the strip');
  });
});

describe('the reading that speaks loudest', () => {
  it('is told for and against, and not where none says much', () => {
    const job = edited(benchJob(), { do: 'add-control', id: 'c', name: 'start' }, NOW);
    const high: Reading = {
      ...base,
      id: 'h',
      control: 'c',
      from: contact('A'),
      to: { kind: 'ground', name: '' },
      kind: 'volts-dc',
      value: 4.98,
    };
    const low: Reading = { ...high, id: 'l', state: 'pressed', value: 0.01 };
    const read = { ...job, readings: [high, low] };
    const survey = surveyOf(read, 'c')!;
    expect(strongestReading(survey, read.readings, 'low-when-pressed', 'for')).toBeDefined();
    expect(strongestReading(survey, read.readings, 'high-when-pressed', 'against')).toBeDefined();
    expect(strongestReading(survey, [], 'low-when-pressed', 'for')).toBeUndefined();
  });
});
