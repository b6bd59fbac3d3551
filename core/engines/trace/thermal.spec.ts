import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../ground/quantity';
import { readText, rowsOf } from '../../testing/traces';
import { legsOf, timeAlong, type Recording } from '.';

/** A first-order room: heated for so long, left for so long, with noise of the thermometer; a sample each ten seconds. */
function room(tau: number, heats: number, rests: number, noise: number, dead = 0): Recording {
  const r = seededRandom(4);
  let v = 20;
  const rows: [number, number][] = [];
  for (let t = 0; t < heats + rests; t += 10) {
    const to = t < dead ? 20 : t < heats + dead ? 60 : 20;
    rows.push([t, v + noise * (r.next() + r.next() + r.next() - 1.5)]);
    v = to + (v - to) * Math.exp(-10 / tau);
  }
  return readText(rowsOf(rows, 'time (s),temp (°C)\n'));
}

describe('a logged temperature', () => {
  it.each([600, 1800, 5400])('tells a time constant of %i s and where it goes, warming and cooling apart', (tau) => {
    const [up, down, ...more] = legsOf(room(tau, 3 * tau, 3 * tau, 0.1));
    expect(more).toEqual([]);
    expect([up!.way, down!.way]).toEqual(['warmer', 'colder']);
    for (const leg of [up!, down!]) {
      expect(leg.tauSeconds / tau).toBeGreaterThan(0.97);
      expect(leg.tauSeconds / tau).toBeLessThan(1.03);
      expect(leg.short).toBe(false);
    }
    expect(up!.goesTo).toBeCloseTo(60, 0);
    expect(down!.goesTo).toBeCloseTo(20, 0);
    // From 30 to 40 °C of 20 to 60: τ · ln(30/20).
    expect(timeAlong(up!, 30, 40) / (tau * Math.log(1.5))).toBeCloseTo(1, 1);
    expect(timeAlong(up!, 30, 80)).toBe(Number.POSITIVE_INFINITY);
  });

  it('tells the dead time before it answers, and says of a leg that is too short that its end is a guess', () => {
    const [late] = legsOf(room(1200, 4000, 0, 0.02, 300));
    expect(late!.deadSeconds).toBeGreaterThan(240);
    expect(late!.deadSeconds).toBeLessThan(420);
    expect(legsOf(room(7200, 3000, 0, 0.02))[0]!.short).toBe(true);
  });

  it('tells nothing of one that only scatters', () => {
    const r = seededRandom(9);
    const still = readText(
      rowsOf(
        Array.from({ length: 500 }, (_, i) => [10 * i, 20 + 0.2 * r.next()] as const),
        'time (s),temp (°C)\n',
      ),
    );
    expect(legsOf(still)).toEqual([]);
  });
});
