import { itemAt, present } from '../../ground/lists';
import { nodesOfElement, Renamed, likenessOf, valuesOf } from './alike';
import { ZERO, type Element } from './element';
import type { CircuitQuantity } from './point';
import { Corners, type SolvedBlock } from './worst';

/** A circuit in blocks that know nothing of each other: they share zero volts, and no current or level. */
export interface Blocks {
  /** The block that a quantity lies in; undefined where it is not in the circuit, or in two that no conductor joins. */
  of(q: CircuitQuantity): SolvedBlock | undefined;
}

/** Sets that are joined one by one, each told by one of its members. */
class Joined {
  private readonly up: number[] = [];
  add(): number {
    return this.up.push(this.up.length) - 1;
  }
  root(i: number): number {
    let r = i;
    for (let next = itemAt(this.up, r); next !== r; next = itemAt(this.up, r)) r = next;
    this.up[i] = r;
    return r;
  }
  join(a: number, b: number): void {
    this.up[this.root(a)] = this.root(b);
  }
}

/** Splits circuits into blocks, and keeps what was solved: blocks that are the same but for their names are solved once. */
export class BlockSolver {
  private readonly known = new Map<string, SolvedBlock>();
  private readonly shapes = new Map<string, SolvedBlock>();

  blocks(elements: readonly Element[]): Blocks {
    const joined = new Joined();
    // Elements stand apart from nodes, so that a lamp and the transistor that follows it stay together.
    const nodes = new Map<string, number>();
    const own = new Map(elements.map((e) => [e.id, joined.add()]));
    for (const e of elements) {
      const i = present(own.get(e.id));
      for (const n of nodesOfElement(e))
        if (n !== ZERO) {
          const node = nodes.get(n) ?? joined.add();
          nodes.set(n, node);
          joined.join(node, i);
        }
      const followed = e.is === 'follower' ? own.get(e.of) : undefined;
      if (followed !== undefined) joined.join(followed, i);
    }
    const parts = new Map<number, Element[]>();
    for (const e of elements) {
      const r = joined.root(present(own.get(e.id)));
      const list = parts.get(r);
      if (list) list.push(e);
      else parts.set(r, [e]);
    }
    const solvers = new Map<number, SolvedBlock>();
    const solver = (member: number): SolvedBlock => {
      const r = joined.root(member);
      const before = solvers.get(r);
      if (before) return before;
      const list = present(parts.get(r));
      const key = list.map((e) => `${e.id}:${valuesOf(e)}`).join('|');
      const made = this.known.get(key) ?? this.solve(list);
      this.known.set(key, made);
      solvers.set(r, made);
      return made;
    };
    return {
      of: (q) => {
        if ('amps' in q) {
          const i = own.get(q.amps);
          return i === undefined ? undefined : solver(i);
        }
        const [a, b] = q.volts.filter((n) => n !== ZERO).map((n) => nodes.get(n) ?? -1);
        if (a === undefined || a < 0 || b === -1) return undefined;
        return b === undefined || joined.root(a) === joined.root(b) ? solver(a) : undefined;
      },
    };
  }

  private solve(elements: readonly Element[]): SolvedBlock {
    const shape = likenessOf(elements);
    const alike = this.shapes.get(shape);
    if (alike) return new Renamed(elements, alike);
    const made = new Corners(elements);
    this.shapes.set(shape, made);
    return made;
  }
}
