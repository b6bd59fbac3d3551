import { itemAt } from '../../ground/lists';
import { rangeOf, VALUES, ZERO, type Element } from './element';
import type { CircuitQuantity, OperatingPoint, Side } from './point';
import type { Extreme, SolvedBlock } from './worst';

/** Nodes that an element hangs on. */
export const nodesOfElement = (e: Element): readonly string[] =>
  e.is === 'converter' ? [e.a, e.b, e.out] : e.is === 'channel' ? [e.a, e.b, e.gate] : [e.a, e.b];

const TEXTS = new WeakMap<Element, string>();
/** All values of an element. Elements that no state changes are the same object, and are written once. */
export function valuesOf(e: Element): string {
  const known = TEXTS.get(e);
  if (known !== undefined) return known;
  const values = VALUES[e.is].map((k) => {
    const { low, nominal, high } = rangeOf(e, k);
    return low === high ? low : `${low}~${nominal}~${high}`;
  });
  const text = e.is === 'converter' ? `${values.join()},${String(e.startsAt)}` : values.join();
  TEXTS.set(e, text);
  return text;
}

/** Numbers for names, in the order in which they come. */
const numbered = (names: Iterable<string>): ReadonlyMap<string, number> => {
  const out = new Map<string, number>();
  for (const n of names) if (!out.has(n)) out.set(n, out.size);
  return out;
};
const nodesIn = (elements: readonly Element[]): ReadonlyMap<string, number> =>
  numbered(elements.flatMap((e) => nodesOfElement(e)).filter((n) => n !== ZERO));

/** What two circuits that differ by nothing but names have in common. */
export function likenessOf(elements: readonly Element[]): string {
  const nodes = nodesIn(elements);
  const ids = numbered(elements.map((e) => e.id));
  return elements
    .map((e) => {
      const at = nodesOfElement(e).map((n) => nodes.get(n) ?? 'z');
      return `${e.is} ${at.join()} ${e.is === 'follower' ? String(ids.get(e.of)) : ''} ${valuesOf(e)}`;
    })
    .join('|');
}

/** A solved circuit by the names of another one of the same shape. */
export class Renamed implements SolvedBlock {
  private readonly base: ReadonlyMap<string, string>;
  private readonly own: ReadonlyMap<string, string>;
  private readonly nodes: ReadonlyMap<string, string>;
  readonly middle: OperatingPoint;

  constructor(
    readonly elements: readonly Element[],
    private readonly solved: SolvedBlock,
  ) {
    const others = solved.elements;
    this.base = new Map(elements.map((e, i) => [e.id, itemAt(others, i).id]));
    this.own = new Map(elements.map((e, i) => [itemAt(others, i).id, e.id]));
    const theirs = [...nodesIn(others).keys()];
    this.nodes = new Map([...nodesIn(elements)].map(([n, i]) => [n, itemAt(theirs, i)]));
    this.middle = this.seen(solved.middle);
  }

  extreme(q: CircuitQuantity, end: 'low' | 'high'): Extreme {
    const { value, point, ends } = this.solved.extreme(this.theirs(q), end);
    return { value, point: this.seen(point), ends: new Map([...ends].map(([key, at]) => [this.keyOf(key), at])) };
  }

  private theirs(q: CircuitQuantity): CircuitQuantity {
    return 'amps' in q ? { amps: this.idOf(q.amps) } : { volts: [this.nodeOf(q.volts[0]), this.nodeOf(q.volts[1])] };
  }
  // What is not in the circuit is not in the other one either, by whatever name.
  private idOf(id: string): string {
    return this.base.get(id) ?? NOWHERE;
  }
  private nodeOf(node: string): string {
    return node === ZERO ? ZERO : (this.nodes.get(node) ?? NOWHERE);
  }
  /** A key of a value, `id key`, by its own name. */
  private keyOf(key: string): string {
    const cut = key.lastIndexOf(' ');
    return `${this.own.get(key.slice(0, cut)) ?? NOWHERE}${key.slice(cut)}`;
  }

  private seen(p: OperatingPoint): OperatingPoint {
    return {
      settled: p.settled,
      volts: (node) => p.volts(this.nodeOf(node)),
      between: (a, b) => p.between(this.nodeOf(a), this.nodeOf(b)),
      amps: (id) => p.amps(this.idOf(id)),
      given: (id) => p.given(this.idOf(id)),
      sides: new Map([...p.sides].map(([id, side]): [string, Side] => [this.own.get(id) ?? NOWHERE, side])),
      slopes: (of) => new Map([...p.slopes(this.theirs(of))].map(([key, s]) => [this.keyOf(key), s])),
    };
  }
}
const NOWHERE = 'nowhere';
