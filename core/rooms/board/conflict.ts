import { firstItem, itemAt, present } from '../../ground/lists';
/** Rows that cannot all have a column of their own, since together they have fewer than there are rows. */
export interface Conflict {
  readonly rows: readonly number[];
  /** All the columns that any of them may take. */
  readonly columns: readonly number[];
}

/** Kinds of rows and of columns that are gone through to the last; a number has 31 bits to tell kinds of columns apart. */
const MOST_ROW_KINDS = 20;
const MOST_COLUMN_KINDS = 31;

/**
 * The smallest set of rows that has fewer columns than rows: by Hall's theorem (P. Hall, J. London Math. Soc. 10 (1935) 26) the
 * reason why not all can have one. Null where all can. Rows that may take the very same columns stand for one another, and so do
 * columns that the very same rows may take; unions of what such kinds of rows may take are gone through, those with more columns
 * than the best so far not at all. Beyond 20 kinds of rows or 31 of columns, the set is one of which no row can be left out.
 * @param allowed by row and column.
 */
export function smallestConflict(allowed: readonly (readonly boolean[])[]): Conflict | null {
  const seed = unmatched(allowed);
  if (!seed) return null;
  const columnKinds = kindsOf((allowed[0] ?? []).map((_, j) => allowed.map((row) => (row[j] ? '1' : '0')).join('')));
  const rowKinds = kindsOf(allowed.map((row) => row.map((yes) => (yes ? '1' : '0')).join('')));
  const exact = rowKinds.length <= MOST_ROW_KINDS && columnKinds.length <= MOST_COLUMN_KINDS;
  const rows = exact ? smallest(allowed, rowKinds, columnKinds, seed) : withoutNeedless(allowed, seed);
  return { rows, columns: columnsOf(allowed, rows) };
}

/** Indices of equal keys together. */
function kindsOf(keys: readonly string[]): readonly (readonly number[])[] {
  const kinds = new Map<string, number[]>();
  keys.forEach((key, i) => {
    const kind = kinds.get(key);
    if (kind) kind.push(i);
    else kinds.set(key, [i]);
  });
  return [...kinds.values()];
}

const columnsOf = (allowed: readonly (readonly boolean[])[], rows: readonly number[]): number[] =>
  (allowed[0] ?? []).flatMap((_, j) => (rows.some((i) => itemAt(allowed, i)[j]) ? [j] : []));

function smallest(
  allowed: readonly (readonly boolean[])[],
  rowKinds: readonly (readonly number[])[],
  columnKinds: readonly (readonly number[])[],
  seed: readonly number[],
): readonly number[] {
  const weights = columnKinds.map((k) => k.length);
  const sizes = new Map<number, number>();
  const sizeOf = (mask: number): number => {
    let size = sizes.get(mask);
    if (size === undefined) {
      size = weights.reduce((s, w, k) => ((mask >>> k) & 1 ? s + w : s), 0);
      sizes.set(mask, size);
    }
    return size;
  };
  const kinds = rowKinds
    .map((rows) => ({
      rows,
      mask: columnKinds.reduce((m, [j], k) => (itemAt(allowed, firstItem(rows))[present(j)] ? m | (1 << k) : m), 0),
    }))
    .sort((a, b) => sizeOf(a.mask) - sizeOf(b.mask));
  let best = columnsOf(allowed, seed).length;
  let found: readonly number[] = seed;
  const walk = (from: number, union: number): void => {
    const size = sizeOf(union);
    if (size > best) return;
    const rows = kinds.reduce((n, k) => ((k.mask & ~union) === 0 ? n + k.rows.length : n), 0);
    if (rows > size && (size < best || found === seed)) {
      best = size;
      // One row more than there are columns is enough.
      found = kinds.flatMap((k) => ((k.mask & ~union) === 0 ? k.rows : [])).slice(0, size + 1);
      return;
    }
    for (let k = from; k < kinds.length; k++) {
      const more = union | itemAt(kinds, k).mask;
      if (more !== union) walk(k + 1, more);
    }
  };
  walk(0, 0);
  return [...found].sort((a, b) => a - b);
}

/** Rows of a conflict without those that it does not need. */
function withoutNeedless(allowed: readonly (readonly boolean[])[], rows: readonly number[]): readonly number[] {
  let left = rows;
  for (const row of rows) {
    const less = left.filter((r) => r !== row);
    if (unmatched(less.map((r) => itemAt(allowed, r)))) left = less;
  }
  return left;
}

/** Rows that have too few columns: those that augmenting paths from an unmatched row reach; null where all are matched. */
function unmatched(allowed: readonly (readonly boolean[])[]): readonly number[] | null {
  const owner = new Map<number, number>();
  const place = (row: number, seen: Set<number>): boolean => {
    for (const [j, yes] of itemAt(allowed, row).entries()) {
      if (!yes || seen.has(j)) continue;
      seen.add(j);
      const other = owner.get(j);
      if (other === undefined || place(other, seen)) {
        owner.set(j, row);
        return true;
      }
    }
    return false;
  };
  for (const row of allowed.keys()) {
    const seen = new Set<number>();
    if (!place(row, seen)) return [row, ...[...seen].map((j) => present(owner.get(j)))].sort((a, b) => a - b);
  }
  return null;
}
