import {
  gapOf,
  slotOf,
  type Copper,
  type CopperPiece,
  type Spot,
  type Slot,
  type Surface,
} from '../../../engines/apart';
import { sawn } from './sawn';
import type { BoardLayout, BoardSlot, LaidPart } from '../../../ground/job';

/** The hole of a board at a column and a row, m: holes are counted from 1, and the edge lies one pitch outside of the first. */
export const holeAt = ({ pitch }: Pick<BoardLayout, 'pitch'>, column: number, row: number): Spot => ({
  x: column * pitch,
  y: row * pitch,
});

/** How large a board is, m. */
export const boardSize = ({
  columns,
  rows,
  pitch,
}: BoardLayout): { readonly width: number; readonly height: number } => ({
  width: (columns + 1) * pitch,
  height: (rows + 1) * pitch,
});

/** A pin where it stands on the board. */
export interface LaidAt {
  readonly part: LaidPart;
  readonly net: string;
  readonly column: number;
  readonly row: number;
}

/** Every pin of every part, where it stands. */
export const pinsOn = ({ parts }: BoardLayout): readonly LaidAt[] =>
  parts.flatMap((part) =>
    part.pins.map((p) => ({ part, net: p.net, column: part.column + p.column, row: part.row + p.row })),
  );

/** Copper with the net that it is known to belong to; empty while it is joined to nothing. */
interface Laid {
  readonly copper: Copper;
  readonly net: string;
}

const within = (s: BoardSlot, column: number, row: number): boolean =>
  column >= Math.min(s.fromColumn, s.toColumn) &&
  column <= Math.max(s.fromColumn, s.toColumn) &&
  row >= Math.min(s.fromRow, s.toRow) &&
  row <= Math.max(s.fromRow, s.toRow);

/** Whether the copper round a hole was taken away. */
const isCleared = ({ cleared }: BoardLayout, column: number, row: number): boolean =>
  cleared.some((s) => within(s, column, row));

const ring = (b: BoardLayout, column: number, row: number): Copper => {
  const at = holeAt(b, column, row);
  return { a: at, b: at, r: b.pad / 2 };
};

/** Rings of holes that no pin takes, and the strips of a board between their cuts. */
function ownCopper(b: BoardLayout, pins: readonly LaidAt[]): readonly Laid[] {
  if (b.copper === 'none') return [];
  const taken = new Set(pins.map((p) => `${p.column} ${p.row}`));
  const cut = new Set(b.cuts.map((c) => `${c.column} ${c.row}`));
  const out: Laid[] = [];
  for (let row = 1; row <= b.rows; row++) {
    let from = 0;
    for (let column = 1; column <= b.columns + 1; column++) {
      const gone = column > b.columns || cut.has(`${column} ${row}`) || isCleared(b, column, row);
      if (b.copper === 'pads') {
        if (!gone && !taken.has(`${column} ${row}`)) out.push({ copper: ring(b, column, row), net: '' });
      } else if (gone) {
        if (from > 0)
          out.push({ copper: { a: holeAt(b, from, row), b: holeAt(b, column - 1, row), r: b.pad / 2 }, net: '' });
        from = 0;
      } else if (from === 0) from = column;
    }
  }
  return out;
}

/** All copper of a board, with the net of what is known to have one. */
export function copperOf(b: BoardLayout): readonly Laid[] {
  const pins = pinsOn(b);
  return [
    ...pins.map((p) => ({ copper: ring(b, p.column, p.row), net: p.net })),
    ...b.tracks.map((t) => ({
      copper: { a: holeAt(b, t.fromColumn, t.fromRow), b: holeAt(b, t.toColumn, t.toRow), r: t.width / 2 },
      net: t.net,
    })),
    ...ownCopper(b, pins),
  ];
}

/** A slot of a board as a rectangle, m. */
export const rectangleOf = (b: BoardLayout, s: BoardSlot): Slot =>
  slotOf(holeAt(b, s.fromColumn, s.fromRow), holeAt(b, s.toColumn, s.toRow), s.width);

/** One piece of copper, with the ids of the nets on it: more than one where they are shorted. */
export interface Joined {
  readonly nets: readonly string[];
  readonly copper: readonly Copper[];
}

/** What sawing leaves of copper that is joined to nothing, slot after slot. */
const leftOf = (b: BoardLayout, copper: Copper): readonly (readonly Copper[])[] =>
  b.slots.reduce<readonly (readonly Copper[])[]>(
    (pieces, s) => {
      const cut = { a: holeAt(b, s.fromColumn, s.fromRow), b: holeAt(b, s.toColumn, s.toRow), half: s.width / 2 };
      return pieces.flatMap((piece) => {
        const [first] = piece;
        // What was sawn once already is a sliver: another slot through it leaves it as it is, which is never kinder.
        return piece.length === 1 && first ? sawn(first, cut) : [piece];
      });
    },
    [[copper]],
  );

/** Copper that touches is one piece. */
export function joinedOf(b: BoardLayout): readonly Joined[] {
  const all = copperOf(b);
  const root = all.map((_, i) => i);
  const find = (i: number): number => (root[i] === i ? i : (root[i] = find(root[i] as number)));
  // Along one axis only neighbours can touch.
  const order = all.map((_, i) => i).sort((x, y) => left(all[x] as Laid) - left(all[y] as Laid));
  order.forEach((i, n) => {
    const own = all[i] as Laid;
    for (let m = n + 1; m < order.length; m++) {
      const other = all[order[m] as number] as Laid;
      if (left(other) > right(own)) break;
      // Two pins of parts in one hole are told as such, and joined as well.
      if (gapOf(own.copper, other.copper) <= 0) root[find(order[m] as number)] = find(i);
    }
  });
  const pieces = new Map<number, Laid[]>();
  all.forEach((laid, i) => {
    const at = find(i);
    pieces.set(at, [...(pieces.get(at) ?? []), laid]);
  });
  return [...pieces.values()].flatMap((laid): Joined[] => {
    const nets = [...new Set(laid.flatMap((l) => (l.net === '' ? [] : [l.net])))];
    const [one, ...more] = laid;
    // Copper by itself may be sawn through; what is joined to more stays one piece.
    if (nets.length === 0 && one && more.length === 0) return leftOf(b, one.copper).map((copper) => ({ nets, copper }));
    return [{ nets, copper: laid.map((l) => l.copper) }];
  });
}
const left = ({ copper: { a, b, r } }: Laid): number => Math.min(a.x, b.x) - r;
const right = ({ copper: { a, b, r } }: Laid): number => Math.max(a.x, b.x) + r;

/**
 * A board as a surface over which current may creep: its nets by their number in the board's list, its slots as far as they are wide
 * enough to count. @param groove a narrower slot or gap is bridged, m.
 */
export function surfaceOf(b: BoardLayout, groove: number, joined: readonly Joined[] = joinedOf(b)): Surface {
  return {
    ...boardSize(b),
    pieces: joined.map(({ nets, copper }): CopperPiece => ({ net: b.nets.findIndex((n) => n.id === nets[0]), copper })),
    slots: b.slots.filter((s) => s.width >= groove).map((s) => rectangleOf(b, s)),
    groove,
  };
}
