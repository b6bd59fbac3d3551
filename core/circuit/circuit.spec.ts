import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ampsBetween, circuitOf, drawJoint, meterError, netlistOf, NOMINAL_PARTS, offScale, ohmsBetween, onScale, predict, readingBounds, saturationVolts, settledLevels, solveNodes, voltsBetween, type Build, type Joint } from '.';
import { WAYS } from '../job';

const joint = (set: Partial<Joint> = {}): Joint => ({ ...NOMINAL_PARTS, way: 'solid-state-relay', polarity: 'low', supplyVolts: 5, pullOhms: 10_000, onOhms: 16, ...set });

describe('nodal analysis', () => {
  it('solves a loaded divider', () => {
    const divider = [{ a: 'v', b: '0', ohms: 0.001, volts: 10 }, { a: 'v', b: 'm', ohms: 1000 }, { a: 'm', b: '0', ohms: 1000 }];
    expect(solveNodes(divider, '0')['m']).toBeCloseTo(5, 4);
    expect(voltsBetween(divider, 'm', '0', 500)).toBeCloseTo(2.5, 4);
    expect(ohmsBetween(divider, 'm', '0')).toBeCloseTo(500, 0);
    expect(ampsBetween(divider, 'm', '0', 1e-3)).toBeCloseTo(0.01, 5);
  });

 
  it('solves an unbalanced bridge', () => {
    const bridge = [
      { a: 'v', b: '0', ohms: 1e-6, volts: 10 }, { a: 'v', b: 'l', ohms: 1000 }, { a: 'l', b: '0', ohms: 2000 }, { a: 'v', b: 'r', ohms: 2000 }, { a: 'r', b: '0', ohms: 1000 }, { a: 'l', b: 'r', ohms: 1000 },
    ];
    // Kirchhoff at l: (10 − l)/1 = l/2 + (l − r)/1 and by symmetry r = 10 − l, so 10 − l = l/2 + 2l − 10, l = 20/3.5.
    expect(solveNodes(bridge, '0')['l']).toBeCloseTo(20 / 3.5, 4);
  });

  it('lets floating parts rest at the reference', () => {
    expect(solveNodes([{ a: 'x', b: 'y', ohms: 10 }], '0')['x']).toBeCloseTo(0, 6);
  });

  it('gives the same resistance both ways round', () => {
    fc.assert(fc.property(fc.array(fc.integer({ min: 1, max: 1e6 }), { minLength: 4, maxLength: 4 }), ([a, b, c, d]) => {
      const net = [{ a: 'p', b: 'q', ohms: a! }, { a: 'q', b: 'r', ohms: b! }, { a: 'r', b: 'p', ohms: c! }, { a: 'q', b: 's', ohms: d! }];
      expect(ohmsBetween(net, 'p', 's') / ohmsBetween(net, 's', 'p')).toBeCloseTo(1, 6);
    }));
  });
});

describe('what a meter shows on each kind', () => {
  const base: Build = { kind: 'low-when-pressed', signal: 'A', supplyVolts: 5, alternating: false, seriesOhms: 10_000, contactOhms: 0.5, mainsOhms: 100e6, groundOhms: 0.05 };
  const A = { kind: 'contact', name: 'A' } as const;
  const B = { kind: 'contact', name: 'B' } as const;
  const G = { kind: 'ground', name: '' } as const;

  it('loads a pull-up by its own ten megohms', () => {
    // Idle A = Vcc·Rm/(Rm + R).
    expect(predict({ ...base, seriesOhms: 1e6 }, { from: A, to: G, state: 'idle', kind: 'volts-dc' })).toBeCloseTo((5 * 10) / 11, 2);
    expect(predict(base, { from: B, to: G, state: 'idle', kind: 'volts-dc' })).toBeCloseTo(0, 5);
    expect(predict(base, { from: A, to: G, state: 'pressed', kind: 'volts-dc' })).toBeCloseTo((5 * 0.55) / 10_000, 5);
    expect(predict(base, { from: A, to: B, state: 'idle', kind: 'amps' })).toBeCloseTo(0.0005, 6);
    expect(predict(base, { from: A, to: B, state: 'pressed', kind: 'ohms' })).toBeCloseTo(0.5, 3);
  });

  it('sees the supply on the far side of a high-when-pressed button', () => {
    const high = { ...base, kind: 'high-when-pressed' } as const;
    expect(predict(high, { from: A, to: G, state: 'idle', kind: 'volts-dc' })).toBeCloseTo(0, 3);
    expect(predict(high, { from: B, to: G, state: 'idle', kind: 'volts-dc' })).toBeCloseTo(5, 3);
    expect(predict(high, { from: A, to: G, state: 'pressed', kind: 'volts-dc' })).toBeCloseTo(5, 2);
  });

  it('finds mains on a switched load, and a short path to neutral through the load', () => {
    const load: Build = { ...base, kind: 'switched-load', supplyVolts: 230, alternating: true, seriesOhms: 60 };
    expect(predict(load, { from: A, to: B, state: 'idle', kind: 'volts-ac' })).toBeCloseTo(230, 0);
    expect(predict(load, { from: A, to: { kind: 'neutral', name: '' }, state: 'off', kind: 'ohms' })).toBeCloseTo(60, 1);
    expect(circuitOf(load, 'off', 'ohms').every((b) => !b.volts)).toBe(true);
  });

  it('judges ohms on a logarithmic scale and back', () => {
    expect(offScale('ohms', onScale('ohms', 4700))).toBeCloseTo(4700, 6);
    expect(offScale('volts-dc', onScale('volts-dc', -3))).toBe(-3);
    expect(readingBounds({ kind: 'volts-dc', value: 5, digit: 0.01 })).toEqual([4.955, 5.045]);
    expect(meterError({ kind: 'volts-dc', value: 5, digit: 0.01 })).toBeCloseTo(0.0225, 6);
  });
});

describe('joints', () => {
  // Ebers and Moll at the edges: no collector current leaves V_T·ln(1 + 1/βR); at the forward gain saturation is over.
  it('saturates as Ebers and Moll have it', () => {
    expect(saturationVolts(0, 200, 4)).toBeCloseTo(0.025852 * Math.log(1.25), 6);
    expect(saturationVolts(200, 200, 4)).toBe(Infinity);
    expect(saturationVolts(10, 200, 4)).toBeGreaterThan(saturationVolts(1, 200, 4));
  });

  it('reaches the levels of a plain divider with a contact', () => {
    const l = settledLevels(joint());
    expect(l.pressed).toBeCloseTo((5 * 16) / 10_016, 4);
    expect(l.idle).toBeCloseTo(5, 3);
    const high = settledLevels(joint({ polarity: 'high' }));
    expect(high.pressed).toBeCloseTo(5 - (5 * 16) / 10_016, 3);
    expect(high.idle).toBeCloseTo(0, 3);
  });

  it('says so where a starved transistor never pulls the line down', () => {
    expect(settledLevels(joint({ way: 'optocoupler', transferRatio: 0.01, seriesOhms: 10_000, pullOhms: 1000 })).pressed).toBeCloseTo(5, 1);
  });

  it.each(WAYS)('writes a netlist and a drawing for %s', (way) => {
    const text = netlistOf(joint({ way }), true);
    expect(text.startsWith('* ')).toBe(true);
    expect(text.trimEnd().endsWith('.end')).toBe(true);
    expect(text).not.toMatch(/NaN|undefined|\.control|\.include/);
    const wires = [1, 2, 3, 4, 5].map((number) => ({ number, colour: 'red' }));
    const marks = drawJoint({ way, pin: 'pin 5', appliance: 'pot', upper: 'a', lower: 'b', upperNote: '', lowerNote: '', resistor: '1 kΩ', part: 'p', partNote: '', wires, apart: '7 mm', forbidden: false });
    const tags = marks.flatMap((m) => (m.kind === 'tag' ? [m.number] : [])).sort();
    expect(tags).toEqual(way === 'relay-contact' ? [1, 2, 3, 4, 5] : way === 'npn-to-ground' ? [1, 2, 3] : [1, 2, 3, 4]);
  });
});
