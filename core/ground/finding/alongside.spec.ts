import { describe, expect, it } from 'vitest';
import { atLeast, atMost, chosen, derive, flips, judged, turnsWithin, type Finding, type Input } from '.';

describe('what would turn a finding, worked out for all that rests on it', () => {
  const volts = (value: number): Input => chosen('V', 'supply', value, 'V', 'set in Feed', [1, 30]);
  const power = (value: number): Finding =>
    judged('feed', 'heat', {
      title: 'heat',
      caption: 'heat',
      steps: [derive('heat', 'P', '(V - 3) * 0.1', 'W', [volts(value)])],
      limit: atMost(0.5, 'W', 'bears', { from: 'source', key: 'maker' }),
    });
  const most = (value: number, limit: number): Finding =>
    judged('feed', 'most', {
      title: 'most volts',
      caption: 'most volts',
      steps: [derive('volts', 'V_in', 'V', 'V', [volts(value)])],
      limit: atMost(limit, 'V', 'bears', { from: 'source', key: 'maker' }),
    });

  it('offers no value that would break something else, and tells what moves along', () => {
    // 0.1 A over 3 V: half a watt at 8 V.
    expect(flips(power(5))[0]!.to).toBeCloseTo(8, 6);
    expect(turnsWithin(power(5), [power(5), most(5, 5.5)])).toEqual([]);
    const [turn] = turnsWithin(power(5), [power(5), most(5, 12)]);
    expect([turn!.to, turn!.moves.map((f) => f.caption)]).toEqual([expect.closeTo(8, 6), ['most volts']]);
    // Of two that break at the same volts the edge is that of both.
    expect(turnsWithin(most(5, 12), [most(5, 12), { ...most(5, 12), id: 'feed.same' }])[0]!.to).toBeCloseTo(12, 6);
    // A value that mends one and breaks another is no answer.
    expect(turnsWithin(power(9), [power(9), most(9, 12)])[0]!.to).toBeCloseTo(8, 6);
    const least = { ...most(9, 8.5), limit: atLeast(8.5, 'V', 'wants', { from: 'source', key: 'maker' }) };
    expect(turnsWithin(power(9), [power(9), least])).toEqual([]);
    // Of another source of the same volts nothing is said.
    const other = { ...most(5, 5.5), steps: [derive('volts', 'V_in', 'V', 'V', [{ ...volts(5), name: 'coil' }])] };
    expect(turnsWithin(power(5), [other])[0]!.moves).toEqual([]);
  });
});
