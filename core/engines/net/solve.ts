import { present, realAt } from '../../ground/lists';
import { factored, solved, type Factored } from './eliminate';
import { rangeOf, usual, VALUES, type Corner, type Element, type ElementOf } from './element';
import { nodesOf, type Nodes } from './nodes';
import type { OperatingPoint, Side, Standing } from './point';
import { sideOf } from './sides';
import { slopesOf } from './slopes';

/** A path to the reference that changes nothing measurable and keeps floating nodes solvable, S. */
const FAR = 1e-12;
/** Rounds in which sides may change before the circuit counts as one that does not settle. */
const ROUNDS = 60;
/** A converter's input is found again until it moves less than this, as a share. */
const MOVED = 1e-6;

/**
 * Solves a circuit by nodal analysis with a current for each source (modified nodal analysis); junctions, followers, channels and
 * converters are linear on each side of their corners, and sides are found again until none changes. Where several would change again
 * and again, one is changed at a time, which ends for circuits of resistors and junctions (Katzenelson, Bell Syst. Tech. J. 44, 1965).
 * @param at the value of each element; usual values where nothing is said
 * @param near on which sides elements stand to begin with, as in a corner of the same circuit; all off where nothing is said
 */
export function solveCircuit(
  elements: readonly Element[],
  at: Corner = usual,
  near: ReadonlyMap<string, Side> | null = null,
): OperatingPoint {
  const nodes = nodesOnce(elements);
  const net = new Net(elements, nodes, at, near);
  return net.solveCircuit();
}

/** A list of elements is solved at many corners, and its nodes stay. */
const NODES = new WeakMap<readonly Element[], Nodes>();
function nodesOnce(elements: readonly Element[]): Nodes {
  const known = NODES.get(elements) ?? nodesOf(elements);
  NODES.set(elements, known);
  return known;
}

class Net implements Standing {
  readonly sides = new Map<string, Side>();
  /** Volts at converters' inputs and between gates and sources, as they were found last. */
  private readonly found = new Map<string, number>();
  private readonly rows = new Map<string, number>();
  readonly size: number;
  private x: Float64Array = new Float64Array(0);
  lu: Factored | null = null;
  /** The value of each element at this corner. */
  private readonly values = new Map<string, Readonly<Record<string, number>>>();

  constructor(
    readonly elements: readonly Element[],
    private readonly nodes: Nodes,
    at: Corner,
    near: ReadonlyMap<string, Side> | null,
  ) {
    let n = nodes.count;
    for (const e of elements)
      if (e.is === 'source' || e.is === 'converter' || e.is === 'junction' || e.is === 'follower')
        this.rows.set(e.id, n++);
    this.size = n;
    for (const e of elements) {
      const own: Record<string, number> = {};
      for (const key of VALUES[e.is]) {
        const range = rangeOf(e, key);
        own[key] = range.low === range.high ? range.nominal : at(e.id, key, range);
      }
      this.values.set(e.id, own);
    }
    for (const e of elements)
      if (e.is !== 'resistor' && e.is !== 'source' && e.is !== 'drain') this.sides.set(e.id, near?.get(e.id) ?? 'off');
  }

  value(id: string, key: string): number {
    return present(this.values.get(id)?.[key]);
  }

  solveCircuit(): OperatingPoint {
    const seen = new Set<string>();
    let single = false;
    let settled = false;
    for (let round = 0; round < ROUNDS && !settled; round++) {
      this.assemble();
      const wrong = this.elements.flatMap((e) => {
        const side = sideOf(this, e);
        return side !== undefined && side !== this.sides.get(e.id) ? [{ id: e.id, side }] : [];
      });
      const moved = this.moves();
      settled = wrong.length === 0 && !moved && this.x.every(Number.isFinite);
      if (settled || wrong.length === 0) continue;
      const key = [...this.sides.values()].join();
      if (seen.has(key)) single = true;
      seen.add(key);
      for (const { id, side } of single ? wrong.slice(round % wrong.length, (round % wrong.length) + 1) : wrong)
        this.sides.set(id, side);
    }
    return this.point(settled);
  }

  /** Writes the matrix and its right side as the sides stand, and solves them. */
  private assemble(): void {
    const { size } = this;
    const m = new Float64Array(size * size);
    const add = (i: number, j: number, v: number): void => {
      if (i >= 0 && j >= 0) m[i * size + j] = realAt(m, i * size + j) + v;
    };
    const drive = new Float64Array(size);
    const right = (i: number, v: number): void => {
      if (i >= 0) drive[i] = realAt(drive, i) + v;
    };
    for (let i = 0; i < this.nodes.count; i++) add(i, i, FAR);
    const conduct = (a: number, b: number, g: number): void => {
      add(a, a, g);
      add(b, b, g);
      add(a, b, -g);
      add(b, a, -g);
    };
    const branch = (a: number, b: number, r: number, volts: number, ohms: number): void => {
      add(a, r, 1);
      add(b, r, -1);
      add(r, a, 1);
      add(r, b, -1);
      add(r, r, -ohms);
      right(r, volts);
    };
    for (const e of this.elements) {
      const a = this.place(e.a);
      const b = this.place(e.b);
      const v = (key: string): number => this.value(e.id, key);
      switch (e.is) {
        case 'resistor':
          conduct(a, b, 1 / v('ohms'));
          break;
        case 'drain':
          right(a, -v('amps'));
          right(b, v('amps'));
          break;
        case 'source': {
          // Its current goes out at plus: the branch is written from plus to minus, and what it gives is the negative.
          branch(a, b, this.row(e.id), v('volts'), v('ohms'));
          break;
        }
        case 'junction':
          if (this.sides.get(e.id) === 'off') add(this.row(e.id), this.row(e.id), 1);
          else branch(a, b, this.row(e.id), v('volts'), v('ohms'));
          break;
        case 'follower':
          this.follow(e, a, b, add, right, branch);
          break;
        case 'channel':
          conduct(a, b, this.conductance(e));
          break;
        case 'converter':
          this.convert(e, a, b, add, right, branch);
      }
    }
    this.lu = factored(m, size);
    this.x = solved(this.lu, drive);
  }

  private follow(e: ElementOf<'follower'>, a: number, b: number, add: Add, right: Right, branch: Branch): void {
    const r = this.row(e.id);
    const side = this.sides.get(e.id);
    if (side === 'full') {
      branch(a, b, r, this.value(e.id, 'leastVolts'), this.value(e.id, 'ohms'));
      return;
    }
    add(a, r, 1);
    add(b, r, -1);
    add(r, r, 1);
    if (side === 'on') add(r, this.row(e.of), -this.value(e.id, 'gain'));
    right(r, 0);
  }

  private convert(e: ElementOf<'converter'>, a: number, b: number, add: Add, right: Right, branch: Branch): void {
    const r = this.row(e.id);
    const out = this.place(e.out);
    const side = this.sides.get(e.id);
    const idle = this.value(e.id, 'idleAmps');
    if (side === 'off') {
      // Nothing comes: its output lies on its ground through what hangs on it.
      add(r, r, 1);
      return;
    }
    if (side === 'on') {
      // Too little: what comes, less its drop; current goes through as it is.
      add(out, r, 1);
      add(a, r, -1);
      add(r, out, 1);
      add(r, a, -1);
      right(r, -this.value(e.id, 'dropVolts'));
    } else {
      branch(out, b, r, this.value(e.id, 'volts'), 0);
      const k = this.ratio(e);
      // What it takes at its input for each ampere that it gives; it comes back over its ground.
      add(a, r, -k);
      add(b, r, k);
    }
    right(a, -idle);
    right(b, idle);
  }

  /** Amperes in for each ampere out. */
  ratio(e: ElementOf<'converter'>): number {
    const efficiency = this.value(e.id, 'efficiency');
    if (efficiency === 0) return 1;
    const volts = this.value(e.id, 'volts');
    return volts / (efficiency * Math.max(this.found.get(e.id) ?? volts, volts / 4));
  }

  conductance(e: ElementOf<'channel'>): number {
    const side = this.sides.get(e.id);
    if (side === 'off') return 0;
    const full = 1 / this.value(e.id, 'ohms');
    if (side === 'full') return full;
    const threshold = this.value(e.id, 'thresholdVolts');
    const over = (this.found.get(e.id) ?? 0) - threshold;
    return Math.max(0, (full * over) / (this.value(e.id, 'fullVolts') - threshold));
  }

  /** Finds what converters and half-open channels stand on again; whether any of it moved. */
  private moves(): boolean {
    let moved = false;
    for (const e of this.elements) {
      const now =
        e.is === 'converter'
          ? this.nodeVolts(e.a) - this.nodeVolts(e.b)
          : e.is === 'channel' && this.sides.get(e.id) === 'on'
            ? this.nodeVolts(e.gate) - this.nodeVolts(e.b)
            : undefined;
      if (now === undefined) continue;
      const before = this.found.get(e.id);
      if (before === undefined || Math.abs(now - before) > MOVED * Math.max(1, Math.abs(now))) moved = true;
      this.found.set(e.id, now);
    }
    return moved;
  }

  row(id: string): number {
    const r = this.rows.get(id);
    if (r === undefined) throw new RangeError(`the circuit has no junction ${id}`);
    return r;
  }
  hasRow(id: string): boolean {
    return this.rows.has(id);
  }
  place(node: string): number {
    return this.nodes.place(node);
  }
  nodeVolts(node: string): number {
    const i = this.place(node);
    return i < 0 ? 0 : realAt(this.x, i);
  }
  /** Through a branch, from `a` to `b`. */
  current(id: string): number {
    return realAt(this.x, this.row(id));
  }

  private point(settled: boolean): OperatingPoint {
    const by = new Map(this.elements.map((e) => [e.id, e]));
    const volts = (node: string): number => (this.nodes.has(node) ? this.nodeVolts(node) : Number.NaN);
    return {
      settled,
      volts,
      between: (a, b) =>
        this.nodes.has(a) && this.nodes.has(b) && this.nodes.joined(a, b) ? volts(a) - volts(b) : Number.NaN,
      amps: (id) => {
        const e = by.get(id);
        if (!e) return Number.NaN;
        switch (e.is) {
          case 'resistor':
            return (volts(e.a) - volts(e.b)) / this.value(id, 'ohms');
          case 'drain':
            return this.value(id, 'amps');
          case 'channel':
            return (volts(e.a) - volts(e.b)) * this.conductance(e);
          case 'source':
            return -this.current(id);
          case 'converter':
            return this.taken(e);
          default:
            return this.current(id);
        }
      },
      given: (id) => (by.get(id)?.is === 'converter' ? this.givenBy(id) : Number.NaN),
      sides: this.sides,
      slopes: (of) => slopesOf(this, of),
    };
  }

  private givenBy(id: string): number {
    return this.sides.get(id) === 'off' ? 0 : -this.current(id);
  }
  private taken(e: ElementOf<'converter'>): number {
    const side = this.sides.get(e.id);
    if (side === 'off') return 0;
    return this.givenBy(e.id) * (side === 'on' ? 1 : this.ratio(e)) + this.value(e.id, 'idleAmps');
  }
}

type Add = (i: number, j: number, v: number) => void;
type Right = (i: number, v: number) => void;
type Branch = (a: number, b: number, r: number, volts: number, ohms: number) => void;
