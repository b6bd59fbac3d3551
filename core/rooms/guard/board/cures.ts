import type { BoardLayout, BoardSlot } from '../../../ground/job';
import { freeIn } from '../../../ground/job';
import { apartOn, apartReserve, type ApartPair, type Stands } from './apart-of';
import { copperOf, holeAt } from './surface';

/** A change of a layout that cures a pair of nets, tried. */
export interface BoardCure {
  readonly words: string;
  readonly board: BoardLayout;
}

/** A slot is sawn this wide, m: a common blade, over the least groove of every place (`floating-copper`). */
const SAWN = 1.5e-3;
/** Bare board that is left beside a slot, m. */
const LEFT = 0.5e-3;

/** Holes along the straight way between two nets. */
function holesBetween(b: BoardLayout, pair: ApartPair): BoardSlot | null {
  const ends = pair.surface.legs.flat();
  if (ends.length === 0) return null;
  const columns = ends.map((p) => p.x / b.pitch);
  const rows = ends.map((p) => p.y / b.pitch);
  return {
    id: freeIn(b.cleared, 'clear'),
    fromColumn: Math.floor(Math.min(...columns)),
    toColumn: Math.ceil(Math.max(...columns)),
    fromRow: Math.floor(Math.min(...rows)),
    toRow: Math.ceil(Math.max(...rows)),
    width: 0,
  };
}

/** Areas to free of copper: that of the way itself, and wider ones round it. */
function clearings(b: BoardLayout, pair: ApartPair): readonly BoardSlot[] {
  const area = holesBetween(b, pair);
  if (!area || b.copper === 'none') return [];
  return [0, 1, 2, 3, 4, 6, 8].map((more) => ({
    ...area,
    fromColumn: Math.max(0, area.fromColumn - more),
    fromRow: Math.max(0, area.fromRow - more),
    toColumn: Math.min(b.columns + 1, area.toColumn + more),
    toRow: Math.min(b.rows + 1, area.toRow + more),
  }));
}

/** Slots across the way between two nets: upright or level, between two rows of holes or on one, from short to long. */
function* slotsAcross(b: BoardLayout, pair: ApartPair): Generator<BoardSlot> {
  const [first, last] = [pair.surface.legs[0]?.[0], pair.surface.legs.at(-1)?.[1]];
  if (!first || !last) return;
  const mid = { column: (first.x + last.x) / 2 / b.pitch, row: (first.y + last.y) / 2 / b.pitch };
  const upright = Math.abs(last.x - first.x) >= Math.abs(last.y - first.y);
  const id = freeIn(b.slots, 'slot');
  const halves = (x: number): number[] => [Math.round(2 * x) / 2, Math.round(x), Math.floor(x) + 0.5];
  for (let long = 1; long <= Math.max(b.columns, b.rows); long++)
    for (const at of new Set(halves(upright ? mid.column : mid.row))) {
      const middle = Math.round(2 * (upright ? mid.row : mid.column)) / 2;
      const [from, to] = [Math.max(0, middle - long), Math.min((upright ? b.rows : b.columns) + 1, middle + long)];
      // A slot from edge to edge saws the board in two.
      if (from <= 0 && to >= (upright ? b.rows : b.columns) + 1) return;
      yield upright
        ? { id, fromColumn: at, toColumn: at, fromRow: from, toRow: to, width: SAWN }
        : { id, fromColumn: from, toColumn: to, fromRow: at, toRow: at, width: SAWN };
    }
}

/** A slot leaves copper that is needed alone, with some bare board beside it. */
const leavesCopper = (b: BoardLayout, s: BoardSlot): boolean =>
  copperOf(b).every(({ copper, net }) => {
    if (net === '') return true;
    const [p, q] = [holeAt(b, s.fromColumn, s.fromRow), holeAt(b, s.toColumn, s.toRow)];
    const beside = (x: number, lo: number, hi: number): number =>
      Math.max(0, Math.min(lo, hi) - x, x - Math.max(lo, hi));
    return [copper.a, copper.b].every(
      ({ x, y }) => Math.hypot(beside(x, p.x, q.x), beside(y, p.y, q.y)) > s.width / 2 + copper.r + LEFT,
    );
  });

/** Steps of a cure for all pairs, at most. */
const MOST_STEPS = 12;

/** What cures all pairs of a board, one after the other; null where one of them cannot be cured. */
export function cureAll(b: BoardLayout, stands: Stands): BoardCure | null {
  let now = b;
  for (let step = 0; step < MOST_STEPS; step++) {
    const [pair] = apartOn(now, stands).pairs;
    if (!pair || apartReserve(pair) >= 0) break;
    const [cure] = curesFor(now, stands);
    if (!cure) return null;
    now = cure.board;
  }
  const { wrong, pairs } = apartOn(now, stands);
  if (now === b || wrong.length > 0 || pairs.some((p) => apartReserve(p) < 0)) return null;
  const areas = now.cleared.length - b.cleared.length;
  const slots = now.slots.length - b.slots.length;
  const words = [
    ...(areas > 0 ? [`take the copper away in ${areas} ${areas === 1 ? 'area' : 'areas'}`] : []),
    ...(slots > 0 ? [`saw ${slots} ${slots === 1 ? 'slot' : 'slots'}`] : []),
  ];
  return { words: words.join(', and '), board: now };
}

/**
 * What cures the pair of nets that is nearest, tried on the board itself: copper taken away between them, a slot across, or both; the least
 * work first. Empty where none does, as where they are too near through the air: then parts have to move.
 */
export function curesFor(b: BoardLayout, stands: Stands): readonly BoardCure[] {
  const before = apartOn(b, stands);
  const [pair] = before.pairs;
  if (!pair || apartReserve(pair) >= 0) return [];
  const cured = (board: BoardLayout): boolean => {
    const after = apartOn(board, stands);
    if (after.wrong.length > 0) return false;
    const same = after.pairs.find((p) => p.one.id === pair.one.id && p.other.id === pair.other.id);
    return same !== undefined && apartReserve(same) >= 0;
  };
  const out: BoardCure[] = [];
  const areas = clearings(b, pair);
  const cleared = areas.map((area) => ({ ...b, cleared: [...b.cleared, area] }));
  const freed = cleared.find(cured);
  if (freed) out.push({ words: 'take the copper away between them', board: freed });
  for (const base of freed ? [b] : [b, ...cleared.slice(1, 3)]) {
    const slot = [...slotsAcross(base, pair)].find(
      (s) => leavesCopper(base, s) && cured({ ...base, slots: [...base.slots, s] }),
    );
    if (!slot) continue;
    const words = `${base === b ? '' : 'take the copper away between them, and '}saw a slot of ${SAWN * 1000} mm`;
    out.push({ words, board: { ...base, slots: [...base.slots, slot] } });
    break;
  }
  return out;
}
