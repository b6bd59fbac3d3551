import { describe, expect, it } from 'vitest';
import { HAND_METER } from '../job';
import { readAnswer, typedNumber, type NoteQuestion } from '.';

const A = { kind: 'contact', name: 'A' } as const;
const ground = { kind: 'ground', name: '' } as const;
const volts: NoteQuestion = { kind: 'volts-dc', from: A, to: ground, state: 'idle' };
const ohms: NoteQuestion = { kind: 'ohms', from: A, to: { kind: 'mains', name: '' }, state: 'off' };
const read = (q: NoteQuestion, text: string) => readAnswer(q, text, HAND_METER);

describe('the answer to one question', () => {
  it.each<[NoteQuestion, string, object]>([
    [volts, '4.98', { value: 4.98, digit: 0.01, relation: '=' }],
    [volts, '3V3', { value: 3.3 }],
    [ohms, 'OL', { value: 20e6, relation: '>' }],
    [ohms, '10k', { value: 10e3 }],
    [{ ...volts, kind: 'amps' }, '0.5', { value: 0.5e-3 }],
    [{ ...volts, kind: 'amps' }, '2 A', { value: 2 }],
    [{ ...volts, kind: 'duty' }, '87.5', { value: 0.875, digit: 0.001 }],
  ])('%j takes %s', (q, text, shown) => expect(read(q, text)).toMatchObject({ ok: true, shown }));

  it.each<[NoteQuestion, string, RegExp]>([
    [volts, 'many', /^Not understood at character 1/],
    [volts, '14 kohm', /this is Ω, but V is wanted/],
    [volts, '0.3 VAC', /DC volts, and this says AC/],
    [ohms, '-3', /cannot be negative/],
    [volts, '5000', /1000 V/],
    [{ ...volts, kind: 'duty' }, '140', /between 0 and 100/],
  ])('%j refuses %s in words', (q, text, why) =>
    expect(read(q, text)).toEqual({ ok: false, message: expect.stringMatching(why) }),
  );

  it('shows the number while it is typed, in what is kept', () => {
    expect(typedNumber('duty', '50')).toBe(0.5);
    expect(typedNumber('amps', '3')).toBe(3e-3);
    expect(typedNumber('volts-dc', ' ')).toBeNull();
    expect(typedNumber('volts-dc', '4x')).toBeNull();
  });
});
