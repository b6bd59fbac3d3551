import { describe, expect, it } from 'vitest';
import { normalQuantile, seededRandom, type Random } from '../../ground/quantity';
import { reserveOf, studentT } from './few';
import { movesUntil, placeAfter } from './place';
import { screwAdvice, type ScrewPass } from './screws';

const normalDraw = (r: Random): number => normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, r.next())));

describe('Student’s t', () => {
  // NIST/SEMATECH e-Handbook, 1.3.6.7.2, upper critical values of Student's t distribution.
  it.each([
    [1, 0.975, 12.706],
    [4, 0.975, 2.776],
    [9, 0.95, 1.833],
    [30, 0.975, 2.042],
  ])('with %i degrees at %f is %f', (degrees, share, value) => {
    expect(studentT(degrees, share)).toBeCloseTo(value, 3);
  });
});

describe('place by time', () => {
  it('covers where a part really stands in 95 of 100, over 2,000 draws', () => {
    const random = seededRandom(19731);
    let held = 0;
    const DRAWS = 2000;
    for (let d = 0; d < DRAWS; d++) {
      const n = 8;
      const way = (mean: number, spread: number): number => mean + spread * normalDraw(random);
      const timed = (mean: number, spread: number) => reserveOf(Array.from({ length: n }, () => way(mean, spread)));
      const [there, back] = [timed(21, 0.4), timed(19, 0.4)];
      const moves = [0.4, 0.2, -0.3, 0.4, -0.2];
      const starts = 0.08;
      const stands = moves.reduce((at, x) => {
        const [told, mean] = x > 0 ? [there.mean, 21] : [back.mean, 19];
        return at + (x * told + starts * normalDraw(random)) / way(mean, 0.4);
      }, 0);
      const { at, within } = placeAfter(moves, there, back, starts);
      if (Math.abs(stands - at) <= within) held++;
    }
    expect(held / DRAWS).toBeGreaterThan(0.93);
    expect(held / DRAWS).toBeLessThan(0.975);
  });

  it('grows with each move, until it has to be led to an end', () => {
    const way = reserveOf([20, 20.4, 19.7, 20.1, 20.2]);
    const one = placeAfter([0.5], way, way, 0.1).within;
    expect(placeAfter([0.5, -0.5], way, way, 0.1).within).toBeGreaterThan(one);
    const until = movesUntil(0.5, 0.05, way, way, 0.1)!;
    expect(until).toBeGreaterThan(1);
    expect(movesUntil(0.5, 0.1, way, way, 0.1) ?? Infinity).toBeGreaterThan(until);
    expect(movesUntil(0.5, one / 2, way, way, 0.1)).toBe(1);
  });
});

describe('end screws', () => {
  it('are set within five passes, whichever way they turn, on 200 motors', () => {
    const random = seededRandom(51);
    for (let m = 0; m < 200; m++) {
      const metresATurn = (random.next() < 0.5 ? -1 : 1) * (0.004 + 0.03 * random.next());
      let at = 0.12 * (random.next() - 0.5);
      const passes: ScrewPass[] = [{ turns: 0, missMetres: at }];
      for (let i = 0; i < 8; i++) {
        const a = screwAdvice(passes, 0.005);
        if (a.do === 'done') break;
        const turns = a.do === 'try' || a.do === 'turn' ? a.turns : Number.NaN;
        at += turns * metresATurn;
        passes.push({ turns, missMetres: at + 0.001 * (random.next() - 0.5) });
      }
      expect(screwAdvice(passes, 0.005).do, JSON.stringify(passes)).toBe('done');
      expect(passes.length).toBeLessThanOrEqual(8);
    }
  });

  it('say that a screw moves another end, and begin with a look', () => {
    expect(screwAdvice([], 0.005)).toEqual({ do: 'look' });
    expect(
      screwAdvice(
        [
          { turns: 0, missMetres: 0.05 },
          { turns: 0.5, missMetres: 0.05 },
        ],
        0.005,
      ),
    ).toEqual({ do: 'other-screw' });
  });
});
