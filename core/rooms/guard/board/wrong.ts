import { crossesSlot, gapOf, type Copper } from '../../../engines/apart';
import type { BoardLayout, LaidPart } from '../../../ground/job';
import { copperOf, joinedOf, pinsOn, rectangleOf, type Joined, type LaidAt } from './surface';

/** Something of a layout that cannot be built as it is drawn, with what it is about. */
export interface WrongOnBoard {
  readonly of: 'hole' | 'overlap' | 'short' | 'slot' | 'outside' | 'net';
  /** Name of the part, slot or net. */
  readonly at: string;
  readonly what: string;
  readonly todo: string;
}

const nameOf = (b: BoardLayout, id: string): string => b.nets.find((n) => n.id === id)?.name ?? id;

/** All that is wrong with a layout, part by part; a board with any of it is judged no further. */
export function wrongOn(b: BoardLayout, joined: readonly Joined[] = joinedOf(b)): readonly WrongOnBoard[] {
  const pins = pinsOn(b);
  return [
    ...noNet(b, pins),
    ...outside(b, pins),
    ...shared(pins),
    ...overlapping(b),
    ...shorts(b, joined),
    ...slotted(b),
  ];
}

const noNet = (b: BoardLayout, pins: readonly LaidAt[]): WrongOnBoard[] => [
  ...pins
    .filter((p) => p.net !== '' && !b.nets.some((n) => n.id === p.net))
    .map((p): WrongOnBoard => ({
      of: 'net',
      at: p.part.name,
      what: `a pin of ${p.part.name} lies on the net ${p.net}, which the board does not have`,
      todo: 'Add that net, or put the pin on another one.',
    })),
  ...b.tracks
    .filter((t) => !b.nets.some((n) => n.id === t.net))
    .map((t): WrongOnBoard => ({
      of: 'net',
      at: t.id,
      what: `a track lies on the net ${t.net || 'without a name'}, which the board does not have`,
      todo: 'Say which net it is.',
    })),
];

const isOn = (b: BoardLayout, column: number, row: number): boolean =>
  column >= 1 && row >= 1 && column <= b.columns && row <= b.rows;

const outside = (b: BoardLayout, pins: readonly LaidAt[]): WrongOnBoard[] => [
  ...pins
    .filter((p) => !isOn(b, p.column, p.row))
    .map((p): WrongOnBoard => ({
      of: 'outside',
      at: p.part.name,
      what: `${p.part.name} has a pin at column ${p.column}, row ${p.row}, which the board does not have`,
      todo: `Move ${p.part.name}, or take a larger board.`,
    })),
  ...b.tracks
    .filter((t) => !isOn(b, t.fromColumn, t.fromRow) || !isOn(b, t.toColumn, t.toRow))
    .map((t): WrongOnBoard => ({
      of: 'outside',
      at: t.id,
      what: `the track ${t.id} leaves the board`,
      todo: 'End it at a hole of the board.',
    })),
];

/** The holes that a part covers, from its first pin to its last. */
function covers({ column, row, pins }: LaidPart): readonly [left: number, top: number, right: number, bottom: number] {
  const columns = pins.map((p) => column + p.column);
  const rows = pins.map((p) => row + p.row);
  return [Math.min(...columns), Math.min(...rows), Math.max(...columns), Math.max(...rows)];
}

/** Parts that lie over each other; two that share a hole are told as that. */
function overlapping({ parts }: BoardLayout): WrongOnBoard[] {
  return parts.flatMap((p, i) =>
    parts.slice(i + 1).flatMap((q): WrongOnBoard[] => {
      const [a, b] = [covers(p), covers(q)];
      const apart = a[0] > b[2] || b[0] > a[2] || a[1] > b[3] || b[1] > a[3];
      if (apart || p.pins.length === 0 || q.pins.length === 0) return [];
      const todo = `Move ${p.name} or ${q.name}.`;
      return [{ of: 'overlap', at: q.name, what: `${q.name} lies over ${p.name}`, todo }];
    }),
  );
}

/** Two wires or pins in one hole. */
function shared(pins: readonly LaidAt[]): WrongOnBoard[] {
  const first = new Map<string, LaidAt>();
  return pins.flatMap((p): WrongOnBoard[] => {
    const key = `${p.column} ${p.row}`;
    const other = first.get(key);
    first.set(key, p);
    if (!other) return [];
    return [
      {
        of: 'hole',
        at: p.part.name,
        what: `${p.part.name} and ${other.part.name} share the hole at column ${p.column}, row ${p.row}`,
        todo: `Move ${p.part.name}: what shares a hole holds by its insulation alone.`,
      },
    ];
  });
}

const shorts = (b: BoardLayout, joined: readonly Joined[]): WrongOnBoard[] =>
  joined
    .filter((j) => j.nets.length > 1)
    .map((j) => ({
      of: 'short',
      at: nameOf(b, j.nets[0] ?? ''),
      what: `${j.nets.map((n) => nameOf(b, n)).join(' and ')} lie on one piece of copper`,
      todo: b.copper === 'strips' ? 'Cut the strip between them.' : 'Take away the track that joins them.',
    }));

/** Whether a slot goes through copper that a part or a track needs. */
function slotted(b: BoardLayout): WrongOnBoard[] {
  const needed = copperOf(b).filter((c) => c.net !== '' || isTrackOrPin(b, c.copper));
  return b.slots.flatMap((s): WrongOnBoard[] => {
    const slot = rectangleOf(b, s);
    const hit = needed.find(({ copper }) => {
      const near = [0, 1, 2, 3].some(
        (i) => gapOf(copper, { a: slot[i] as never, b: slot[(i + 1) % 4] as never, r: 0 }) <= 0,
      );
      return near || crossesSlot(copper.a, { x: copper.a.x + 1e-6, y: copper.a.y }, slot);
    });
    if (!hit) return [];
    const whose = pinsOn(b).find(
      (p) => Math.hypot(p.column * b.pitch - hit.copper.a.x, p.row * b.pitch - hit.copper.a.y) < 1e-9,
    );
    return [
      {
        of: 'slot',
        at: s.id,
        what: `the slot ${s.id} goes through ${whose ? `a pad of ${whose.part.name}` : `copper of ${nameOf(b, hit.net)}`}`,
        todo: 'Make it shorter or narrower, or move it.',
      },
    ];
  });
}

const isTrackOrPin = (b: BoardLayout, copper: Copper): boolean =>
  pinsOn(b).some((p) => p.column * b.pitch === copper.a.x && p.row * b.pitch === copper.a.y);
