import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  ampsBetween,
  buildOf,
  circuitOf,
  drawBuild,
  DRAW_DIMENSIONS,
  FIRST_SHARES,
  lookShare,
  meterError,
  netlistOf,
  NOMINAL_PARTS,
  offScale,
  ohmsBetween,
  onScale,
  predict,
  readingBounds,
  saturationVolts,
  settledLevels,
  solveNodes,
  voltsBetween,
  type Build,
  type Joint,
} from '.';
import { CONTROL_KINDS, HAND_METER, LOOKS, JOINT_WAYS } from '../../ground/job';

const joint = (set: Partial<Joint> = {}): Joint => ({
  ...NOMINAL_PARTS,
  way: 'solid-state-relay',
  polarity: 'low',
  supplyVolts: 5,
  pullOhms: 10_000,
  onOhms: 16,
  ...set,
});

describe('nodal analysis', () => {
  it('solves a loaded divider', () => {
    const divider = [
      { a: 'v', b: '0', ohms: 0.001, volts: 10 },
      { a: 'v', b: 'm', ohms: 1000 },
      { a: 'm', b: '0', ohms: 1000 },
    ];
    expect(solveNodes(divider, '0')['m']).toBeCloseTo(5, 4);
    expect(voltsBetween(divider, 'm', '0', 500)).toBeCloseTo(2.5, 4);
    expect(ohmsBetween(divider, 'm', '0')).toBeCloseTo(500, 0);
    expect(ampsBetween(divider, 'm', '0', 1e-3)).toBeCloseTo(0.01, 5);
  });

  it('solves an unbalanced bridge', () => {
    const bridge = [
      { a: 'v', b: '0', ohms: 1e-6, volts: 10 },
      { a: 'v', b: 'l', ohms: 1000 },
      { a: 'l', b: '0', ohms: 2000 },
      { a: 'v', b: 'r', ohms: 2000 },
      { a: 'r', b: '0', ohms: 1000 },
      { a: 'l', b: 'r', ohms: 1000 },
    ];
    // Kirchhoff at l: (10 − l)/1 = l/2 + (l − r)/1 and by symmetry r = 10 − l, so 10 − l = l/2 + 2l − 10, l = 20/3.5.
    expect(solveNodes(bridge, '0')['l']).toBeCloseTo(20 / 3.5, 4);
  });

  it('lets floating parts rest at the reference', () => {
    expect(solveNodes([{ a: 'x', b: 'y', ohms: 10 }], '0')['x']).toBeCloseTo(0, 6);
  });

  it('gives the same resistance both ways round', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 1e6 }), { minLength: 4, maxLength: 4 }), ([a, b, c, d]) => {
        const net = [
          { a: 'p', b: 'q', ohms: a! },
          { a: 'q', b: 'r', ohms: b! },
          { a: 'r', b: 'p', ohms: c! },
          { a: 'q', b: 's', ohms: d! },
        ];
        expect(ohmsBetween(net, 'p', 's') / ohmsBetween(net, 's', 'p')).toBeCloseTo(1, 6);
      }),
    );
  });
});

describe('what a meter shows on each kind', () => {
  const base: Build = buildOf({ kind: 'low-when-pressed', contactOhms: 0.5, mainsOhms: 100e6 });
  const A = { kind: 'contact', name: 'A' } as const;
  const B = { kind: 'contact', name: 'B' } as const;
  const G = { kind: 'ground', name: '' } as const;

  it('loads a pull-up by its own ten megohms', () => {
    // Idle A = Vcc·Rm/(Rm + R).
    expect(predict({ ...base, seriesOhms: 1e6 }, { from: A, to: G, state: 'idle', kind: 'volts-dc' })).toBeCloseTo(
      (5 * 10) / 11,
      2,
    );
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
    expect(predict(load, { from: A, to: { kind: 'neutral', name: '' }, state: 'off', kind: 'ohms' })).toBeCloseTo(
      60,
      1,
    );
    expect(circuitOf(load, 'off', 'ohms').every((b) => !b.volts)).toBe(true);
  });

  it('averages what pulses, and counts it', () => {
    // Strobe active low for w = 2 ms of T = 16 ms: the mean is Vcc·(1 − w/T); true-rms AC is Vcc·√(d·(1 − d)).
    const scan = buildOf({ kind: 'scanned-matrix', seriesOhms: 22e3 });
    expect(predict(scan, { from: A, to: G, state: 'idle', kind: 'volts-dc' })).toBeCloseTo(5 * (1 - 2 / 16), 2);
    expect(predict(scan, { from: B, to: G, state: 'idle', kind: 'volts-dc' })).toBeCloseTo(5, 1);
    expect(predict(scan, { from: B, to: G, state: 'pressed', kind: 'volts-dc' })).toBeCloseTo(5 * (1 - 2 / 16), 1);
    expect(predict(scan, { from: A, to: G, state: 'idle', kind: 'hertz' })).toBeCloseTo(62.5, 6);
    expect(predict(scan, { from: B, to: G, state: 'idle', kind: 'hertz' })).toBe(0);
    expect(predict(scan, { from: B, to: G, state: 'pressed', kind: 'hertz' })).toBeCloseTo(62.5, 6);
    expect(predict(scan, { from: A, to: G, state: 'idle', kind: 'duty' })).toBeCloseTo(14 / 16, 6);
    expect(predict(scan, { from: A, to: G, state: 'idle', kind: 'volts-ac' })).toBeCloseTo(
      5 * Math.sqrt((1 / 8) * (7 / 8)),
      1,
    );
    // An averaging meter multiplies the mean deviation 2·d·(1 − d)·Vcc by π/(2√2) = 1.1107.
    expect(
      predict(scan, { from: A, to: G, state: 'idle', kind: 'volts-ac' }, { ...HAND_METER, trueRms: false }),
    ).toBeCloseTo(5 * 1.1107 * 2 * (1 / 8) * (7 / 8), 1);
  });

  it('divides on a ladder, this button and a neighbour', () => {
    const ladder = buildOf({ kind: 'ladder', seriesOhms: 4700, keyOhms: 2200, neighbourOhms: 6800, contactOhms: 0.05 });
    expect(predict(ladder, { from: A, to: G, state: 'pressed', kind: 'volts-dc' })).toBeCloseTo(
      (5 * 2200) / (4700 + 2200),
      2,
    );
    expect(predict(ladder, { from: A, to: G, state: 'neighbour', kind: 'volts-dc' })).toBeCloseTo(
      (5 * 6800) / (4700 + 6800),
      2,
    );
    expect(predict(ladder, { from: B, to: G, state: 'off', kind: 'ohms' })).toBeCloseTo(2200, 0);
  });

  it('turns the sign of a motor pair with its direction, and shows its winding unplugged', () => {
    const motor = buildOf({ kind: 'motor-pair', supplyVolts: 12, seriesOhms: 5, groundOhms: 30e3 });
    expect(predict(motor, { from: A, to: B, state: 'moving', kind: 'volts-dc' })).toBeCloseTo((12 * 40) / 41.5, 2);
    expect(predict(motor, { from: A, to: B, state: 'moving-back', kind: 'volts-dc' })).toBeCloseTo(
      (-12 * 40) / 41.5,
      2,
    );
    expect(predict(motor, { from: A, to: B, state: 'idle', kind: 'volts-dc' })).toBeCloseTo(0, 3);
    expect(predict(motor, { from: A, to: B, state: 'off', kind: 'ohms' })).toBeCloseTo(5, 2);
  });

  it('finds nothing to close on a touch pad, and a latch still closed after letting go', () => {
    const pad = buildOf({ kind: 'touch-pad', supplyVolts: 0.4, seriesOhms: 10e6 });
    expect(predict(pad, { from: A, to: B, state: 'pressed', kind: 'ohms' })).toBeGreaterThan(10e6);
    expect(predict(pad, { from: A, to: G, state: 'idle', kind: 'volts-dc' })).toBeCloseTo(0.2, 2);
    const latch = buildOf({ kind: 'latching-switch' });
    expect(predict(latch, { from: A, to: B, state: 'released', kind: 'ohms' })).toBeCloseTo(0.4, 2);
    expect(
      predict(buildOf({ kind: 'low-when-pressed' }), { from: A, to: B, state: 'released', kind: 'ohms' }),
    ).toBeGreaterThan(10e3);
    expect(predict(latch, { from: A, to: B, state: 'idle', kind: 'jumper' })).toBeCloseTo(1 / 11, 2);
  });

  it('draws builds that are met, from even shares', () => {
    expect(Object.values(FIRST_SHARES).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
    fc.assert(
      fc.property(
        fc.constantFrom(...CONTROL_KINDS),
        fc.array(fc.double({ min: 0, max: 0.999999, noNaN: true }), {
          minLength: DRAW_DIMENSIONS,
          maxLength: DRAW_DIMENSIONS,
        }),
        (kind, u) => {
          const b = drawBuild(kind, u);
          for (const v of [b.supplyVolts, b.seriesOhms, b.contactOhms, b.boardOhms, b.mainsOhms, b.periodSeconds])
            expect(Number.isFinite(v) && v > 0).toBe(true);
          expect(b.supplyVolts).toBeLessThan(260);
          expect(b.pulseShare).toBeLessThanOrEqual(0.7);
        },
      ),
    );
    for (const kind of CONTROL_KINDS) expect(LOOKS.reduce((s, l) => s + lookShare(kind, l), 0)).toBeCloseTo(1, 9);
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
    expect(
      settledLevels(joint({ way: 'optocoupler', transferRatio: 0.01, seriesOhms: 10_000, pullOhms: 1000 })).pressed,
    ).toBeCloseTo(5, 1);
  });

  it.each(JOINT_WAYS)('writes a netlist for %s', (way) => {
    const text = netlistOf(joint({ way }), true);
    expect(text.startsWith('* ')).toBe(true);
    expect(text.trimEnd().endsWith('.end')).toBe(true);
    expect(text).not.toMatch(/NaN|undefined|\.control|\.include/);
  });
});
