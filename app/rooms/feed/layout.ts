import { hierarchy, tree, type HierarchyNode, type HierarchyPointNode } from 'd3-hierarchy';
import type { FeedRow } from '../../../core/rooms/feed';

/** Size of a part as it is drawn, px, and the room from one to the next. */
export const BOX = { width: 148, height: 46 } as const;
const ROW = 58;
const LEAST_COLUMN = 176;

/** A part with its place, and the way from what it hangs on. */
export interface PlacedRow {
  readonly row: FeedRow;
  readonly x: number;
  readonly y: number;
  /** Middle line of the band from its parent to it; empty for a source. */
  readonly path: string;
}

/** How far a part is set in from what it hangs on where the tree stands upright, px, and where its band leaves that. */
const INDENT = 40;
const STEM = 16;

interface Branch {
  readonly row: FeedRow | null;
  readonly children: Branch[];
}

/**
 * Parts from the left to the right by what they hang on, none over another (Reingold and Tilford, by d3-hierarchy); where there is no width
 * for three of them, one below the other.
 */
export function placeRows(
  rows: readonly FeedRow[],
  wide: number,
): { placed: PlacedRow[]; width: number; height: number } {
  if (rows.length === 0) return { placed: [], width: wide, height: 0 };
  const branches = new Map(rows.map((row): [string, Branch] => [row.id, { row, children: [] }]));
  const root: Branch = { row: null, children: [] };
  for (const row of rows) (branches.get(row.from) ?? root).children.push(branches.get(row.id)!);
  if (wide < BOX.width + 2 * LEAST_COLUMN) return upright(hierarchy(root), wide);
  const laid = tree<Branch>()
    .nodeSize([ROW, 1])
    .separation(() => 1)(hierarchy(root));
  const nodes = laid.descendants().filter((n) => n.data.row !== null);
  const deepest = Math.max(...nodes.map((n) => n.depth));
  const column = Math.max(LEAST_COLUMN, deepest > 1 ? (wide - BOX.width) / (deepest - 1) : 0);
  const top = Math.min(...nodes.map((n) => n.x));
  const x = (n: HierarchyPointNode<Branch>): number => (n.depth - 1) * column;
  const y = (n: HierarchyPointNode<Branch>): number => n.x - top;
  return {
    width: (deepest - 1) * column + BOX.width,
    height: Math.max(...nodes.map(y)) + BOX.height,
    placed: nodes.map((n) => {
      const from = n.parent?.data.row ? n.parent : null;
      const [x0, y0] = from ? [x(from) + BOX.width, y(from) + BOX.height / 2] : [0, 0];
      const [x1, y1] = [x(n), y(n) + BOX.height / 2];
      const middle = (x0 + x1) / 2;
      return {
        row: n.data.row!,
        x: x(n),
        y: y(n),
        path: from ? `M${x0} ${y0}C${middle} ${y0} ${middle} ${y1} ${x1} ${y1}` : '',
      };
    }),
  };
}

/** One part below the other, each set in under what it hangs on: whole on a phone. */
function upright(root: HierarchyNode<Branch>, wide: number): { placed: PlacedRow[]; width: number; height: number } {
  const nodes: HierarchyNode<Branch>[] = [];
  root.eachBefore((n) => void (n.data.row && nodes.push(n)));
  const deepest = Math.max(...nodes.map((n) => n.depth));
  const indent = deepest > 1 ? Math.min(INDENT, (wide - BOX.width) / (deepest - 1)) : 0;
  const at = new Map(nodes.map((n, i) => [n, { x: (n.depth - 1) * indent, y: i * ROW }]));
  return {
    width: wide,
    height: (nodes.length - 1) * ROW + BOX.height,
    placed: nodes.map((n) => {
      const { x, y } = at.get(n)!;
      const from = n.parent && at.get(n.parent);
      const middle = y + BOX.height / 2;
      const path = from
        ? `M${from.x + STEM} ${from.y + BOX.height}C${from.x + STEM} ${middle} ${x} ${middle} ${x} ${middle}`
        : '';
      return { row: n.data.row!, x, y, path };
    }),
  };
}
