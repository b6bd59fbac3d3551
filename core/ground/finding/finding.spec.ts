import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  against,
  atLeast,
  atMost,
  carried,
  chosen,
  constant,
  derive,
  filledIn,
  derivedLimit,
  evaluate,
  flips,
  gravest,
  judged,
  parseFormula,
  reevaluate,
  turns,
  worst,
  write,
  type Input,
  type Expression,
} from '.';
import { SOURCES } from '../sources';
import { within } from '../quantity';

const calc = (text: string, values: Record<string, number> = {}): number => evaluate(parseFormula(text), values);

describe('formulas', () => {
  it('follows the usual order of operations', () => {
    expect(calc('1 + 2 * 3 - 4 / 2')).toBe(5);
    expect(calc('2 ^ 3 ^ 2')).toBe(512);
    expect(calc('-(2 + 3) * 2')).toBe(-10);
    expect(calc('8 - 3 - 2')).toBe(3);
    expect(calc('ceil(ln(1 - C) / ln(R))', { C: 0.95, R: 0.95 })).toBe(59);
    expect(calc('par(R1, R2)', { R1: 100, R2: 100 })).toBe(50);
  });

  // Tables of sines and of the normal distribution.
  it('takes angles in degrees, and knows the normal distribution', () => {
    expect(calc('sin(30)')).toBeCloseTo(0.5, 12);
    expect(calc('cos(60)')).toBeCloseTo(0.5, 12);
    expect(calc('sin(45)')).toBeCloseTo(0.707107, 6);
    for (const [z, p] of [
      [0, 0.5],
      [1, 0.841345],
      [1.645, 0.950015],
      [-1.96, 0.024998],
      [3, 0.99865],
    ] as const)
      expect(calc('Φ(z)', { z })).toBeCloseTo(p, 4);
  });

  it('calls no number unknown, never met', () => {
    const limit = atMost(1, 'V', 'x', { from: 'maker', what: 'x' });
    expect(against(Number.NaN, limit)).toBe('unknown');
    expect(against(0.5, { ...limit, value: Number.NaN })).toBe('unknown');
  });

  it('writes brackets only where they are needed', () => {
    const same = (text: string): string => write(parseFormula(text), (s) => s);
    expect(same('(V_OH - V_F) / R')).toBe('(V_OH − V_F) / R');
    expect(same('a - (b - c)')).toBe('a − (b − c)');
    expect(same('a * b / (c * d)')).toBe('a · b / (c · d)');
  });

  it.each(['1 +', '(a', 'a b', '2 $ 3', 'f(', ''])('refuses %j', (text) =>
    expect(() => parseFormula(text)).toThrow(SyntaxError),
  );

  // What is written is read again and must have the same value: no bracket may be missing, whatever stands in what.
  it('writes what has the value of what was meant, for any expression', () => {
    const leaf = fc.constantFrom<Expression>(
      { kind: 'symbol', name: 'a' },
      { kind: 'symbol', name: 'b' },
      { kind: 'number', value: 3, text: '3' },
    );
    const { tree } = fc.letrec<{ tree: Expression }>((tie) => ({
      tree: fc.oneof(
        { depthSize: 'small', withCrossShrink: true },
        leaf,
        fc.record({
          kind: fc.constant('binary' as const),
          op: fc.constantFrom('+', '-', '*', '/', '^'),
          left: tie('tree'),
          right: tie('tree'),
        }) as fc.Arbitrary<Expression>,
        fc.record({ kind: fc.constant('negate' as const), of: tie('tree') }),
      ),
    }));
    const plain = (text: string): string => text.replaceAll('−', '-').replaceAll('·', '*');
    fc.assert(
      fc.property(tree, (e) => {
        const values = { a: 1.7, b: 0.6 };
        const [meant, read] = [evaluate(e, values), evaluate(parseFormula(plain(write(e, (s) => s))), values)];
        if (Number.isFinite(meant) && Math.abs(meant) < 1e100)
          expect(read).toBeCloseTo(meant, 6 - Math.ceil(Math.log10(Math.abs(meant) + 1)));
      }),
      { numRuns: 3000 },
    );
  });

  it.each([
    ['(a/b)^2', '(a / b)^2'],
    ['a/(b*3)', 'a / (b · 3)'],
    ['(-a)^2', '(−a)^2'],
    ['(a^b)^3', '(a^b)^3'],
    ['a^b^3', 'a^b^3'],
    ['a/par(b,3)', 'a / (b ∥ 3)'],
    ['a-(b-3)', 'a − (b − 3)'],
  ])('writes %s as %s', (formula, written) => expect(write(parseFormula(formula), (s) => s)).toBe(written));

  it('names a symbol without a value', () => expect(() => calc('a + b', { a: 1 })).toThrow(/b has no value/));
});

const led = derive('LED current', 'I_F', '(V_OH - V_F) / R_S', 'A', [
  chosen('V_OH', 'pin high', 2.9, 'V'),
  constant('V_F', 'LED', 1.4, 'V', 'parts-opto'),
  constant('R_S', 'resistor', 680, 'Ω', 'iec-60063'),
]);

describe('steps that explain themselves', () => {
  it('computes and fills in from one text', () => {
    expect(led.result.value).toBeCloseTo(1.5 / 680, 12);
    expect(filledIn(led)).toBe('(2.9 V − 1.4 V) / 680 Ω = 2.21 mA');
  });

  it('carries a result into the next step and evaluates the chain anew', () => {
    const sink = derive('sink', 'I_sink', 'CTR * I_F', 'A', [
      constant('CTR', 'ratio', 0.5, '1', 'parts-opto'),
      carried(led),
    ]);
    expect(sink.result.value).toBeCloseTo(0.75 / 680, 12);
    expect(reevaluate([led, sink], { R_S: 340 })).toBeCloseTo(0.75 / 340, 12);
  });

  it('collects the sources of inputs and limit', () => {
    const f = judged('thumb', 'x', {
      title: 't',
      caption: 'c',
      steps: [led],
      limit: atLeast(1e-3, 'A', 'needed', { from: 'source', key: 'parts-ssr' }),
    });
    expect(f.source).toEqual(['parts-opto', 'iec-60063', 'parts-ssr']);
    expect(f).toMatchObject({ id: 'thumb.x', verdict: 'settled', value: { unit: 'A' } });
  });
});

describe('what would turn a verdict', () => {
  const volts = (value: number) =>
    ({
      symbol: 'V_OH',
      name: 'pin high, lowest',
      value,
      unit: 'V',
      origin: { from: 'estimated', at: '', what: 'test' },
      usual: value + 0.3,
    }) as const;
  const resistor = (value: number, usual = value) =>
    ({
      symbol: 'R_S',
      name: 'resistor',
      value,
      unit: 'Ω',
      origin: { from: 'maker', what: 'chosen' },
      usual,
      possible: [1, 1e6],
    }) as const;
  const amps = (r: ReturnType<typeof resistor>) =>
    derive('LED current', 'I_F', '(V_OH - V_F) / R_S', 'A', [
      volts(2.9),
      constant('V_F', 'LED', 1.4, 'V', 'parts-opto'),
      r,
    ]);
  const need = atLeast(1e-3, 'A', 'needed', { from: 'source', key: 'parts-ssr' });

  it('is looked for in measured and chosen inputs alone, and really turns it', () => {
    const f = judged('thumb', 'x', { title: 't', caption: 'c', steps: [amps(resistor(680))], limit: need });
    const found = Object.fromEntries(flips(f).map((x) => [x.input.symbol, x.to]));
    // 1.5 V over 1.5 kΩ is the milliampere; at 680 Ω it takes 1.4 V + 0.68 V. The LED's own drop is its class's, and no choice.
    expect(found['R_S']).toBeCloseTo(1500, 0);
    expect(Object.keys(found).sort()).toEqual(['R_S', 'V_OH']);
    expect(found['V_OH']).toBeCloseTo((1.4 + 0.68) * (3.2 / 2.9), 3);
    for (const x of flips(f)) expect(turns(f, x)).toBe(true);
  });
  it('tells the value that is chosen and not its corner', () => {
    const f = judged('thumb', 'x', { title: 't', caption: 'c', steps: [amps(resistor(714, 680))], limit: need });
    const flip = flips(f).find((x) => x.input.symbol === 'R_S')!;
    expect(flip.now).toBe(680);
    expect(flip.to).toBeCloseTo((1500 * 680) / 714, 0);
  });
  it('is nothing where value and limit move together, where nothing possible turns it, or where nothing would change', () => {
    const level = derive('level', 'V', 'V_OH * R_on / R_S', 'V', [
      volts(5),
      constant('R_on', 'contact', 10, 'Ω', 'parts-relay'),
      resistor(10_000),
    ]);
    const share = derive('low level', 'V_IL', 'k * V_OH', 'V', [
      constant('k', 'share', 0.3, '1', 'cmos-levels'),
      volts(5),
    ]);
    const f = judged('thumb', 'x', {
      title: 't',
      caption: 'c',
      steps: [level],
      limit: derivedLimit('at most', [share], 'low level'),
    });
    // The ratio of the two does not depend on the supply: no voltage turns it.
    expect(flips(f).map((x) => x.input.symbol)).toEqual(['R_S']);
    const tight = { ...resistor(680), possible: [600, 700] as [number, number] };
    expect(
      flips(judged('thumb', 'x', { title: 't', caption: 'c', steps: [amps(tight as never)], limit: need })).map(
        (x) => x.input.symbol,
      ),
    ).toEqual(['V_OH']);
    const exact = judged('thumb', 'x', {
      title: 't',
      caption: 'c',
      steps: [derive('v', 'V', 'V_o', 'V', [chosen('V_o', 'v', 1, 'V', 'set', [0, 100])])],
      limit: atMost(1, 'V', 'the same', { from: 'maker', what: 'x' }),
    });
    expect(flips(exact)).toEqual([]);
  });
});

describe('what a verdict rests on', () => {
  const over = (origin: Input['origin']) =>
    judged('thumb', 'x', {
      title: 't',
      caption: 'c',
      steps: [derive('v', 'V', 'V_o', 'V', [{ symbol: 'V_o', name: 'v', value: 1, unit: 'V', origin }])],
      limit: atMost(10, 'V', 'limit', { from: 'source', key: 'ohm' }),
    }).verdict;
  it('is unknown with a number that nobody read, whichever way it falls, and tight with one that nobody confirmed', () => {
    expect(over({ from: 'maker', what: 'x' })).toBe('settled');
    expect(over({ from: 'class', key: 'parts-npn', part: 'x' })).toBe('settled');
    expect(over({ from: 'prior', what: 'x' })).toBe('unknown');
    expect(over({ from: 'default', what: 'x', path: 'finger.hornMetres' })).toBe('tight');
    const stopped = judged('thumb', 'x', {
      title: 't',
      caption: 'c',
      steps: [
        derive('v', 'V', 'V_o', 'V', [
          { symbol: 'V_o', name: 'v', value: 11, unit: 'V', origin: { from: 'prior', what: 'x' } },
        ]),
      ],
      limit: atMost(10, 'V', 'limit', { from: 'source', key: 'ohm' }),
    });
    expect(stopped.verdict).toBe('unknown');
  });
  it('counts the inputs of a limit as well', () => {
    const limit = derivedLimit(
      'at most',
      [
        derive('l', 'L', 'l_0', 'V', [
          { symbol: 'l_0', name: 'l', value: 10, unit: 'V', origin: { from: 'prior', what: 'x' } },
        ]),
      ],
      'limit',
    );
    expect(
      judged('thumb', 'x', {
        title: 't',
        caption: 'c',
        steps: [derive('v', 'V', 'V_o', 'V', [chosen('V_o', 'v', 1, 'V')])],
        limit,
      }).verdict,
    ).toBe('unknown');
  });
  it('is never settled on a margin of nothing, but for counts and limits that hold their margin', () => {
    const most = atMost(10, 'V', 'limit', { from: 'source', key: 'ohm' });
    expect(against(10, most, 0)).toBe('tight');
    expect(against(10, most, 'met')).toBe('settled');
    expect(against(10.001, most, 'met')).toBe('stop');
  });
});

describe('verdicts', () => {
  it('is stop beyond the limit, tight near it, settled with margin', () => {
    const most = atMost(10, 'A', 'rating', { from: 'source', key: 'contact-derate' });
    expect([against(13, most), against(9.6, most), against(5, most)]).toEqual(['stop', 'tight', 'settled']);
    const least = atLeast(1, 'A', 'need', { from: 'source', key: 'contact-derate' });
    expect([against(0.9, least), against(1.1, least), against(1.3, least)]).toEqual(['stop', 'tight', 'settled']);
  });

  it('puts a stop above what is unknown, and that above what is tight', () => {
    expect(gravest(['settled', 'tight', 'unknown'])).toBe('unknown');
    expect(gravest(['unknown', 'stop', 'tight'])).toBe('stop');
    expect(gravest([])).toBe('unknown');
  });
});

describe('worst corners', () => {
  it('names the end at which each input stands', () => {
    const origin = { from: 'source', key: 'ohm' } as const;
    const step = worst('highest', 'level', 'V', 'V_CC * R_on / (R + R_on)', 'V', [
      { symbol: 'V_CC', name: 'supply', range: within(5, 0.01), unit: 'V', origin },
      { symbol: 'R', name: 'pull-up', range: within(10_000, 0.1), unit: 'Ω', origin },
      { symbol: 'R_on', name: 'contact', range: within(10, 0.5), unit: 'Ω', origin },
    ]);
    expect(step.inputs.map((i) => i.name)).toEqual(['supply, highest', 'pull-up, lowest', 'contact, highest']);
    expect(step.result.value).toBeCloseTo((5.05 * 15) / 9015, 9);
  });
});

describe('sources', () => {
  it('has a tag and words for every key', () => {
    for (const source of Object.values(SOURCES)) {
      expect(['P', 'C', 'M']).toContain(source.tag);
      expect(source.text.length).toBeGreaterThan(10);
    }
  });
  it('of a published one names author or body, title and number, year, clause or table', () => {
    for (const [key, { tag, text }] of Object.entries(SOURCES)) {
      if (tag !== 'P') continue;
      expect(text, key).toMatch(/^[A-Z]/);
      expect(text, `${key}: a year or an edition on paper`).toMatch(/\b(1[5-9]\d\d|20\d\d)\b|e-Handbook/);
    }
  });
});
