// Ways over a board against an independent search on a fine grid, and distances against the tables of IEC 60664-1.
import { describe, expect, it } from 'vitest';
import { apartFor, gapOf, slotOf, waysOver, type Copper, type CopperPiece, type Surface } from '../core/engines/apart';
import { seededRandom, type Random } from '../core/ground/quantity';

const MM = 1e-3;
const disc = (x: number, y: number, r: number): Copper => ({ a: { x, y }, b: { x, y }, r });
const between = (r: Random, low: number, high: number): number => low + (high - low) * r.next();

/** A made-up board of 24 by 18 mm: three nets, copper that is joined to nothing, slots that touch none of it. */
function boardFrom(seed: number): Surface {
  const r = seededRandom(seed);
  const [width, height] = [24 * MM, 18 * MM];
  const pieces: CopperPiece[] = [];
  const free = (c: Copper): boolean => pieces.every((p) => p.copper.every((o) => gapOf(o, c) > 1.2 * MM));
  for (let n = 0; n < 400 && pieces.length < 9; n++) {
    const ring = disc(between(r, 2, 22) * MM, between(r, 2, 16) * MM, between(r, 0.5, 1.2) * MM);
    // Every third is a track, level or upright, that stays on the board.
    const b = r.next() < 0.5 ? { x: between(r, 2, 22) * MM, y: ring.a.y } : { x: ring.a.x, y: between(r, 2, 16) * MM };
    const c = r.next() < 1 / 3 ? { ...ring, b } : ring;
    if (free(c)) pieces.push({ net: pieces.length < 3 ? pieces.length : -1, copper: [c] });
  }
  const slots = [];
  for (let n = 0; n < 200 && slots.length < 3; n++) {
    const upright = r.next() < 0.5;
    const [x, y] = [between(r, 1, 23) * MM, between(r, 1, 17) * MM];
    const long = between(r, 2, 12) * MM;
    const [a, b] = [{ x, y }, upright ? { x, y: y + long } : { x: x + long, y }];
    const width_ = between(r, 1, 2) * MM;
    const clear = pieces.every((p) => p.copper.every((c) => gapOf(c, { a, b, r: width_ / 2 }) > 0.3 * MM));
    if (clear) slots.push(slotOf(a, b, width_));
  }
  return { width, height, pieces, slots, groove: 0 };
}

const STEP = 0.12 * MM;
/** Steps to neighbours up to three cells away, so that directions are fine. */
const STEPS: readonly (readonly [number, number])[] = [-4, -3, -2, -1, 0, 1, 2, 3, 4].flatMap((x) =>
  [-4, -3, -2, -1, 0, 1, 2, 3, 4].filter((y) => gcd(Math.abs(x), Math.abs(y)) === 1).map((y) => [x, y] as const),
);
function gcd(a: number, b: number): number {
  return b === 0 ? a : gcd(b, a % b);
}

/** How far a place is from a level or upright line. */
const offLine = ({ a, b }: Copper, x: number, y: number): number =>
  Math.hypot(
    Math.max(Math.min(a.x, b.x) - x, 0, x - Math.max(a.x, b.x)),
    Math.max(Math.min(a.y, b.y) - y, 0, y - Math.max(a.y, b.y)),
  );

/** The same by brute force: cells of a fine grid, nothing to pay on copper that is joined to nothing, no way through a slot. */
function onGrid(s: Surface, from: number, to: number): number {
  const [w, h] = [Math.floor(s.width / STEP), Math.floor(s.height / STEP)];
  const kind = new Int8Array(w * h);
  const inSlot = (x: number, y: number): boolean =>
    s.slots.some((slot) => {
      const xs = slot.map((p) => p.x);
      const ys = slot.map((p) => p.y);
      return x > Math.min(...xs) && x < Math.max(...xs) && y > Math.min(...ys) && y < Math.max(...ys);
    });
  for (let j = 0; j < h; j++)
    for (let i = 0; i < w; i++) {
      const [x, y] = [i * STEP, j * STEP];
      const on = s.pieces.find((p) => p.copper.some((c) => offLine(c, x, y) <= c.r));
      kind[j * w + i] = inSlot(x, y) ? -1 : on ? on.net + 2 : 0;
    }
  const best = new Float64Array(w * h).fill(Infinity);
  // Buckets of a tenth of a step stand for a queue by distance.
  const buckets: number[][] = [];
  const put = (at: number, d: number): void => {
    if (d >= best[at]!) return;
    best[at] = d;
    (buckets[Math.floor(d / (STEP / 10))] ??= []).push(at);
  };
  kind.forEach((k, at) => k === from + 2 && put(at, 0));
  for (let b = 0; b < buckets.length; b++)
    for (const at of buckets[b] ?? []) {
      const d = best[at]!;
      if (Math.floor(d / (STEP / 10)) !== b) continue;
      if (kind[at] === to + 2) return d;
      const [i, j] = [at % w, Math.floor(at / w)];
      for (const [dx, dy] of STEPS) {
        const [x, y] = [i + dx, j + dy];
        if (x < 0 || y < 0 || x >= w || y >= h) continue;
        const next = y * w + x;
        if (kind[next]! < 0 || crossesWall(kind, w, i, j, dx, dy)) continue;
        const free = kind[at] === 1 && kind[next] === 1;
        put(next, d + (free ? 0 : STEP * Math.hypot(dx, dy)));
      }
    }
  return Infinity;
}
function crossesWall(kind: Int8Array, w: number, i: number, j: number, dx: number, dy: number): boolean {
  const n = Math.max(Math.abs(dx), Math.abs(dy));
  for (let k = 1; k < n; k++)
    if (kind[Math.round(j + (dy * k) / n) * w + Math.round(i + (dx * k) / n)]! < 0) return true;
  return false;
}

describe('the shortest way over a board', () => {
  it('is that of a search on a fine grid, on 200 made-up boards', () => {
    let worst = 0;
    for (let seed = 1; seed <= 200; seed++) {
      const s = boardFrom(seed);
      const pair = [seed % 3, (seed + 1) % 3] as const;
      const [way] = waysOver(s, [pair], 60 * MM);
      const grid = onGrid(s, ...pair);
      // A cell's middle lies up to half a cell inside of copper, and slots are as wide as their cells.
      const off = Math.abs(way!.metres - grid);
      worst = Math.max(worst, off / (grid || 1));
      expect(off, `seed ${seed}: ${way!.metres / MM} mm, on the grid ${grid / MM} mm`).toBeLessThan(
        0.03 * grid + 6 * STEP,
      );
      // Its legs are what it says, and nothing of them lies in a slot.
      const sum = way!.legs.reduce((x, [p, q]) => x + Math.hypot(p.x - q.x, p.y - q.y), 0);
      expect(sum, `seed ${seed}`).toBeCloseTo(way!.metres, 9);
    }
    console.log(`ways over 200 boards: at most ${(100 * worst).toFixed(1)} % off the grid`);
  });

  it('goes as IEC 60664-1 draws it: around a slot, and over copper that is joined to nothing by what is left of both gaps', () => {
    const two: CopperPiece[] = [
      { net: 0, copper: [disc(5 * MM, 5 * MM, 1 * MM)] },
      { net: 1, copper: [disc(13 * MM, 5 * MM, 1 * MM)] },
    ];
    const plain = { width: 20 * MM, height: 10 * MM, pieces: two, slots: [], groove: 1 * MM };
    const metres = (s: Surface): number => waysOver(s, [[0, 1]], 50 * MM)[0]!.metres;
    expect(metres(plain)).toBeCloseTo(6 * MM, 9);
    // A slot of 2 by 6 mm in the middle: up along a side of 3-4-5 triangles less the ring, across, and down.
    const slot = slotOf({ x: 9 * MM, y: 2 * MM }, { x: 9 * MM, y: 8 * MM }, 2 * MM);
    const leg = Math.hypot(3, 3) - 1;
    expect(metres({ ...plain, slots: [slot] })).toBeCloseTo((2 * leg + 2) * MM, 9);
    // Joined to nothing, in the middle: two gaps of 2.5 mm; one of under a millimetre counts for nothing.
    const ring = (x: number): CopperPiece => ({ net: -1, copper: [disc(x, 5 * MM, 0.5 * MM)] });
    expect(metres({ ...plain, pieces: [...two, ring(9 * MM)] })).toBeCloseTo(5 * MM, 9);
    expect(metres({ ...plain, pieces: [...two, ring(7.2 * MM)] })).toBeCloseTo(4.3 * MM, 9);
    // A row of rings with half a millimetre between them bridges it all.
    const row = [7, 8.2, 9.4, 10.6, 11.5].map((x) => ring(x * MM));
    expect(metres({ ...plain, pieces: [...two, ...row] })).toBe(0);
  });
});

describe('distances of IEC 60664-1', () => {
  const at = { volts: 230, category: 'II', pollution: 2, group: 'III', altitude: 0, reinforced: true } as const;
  // Tables F.1, F.2 and F.5, as they are quoted in handbooks for 230 V and 120 V.
  it.each([
    ['230 V, reinforced', at, 3, 5],
    ['230 V, basic', { ...at, reinforced: false }, 1.5, 2.5],
    ['230 V, reinforced, damp', { ...at, pollution: 3 as const }, 3, 8],
    ['230 V, reinforced, fixed wiring', { ...at, category: 'III' as const }, 5.5, 5.5],
    ['230 V, reinforced, group I', { ...at, group: 'I' as const }, 3, 3],
    ['120 V, reinforced', { ...at, volts: 120 }, 1.5, 3],
    ['120 V, basic', { ...at, volts: 120, reinforced: false }, 0.5, 1.5],
    ['120 V, reinforced, damp', { ...at, volts: 120, pollution: 3 as const }, 1.5, 4.8],
    ['230 V, reinforced, at 3,000 m', { ...at, altitude: 3000 }, 3.42, 5],
    ['230 V, reinforced, at 5,000 m', { ...at, altitude: 5000 }, 4.44, 5],
  ])('%s', (_, of, clearance, creepage) => {
    const a = apartFor(of)!;
    expect(a.clearance / MM).toBeCloseTo(clearance, 9);
    expect(a.creepage / MM).toBeCloseTo(creepage, 9);
  });

  it('end where the tables end', () => {
    expect(apartFor({ ...at, volts: 1000 })).toBeNull();
    expect(apartFor({ ...at, altitude: 9500 })).toBeNull();
  });
});
