import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readCapture, TimingRecorder, type CaptureTiming } from '.';

interface Change {
  readonly at: number;
  readonly line: number;
  readonly level: 0 | 1;
}

const LINES = ['r0', 'r1', 'c0'];
/** Random changes in the order of time; some change nothing, some fall together. */
const changes = fc
  .array(
    fc.record({
      wait: fc.integer({ min: 0, max: 40 }),
      line: fc.integer({ min: 0, max: 2 }),
      level: fc.constantFrom<0 | 1>(0, 1),
    }),
    { maxLength: 60 },
  )
  .map((list) =>
    list.reduce<Change[]>(
      (all, c) => [...all, { at: (all.at(-1)?.at ?? 0) + c.wait, line: c.line, level: c.level }],
      [],
    ),
  );

/** The same numbers worked out the slow way, from the whole list at once. */
function slowly(list: readonly Change[], end: number) {
  const level = [1, 1, 1];
  const falls: number[][] = [[], [], []];
  const rises: number[][] = [[], [], []];
  const low = [0, 0, 0];
  let at = 0;
  const pass = (to: number): void => {
    level.forEach((l, i) => (low[i]! += l ? 0 : to - at));
    at = to;
  };
  for (const c of list) {
    pass(c.at);
    if (level[c.line] === c.level) continue;
    level[c.line] = c.level;
    (c.level ? rises : falls)[c.line]!.push(c.at);
  }
  pass(end);
  const gaps = (x: readonly number[]): number[] =>
    x
      .slice(1)
      .map((v, i) => v - x[i]!)
      .sort((a, b) => a - b);
  return LINES.map((_, i) => {
    const g = gaps(falls[i]!);
    return {
      falls: falls[i]!.length,
      rises: rises[i]!.length,
      low: low[i]!,
      period: g.length < 2 ? null : g[g.length >> 1]!,
    };
  });
}

const vcd = (list: readonly Change[], end: number): string => {
  const times = [...new Set(list.map((c) => c.at))];
  return [
    '$timescale 1us $end',
    ...LINES.map((n, i) => `$var wire 1 ${'!"#'[i]} ${n} $end`),
    '$enddefinitions $end',
    '#0',
    ...LINES.map((_, i) => `1${'!"#'[i]}`),
    ...times.flatMap((t) => [`#${t}`, ...list.filter((c) => c.at === t).map((c) => `${c.level}${'!"#'[c.line]}`)]),
    `#${end}`,
    '',
  ].join('\n');
};
const csv = (list: readonly Change[], end: number): string => {
  const level = [1, 1, 1];
  const rows = ['time us,r0,r1,c0', '0,1,1,1'];
  for (const c of list) {
    level[c.line] = c.level;
    rows.push(`${c.at},${level.join(',')}`);
  }
  return [...rows, `${end},${level.join(',')}`, ''].join('\n');
};
async function read(name: string, text: string): Promise<CaptureTiming> {
  async function* pieces() {
    yield new TextEncoder().encode(text);
  }
  return (await readCapture(name, pieces())).timing;
}

describe('a capture read as it streams', () => {
  it.each<[string, typeof vcd]>([
    ['x.vcd', vcd],
    ['x.csv', csv],
  ])('comes to the same as one worked out from the whole list: %s', async (name, write) => {
    await fc.assert(
      fc.asyncProperty(changes, async (list) => {
        const end = (list.at(-1)?.at ?? 0) + 25;
        const timing = await read(name, write(list, end));
        slowly(list, end).forEach((s, i) => {
          const line = timing.lines[i]!;
          expect([line.falls, line.rises]).toEqual([s.falls, s.rises]);
          expect(line.lowSeconds * 1e6).toBeCloseTo(s.low, 6);
          if (s.period === null) expect(line.periodSeconds).toBeNull();
          else expect(line.periodSeconds! * 1e6).toBeCloseTo(s.period, 6);
        });
        expect(timing.seconds * 1e6).toBeCloseTo(end, 6);
        expect([...timing.together.values()].reduce((a, b) => a + b, 0) * 1e6).toBeCloseTo(end, 6);
      }),
      { numRuns: 120 },
    );
  });

  it('keeps its memory small however long it runs', () => {
    const recorder = new TimingRecorder(['a']);
    for (let i = 0; i < 200_000; i++) {
      recorder.advance(i * 1e-3);
      recorder.set(0, (i % 2) as 0 | 1);
    }
    const { excerpt, lines, events } = recorder.result();
    expect(events).toBe(200_000);
    expect(excerpt.length).toBeLessThanOrEqual(4000);
    expect(lines[0]!.periodSeconds).toBeCloseTo(2e-3, 9);
  });
});
