// Levels of a histogram against an image library’s, on greys that stand for its bins, and against every cut that there is.
import { computeThreshold, Image } from 'image-js';
import { describe, expect, it } from 'vitest';
import { cutsOf } from '../core/engines/trace';
import { seededRandom } from '../core/ground/quantity';

/** A picture of one row whose greys are the bins of a histogram. */
function picture(weights: Float64Array): Image {
  const greys = [...weights].flatMap((n, grey) => Array.from({ length: n }, () => grey));
  return new Image(greys.length, 1, { data: Uint8Array.from(greys), colorModel: 'GREY' });
}

/** What lies between two classes, as Otsu defines it: n0·n1·(mean0 − mean1)². */
function between(weights: Float64Array, cut: number): number {
  const of = (from: number, to: number): [n: number, mean: number] => {
    let [n, sum] = [0, 0];
    for (let i = from; i < to; i++) [n, sum] = [n + weights[i]!, sum + i * weights[i]!];
    return [n, n === 0 ? 0 : sum / n];
  };
  const [[n0, m0], [n1, m1]] = [of(0, cut), of(cut, weights.length)];
  return n0 * n1 * (m0 - m1) ** 2;
}

describe('levels by the least variance within', () => {
  it('cut where an image library cuts, on 200 histograms of two humps', () => {
    const r = seededRandom(1979);
    for (let n = 0; n < 200; n++) {
      const weights = new Float64Array(256);
      const hump = (at: number, wide: number, count: number): void => {
        for (let i = 0; i < count; i++) {
          const bin = Math.round(at + wide * (r.next() + r.next() + r.next() - 1.5));
          if (bin >= 0 && bin < 256) weights[bin]!++;
        }
      };
      hump(20 + 60 * r.next(), 5 + 20 * r.next(), 500 + 2000 * r.next());
      hump(130 + 90 * r.next(), 5 + 30 * r.next(), 100 + 2000 * r.next());
      const ours = cutsOf(weights, 2).cuts[0]!;
      // The library names the last grey of the lower class.
      const theirs = computeThreshold(picture(weights), { algorithm: 'otsu' }) + 1;
      // Over empty bins between the humps every cut is as good as another.
      expect(between(weights, ours)).toBeGreaterThanOrEqual(between(weights, theirs) * (1 - 1e-12));
      expect(between(weights, theirs)).toBeGreaterThanOrEqual(between(weights, ours) * (1 - 1e-3));
    }
  });

  it('leave the least that any two cuts leave, on histograms small enough to try them all', () => {
    const r = seededRandom(97);
    for (let n = 0; n < 60; n++) {
      const weights = Float64Array.from({ length: 24 }, () => Math.floor(20 * r.next() ** 3));
      const left = (a: number, b: number): number => {
        let [sum, x, xx] = [0, 0, 0];
        for (let i = a; i < b; i++) [sum, x, xx] = [sum + weights[i]!, x + i * weights[i]!, xx + i * i * weights[i]!];
        return sum === 0 ? 0 : xx - (x * x) / sum;
      };
      let least = Infinity;
      for (let a = 1; a < 24; a++)
        for (let b = a + 1; b < 24; b++) least = Math.min(least, left(0, a) + left(a, b) + left(b, 24));
      expect(cutsOf(weights, 3).left).toBeCloseTo(least, 6);
    }
  });
});
