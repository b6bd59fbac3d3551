import { rangeOf, VALUES, ZERO, type Element } from './element';
import type { CircuitQuantity } from './point';
import { Corners } from './worst';

/** Nodes that an element hangs on. */
const nodesOfElement = (e: Element): readonly string[] =>
  e.is === 'converter' ? [e.a, e.b, e.out] : e.is === 'channel' ? [e.a, e.b, e.gate] : [e.a, e.b];

/** A circuit in blocks that know nothing of each other: they share zero volts, and no current or level. */
export interface Blocks {
  /** The block that a quantity lies in; undefined where it is not in the circuit, or in two that no conductor joins. */
  of(q: CircuitQuantity): Corners | undefined;
}

/** Splits circuits into blocks, and keeps what was solved: a block that is the same in two states is solved once. */
export class BlockSolver {
  private readonly known = new Map<string, Corners>();

  blocks(elements: readonly Element[]): Blocks {
    const up = new Map<string, string>();
    const root = (n: string): string => {
      let r = n;
      for (let next = up.get(r); next !== undefined && next !== r; next = up.get(r)) r = next;
      return r;
    };
    const join = (a: string, b: string): void => {
      for (const n of [a, b]) if (!up.has(n)) up.set(n, n);
      up.set(root(a), root(b));
    };
    // Elements are named apart from nodes, so that a lamp and the transistor that follows it stay together.
    for (const e of elements) {
      const own = `element ${e.id}`;
      for (const n of nodesOfElement(e)) if (n !== ZERO) join(own, `node ${n}`);
      if (e.is === 'follower') join(own, `element ${e.of}`);
    }
    const parts = new Map<string, Element[]>();
    for (const e of elements) {
      const r = root(`element ${e.id}`);
      const list = parts.get(r);
      if (list) list.push(e);
      else parts.set(r, [e]);
    }
    const solvers = new Map<string, Corners>();
    const solver = (r: string): Corners | undefined => {
      const own = solvers.get(r);
      const list = parts.get(r);
      if (own || !list) return own;
      const key = keyOf(list);
      const made = this.known.get(key) ?? new Corners(list);
      this.known.set(key, made);
      solvers.set(r, made);
      return made;
    };
    return {
      of: (q) => {
        if ('amps' in q) return up.has(`element ${q.amps}`) ? solver(root(`element ${q.amps}`)) : undefined;
        const there = q.volts.filter((n) => n !== ZERO);
        if (there.some((n) => !up.has(`node ${n}`))) return undefined;
        const roots = new Set(there.map((n) => root(`node ${n}`)));
        const [only] = roots;
        return roots.size === 1 && only !== undefined ? solver(only) : undefined;
      },
    };
  }
}

/** What makes two blocks the same: their elements with all their values. */
const keyOf = (elements: readonly Element[]): string =>
  elements
    .map(
      (e) =>
        `${e.id}:${VALUES[e.is]
          .map((k) => {
            const { low, high } = rangeOf(e, k);
            return low === high ? low : `${low}~${high}`;
          })
          .join()}`,
    )
    .join('|');
