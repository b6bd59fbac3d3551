import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  awgAreaSquareMetres,
  countedShare,
  between,
  corners,
  exactly,
  formatQuantity,
  inefficiency,
  quantityText,
  meanOf,
  nearest,
  nextAbove,
  nextBelow,
  parseQuantity,
  seededRandom,
  within,
  type Unit,
} from '.';

const value = (text: string, unit?: Unit): number => {
  const p = parseQuantity(text, unit);
  if (!p.ok) throw new Error(`${text}: ${p.message} at ${p.at}`);
  return p.quantity.value;
};

describe('what people type at a bench', () => {
  it.each<[string, Unit | undefined, number, Unit]>([
    ['4.98', 'V', 4.98, 'V'],
    ['4.98V', undefined, 4.98, 'V'],
    ['4,98 V', undefined, 4.98, 'V'],
    ['12m', 'A', 0.012, 'A'],
    ['3V3', undefined, 3.3, 'V'],
    ['4k7', undefined, 4700, 'Ω'],
    ['470R', undefined, 470, 'Ω'],
    ['2u2', undefined, 2.2e-6, 'F'],
    ['0.5"', undefined, 0.0127, 'm'],
    ['1/2 in', undefined, 0.0127, 'm'],
    ['1 1/4 in', undefined, 0.03175, 'm'],
    ['0.75mm2', undefined, 0.75e-6, 'm²'],
    ['1h20', undefined, 4800, 's'],
    ['35 s', undefined, 35, 's'],
    ['2 min 5 s', undefined, 125, 's'],
    ['-20%', undefined, -20, '%'],
    ['3 mV', undefined, 0.003, 'V'],
    ['0.4 ohm', undefined, 0.4, 'Ω'],
    ['40M', 'Ω', 40e6, 'Ω'],
    ['0.5 mA', undefined, 0.0005, 'A'],
    ['180 ms', undefined, 0.18, 's'],
    ['25 min', undefined, 1500, 's'],
    ['12 m', undefined, 12, 'm'],
    ['1e3 ohm', undefined, 1000, 'Ω'],
  ])('reads %s', (text, expected, wanted, unit) => {
    const p = parseQuantity(text, expected);
    expect(p).toMatchObject({ ok: true, quantity: { unit } });
    expect(value(text, expected)).toBeCloseTo(wanted, 12);
  });

  it('keeps an over-range display as an inequality', () => {
    expect(parseQuantity('>20M', 'Ω')).toMatchObject({ ok: true, quantity: { value: 20e6, relation: '>' } });
    expect(parseQuantity('OL', 'Ω', 2e6)).toMatchObject({ ok: true, quantity: { relation: '>', value: 2e6 } });
    // Over range of a scale that nobody named proves nothing.
    expect(parseQuantity('OL', 'Ω')).toMatchObject({
      ok: false,
      message: expect.stringContaining('say the number at which this meter ends'),
    });
    expect(parseQuantity('OL')).toMatchObject({ ok: false });
  });

  it('knows the last digit shown and whether volts are AC', () => {
    expect(parseQuantity('4.98 V')).toMatchObject({ ok: true, quantity: { digit: 0.01 } });
    expect(parseQuantity('0.50 mA')).toMatchObject({ ok: true, quantity: { digit: 1e-5 } });
    expect(parseQuantity('0.3 VAC')).toMatchObject({ ok: true, quantity: { kind: 'ac', unit: 'V' } });
  });

  it.each([
    ['4.9x8', 3],
    ['V', 0],
    ['', 0],
    ['12 V', 3],
    ['5 parsecs', 2],
    ['1/0 in', 2],
    ['3 V V', 2],
  ])('refuses %j at position %i', (text, at) => {
    expect(parseQuantity(text, 'A')).toMatchObject({ ok: false, at });
  });

  // ASTM B258, table of nominal diameters: 18 AWG 1.024 mm (0.823 mm²), 10 AWG 2.588 mm (5.261 mm²); values from memory.
  it('turns gauges into areas', () => {
    expect(awgAreaSquareMetres(18) * 1e6).toBeCloseTo(0.823, 2);
    expect(awgAreaSquareMetres(10) * 1e6).toBeCloseTo(5.261, 2);
    expect(value('18AWG')).toBeCloseTo(0.823e-6, 8);
  });

  it('reads back what it writes, to three figures', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-9, max: 1e8, noNaN: true }),
        fc.constantFrom<Unit>('V', 'A', 'Ω', 'W', 'F'),
        (x, unit) => {
          expect(Math.abs(value(formatQuantity(x, unit)) / x - 1)).toBeLessThan(0.0051);
        },
      ),
    );
  });

  const UNITS: readonly Unit[] = [
    'V',
    'A',
    'Ω',
    'W',
    's',
    'Hz',
    'F',
    'H',
    'm',
    'm²',
    'N',
    'N·m',
    '°C',
    'K',
    '%',
    '1',
    '°',
    'rpm',
    'kg',
    'Pa',
    'J',
    'lux',
    'l',
    'l/min',
  ];
  it('writes into a box what reads back to the very same number, for every unit', () => {
    const any = fc.oneof(
      fc.double({ min: -1e15, max: 1e15, noNaN: true, noDefaultInfinity: true }),
      fc.double({ min: 1e-13, max: 1e-3, noNaN: true }),
      fc.integer({ min: 0, max: 1_000_000 }),
      fc.integer({ min: 1, max: 99_999 }).map((n) => n / 1000),
    );
    fc.assert(
      fc.property(any, fc.constantFrom(...UNITS), (x, unit) => {
        expect(value(quantityText(x, unit), unit), `${quantityText(x, unit)} of ${x}`).toBe(x === 0 ? 0 : x);
      }),
      { numRuns: 5000 },
    );
  });

  it.each<[number, Unit, string]>([
    [183.7, 'Ω', '183.7 Ω'],
    [0.12, 'N·m', '120 mN·m'],
    [3725, 's', '1 h 2 min 5 s'],
    [4800, 's', '1 h 20 min'],
    [4.98, 'V', '4.98 V'],
    [0.75e-6, 'm²', '0.75 mm²'],
    [0, 'A', '0 A'],
  ])('%s %s stands in a box as %s', (x, unit, text) => expect(quantityText(x, unit)).toBe(text));

  it.each<[string, number]>([
    ['1h20', 4800],
    ['1 h 2 min 5 s', 3725],
    ['2 min 5', 125],
    ['2 d 3 h', 183600],
    ['1 h 5 s', 3605],
    ['90 s', 90],
  ])('reads the time %s', (text, seconds) => expect(value(text, 's')).toBe(seconds));

  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 30 }), (text) => {
        const p = parseQuantity(text, 'V');
        if (!p.ok) expect(p.at).toBeLessThanOrEqual(text.length);
      }),
    );
  });
});

describe('engineering notation', () => {
  it.each<[number, Unit, string]>([
    [4.98, 'V', '4.98 V'],
    [0.19, 'V', '0.19 V'],
    [0.0123, 'V', '12.3 mV'],
    [470, 'Ω', '470 Ω'],
    [999.6, 'Ω', '1 kΩ'],
    [0.0005, 'A', '0.5 mA'],
    [20e6, 'Ω', '20 MΩ'],
    [0.18, 's', '180 ms'],
    [125, 's', '2 min 5 s'],
    [4800, 's', '1 h 20 min'],
    [0, 'A', '0 A'],
    [71.25, '%', '71.3 %'],
    [0.75e-6, 'm²', '0.75 mm²'],
    [Infinity, 'V', 'no limit'],
    [NaN, 'V', 'unknown'],
  ])('writes %d %s as %s', (x, unit, text) => expect(formatQuantity(x, unit)).toBe(text));
});

describe('preferred values', () => {
  it('finds neighbours across a decade', () => {
    expect(nextBelow(700)).toBe(680);
    expect(nextAbove(700)).toBe(820);
    expect(nearest(700)).toBe(680);
    expect(nextAbove(9.5, 'E24')).toBe(10);
    expect(nextBelow(1000)).toBe(1000);
    expect(nearest(6.2e-6, 'E6')).toBe(6.8e-6);
  });

  it('encloses any positive number, and refuses others', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-6, max: 1e9, noNaN: true }), (x) => {
        expect(nextBelow(x, 'E96')).toBeLessThanOrEqual(x * (1 + 1e-8));
        expect(nextAbove(x, 'E96')).toBeGreaterThanOrEqual(x * (1 - 1e-8));
      }),
    );
    expect(() => nextBelow(0)).toThrow(RangeError);
    expect(() => nearest(Number.NaN)).toThrow(RangeError);
  });
});

describe('tolerance corners', () => {
  it('finds the corner that makes a divider highest', () => {
    const range = corners(
      { v: within(5, 0.02), r: within(10_000, 0.05), c: exactly(100) },
      ({ v, r, c }) => (v * c) / (r + c),
    );
    expect(range.high).toBeCloseTo((5.1 * 100) / 9600, 9);
    expect(range.atHigh).toEqual({ v: 5.1, r: 9500, c: 100 });
    expect(range.low).toBeLessThan(range.nominal);
  });

  it('refuses a nominal outside its bounds and too many inputs', () => {
    expect(() => between(1, 5, 3)).toThrow(RangeError);
    const many = Object.fromEntries(Array.from({ length: 13 }, (_, i) => [`x${i}`, within(1, 0.1)]));
    expect(() => corners(many, () => 0)).toThrow(RangeError);
  });
});

describe('seeded chance', () => {
  it('repeats itself, is uniform and normal enough', () => {
    const [a, b] = [seededRandom(7), seededRandom(7)];
    expect([a.next(), a.next()]).toEqual([b.next(), b.next()]);
    const r = seededRandom(1);
    const xs = Array.from({ length: 20_000 }, () => r.normal());
    const mean = xs.reduce((s, x) => s + x, 0) / xs.length;
    const sd = Math.sqrt(xs.reduce((s, x) => s + (x - mean) ** 2, 0) / xs.length);
    expect(Math.abs(mean)).toBeLessThan(0.03);
    expect(Math.abs(sd - 1)).toBeLessThan(0.03);
  });
});

describe('a share that was counted', () => {
  // Newcombe, Two-sided confidence intervals for the single proportion, Statistics in Medicine 17 (1998) 857, table I, method 3.
  it.each([
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718],
  ])('%i of %i lies between %f and %f', (hits, tries, low, high) => {
    const share = countedShare(hits, tries);
    expect(share.low).toBeCloseTo(low, 4);
    expect(share.high).toBeCloseTo(high, 4);
    expect(share.nominal).toBe(hits / tries);
  });

  // NIST/SEMATECH e-Handbook, 1.3.5.2, its worked example of ZARR13.DAT: 195 values, mean 9.261460, standard deviation 0.022789, and
  // 9.258242 to 9.264679 by Student’s t; the normal points are closer by a little at so many values.
  it('gives the mean of many values with its interval', () => {
    const deviation = 0.022789;
    const values = Array.from({ length: 195 }, (_, i) => 9.26146 + (i === 194 ? 0 : i % 2 ? deviation : -deviation));
    const mean = meanOf(values);
    expect(mean.nominal).toBeCloseTo(9.26146, 6);
    expect(mean.low).toBeCloseTo(9.258242, 4);
    expect(mean.high).toBeCloseTo(9.264679, 4);
    expect(meanOf([0, 0, 0.1])).toMatchObject({ low: 0 });
  });

  // Of a first-order autoregressive series with φ, (1+φ)/(1−φ) values count for one: the sum of its correlations φ^k. The second length
  // is taken in blocks.
  it.each([
    [0, 2000],
    [0.5, 2000],
    [0.9, 40_000],
  ])('sees how many values count for one where each hangs on the last by %f, of %i', (phi, count) => {
    const random = seededRandom(11);
    let x = 0;
    const series = Array.from({ length: count }, () => (x = phi * x + random.normal()));
    const truth = (1 + phi) / (1 - phi);
    expect(inefficiency(series) / truth).toBeGreaterThan(0.8);
    expect(inefficiency(series) / truth).toBeLessThan(1.25);
  });

  it('counts each where all are the same, and where there is none', () => {
    expect([inefficiency([]), inefficiency([3]), inefficiency([2, 2, 2, 2])]).toEqual([1, 1, 1]);
  });
});
