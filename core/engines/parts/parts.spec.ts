import { describe, expect, it } from 'vitest';
import { type Bounds, type OwnPart, type PartKind, PART_KINDS } from '../../ground/job';
import { SOURCES } from '../../ground/sources';
import { demoJob, pressed } from '../../testing/jobs';
import {
  billOf,
  boundsOf,
  drawerText,
  freshDrawer,
  gearRatio,
  partInput,
  partProblems,
  partsOf,
  readDrawer,
  SHIPPED_PARTS,
  stockName,
  takenPart,
  valueOf,
  type Drawer,
} from '.';

const pot = demoJob('rice-pot');
const copy = (id: string, values: Record<string, Bounds> = {}): OwnPart => {
  const s = SHIPPED_PARTS.find((p) => p.id === id)!;
  return { id: 'mine', kind: s.kind, name: 'mine', values: { ...s.values, ...values } };
};

describe('part classes that ship', () => {
  it.each(SHIPPED_PARTS.map((p) => [p.id, p] as const))('%s can be, and names its source', (_, p) => {
    expect(partProblems({ ...p, values: { ...p.values } })).toEqual([]);
    expect(SOURCES[p.source].text.length).toBeGreaterThan(20);
  });

  it('hold at least two classes of every kind but logic, each with an id of its own', () => {
    for (const kind of PART_KINDS)
      expect(SHIPPED_PARTS.filter((p) => p.kind === kind).length, kind).toBeGreaterThanOrEqual(
        kind === 'logic' ? 1 : 2,
      );
    expect(new Set(SHIPPED_PARTS.map((p) => p.id)).size).toBe(SHIPPED_PARTS.length);
  });

  // Counted teeth 32/9 · 22/11 · 26/9 · 31/10 = 567 424 / 8 910, the 63.68395 : 1 that data sheets round to 64 (from memory).
  it('give the small geared stepper its odd ratio', () => {
    expect(
      gearRatio([
        [32, 9],
        [22, 11],
        [26, 9],
        [31, 10],
      ]),
    ).toBeCloseTo(567_424 / 8_910, 9);
    expect(boundsOf(takenPart(pot, 'stepper'), 'gear').nominal).toBeCloseTo(63.68395, 4);
    expect(() => gearRatio([])).toThrow(RangeError);
  });
});

describe('which part is taken', () => {
  it('is the picked one, an own one first in the list, and the first class where the pick is gone', () => {
    const own = copy('npn-medium');
    const job = pressed(pot, { parts: [own], picks: { npn: 'mine' } });
    expect(takenPart(job, 'npn')).toMatchObject({ id: 'mine', origin: { from: 'maker' } });
    expect(partsOf(job, 'npn')[0]!.id).toBe('mine');
    expect(takenPart(pressed(pot, { picks: { npn: 'gone' } }), 'npn').id).toBe('npn-small');
    expect(takenPart(pot, 'npn').origin).toEqual({
      from: 'class',
      key: 'parts-npn',
      part: 'small-signal NPN, 40 V, 200 mA',
    });
  });

  it('gives its values with bounds, and knows no value of another kind', () => {
    const npn = takenPart(pot, 'npn');
    expect(partInput(npn, 'baseVolts')).toMatchObject({
      symbol: 'V_BE',
      range: { low: expect.closeTo(0.58, 9), nominal: 0.7, high: expect.closeTo(0.9, 9) },
      unit: 'V',
    });
    // A junction loses 2 mV for each kelvin: 35 K up and 25 K down from 25 °C.
    expect(boundsOf(npn, 'leakageAmps').high).toBeCloseTo(50e-9 * 2 ** 3.5, 12);
    // Dark current grows tenfold for each 25 K: 100 nA at 25 °C are 2.5 µA at 60 °C.
    expect(boundsOf(takenPart(pot, 'optocoupler'), 'leakageAmps').high).toBeCloseTo(2.51e-6, 8);
    // Copper, IEC 60028: 0.393 % for each kelvin from 20 °C; 70 Ω ± 10 % from 0 to 60 °C.
    expect(boundsOf(takenPart(pot, 'relay'), 'coilOhms')).toMatchObject({
      low: expect.closeTo(63 * (1 - 20 * 0.00393), 6),
      high: expect.closeTo(77 * (1 + 40 * 0.00393), 6),
    });
    expect(() => valueOf(npn, 'coilOhms')).toThrow(/npn has no value coilOhms/);
  });
});

describe('impossible parts', () => {
  it.each<[string, PartKind, OwnPart, string, RegExp]>([
    ['bounds that fall', 'npn', copy('npn-small', { gain: [400, 200, 100] }), 'gain', /must rise.*400, 200, 100/],
    [
      'a value beyond what can be',
      'relay',
      copy('relay-power', { coilOhms: [0.07, 0.07, 0.07] }),
      'coilOhms',
      /between 1 Ω and 100 kΩ; check the unit/,
    ],
    [
      'no number',
      'servo',
      copy('servo-micro', { stallAmps: [Number.NaN, Number.NaN, Number.NaN] }),
      'stallAmps',
      /is not a number/,
    ],
    [
      'a range the wrong way round',
      'analogue-switch',
      copy('switch-low', { leastVolts: [9, 9, 9] }),
      'leastVolts',
      /least supply lies above the highest/,
    ],
    [
      'more at rest than stalled',
      'servo',
      copy('servo-micro', { idleAmps: [2, 2, 2] }),
      'idleAmps',
      /more at rest than stalled/,
    ],
    [
      'a value that its kind has not',
      'npn',
      copy('npn-small', { coilOhms: [70, 70, 70] }),
      'coilOhms',
      /no value coilOhms/,
    ],
  ])('are told: %s', (_, __, part, field, text) => {
    const found = partProblems(part).find((p) => p.field === field);
    expect(found?.text).toMatch(text);
  });

  it('are told where a value is missing or the name is empty', () => {
    const { gain: _gone, ...rest } = copy('npn-small').values;
    expect(partProblems({ ...copy('npn-small'), name: ' ', values: rest }).map((p) => p.field)).toEqual([
      'name',
      'gain',
    ]);
  });
});

describe('the parts list', () => {
  const parts = [
    { name: 'relay', value: '1 A', quantity: 2 },
    { name: 'clamp', value: '', quantity: 1 },
  ];
  it('multiplies by the machines, takes off what is at hand, and sums what has a price', () => {
    const bill = billOf(parts, [{ name: 'relay, 1 A', price: 1.5, have: 3 }], 8);
    expect(bill.lines[0]).toMatchObject({ quantity: 16, have: 3, buy: 13, cost: 19.5 });
    expect(bill.lines[1]).toMatchObject({ quantity: 8, buy: 8, cost: null });
    expect(bill).toMatchObject({ sum: 19.5, unpriced: 1 });
  });
  it('costs nothing where all is at hand, priced or not', () => {
    expect(billOf(parts, [{ name: 'clamp', price: null, have: 9 }], 1).lines[1]).toMatchObject({ buy: 0, cost: 0 });
    expect(stockName(parts[1]!)).toBe('clamp');
  });
});

describe('the drawer', () => {
  const full: Drawer = {
    ...freshDrawer(),
    currency: 'GBP',
    parts: [{ ...copy('relay-signal'), have: 4, price: 1.2 }],
    stock: [{ name: 'diode across the coil', price: null, have: 30 }],
  };
  it('goes into a file and comes back the same', () => {
    expect(readDrawer(drawerText(full))).toEqual({ ok: true, drawer: full });
  });
  it.each<[string, string, RegExp]>([
    ['no JSON', '{', /not complete JSON/],
    ['another file', '{"format":"gentle-thumb/job"}', /not a drawer/],
    ['a later version', JSON.stringify({ ...full, version: 9 }), /version 9; this program reads version 1/],
    ['a bad currency', JSON.stringify({ ...full, currency: 'pounds' }), /three letters/],
    [
      'a part of no kind',
      JSON.stringify({ ...full, parts: [{ ...full.parts[0], kind: 'tube' }] }),
      /Part 1 is not as it should be/,
    ],
    [
      'an impossible part',
      JSON.stringify({
        ...full,
        parts: [{ ...full.parts[0], values: { ...full.parts[0]!.values, coilOhms: [1e9, 1e9, 1e9] } }],
      }),
      /Part 1, mine: coil resistance lies between/,
    ],
    [
      'a stock line without a count',
      JSON.stringify({ ...full, stock: [{ name: 'x', price: null, have: -1 }] }),
      /Stock line 1/,
    ],
    ['far too much', ' '.repeat(2_000_001), /larger than 2 MB/],
  ])('says what is wrong with %s', (_, text, message) => {
    const loaded = readDrawer(text);
    expect(loaded.ok).toBe(false);
    if (!loaded.ok) expect(loaded.message).toMatch(message);
  });
});
