import { present } from '../../ground/lists';
import { ZERO, type Element } from './element';

/** The unknown nodes of a circuit; each part of it that no conductor joins to another has one reference. */
export interface Nodes {
  readonly count: number;
  /** Place of a node among the unknown; −1 for a reference. */
  place(node: string): number;
  has(node: string): boolean;
  /** Whether a conductor joins the parts that two nodes lie in. */
  joined(a: string, b: string): boolean;
}

/**
 * Parts of a circuit by what conducts between them. A lamp of a coupler and its transistor, a coil and its contact, are in two parts;
 * a gate, which takes no current, is in the part of its source.
 */
export function nodesOf(elements: readonly Element[]): Nodes {
  const up = new Map<string, string>();
  const root = (n: string): string => {
    let r = n;
    for (let next = up.get(r); next !== undefined && next !== r; next = up.get(r)) r = next;
    return r;
  };
  const join = (a: string, b: string): void => {
    for (const n of [a, b]) if (!up.has(n)) up.set(n, n);
    const [from, to] = [root(a), root(b)];
    // Zero stays the reference of the part that it is in.
    if (from !== to) up.set(from === ZERO ? to : from, from === ZERO ? from : to);
  };
  for (const e of elements) {
    join(e.a, e.b);
    if (e.is === 'converter') join(e.out, e.b);
    if (e.is === 'channel') join(e.gate, e.b);
  }
  const places = new Map<string, number>();
  for (const n of up.keys()) if (root(n) !== n && n !== ZERO) places.set(n, places.size);
  return {
    count: places.size,
    place: (node) => places.get(node) ?? -1,
    has: (node) => up.has(node),
    joined: (a, b) => present(root(a)) === root(b),
  };
}
