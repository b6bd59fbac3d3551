import { describe, expect, it } from 'vitest';
import { buildOf } from '../../engines/circuit';
import { seededRandom } from '../../ground/quantity';
import { calibrationError, drawBoard, walk } from '.';

describe('boards drawn at random', () => {
  it('that are tied to mains are held before any powered reading', () => {
    const random = seededRandom(4);
    const tied = { ...drawBoard(random), ...buildOf({ kind: 'high-when-pressed', mainsOhms: 120e3 }) };
    const w = walk({ build: tied, faults: [] }, random);
    expect(w.proposed.every((p) => p.next.kind === 'ohms' || p.next.kind === 'look')).toBe(true);
  });

  it('with a dirty contact or a broken trace are not called wrongly for it', () => {
    const random = seededRandom(5);
    const build = buildOf({ kind: 'low-when-pressed' });
    for (let i = 0; i < 10; i++) {
      const w = walk({ build, faults: [{ fault: 'dirty-contact', upToOhms: 300 }], look: 'springs-back' }, random);
      expect(w.kind).toBe('low-when-pressed');
    }
    const cut = walk({ build, faults: [{ fault: 'broken-trace', terminal: 'A' }], look: 'springs-back' }, random, 12);
    expect(cut.end === 'known' && cut.kind === 'scanned-matrix').toBe(false);
  });
});

describe('calibration error', () => {
  it('is nothing for honest forecasts and the gap for boastful ones', () => {
    const of = (probability: number, trues: number, n: number) =>
      Array.from({ length: n }, (_, i) => ({ probability, true: i < trues }));
    expect(calibrationError(of(0.75, 75, 100))).toBeCloseTo(0, 9);
    expect(calibrationError(of(0.95, 75, 100))).toBeCloseTo(0.2, 9);
    expect(calibrationError([...of(0.75, 75, 100), ...of(0.05, 15, 100)])).toBeCloseTo(0.05, 9);
  });
});
