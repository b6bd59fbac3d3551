import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  TraceReader,
  aboveOf,
  bandOf,
  carries,
  cutsOf,
  endingOf,
  energyOf,
  finishOf,
  histogramOf,
  holdCurve,
  leaveOneOut,
  traceStates,
  reserveOf,
  runsOf,
  toleranceFactor,
  TraceProblem,
  type Recording,
} from '.';
import { readText as read, rowsOf as rows, stepsOf as steps } from '../../testing/traces';

describe('a file of samples', () => {
  it.each<[string, string, Partial<Recording>, number[], number[]]>([
    ['elapsed seconds', 'time,power (W)\n0,1.5\n2,3\n', { unit: 'W', startsAtMs: null }, [0, 2], [1.5, 3]],
    ['kilowatts become watts', 'time;P (kW)\n0;1,5\n1;0,25\n', { unit: 'W', digit: 10 }, [0, 1], [1500, 250]],
    [
      'epoch milliseconds',
      'ts,power_w\n1767225600000,1\n1767225600500,2\n',
      { startsAtMs: 1767225600000 },
      [0, 0.5],
      [1, 2],
    ],
    [
      'a date and a zone',
      'when,W\n2026-03-02T14:00:00+01:00,1\n2026-03-02T13:00:30Z,2\n',
      { startsAtMs: Date.UTC(2026, 2, 2, 13) },
      [0, 30],
      [1, 2],
    ],
    [
      'date and clock apart',
      'date\ttime\tpower\n02.03.2026\t23:59:59\t5\n03.03.2026\t00:00:01\t6\n',
      { dayOrMonth: false },
      [0, 2],
      [5, 6],
    ],
    ['a clock over midnight', '23:59:58 1\n00:00:03 2\n', { startsAtMs: null }, [0, 5], [1, 2]],
    [
      'a number without a unit',
      'time,reading\n0,5\n1,6\n',
      { unit: 'W', unitGuessed: true, columns: { time: 'time', value: 'reading', others: [] } },
      [0, 1],
      [5, 6],
    ],
    ['units behind numbers', 'time,power\n0,500 W\n1,1.2 kW\n', { unit: 'W' }, [0, 1], [500, 1200]],
    ['degrees of Fahrenheit', 'time,temp (F)\n0,32\n60,212\n', { unit: '°C', kind: 'temperature' }, [0, 60], [0, 100]],
    [
      'a quoted table with a third column',
      '"state","time","power (W)"\n"on","0","7"\n"on","1","8"\n',
      {},
      [0, 1],
      [7, 8],
    ],
    ['exponents and signs', 'time,power (W)\n0,1e3\n1,-2.5E-1\n', {}, [0, 1], [1000, -0.25]],
  ])('is understood by its content: %s', (_, text, set, seconds, values) => {
    for (const piece of [1, 7, 1 << 20]) {
      const t = read(text, piece);
      expect(t).toMatchObject(set);
      expect([...t.seconds]).toEqual(seconds);
      t.values.forEach((v, i) => expect(v).toBeCloseTo(values[i]!, 9));
    }
  });

  it('is read to the last digit, as the language itself reads it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -1e9, max: 1e9, noNaN: true }), { minLength: 2, maxLength: 40 }),
        (list) => {
          const t = read(`time,power (W)\n${list.map((v, i) => `${i},${String(v)}`).join('\n')}\n`);
          expect([...t.values]).toEqual(list.map((v) => (Object.is(v, -0) ? 0 : v)));
        },
      ),
    );
  });

  it('marks what is odd with line and reason, takes the rest, and loses nothing silently', () => {
    const t = read('time,power (W)\n0,1\n1,many\n3,3\n2,2\n3,4\nno,5\n4,1 kW\n');
    expect(t.marks.map((m) => [m.line, m.reason])).toEqual([
      [3, 'no-number'],
      [5, 'backwards'],
      [7, 'no-time'],
      [8, 'other-unit'],
    ]);
    expect([...t.values]).toEqual([1, 3, 4, 1000]);
    expect(t).toMatchObject({
      rows: 7,
      repeats: 1,
      odd: { 'no-number': 1, backwards: 1, 'no-time': 1, 'other-unit': 1 },
    });
  });

  it('goes on over an hour that a clock without a zone repeats, and tells days that are missing', () => {
    const hour = (clock: string): string => `2026-10-25 ${clock},5\n`;
    const t = read(`when,W\n${hour('01:58:00')}${hour('01:59:00')}${hour('01:00:00')}${hour('01:01:00')}`);
    expect([...t.seconds]).toEqual([0, 60, 120, 180]);
    expect(t.odd['clock-set-back']).toBe(1);
    const gap = read(rows([0, 1, 2, 3, 90_000, 90_001].map((s) => [s, 1])));
    expect(gap.gaps).toEqual([{ fromSeconds: 3, toSeconds: 90_000 }]);
    expect(read('when,W\n03/04/2026 10:00,1\n03/04/2026 10:01,2\n').dayOrMonth).toBe(true);
    expect(read('when,W\n03/14/2026 10:00,1\n03/14/2026 10:01,2\n')).toMatchObject({
      dayOrMonth: false,
      startsAtMs: Date.UTC(2026, 2, 14, 10),
    });
  });

  it.each([
    ['', /empty/],
    ['time,power\n', /No row/],
    ['time,power (W)\n0,5\n', /1 could be read/],
    ['a letter to the reader\nwith two lines\n', /No row/],
    ['\u0000\u0001\u0002', /no text file/],
    ['2026-03-02T14:00:00Z\n2026-03-02T14:00:01Z\n', /No row/],
  ])('is refused where it is no recording: %j', (text, why) => {
    expect(() => read(text)).toThrow(TraceProblem);
    expect(() => read(text)).toThrow(why);
  });

  it('ends where a line never does', () => {
    const reader = new TraceReader('t');
    expect(() => reader.push(new Uint8Array(300_000).fill(65))).toThrow(/never ends/);
  });
});

describe('levels', () => {
  // Worked by hand: bins 0 to 5 with 8, 7, 2, 6, 9, 4 counts, the six-level image of many lectures on this method; its cut is after bin 2.
  it('are cut where least is left within', () => {
    expect(cutsOf(Float64Array.of(8, 7, 2, 6, 9, 4), 2).cuts).toEqual([3]);
  });

  it('are the best of all cuts, tried one by one', () => {
    const left = (w: readonly number[], a: number, b: number): number => {
      const n = w.slice(a, b).reduce((s, x) => s + x, 0);
      if (n === 0) return 0;
      const mean = w.slice(a, b).reduce((s, x, i) => s + x * (a + i), 0) / n;
      return w.slice(a, b).reduce((s, x, i) => s + x * (a + i - mean) ** 2, 0);
    };
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 20 }), { minLength: 6, maxLength: 14 }), (w) => {
        let best = Number.POSITIVE_INFINITY;
        for (let i = 1; i < w.length; i++)
          for (let k = i + 1; k < w.length; k++)
            best = Math.min(best, left(w, 0, i) + left(w, i, k) + left(w, k, w.length));
        expect(cutsOf(Float64Array.from(w), 3).left).toBeCloseTo(best, 6);
      }),
    );
  });

  it('are as many as a machine has: standby, a motor, a heater; and one where nothing happens', () => {
    const found = traceStates(histogramOf(steps([600, 0.6], [300, 180], [300, 2100], [300, 180], [600, 0.6])));
    expect(found.levels.map((l) => l.at)).toEqual([
      expect.closeTo(0.7, 0),
      expect.closeTo(180, -1),
      expect.closeTo(2100, -2),
    ]);
    expect(traceStates(histogramOf(steps([900, 40]))).levels).toHaveLength(1);
    const still = read('time,power (W)\n5,1\n5,1\n5,900\n');
    expect(traceStates(histogramOf(still), 2).levels.map((l) => l.share)).toEqual([
      expect.closeTo(2 / 3),
      expect.closeTo(1 / 3),
    ]);
    expect(traceStates(histogramOf(steps([900, 40])), 2).levels).toHaveLength(2);
  });
});

describe('runs and their end', () => {
  // Runs of 40 and 30 s with rests of 6 and 4 s within, an hour between.
  const washer = steps([60, 1], [40, 200], [6, 1], [40, 200], [3600, 1], [30, 200], [4, 1], [30, 200], [900, 1]);
  const above = aboveOf(washer, bandOf(20, 1, 200, 0.1));

  it('are told by a band that noise does not cross', () => {
    expect(above.map((s) => s.toSeconds - s.fromSeconds)).toEqual([40, 40, 30, 30]);
    const noisy = read(
      rows(Array.from({ length: 400 }, (_, i): [number, number] => [i, i < 100 || i >= 300 ? 1 : 20 + (i % 2)])),
    );
    expect(aboveOf(noisy, { under: 20.5, over: 20.5 }).length).toBeGreaterThan(50);
    expect(aboveOf(noisy, bandOf(12, 1, 20, 0.7))).toHaveLength(1);
  });

  it('are parted where rests leap in length, or by their count', () => {
    const found = finishOf(above, 4710);
    expect(found).toMatchObject({ shortestSeconds: 6, holdSeconds: 9, by: 'leap' });
    expect(found.runs.map((r) => r.dips.length)).toEqual([1, 1]);
    expect(finishOf(above, 4710, 1)).toMatchObject({ shortestSeconds: 3600, by: 'count' });
    expect(finishOf(above.slice(0, 1), 4710)).toMatchObject({ shortestSeconds: 0, by: 'one' });
  });

  it('come false, late and missed by every hold as counted one by one', () => {
    const span = fc.double({ min: 0.5, max: 3000, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(fc.record({ dips: fc.array(span, { maxLength: 6 }), tail: span }), { minLength: 1, maxLength: 5 }),
        fc.double({ min: 0, max: 4000, noNaN: true }),
        (list, hold) => {
          const endings = list.map((e, i) => ({ name: String(i), dips: e.dips, tailSeconds: e.tail }));
          const point = holdCurve(endings)
            .filter((p) => p.holdSeconds <= hold)
            .at(-1)!;
          expect(point.early).toBe(endings.flatMap((e) => e.dips).filter((d) => d > hold).length);
          expect(point.missed).toBe(endings.filter((e) => e.tailSeconds <= hold).length);
        },
      ),
    );
  });

  it('are judged by the others, one left out', () => {
    const [a, b, c] = [20, 24, 60].map((d, i) => ({ name: String(i), dips: [d, 5], tailSeconds: 600 }));
    expect(leaveOneOut([a!, b!, c!])).toMatchObject([
      { holdSeconds: 90, early: 0, missed: false },
      { holdSeconds: 90, early: 0 },
      { holdSeconds: 36, early: 1 },
    ]);
    expect(leaveOneOut([a!])).toEqual([]);
    expect(carries(4)).toBe(0.8);
    expect(endingOf('x', above, 4710).dips).toEqual([6, 3600, 4]);
    expect(runsOf(above, 100)).toHaveLength(2);
  });
});

describe('energy', () => {
  // By hand: 100 W for 10 s, a ramp to 200 W in 10 s, an hour that nobody recorded.
  it('is what lies under the line, and nothing in a gap', () => {
    const t = read(
      rows([...Array.from({ length: 11 }, (_, i): [number, number] => [i, 100]), [20, 200], [3620, 200], [3621, 200]]),
    );
    expect(energyOf(t, { fromSeconds: 0, toSeconds: 20 })).toEqual({ joules: 1000 + 1500, gapSeconds: 0 });
    expect(energyOf(t, { fromSeconds: 15, toSeconds: 3621 })).toEqual({ joules: 875 + 200, gapSeconds: 3600 });
  });
});

describe('what few times carry', () => {
  // NIST/SEMATECH e-Handbook 7.2.6.3 and ISO 16269-6, one-sided factors: 95 % with 95 %, 90 % with 90 %. From memory.
  it.each([
    [3, 0.95, 7.656],
    [5, 0.95, 4.203],
    [10, 0.95, 2.911],
    [20, 0.95, 2.396],
    [30, 0.95, 2.22],
    [2, 0.9, 10.253],
    [10, 0.9, 2.066],
    [50, 0.9, 1.559],
  ])('is the published tolerance factor: n = %i at %f', (n, share, k) => {
    expect(toleranceFactor(n, share, share)).toBeCloseTo(k, 2);
  });

  it('is refused where there are too few, or one is none', () => {
    expect(() => reserveOf([21.4, 21.6])).toThrow(/take 3 at least/);
    expect(() => reserveOf([21.4, -1, 21.6])).toThrow(/time 2 is -1/);
    expect(() => toleranceFactor(1)).toThrow(RangeError);
    expect(reserveOf([21.4, 21.6, 21.2, 21.5, 21.3])).toMatchObject({
      n: 5,
      mean: expect.closeTo(21.4, 9),
      allow: expect.closeTo(21.4 + 4.203 * 0.1581, 2),
      mostCarries: 5 / 6,
    });
  });
});
