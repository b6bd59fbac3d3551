import { describe, expect, it } from 'vitest';
import { exactly, seededRandom, within, type Interval } from '../../ground/quantity';
import { BlockSolver, Corners, netlistOfElements, solveCircuit, usual, VALUES, type Element } from './index';

const r = (id: string, a: string, b: string, ohms: number | Interval): Element => ({
  is: 'resistor',
  id,
  a,
  b,
  ohms: typeof ohms === 'number' ? exactly(ohms) : ohms,
});
const v = (id: string, a: string, b: string, volts: number | Interval, ohms = 0): Element => ({
  is: 'source',
  id,
  a,
  b,
  volts: typeof volts === 'number' ? exactly(volts) : volts,
  ohms: exactly(ohms),
});
const d = (id: string, a: string, b: string, volts = 0.7, ohms = 1): Element => ({
  is: 'junction',
  id,
  a,
  b,
  volts: exactly(volts),
  ohms: exactly(ohms),
});

describe('a circuit', () => {
  it('divides volts, and gives currents as they flow', () => {
    const p = solveCircuit([v('V', 'a', '0', 10), r('R1', 'a', 'm', 3000), r('R2', 'm', '0', 2000)]);
    expect(p.settled).toBe(true);
    expect(p.volts('m')).toBeCloseTo(4, 7);
    expect(p.amps('R2')).toBeCloseTo(2e-3, 10);
    // Out of the plus of the source.
    expect(p.amps('V')).toBeCloseTo(2e-3, 9);
  });

  it('balances a Wheatstone bridge', () => {
    // R1/R2 = R3/R4: no current through the galvanometer, whatever its resistance (any handbook).
    const p = solveCircuit([
      v('V', 'a', '0', 10),
      r('R1', 'a', 'l', 100),
      r('R2', 'l', '0', 200),
      r('R3', 'a', 'r', 150),
      r('R4', 'r', '0', 300),
      r('G', 'l', 'r', 50),
    ]);
    expect(p.amps('G')).toBeCloseTo(0, 11);
  });

  it('lets a junction conduct over its volts alone', () => {
    const on = solveCircuit([v('V', 'a', '0', 5), r('R', 'a', 'k', 430), d('D', 'k', '0')]);
    expect(on.amps('D')).toBeCloseTo(4.3 / 431, 9);
    const off = solveCircuit([v('V', 'a', '0', 0.5), r('R', 'a', 'k', 430), d('D', 'k', '0')]);
    expect([off.amps('D'), off.volts('k')]).toEqual([0, expect.closeTo(0.5, 6)]);
  });

  it('rectifies with four junctions either way round', () => {
    const bridge = (volts: number): number =>
      solveCircuit([
        v('V', 'p', 'n', volts, 0.1),
        d('D1', 'p', '+'),
        d('D2', 'n', '+'),
        d('D3', '0', 'p'),
        d('D4', '0', 'n'),
        r('L', '+', '0', 1000),
      ]).volts('+');
    expect(bridge(12)).toBeCloseTo(bridge(-12), 6);
    expect(bridge(12)).toBeCloseTo((12 - 1.4) / (1 + 2.1 / 1000), 3);
  });

  it('has a transistor follow its base until it is closed', () => {
    const driven = (base: number): Element[] => [
      v('V', 'c+', '0', 12),
      r('Rc', 'c+', 'c', 1000),
      v('B', 'b+', '0', 3.2),
      r('Rb', 'b+', 'b', base),
      d('be', 'b', '0', 0.7, 1),
      {
        is: 'follower',
        id: 'T',
        a: 'c',
        b: '0',
        of: 'be',
        gain: exactly(100),
        leastVolts: exactly(0.1),
        ohms: exactly(0),
      },
    ];
    // 2.5 V over 100 kΩ: 25 µA, a hundred times that is 2.5 mA, and 9.5 V are left.
    expect(solveCircuit(driven(100e3)).volts('c')).toBeCloseTo(12 - 1000 * 100 * (2.5 / 100_001), 6);
    expect(solveCircuit(driven(2200)).volts('c')).toBeCloseTo(0.1, 9);
  });

  it('holds what a converter makes, and passes on what comes where that is too little', () => {
    const at = (volts: number) =>
      solveCircuit([
        v('V', 'in', '0', volts, 0.5),
        {
          is: 'converter',
          id: 'C',
          a: 'in',
          b: '0',
          out: 'out',
          volts: exactly(5),
          dropVolts: exactly(1.5),
          efficiency: exactly(0.8),
          idleAmps: exactly(0),
          startsAt: null,
        },
        r('L', 'out', '0', 10),
      ]);
    const held = at(12);
    expect(held.volts('out')).toBeCloseTo(5, 9);
    // Power in is power out over its efficiency.
    expect(held.amps('C') * held.volts('in')).toBeCloseTo(2.5 / 0.8, 4);
    expect(at(6).volts('out')).toBeCloseTo(((6 - 1.5) * 10) / 10.5, 6);
    expect(at(1).volts('out')).toBeCloseTo(0, 6);
  });

  it('gives parts that no conductor joins a reference of their own', () => {
    const p = solveCircuit([
      v('V', 'a', '0', 5),
      r('R', 'a', '0', 100),
      v('M', 'm+', 'm-', 24),
      r('X', 'm+', 'm-', 1000),
    ]);
    expect(p.between('m+', 'm-')).toBeCloseTo(24, 9);
    expect(p.between('m+', '0')).toBeNaN();
    expect(p.between('gone', '0')).toBeNaN();
  });

  it('does not settle where ideal sources contradict each other, and says so', () => {
    expect(solveCircuit([v('V1', 'a', '0', 5), v('V2', 'a', '0', 3.3), r('R', 'a', '0', 100)]).settled).toBe(false);
    expect(
      new Corners([v('V1', 'a', '0', 5), v('V2', 'a', '0', 3.3)]).extreme({ volts: ['a', '0'] }, 'high').value,
    ).toBeNaN();
  });
});

/** A ladder of resistors with a transistor at its end, all with tolerances. */
const loose = (random: ReturnType<typeof seededRandom>): Element[] => {
  const any = (least: number, most: number): Interval =>
    within(least * (most / least) ** random.next(), 0.02 + 0.1 * random.next());
  return [
    v('V', 'a', '0', any(4, 24)),
    r('R1', 'a', 'm', any(100, 10e3)),
    r('R2', 'm', '0', any(100, 10e3)),
    r('R3', 'm', 'c', any(100, 10e3)),
    v('B', 'b+', '0', any(2.5, 5)),
    r('Rb', 'b+', 'b', any(1e3, 100e3)),
    { is: 'junction', id: 'be', a: 'b', b: '0', volts: any(0.6, 0.8), ohms: exactly(1) },
    {
      is: 'follower',
      id: 'T',
      a: 'c',
      b: '0',
      of: 'be',
      gain: any(50, 200),
      leastVolts: any(0.05, 0.2),
      ohms: exactly(0.05),
    },
  ];
};

describe('the worst corner', () => {
  it('is found by the adjoint network where all corners find it', () => {
    const random = seededRandom(7);
    let worst = 0;
    for (let n = 0; n < 40; n++) {
      const elements = loose(random);
      const keys = elements.flatMap((e) =>
        VALUES[e.is].flatMap((key) => {
          const range = (e as unknown as Record<string, Interval>)[key]!;
          return range.low === range.high ? [] : [`${e.id} ${key}`];
        }),
      );
      const corners = new Corners(elements);
      for (const q of [{ volts: ['c', '0'] as const }, { amps: 'be' }, { amps: 'R1' }]) {
        const found = (['low', 'high'] as const).map((end) => corners.extreme(q, end).value);
        let [low, high] = [Infinity, -Infinity];
        for (let bits = 0; bits < 2 ** keys.length; bits++) {
          const p = solveCircuit(elements, (id, key, range) => {
            const i = keys.indexOf(`${id} ${key}`);
            return i < 0 ? range.nominal : bits & (1 << i) ? range.high : range.low;
          });
          const value = 'amps' in q ? p.amps(q.amps) : p.between(...q.volts);
          [low, high] = [Math.min(low, value), Math.max(high, value)];
        }
        const span = Math.max(1e-9, Math.abs(high), Math.abs(low));
        worst = Math.max(worst, (found[0]! - low) / span, (high - found[1]!) / span);
      }
    }
    // Where an element changes its side on the way, a corner in between may be a little worse.
    expect(worst).toBeLessThan(0.01);
  });

  it('moves by the slope that is told for a small change', () => {
    const elements = loose(seededRandom(3));
    const p = solveCircuit(elements, usual);
    for (const [key, slope] of p.slopes({ volts: ['c', '0'] })) {
      const step = (by: number): number =>
        solveCircuit(elements, (id, k, range) => range.nominal * (`${id} ${k}` === key ? 1 + by : 1)).volts('c');
      const [id, name] = key.split(' ');
      const nominal = (elements.find((e) => e.id === id) as unknown as Record<string, Interval>)[name!]!.nominal;
      expect(slope * nominal, key).toBeCloseTo((step(1e-5) - step(-1e-5)) / 2e-5, 3);
    }
  });

  it('is asked of the block that a quantity lies in; a block that is the same twice is solved once', () => {
    const solver = new BlockSolver();
    const elements = [v('V', 'a', '0', 5), r('R', 'a', '0', 100), v('W', 'b', '0', 3), r('S', 'b', '0', 50)];
    const [one, other] = [solver.blocks(elements), solver.blocks(elements)];
    expect(one.of({ amps: 'R' })).toBe(other.of({ amps: 'R' }));
    expect(one.of({ amps: 'R' })).not.toBe(one.of({ amps: 'S' }));
    expect(one.of({ volts: ['a', 'b'] })).toBeUndefined();
    expect(one.of({ amps: 'T' })).toBeUndefined();
  });

  it('is that of a block that is alike but for its names', () => {
    const under = (name: string, e: Element): Element => {
      const node = (n: string): string => (n === '0' ? '0' : `${name} ${n}`);
      const own = { ...e, id: `${name} ${e.id}`, a: node(e.a), b: node(e.b) };
      return e.is === 'follower' ? ({ ...own, of: `${name} ${e.of}` } as Element) : (own as Element);
    };
    const random = seededRandom(11);
    for (let n = 0; n < 10; n++) {
      const base = loose(random);
      const [first, second] = ['first', 'second'].map((name) => base.map((e) => under(name, e)));
      const blocks = new BlockSolver().blocks([...first!, ...second!]);
      const alone = new Corners(second!);
      blocks.of({ amps: 'first R1' });
      for (const q of [{ volts: ['second c', '0'] as const }, { amps: 'second be' }, { amps: 'second V' }]) {
        const block = blocks.of(q)!;
        expect(block).not.toBeInstanceOf(Corners);
        for (const end of ['low', 'high'] as const) {
          const [here, there] = [block.extreme(q, end), alone.extreme(q, end)];
          expect(here.value).toBe(there.value);
          expect([...here.ends].sort()).toEqual([...there.ends].sort());
          expect(here.point.volts('second m')).toBe(there.point.volts('second m'));
          expect([...here.point.sides]).toEqual([...there.point.sides]);
        }
        expect([...block.middle.slopes(q)].sort()).toEqual([...alone.middle.slopes(q)].sort());
        expect(block.middle.volts('first m')).toBeNaN();
      }
    }
  });

  it('is written as a netlist whose comments hold plain letters', () => {
    const text = netlistOfElements('Öffner\n.include x', [v('V', 'ä +', '0', 5), r('R', 'ä +', '0', 100)]);
    expect(text.split('\n').filter((l) => !/^[*.]/.test(l) && l !== '')).toEqual([
      'V1 p1 0 DC 5.00000000',
      'R1 p1 n1 0.00000100000000',
      'R2 n1 0 100.000000',
      'Rfar1 n1 0 1e12',
    ]);
    expect(text).not.toMatch(/^\.include/m);
  });
});
