import { intAt, itemAt, realAt } from '../../ground/lists';
/** Cost of a pair that may not be. */
export const FORBIDDEN = Number.POSITIVE_INFINITY;

/** Which column each row takes, and the sum of what that costs; null where not every row can have one. */
export interface Matching {
  readonly columns: readonly number[];
  readonly cost: number;
}

/**
 * The cheapest way to give every row a column of its own, exactly: successive shortest augmenting paths with potentials, which
 * takes rows² · columns steps. Costs are finite numbers, or `FORBIDDEN`.
 * Source: R. Jonker and A. Volgenant, Computing 38 (1987) 325–340.
 */
export function cheapest(costs: readonly (readonly number[])[]): Matching | null {
  const n = costs.length;
  const m = costs[0]?.length ?? 0;
  if (n === 0) return { columns: [], cost: 0 };
  if (m < n) return null;
  const state: Assigning = {
    costs,
    u: new Float64Array(n + 1),
    v: new Float64Array(m + 1),
    owner: new Int32Array(m + 1),
    way: new Int32Array(m + 1),
  };
  for (let row = 1; row <= n; row++) if (!addRow(state, row, m)) return null;
  const columns = new Array<number>(n).fill(-1);
  state.owner.forEach((row, j) => {
    if (j > 0 && row > 0) columns[row - 1] = j - 1;
  });
  return { columns, cost: columns.reduce((s, c, i) => s + itemAt(itemAt(costs, i), c), 0) };
}

/** Rows and columns are 1-based here; 0 is none. */
interface Assigning {
  readonly costs: readonly (readonly number[])[];
  /** Potentials of the rows and of the columns. */
  readonly u: Float64Array;
  readonly v: Float64Array;
  /** Row that each column belongs to. */
  readonly owner: Int32Array;
  /** The column before each on the shortest path so far. */
  readonly way: Int32Array;
}

/** One more row on the shortest augmenting path; false where it can have no column. */
function addRow(s: Assigning, row: number, m: number): boolean {
  const { owner, way } = s;
  owner[0] = row;
  const least = new Float64Array(m + 1).fill(Number.POSITIVE_INFINITY);
  const done = new Uint8Array(m + 1);
  let column = 0;
  do {
    done[column] = 1;
    reach(s, column, least, done);
    const next = nearest(least, done);
    if (next < 0) return false;
    shift(s, least, done, realAt(least, next));
    column = next;
  } while (owner[column] !== 0);
  while (column !== 0) {
    const from = intAt(way, column);
    owner[column] = intAt(owner, from);
    column = from;
  }
  return true;
}

/** What the columns cost that can be reached over this one. */
function reach(s: Assigning, column: number, least: Float64Array, done: Uint8Array): void {
  const at = intAt(s.owner, column);
  const own = itemAt(s.costs, at - 1);
  for (let j = 1; j < least.length; j++) {
    if (done[j]) continue;
    const c = itemAt(own, j - 1);
    const reduced = c === FORBIDDEN ? c : c - realAt(s.u, at) - realAt(s.v, j);
    if (reduced < realAt(least, j)) {
      least[j] = reduced;
      s.way[j] = column;
    }
  }
}

/** The cheapest column that is not done; -1 where none can be reached. */
function nearest(least: Float64Array, done: Uint8Array): number {
  let best = -1;
  let delta = Number.POSITIVE_INFINITY;
  for (let j = 1; j < least.length; j++)
    if (!done[j] && realAt(least, j) < delta) {
      delta = realAt(least, j);
      best = j;
    }
  return best;
}

function shift({ u, v, owner }: Assigning, least: Float64Array, done: Uint8Array, delta: number): void {
  for (let j = 0; j < least.length; j++) {
    if (done[j]) {
      const row = intAt(owner, j);
      u[row] = realAt(u, row) + delta;
      v[j] = realAt(v, j) - delta;
    } else least[j] = realAt(least, j) - delta;
  }
}
