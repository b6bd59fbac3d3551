import { crossesSlot, far, gapOf, nearestWay, toPlace, trimmed, type Copper, type Spot, type Slot } from './shapes';

/** Copper that is one piece, whether it belongs to a net or to none. */
export interface CopperPiece {
  /** Number of its net; −1 for copper that is joined to nothing. */
  readonly net: number;
  readonly copper: readonly Copper[];
}

/** What lies on a board, m. */
export interface Surface {
  readonly width: number;
  readonly height: number;
  readonly pieces: readonly CopperPiece[];
  readonly slots: readonly Slot[];
  /** A gap between two pieces, one of which is joined to nothing, counts for nothing where it is narrower than this. */
  readonly groove: number;
}

/** The shortest way between two nets. */
export interface WayOver {
  /** m; Infinity where it is longer than was asked for. */
  readonly metres: number;
  /** Its legs over bare board; between two legs lies copper that is joined to nothing, or a corner of a slot. */
  readonly legs: readonly (readonly [Spot, Spot])[];
}

/** A leg between two pieces or corners. */
interface Leg {
  readonly metres: number;
  readonly legs: readonly (readonly [Spot, Spot])[];
}

const NONE: WayOver = { metres: Infinity, legs: [] };

/**
 * Shortest ways over the surface between nets, around slots, exactly: by the corners of slots and the pieces of copper. The shortest way
 * bends at corners alone and ends square to copper.
 * @param pairs of nets, by number. @param most m: longer ways are not followed. @param over true through the air, for which slots are none.
 */
export function waysOver(
  s: Surface,
  pairs: readonly (readonly [number, number])[],
  most: number,
  throughAir = false,
): readonly WayOver[] {
  const slots = throughAir ? [] : s.slots;
  const graph = new Graph(s, slots, most);
  const from = new Map<number, ReadonlyMap<number, WayOver>>();
  return pairs.map(([a, b]) => {
    let ways = from.get(a);
    if (!ways) from.set(a, (ways = graph.from(a)));
    return ways.get(b) ?? NONE;
  });
}

class Graph {
  private readonly corners: readonly Spot[];
  /** Shortest ways from corner to corner, and the corner before the last one on each. */
  private readonly cornerWay: readonly Float64Array[];
  private readonly before: readonly Int16Array[];
  private readonly pieces: readonly CopperPiece[];
  private readonly boxes: readonly Box[];
  private readonly legs = new Map<number, Leg | null>();
  /** By piece and corner, the straight leg between them. */
  private readonly toCorner: readonly (readonly (Leg | null)[])[];

  constructor(
    private readonly s: Surface,
    private readonly slots: readonly Slot[],
    private readonly most: number,
  ) {
    const inside = ({ x, y }: Spot): boolean => x > 0 && y > 0 && x < s.width && y < s.height;
    this.corners = slots.flat().filter(inside);
    const n = this.corners.length;
    this.cornerWay = Array.from({ length: n }, () => new Float64Array(n).fill(Infinity));
    this.before = Array.from({ length: n }, (_, i) => new Int16Array(n).fill(i));
    this.joinCorners();
    this.pieces = this.bridged();
    this.boxes = this.pieces.map((p) => boxOf(p.copper));
    this.toCorner = this.pieces.map((p, i) => this.corners.map((c) => this.legTo(p, i, c)));
  }

  /** Copper that is joined to nothing, with what lies so near to it that the gap counts for nothing, is one piece. */
  private bridged(): readonly CopperPiece[] {
    const { pieces, groove } = this.s;
    const loose = pieces.filter((p) => p.net < 0);
    const boxes = loose.map((p) => boxOf(p.copper));
    const root = loose.map((_, i) => i);
    const find = (i: number): number => (root[i] === i ? i : (root[i] = find(root[i] as number)));
    const order = loose.map((_, i) => i).sort((x, y) => (boxes[x] as Box)[0] - (boxes[y] as Box)[0]);
    order.forEach((i, n) => {
      for (const k of order.slice(n + 1)) {
        if ((boxes[k] as Box)[0] - (boxes[i] as Box)[2] >= groove) break;
        if (find(i) === find(k) || apartBoxes(boxes[i] as Box, boxes[k] as Box) >= groove) continue;
        if (this.isNear(loose[i] as CopperPiece, loose[k] as CopperPiece)) root[find(k)] = find(i);
      }
    });
    const joined = new Map<number, Copper[]>();
    loose.forEach((p, i) => joined.set(find(i), [...(joined.get(find(i)) ?? []), ...p.copper]));
    return [
      ...pieces.filter((p) => p.net >= 0),
      ...[...joined.values()].map((copper): CopperPiece => ({ net: -1, copper })),
    ];
  }

  /** Whether a gap between two pieces is so narrow that it is bridged, with no slot in it. */
  private isNear(p: CopperPiece, q: CopperPiece): boolean {
    return p.copper.some((a) =>
      q.copper.some((b) => gapOf(a, b) < this.s.groove && !this.isBlocked(...trimmed(nearestWay(a, b), a.r, b.r))),
    );
  }

  private joinCorners(): void {
    const n = this.corners.length;
    for (let i = 0; i < n; i++)
      for (let j = 0; j < n; j++) {
        const [p, q] = [this.corners[i] as Spot, this.corners[j] as Spot];
        if (i === j) this.cornerWay[i]![j] = 0;
        else if (!this.isBlocked(p, q)) this.cornerWay[i]![j] = far(p, q);
      }
    for (let k = 0; k < n; k++)
      for (let i = 0; i < n; i++)
        for (let j = 0; j < n; j++) {
          const over = this.cornerWay[i]![k]! + this.cornerWay[k]![j]!;
          if (over >= this.cornerWay[i]![j]!) continue;
          this.cornerWay[i]![j] = over;
          this.before[i]![j] = this.before[k]![j]!;
        }
  }

  private isBlocked(p: Spot, q: Spot): boolean {
    return this.slots.some((slot) => crossesSlot(p, q, slot));
  }

  private legTo(p: CopperPiece, i: number, corner: Spot): Leg | null {
    if (awayFrom(this.boxes[i] as Box, corner) > this.most) return null;
    let best: Leg | null = null;
    for (const c of p.copper) {
      const leg = toPlace(c, corner);
      const metres = far(...leg);
      if ((best && metres >= best.metres) || metres > this.most || this.isBlocked(...leg)) continue;
      best = { metres, legs: [leg] };
    }
    return best;
  }

  /** The shortest way between two pieces over bare board alone, worked out once. */
  private legBetween(i: number, j: number): Leg | null {
    const key = Math.min(i, j) * this.pieces.length + Math.max(i, j);
    let leg = this.legs.get(key);
    if (leg === undefined) this.legs.set(key, (leg = this.legOver(Math.min(i, j), Math.max(i, j))));
    if (!leg || i < j) return leg;
    return { metres: leg.metres, legs: leg.legs.map(([a, b]) => [b, a] as const).reverse() };
  }

  private legOver(i: number, j: number): Leg | null {
    const [p, q] = [this.pieces[i] as CopperPiece, this.pieces[j] as CopperPiece];
    let best: Leg | null = null;
    const other = boxOf(q.copper);
    for (const a of p.copper) {
      if (apartBoxes(boxOf([a]), other) > (best?.metres ?? this.most)) continue;
      for (const b of q.copper) {
        const gap = gapOf(a, b);
        if ((best && gap >= best.metres) || gap > this.most) continue;
        const leg = trimmed(nearestWay(a, b), a.r, b.r);
        if (!this.isBlocked(...leg)) best = { metres: gap, legs: [leg] };
      }
    }
    return this.aroundCorners(i, j, best);
  }

  private aroundCorners(i: number, j: number, straight: Leg | null): Leg | null {
    let best = straight;
    const [own, other] = [this.toCorner[i] ?? [], this.toCorner[j] ?? []];
    own.forEach((first, a) => {
      if (!first || first.metres >= (best?.metres ?? this.most)) return;
      other.forEach((last, b) => {
        if (!last) return;
        const metres = first.metres + this.cornerWay[a]![b]! + last.metres;
        if (metres >= (best?.metres ?? this.most)) return;
        const [begin] = last.legs as [readonly [Spot, Spot]];
        best = { metres, legs: [...first.legs, ...this.cornersBetween(a, b), [begin[1], begin[0]]] };
      });
    });
    return best;
  }

  private cornersBetween(a: number, b: number): readonly (readonly [Spot, Spot])[] {
    const out: [Spot, Spot][] = [];
    for (let at = b; at !== a;) {
      const prior = this.before[a]![at]!;
      out.unshift([this.corners[prior] as Spot, this.corners[at] as Spot]);
      at = prior;
    }
    return out;
  }

  /** Shortest ways from one net to all others, over copper that is joined to nothing where that shortens them. */
  from(net: number): ReadonlyMap<number, WayOver> {
    const { groove } = this.s;
    const { pieces } = this;
    const best = pieces.map((p): WayOver => (p.net === net ? { metres: 0, legs: [] } : NONE));
    const done = new Set<number>();
    const out = new Map<number, WayOver>();
    for (;;) {
      let i = -1;
      best.forEach((w, k) => {
        if (!done.has(k) && w.metres <= this.most && (i < 0 || w.metres < (best[i] as WayOver).metres)) i = k;
      });
      if (i < 0) return out;
      done.add(i);
      const own = pieces[i] as CopperPiece;
      const way = best[i] as WayOver;
      if (own.net >= 0 && own.net !== net) {
        if (!out.has(own.net)) out.set(own.net, way);
        continue;
      }
      pieces.forEach((p, k) => {
        if (done.has(k) || p.net === net) return;
        if (apartBoxes(this.boxes[i] as Box, this.boxes[k] as Box) > this.most) return;
        const leg = this.legBetween(i, k);
        if (!leg) return;
        // Beside copper that is joined to nothing a narrow gap is bridged; between two nets it is what it is.
        const counts = (own.net < 0 || p.net < 0) && leg.metres < groove ? 0 : leg.metres;
        const metres = way.metres + counts;
        if (metres < (best[k] as WayOver).metres && metres <= this.most)
          best[k] = { metres, legs: [...way.legs, ...leg.legs] };
      });
    }
  }
}

type Box = readonly [left: number, top: number, right: number, bottom: number];
const boxOf = (copper: readonly Copper[]): Box => [
  Math.min(...copper.map((c) => Math.min(c.a.x, c.b.x) - c.r)),
  Math.min(...copper.map((c) => Math.min(c.a.y, c.b.y) - c.r)),
  Math.max(...copper.map((c) => Math.max(c.a.x, c.b.x) + c.r)),
  Math.max(...copper.map((c) => Math.max(c.a.y, c.b.y) + c.r)),
];
const apartBoxes = (p: Box, q: Box): number =>
  Math.hypot(Math.max(0, p[0] - q[2], q[0] - p[2]), Math.max(0, p[1] - q[3], q[1] - p[3]));
const awayFrom = (p: Box, { x, y }: Spot): number => apartBoxes(p, [x, y, x, y]);
