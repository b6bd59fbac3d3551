import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { byteAt, firstItem, intAt, itemAt, lastItem, present, realAt } from '.';

describe('items of lists', () => {
  it('are what the list has at a place, and a range error where it has none', () => {
    fc.assert(
      fc.property(fc.array(fc.integer(), { minLength: 1 }), fc.integer({ min: -2, max: 12 }), (list, i) => {
        expect([firstItem(list), lastItem(list)]).toEqual([list[0], list.at(-1)]);
        for (const read of [
          () => itemAt(list, i),
          () => realAt(Float64Array.from(list), i),
          () => intAt(Int32Array.from(list), i),
        ])
          if (i >= 0 && i < list.length) expect(read()).toBe(list[i]);
          else expect(read).toThrow(RangeError);
      }),
    );
    expect(() => firstItem([])).toThrow('there is no item 0 in a list of 0');
    expect(byteAt(Uint8Array.of(7), 0)).toBe(7);
    expect(() => byteAt(Uint8Array.of(7), 1)).toThrow(RangeError);
  });

  it('of no number are a value all the same', () => {
    expect(realAt(Float64Array.of(NaN), 0)).toBeNaN();
    expect([present(0), present(''), present(false)]).toEqual([0, '', false]);
    expect(() => present(null)).toThrow(RangeError);
    expect(() => present(undefined)).toThrow(RangeError);
  });
});
