import type { Interval } from '../../ground/quantity';
import { usual, type Corner, type Element } from './element';
import { solveCircuit, type OperatingPoint, type CircuitQuantity } from './solve';

/** The lowest or the highest that a quantity can be, and the circuit at that corner. */
export interface Extreme {
  readonly value: number;
  readonly point: OperatingPoint;
  /** Which end of each value it is at, by `id key`; what does not matter is left out. */
  readonly ends: ReadonlyMap<string, 'low' | 'high'>;
}

const read = (p: OperatingPoint, q: CircuitQuantity): number => ('amps' in q ? p.amps(q.amps) : p.between(...q.volts));

/** A circuit whose corners are solved once each, however many quantities are worst in the same one. */
export class Corners {
  private readonly known = new Map<string, OperatingPoint>();
  readonly middle: OperatingPoint;

  constructor(readonly elements: readonly Element[]) {
    this.middle = solveCircuit(elements, usual);
  }

  /**
   * The extreme of a quantity: each value stands at the end to which the quantity's own slope points, in the middle first and then in the
   * corner that this gives, since slopes turn where an element changes its side. The more extreme of both counts.
   * NaN where the circuit does not settle.
   */
  extreme(q: CircuitQuantity, end: 'low' | 'high'): Extreme {
    let ends = this.endsOf(this.middle, q, end);
    let best: Extreme = { value: read(this.middle, q), point: this.middle, ends: new Map() };
    if (!this.middle.settled) return { ...best, value: Number.NaN };
    for (let again = 0; again < 2; again++) {
      const point = this.at(ends);
      if (!point.settled) return { value: Number.NaN, point, ends };
      const value = read(point, q);
      if (again === 0 || (end === 'high' ? value > best.value : value < best.value)) best = { value, point, ends };
      // Slopes turn only where an element changed its side.
      if (sidesOf(point) === sidesOf(this.middle)) break;
      const next = this.endsOf(point, q, end);
      if (keyOf(next) === keyOf(ends)) break;
      ends = next;
    }
    return best;
  }

  private endsOf(point: OperatingPoint, q: CircuitQuantity, end: 'low' | 'high'): Map<string, 'low' | 'high'> {
    const out = new Map<string, 'low' | 'high'>();
    const sign = 'amps' in q && this.turned(q.amps) ? -1 : 1;
    for (const [key, slope] of point.slopes(q))
      if (slope !== 0) out.set(key, sign * slope > 0 === (end === 'high') ? 'high' : 'low');
    return out;
  }

  /** A source's current is told as it goes out, and a converter's as it goes in: against the branch. */
  private turned(id: string): boolean {
    return this.elements.some((e) => e.id === id && (e.is === 'source' || e.is === 'converter'));
  }

  private at(ends: ReadonlyMap<string, 'low' | 'high'>): OperatingPoint {
    const key = keyOf(ends);
    const known = this.known.get(key);
    if (known) return known;
    const corner: Corner = (id, name, range: Interval) => range[ends.get(`${id} ${name}`) ?? 'nominal'];
    const point = solveCircuit(this.elements, corner);
    this.known.set(key, point);
    return point;
  }
}

const sidesOf = (p: OperatingPoint): string => [...p.sides.values()].join();
const keyOf = (ends: ReadonlyMap<string, 'low' | 'high'>): string =>
  [...ends].map(([k, v]) => `${k}${v === 'low' ? '-' : '+'}`).join();
