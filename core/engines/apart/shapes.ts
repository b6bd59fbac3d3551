/** A place on a board, m. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}
/** Copper as everything within `r` of a line; a ring or a pin where the line is one place. */
export interface Copper {
  readonly a: Spot;
  readonly b: Spot;
  readonly r: number;
}
/** A slot as the four corners of its rectangle, one after the other. */
export type Slot = readonly [Spot, Spot, Spot, Spot];

const minus = (p: Spot, q: Spot): Spot => ({ x: p.x - q.x, y: p.y - q.y });
const dot = (p: Spot, q: Spot): number => p.x * q.x + p.y * q.y;
const cross = (p: Spot, q: Spot): number => p.x * q.y - p.y * q.x;
/** How far two places are from each other. */
export const far = (p: Spot, q: Spot): number => Math.hypot(p.x - q.x, p.y - q.y);

/** The place of a line that is nearest to another place. */
function nearestOn(a: Spot, b: Spot, p: Spot): Spot {
  const d = minus(b, a);
  const long = dot(d, d);
  const t = long === 0 ? 0 : Math.max(0, Math.min(1, dot(minus(p, a), d) / long));
  return { x: a.x + t * d.x, y: a.y + t * d.y };
}

const meet = (a: Spot, b: Spot, c: Spot, d: Spot): Spot | null => {
  const [u, v] = [minus(b, a), minus(d, c)];
  const n = cross(u, v);
  if (n === 0) return null;
  const t = cross(minus(c, a), v) / n;
  const s = cross(minus(c, a), u) / n;
  return t >= 0 && t <= 1 && s >= 0 && s <= 1 ? { x: a.x + t * u.x, y: a.y + t * u.y } : null;
};

/** The shortest straight way between two pieces of copper, from line to line; its ends still lie `r` inside of each. */
export function nearestWay(p: Copper, q: Copper): readonly [Spot, Spot] {
  const crossing = meet(p.a, p.b, q.a, q.b);
  if (crossing) return [crossing, crossing];
  const ends: readonly (readonly [Spot, Spot])[] = [
    [p.a, nearestOn(q.a, q.b, p.a)],
    [p.b, nearestOn(q.a, q.b, p.b)],
    [nearestOn(p.a, p.b, q.a), q.a],
    [nearestOn(p.a, p.b, q.b), q.b],
  ];
  return ends.reduce((best, now) => (far(...now) < far(...best) ? now : best));
}

/** The gap between two pieces of copper, m; nothing where they touch. */
export const gapOf = (p: Copper, q: Copper): number => Math.max(0, far(...nearestWay(p, q)) - p.r - q.r);

/** A way shortened by what of it lies inside of copper at either end. */
export function trimmed([from, to]: readonly [Spot, Spot], start: number, end: number): readonly [Spot, Spot] {
  const long = far(from, to);
  if (long <= start + end) return [from, from];
  const at = (s: number): Spot => ({
    x: from.x + ((to.x - from.x) * s) / long,
    y: from.y + ((to.y - from.y) * s) / long,
  });
  return [at(start), at(long - end)];
}

/** From a piece of copper to a place: the straight way over the board. */
export function toPlace(c: Copper, p: Spot): readonly [Spot, Spot] {
  const near = nearestOn(c.a, c.b, p);
  return trimmed([near, p], c.r, 0);
}

/** What touches the inside of a slot by less than this runs along its edge, m. */
const GRAZE = 1e-9;

/** Whether a straight way crosses the inside of a slot; along its edge and past its corners it does not. */
export function crossesSlot(from: Spot, to: Spot, slot: Slot): boolean {
  // The way is cut by each edge's half-plane in turn: what is left of it lies inside.
  const d = minus(to, from);
  let [enters, leaves] = [0, 1];
  for (let i = 0; i < 4; i++) {
    const p = slot[i] as Spot;
    const edge = minus(slot[(i + 1) % 4] as Spot, p);
    const size = Math.hypot(edge.x, edge.y);
    // How far inside of this edge the way begins, and how that changes along it.
    const depth = cross(edge, minus(from, p)) / size - GRAZE;
    const rise = cross(edge, d) / size;
    if (rise === 0) {
      if (depth <= 0) return false;
      continue;
    }
    const at = -depth / rise;
    if (rise > 0) enters = Math.max(enters, at);
    else leaves = Math.min(leaves, at);
    if (enters >= leaves) return false;
  }
  return leaves - enters > 0;
}

/** The rectangle of a slot between two places, its corners in the order that has its inside on the left. */
export function slotOf(a: Spot, b: Spot, width: number): Slot {
  const long = far(a, b);
  const u = long === 0 ? { x: 1, y: 0 } : { x: (b.x - a.x) / long, y: (b.y - a.y) / long };
  const h = width / 2;
  // A slot between one place and itself is a hole as wide as it is long.
  const grow = long === 0 ? h : 0;
  const corner = (p: Spot, along: number, side: number): Spot => ({
    x: p.x + along * u.x - side * h * u.y,
    y: p.y + along * u.y + side * h * u.x,
  });
  return [corner(a, -grow, -1), corner(b, grow, -1), corner(b, grow, 1), corner(a, -grow, 1)];
}
