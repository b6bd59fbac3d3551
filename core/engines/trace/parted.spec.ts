import { describe, expect, it } from 'vitest';
import {
  MOST_SAMPLES,
  PartReader,
  readPart,
  readRecording,
  TraceReader,
  type ByteSource,
  type OtherThread,
  type Recording,
} from '.';

const ROWS = 700_000;
/** A row of a long recording, as a meter writes it. */
const row = (i: number): string => `${i / 2},${i % 900 < 400 ? '2.5' : '140.25'}`;
const LONG = Array.from({ length: ROWS }, (_, i) => row(i));
const head = 'seconds,power (W)\n';

const sourceOf = (text: string): ByteSource => {
  const all = new TextEncoder().encode(text);
  return { size: all.length, bytes: (from, to) => Promise.resolve(all.slice(from, to)) };
};
/** The other thread, in this one: what it is given and what it gives are data either way. */
const beside =
  (source: ByteSource, asked: number[] = []): OtherThread =>
  (order, from, to) => {
    asked.push(from);
    return readPart(new PartReader(structuredClone(order), MOST_SAMPLES), source, from, to);
  };

function alike(a: Recording, b: Recording): void {
  const { seconds, values, ...rest } = a;
  const { seconds: otherSeconds, values: otherValues, ...others } = b;
  expect(rest).toEqual(others);
  expect(seconds.length).toBe(otherSeconds.length);
  expect(seconds.every((t, i) => t === otherSeconds[i])).toBe(true);
  expect(values.every((v, i) => v === otherValues[i])).toBe(true);
}

describe('a long recording, its second half read by another thread', () => {
  const inPlace = (at: number, line: string): string => head + LONG.with(at, line).join('\n');
  it.each<[string, string]>([
    ['plain rows, the last without an end of line', head + LONG.join('\n')],
    ['a word among the numbers of the second half', inPlace(ROWS - 9, '9,off')],
    ['an empty cell in the first half', inPlace(9, '4.5,')],
    ['a time that runs backwards in the second half', inPlace(ROWS - 5, '3,7')],
    ['a second half that begins anew', head + [...LONG.slice(0, ROWS / 2), ...LONG.slice(0, ROWS / 2)].join('\n')],
    [
      'a time that stands still where the halves meet',
      head + LONG.map((line) => line.replace(/^[^,]+/, '1000000.5')).join('\n'),
    ],
    ['a digit more in the second half alone', inPlace(ROWS - 2, `${(ROWS - 2) / 2},3.125`)],
  ])('is what one thread reads: %s', async (_, text) => {
    const source = sourceOf(text);
    const asked: number[] = [];
    const alone = await readRecording(new TraceReader('a.csv'), source, null);
    alike(await readRecording(new TraceReader('a.csv'), source, beside(source, asked)), alone);
    expect(asked).toHaveLength(1);
  });

  it('is read all the same where the other thread breaks, or cannot be had', async () => {
    const source = sourceOf(head + LONG.join('\n'));
    const alone = await readRecording(new TraceReader('a.csv'), source, null);
    alike(await readRecording(new TraceReader('a.csv'), source, () => Promise.reject(new Error('no thread'))), alone);
    alike(await readRecording(new TraceReader('a.csv'), source, () => Promise.resolve(null)), alone);
  });

  it('a short one, and one whose rows are not plain, are read by one thread', async () => {
    const dated = Array.from({ length: 300_000 }, (_, i) => `${new Date(1.7e12 + 1000 * i).toISOString()},${i % 7}`);
    for (const text of [head + LONG.slice(0, 1000).join('\n'), `when,W\n${dated.join('\n')}\n`]) {
      const source = sourceOf(text);
      const asked: number[] = [];
      const read = await readRecording(new TraceReader('a.csv'), source, beside(source, asked));
      expect(asked).toEqual([]);
      expect(read.seconds.length).toBe(text.trim().split('\n').length - 1);
    }
  });
});
