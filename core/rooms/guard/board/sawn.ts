import type { Copper, Spot } from '../../../engines/apart';

/** A slot as its middle line and half of its width, m. */
export interface Cut {
  readonly a: Spot;
  readonly b: Spot;
  readonly half: number;
}

/**
 * What a slot leaves of copper that is joined to nothing: the pieces on its two sides, or all in one where it does not go through. A sliver
 * is taken for the rectangle round it, which is never less copper than is there.
 */
export function sawn(copper: Copper, cut: Cut): readonly (readonly Copper[])[] {
  const long = Math.hypot(cut.b.x - cut.a.x, cut.b.y - cut.a.y);
  if (long === 0) return [[copper]];
  const u = { x: (cut.b.x - cut.a.x) / long, y: (cut.b.y - cut.a.y) / long };
  // Along the slot, and across it.
  const local = (p: Spot): Spot => ({
    x: (p.x - cut.a.x) * u.x + (p.y - cut.a.y) * u.y,
    y: (p.y - cut.a.y) * u.x - (p.x - cut.a.x) * u.y,
  });
  const back = ({ x, y }: Spot): Spot => ({ x: cut.a.x + x * u.x - y * u.y, y: cut.a.y + x * u.y + y * u.x });
  const [p, q] = [local(copper.a), local(copper.b)];
  const { r } = copper;
  const [low, high] = [Math.min(p.x, q.x) - r, Math.max(p.x, q.x) + r];
  const [under, over] = [Math.min(p.y, q.y) - r, Math.max(p.y, q.y) + r];
  if (high <= 0 || low >= long || over <= -cut.half || under >= cut.half) return [[copper]];
  /** What is left beside one edge of the slot: the outline of it, from the edge to where the copper ends. */
  const beside = (edge: number, end: number): Copper[] => {
    const corners = [
      { x: low, y: edge },
      { x: high, y: edge },
      { x: high, y: end },
      { x: low, y: end },
    ].map(back);
    return corners.map((a, i) => ({ a, b: corners[(i + 1) % 4] as Spot, r: 0 }));
  };
  const sides = [
    ...(over > cut.half ? [beside(cut.half, over)] : []),
    ...(under < -cut.half ? [beside(-cut.half, under)] : []),
  ];
  const through = low >= 0 && high <= long;
  return through ? sides : [sides.flat()];
}
