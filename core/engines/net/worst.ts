import type { Interval } from '../../ground/quantity';
import { rangeOf, usual, VALUES, type Corner, type Element } from './element';
import type { CircuitQuantity, OperatingPoint } from './point';
import { solveCircuit } from './solve';

/** Which end a value stands at, by `id key`. */
type Ends = ReadonlyMap<string, 'low' | 'high'>;

/** The lowest or the highest that a quantity can be, and the circuit at that corner. */
export interface Extreme {
  readonly value: number;
  readonly point: OperatingPoint;
  /** What does not matter is left out. */
  readonly ends: Ends;
}

const read = (p: OperatingPoint, q: CircuitQuantity): number => ('amps' in q ? p.amps(q.amps) : p.between(...q.volts));
const sidesOf = (p: OperatingPoint): string => [...p.sides.values()].join();
const keyOf = (ends: Ends): string => [...ends].map(([k, v]) => `${k}${v === 'low' ? '-' : '+'}`).join();
/** The end of each value to which slopes point. */
const towards = (slopes: ReadonlyMap<string, number>, end: 'low' | 'high'): Ends =>
  new Map([...slopes].flatMap(([key, s]) => (s === 0 ? [] : [[key, s > 0 === (end === 'high') ? 'high' : 'low']])));

/** Slopes reckon straight: what is farther than twice what they reach is left out. */
const FAR_ENOUGH = 2;
/** How often the corner is looked for again from one that changed sides. */
const AGAIN = 3;

/** A circuit of which the extremes of its quantities can be asked. */
export interface SolvedBlock {
  readonly elements: readonly Element[];
  /** Every value as it usually is. */
  readonly middle: OperatingPoint;
  extreme(q: CircuitQuantity, end: 'low' | 'high'): Extreme;
}

/** A circuit whose corners are solved once each, however many quantities are worst in the same one. */
export class Corners implements SolvedBlock {
  private readonly known = new Map<string, OperatingPoint>();
  private readonly extremes = new Map<string, Extreme>();
  private begins: readonly Extreme[] | null = null;
  private half: ReadonlyMap<string, number> | null = null;
  readonly middle: OperatingPoint;

  constructor(readonly elements: readonly Element[]) {
    this.middle = solveCircuit(elements, usual);
  }

  /**
   * The extreme of a quantity: each value stands at the end to which the quantity's own slope points. Slopes turn where an element changes
   * its side, and a side that is left only in a corner shows no slope in the middle: so it is looked for from the middle, and from the
   * corners in which each element is nearest to and farthest from its corner. The most extreme counts. NaN where the circuit does not
   * settle.
   */
  extreme(q: CircuitQuantity, end: 'low' | 'high'): Extreme {
    const key = `${end} ${'amps' in q ? q.amps : q.volts.join('~')}`;
    const known = this.extremes.get(key);
    if (known) return known;
    const found = this.lookFor(q, end);
    this.extremes.set(key, found);
    return found;
  }

  private lookFor(q: CircuitQuantity, end: 'low' | 'high'): Extreme {
    const nowhere = { value: Number.NaN, point: this.middle, ends: new Map() };
    if (!this.middle.settled) return nowhere;
    let best: Extreme = { ...nowhere, value: read(this.middle, q) };
    for (const start of this.starts()) {
      const found = this.from(start, q, end);
      if (Number.isNaN(found.value) && !found.point.settled) return found;
      if (end === 'high' ? found.value > best.value : found.value < best.value) best = found;
    }
    return best;
  }

  /** From one corner to the next, as slopes point, until sides stay. */
  private from(start: Extreme, q: CircuitQuantity, end: 'low' | 'high'): Extreme {
    let { point, ends } = start;
    let best: Extreme = { value: read(point, q), point, ends };
    for (let again = 0; again < AGAIN; again++) {
      // What has no slope here stands where it stood.
      const next: Ends = new Map([...ends, ...towards(this.slopes(point, q), end)]);
      if (again > 0 && keyOf(next) === keyOf(ends)) break;
      const now = this.at(next);
      if (!now.settled) return { value: Number.NaN, point: now, ends: next };
      const value = read(now, q);
      if (end === 'high' ? value >= best.value : value <= best.value) best = { value, point: now, ends: next };
      const same = sidesOf(now) === sidesOf(point);
      [point, ends] = [now, next];
      if (same) break;
    }
    return best;
  }

  private starts(): readonly Extreme[] {
    if (this.begins) return this.begins;
    const middle: Extreme = { value: Number.NaN, point: this.middle, ends: new Map() };
    const others = new Map<string, Extreme>();
    for (const e of this.elements) {
      const slopes = this.driven(e);
      if (!slopes || this.isFar(e, slopes)) continue;
      for (const end of ['low', 'high'] as const) {
        const ends = towards(slopes, end);
        const point = this.at(ends);
        // Where sides are as in the middle nothing new can be found from there.
        if (!point.settled || sidesOf(point) !== sidesOf(this.middle))
          others.set(point.settled ? sidesOf(point) : keyOf(ends), { value: Number.NaN, point, ends });
      }
    }
    return (this.begins = [middle, ...others.values()]);
  }

  /** Whether an element stands so far from its corner that no end of any value brings it there, as slopes reckon, with room. */
  private isFar(e: Element, slopes: ReadonlyMap<string, number>): boolean {
    let reach = 0;
    for (const [key, slope] of slopes) reach += Math.abs(slope) * (this.widths().get(key) ?? 0);
    return Math.abs(this.over(e)) > FAR_ENOUGH * reach;
  }

  /** How far an element stands over its corner in the middle, in what its slopes are told in. */
  private over(e: Element): number {
    const at = (key: string): number => rangeOf(e, key).nominal;
    const { middle } = this;
    switch (e.is) {
      case 'junction':
        return middle.between(e.a, e.b) - at('volts');
      case 'channel':
        return middle.between(e.gate, e.b) - at('fullVolts');
      case 'converter':
        return middle.between(e.a, e.b) - at('volts') - at('dropVolts');
      case 'follower':
        return at('gain') * middle.amps(e.of) - middle.amps(e.id);
      default:
        return Number.POSITIVE_INFINITY;
    }
  }

  /** Half of the width of each value that has bounds, the wider half where they are not even. */
  private widths(): ReadonlyMap<string, number> {
    if (this.half) return this.half;
    const half = new Map<string, number>();
    for (const e of this.elements)
      for (const key of VALUES[e.is]) {
        const { low, nominal, high } = rangeOf(e, key);
        if (low !== high) half.set(`${e.id} ${key}`, Math.max(nominal - low, high - nominal));
      }
    return (this.half = half);
  }

  /** Slopes of how far an element with a corner stands over it; null for one without. */
  private driven(e: Element): ReadonlyMap<string, number> | null {
    const point = this.middle;
    const sum = (...parts: readonly (readonly [factor: number, slopes: ReadonlyMap<string, number>])[]) => {
      const out = new Map<string, number>();
      for (const [factor, slopes] of parts) for (const [k, s] of slopes) out.set(k, (out.get(k) ?? 0) + factor * s);
      return out;
    };
    const own = (key: string): string => `${e.id} ${key}`;
    switch (e.is) {
      case 'junction':
        return sum([1, point.slopes({ volts: [e.a, e.b] })], [1, new Map([[own('volts'), -1]])]);
      case 'channel':
        return sum([1, point.slopes({ volts: [e.gate, e.b] })], [1, new Map([[own('fullVolts'), -1]])]);
      case 'converter':
        return sum(
          [1, point.slopes({ volts: [e.a, e.b] })],
          [
            1,
            new Map([
              [own('volts'), -1],
              [own('dropVolts'), -1],
            ]),
          ],
        );
      case 'follower': {
        const gain = rangeOf(e, 'gain').nominal;
        return sum(
          [gain, point.slopes({ amps: e.of })],
          [-1, point.slopes({ amps: e.id })],
          [1, new Map([[own('gain'), Math.abs(point.amps(e.of))]])],
        );
      }
      default:
        return null;
    }
  }

  /** Slopes of a quantity as it is read: a source's current is told as it goes out, and a converter's as it goes in, against the branch. */
  private slopes(point: OperatingPoint, q: CircuitQuantity): ReadonlyMap<string, number> {
    const slopes = point.slopes(q);
    const turned =
      'amps' in q && this.elements.some((e) => e.id === q.amps && (e.is === 'source' || e.is === 'converter'));
    return turned ? new Map([...slopes].map(([k, s]) => [k, -s])) : slopes;
  }

  private at(ends: Ends): OperatingPoint {
    const key = keyOf(ends);
    const known = this.known.get(key);
    if (known) return known;
    const corner: Corner = (id, name, range: Interval) => range[ends.get(`${id} ${name}`) ?? 'nominal'];
    const point = solveCircuit(this.elements, corner, this.middle.sides);
    this.known.set(key, point);
    return point;
  }
}
