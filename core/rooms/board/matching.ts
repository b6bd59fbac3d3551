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
  const u = new Float64Array(n + 1);
  const v = new Float64Array(m + 1);
  // Row that each column belongs to, 1-based; 0 is none.
  const owner = new Int32Array(m + 1);
  const way = new Int32Array(m + 1);
  for (let row = 1; row <= n; row++) {
    owner[0] = row;
    let column = 0;
    const least = new Float64Array(m + 1).fill(Number.POSITIVE_INFINITY);
    const done = new Uint8Array(m + 1);
    do {
      done[column] = 1;
      const at = owner[column]!;
      let delta = Number.POSITIVE_INFINITY;
      let next = -1;
      for (let j = 1; j <= m; j++) {
        if (done[j]) continue;
        const c = costs[at - 1]![j - 1]!;
        const reduced = c === FORBIDDEN ? c : c - u[at]! - v[j]!;
        if (reduced < least[j]!) {
          least[j] = reduced;
          way[j] = column;
        }
        if (least[j]! < delta) {
          delta = least[j]!;
          next = j;
        }
      }
      if (next < 0) return null;
      for (let j = 0; j <= m; j++) {
        if (done[j]) {
          u[owner[j]!]! += delta;
          v[j]! -= delta;
        } else least[j]! -= delta;
      }
      column = next;
    } while (owner[column] !== 0);
    while (column !== 0) {
      const from = way[column]!;
      owner[column] = owner[from]!;
      column = from;
    }
  }
  const columns = new Array<number>(n).fill(-1);
  for (let j = 1; j <= m; j++) if (owner[j]) columns[owner[j]! - 1] = j - 1;
  return { columns, cost: columns.reduce((s, c, i) => s + costs[i]![c]!, 0) };
}
