import { present, realAt } from '../../ground/lists';
import { factored, solved, solvedAcross, type Factored } from './eliminate';
import { rangeOf, usual, VALUES, type Corner, type Element, type ElementOf } from './element';
import { nodesOf, type Nodes } from './nodes';

/** On which side of its corner an element stands. */
type Side = 'off' | 'on' | 'full';

/** A circuit at rest in one state and one corner. */
export interface OperatingPoint {
  /** False where no sides fit together within the budget: then nothing of it is to be believed. */
  readonly settled: boolean;
  /** Volts of a node against its own reference; NaN for one that is not there. */
  volts(node: string): number;
  /** Volts between two nodes; NaN where no conductor joins their parts of the circuit. */
  between(a: string, b: string): number;
  /** Amperes from `a` to `b` through an element, out of the plus of a source, and into a converter at `a`. */
  amps(id: string): number;
  /** What a converter gives at its output, A. */
  given(id: string): number;
  readonly sides: ReadonlyMap<string, Side>;
  /**
   * By how much a quantity moves for one unit more of each value that has bounds (adjoint network: Director and Rohrer, IEEE Trans. Circuit
   * Theory 16, 1969).
   */
  slopes(of: CircuitQuantity): ReadonlyMap<string, number>;
}

/** What is asked of a circuit: volts between two nodes, or amperes through a source, junction, follower or converter. */
export type CircuitQuantity = { readonly volts: readonly [a: string, b: string] } | { readonly amps: string };

/** A path to the reference that changes nothing measurable and keeps floating nodes solvable, S. */
const FAR = 1e-12;
/** Rounds in which sides may change before the circuit counts as one that does not settle. */
const ROUNDS = 60;
/** A side is left only by more than this, V and A: what stands on a corner stays. */
const NEAR_VOLTS = 1e-7;
const NEAR_AMPS = 1e-10;
/** A converter's input is found again until it moves less than this, as a share. */
const MOVED = 1e-6;

/**
 * Solves a circuit by nodal analysis with a current for each source (modified nodal analysis); junctions, followers, channels and
 * converters are linear on each side of their corners, and sides are found again until none changes. Where several would change again
 * and again, one is changed at a time, which ends for circuits of resistors and junctions (Katzenelson, Bell Syst. Tech. J. 44, 1965).
 * @param at the value of each element; usual values where nothing is said.
 */
export function solveCircuit(elements: readonly Element[], at: Corner = usual): OperatingPoint {
  const nodes = nodesOf(elements);
  const net = new Net(elements, nodes, at);
  return net.solveCircuit();
}

class Net {
  private readonly sides = new Map<string, Side>();
  /** Volts at converters' inputs and between gates and sources, as they were found last. */
  private readonly found = new Map<string, number>();
  private readonly rows = new Map<string, number>();
  private readonly size: number;
  private x: Float64Array = new Float64Array(0);
  private lu: Factored | null = null;
  /** The value of each element at this corner. */
  private readonly values = new Map<string, Readonly<Record<string, number>>>();

  constructor(
    private readonly elements: readonly Element[],
    private readonly nodes: Nodes,
    at: Corner,
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
      if (e.is !== 'resistor' && e.is !== 'source' && e.is !== 'drain') this.sides.set(e.id, 'off');
  }

  private value(id: string, key: string): number {
    return present(this.values.get(id)?.[key]);
  }

  solveCircuit(): OperatingPoint {
    const seen = new Set<string>();
    let single = false;
    let settled = false;
    for (let round = 0; round < ROUNDS && !settled; round++) {
      this.assemble();
      const wrong = this.elements.flatMap((e) => {
        const side = this.sideOf(e);
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
  private ratio(e: ElementOf<'converter'>): number {
    const efficiency = this.value(e.id, 'efficiency');
    if (efficiency === 0) return 1;
    const volts = this.value(e.id, 'volts');
    return volts / (efficiency * Math.max(this.found.get(e.id) ?? volts, volts / 4));
  }

  private conductance(e: ElementOf<'channel'>): number {
    const side = this.sides.get(e.id);
    if (side === 'off') return 0;
    const full = 1 / this.value(e.id, 'ohms');
    if (side === 'full') return full;
    const threshold = this.value(e.id, 'thresholdVolts');
    const over = (this.found.get(e.id) ?? 0) - threshold;
    return Math.max(0, (full * over) / (this.value(e.id, 'fullVolts') - threshold));
  }

  /** The side on which an element stands as the circuit is now; undefined for one that has none. */
  private sideOf(e: Element): Side | undefined {
    const v = (key: string): number => this.value(e.id, key);
    const now = this.sides.get(e.id);
    const across = this.nodeVolts(e.a) - this.nodeVolts(e.b);
    switch (e.is) {
      case 'junction':
        return now === 'off'
          ? across > v('volts') + NEAR_VOLTS
            ? 'on'
            : 'off'
          : this.current(e.id) < -NEAR_AMPS
            ? 'off'
            : 'on';
      case 'follower': {
        if (this.sides.get(e.of) === 'off') return 'off';
        const wanted = v('gain') * this.current(e.of);
        if (now === 'full') return this.current(e.id) > wanted + NEAR_AMPS ? 'on' : 'full';
        return across < v('leastVolts') - NEAR_VOLTS ? 'full' : 'on';
      }
      case 'channel': {
        const gate = this.nodeVolts(e.gate) - this.nodeVolts(e.b);
        return gate < v('thresholdVolts') ? 'off' : gate < v('fullVolts') - NEAR_VOLTS ? 'on' : 'full';
      }
      case 'converter': {
        const wanted = v('volts');
        if (e.startsAt !== null) return across < e.startsAt ? 'off' : 'full';
        return across <= v('dropVolts') ? 'off' : across < wanted + v('dropVolts') - NEAR_VOLTS ? 'on' : 'full';
      }
      default:
        return undefined;
    }
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

  private row(id: string): number {
    const r = this.rows.get(id);
    if (r === undefined) throw new RangeError(`the circuit has no junction ${id}`);
    return r;
  }
  private place(node: string): number {
    return this.nodes.place(node);
  }
  private nodeVolts(node: string): number {
    const i = this.place(node);
    return i < 0 ? 0 : realAt(this.x, i);
  }
  /** Through a branch, from `a` to `b`. */
  private current(id: string): number {
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
      slopes: (of) => this.slopes(of),
    };
  }

  private slopes(of: CircuitQuantity): ReadonlyMap<string, number> {
    const c = new Float64Array(this.size);
    const mark = (i: number, v: number): void => {
      if (i >= 0) c[i] = realAt(c, i) + v;
    };
    const through = 'amps' in of ? this.elements.find((e) => e.id === of.amps) : undefined;
    const direct = through && !this.rows.has(through.id) ? this.directly(through) : null;
    if ('amps' in of && !direct) mark(this.row(of.amps), 1);
    else {
      const [a, b] = 'volts' in of ? of.volts : [present(through).a, present(through).b];
      const g = direct?.conductance ?? 1;
      mark(this.place(a), g);
      mark(this.place(b), -g);
    }
    const y = solvedAcross(present(this.lu), c);
    const out = new Map<string, number>();
    for (const e of this.elements)
      this.slopesOf(e, y, (key, slope) => {
        const { low, high } = rangeOf(e, key);
        if (low !== high) out.set(`${e.id} ${key}`, slope);
      });
    if (direct?.own) out.set(direct.own, (out.get(direct.own) ?? 0) + direct.slope);
    return out;
  }

  /** A resistor's, a channel's or a drain's current has no row of its own: its conductance, and what its own value does to it beside that. */
  private directly(e: Element): { conductance: number; own: string; slope: number } {
    if (e.is === 'drain') return { conductance: 0, own: `${e.id} amps`, slope: 1 };
    const ohms = e.is === 'resistor' || e.is === 'channel' ? this.value(e.id, 'ohms') : Number.NaN;
    const conductance = e.is === 'channel' ? this.conductance(e) : 1 / ohms;
    const across = this.nodeVolts(e.a) - this.nodeVolts(e.b);
    return { conductance, own: `${e.id} ohms`, slope: (-across * conductance) / ohms };
  }

  /** What the adjoint voltages `y` say of one element's values. */
  private slopesOf(e: Element, y: Float64Array, tell: (key: string, slope: number) => void): void {
    const of = (node: string): number => {
      const i = this.place(node);
      return i < 0 ? 0 : realAt(y, i);
    };
    const [across, here] = [of(e.a) - of(e.b), this.nodeVolts(e.a) - this.nodeVolts(e.b)];
    const side = this.sides.get(e.id);
    const series = (volts: string): void => {
      const r = this.row(e.id);
      tell(volts, realAt(y, r));
      tell('ohms', realAt(y, r) * realAt(this.x, r));
    };
    switch (e.is) {
      case 'resistor':
        tell('ohms', (across * here) / this.value(e.id, 'ohms') ** 2);
        break;
      case 'drain':
        tell('amps', -across);
        break;
      case 'source':
        series('volts');
        break;
      case 'junction':
        if (side !== 'off') series('volts');
        break;
      case 'follower':
        if (side === 'full') series('leastVolts');
        else if (side === 'on') tell('gain', realAt(y, this.row(e.id)) * this.current(e.of));
        break;
      case 'channel':
        this.slopesOfChannel(e, across * here, tell);
        break;
      case 'converter':
        this.slopesOfConverter(e, y, across, tell);
    }
  }

  private slopesOfChannel(e: ElementOf<'channel'>, product: number, tell: (key: string, slope: number) => void): void {
    const now = this.conductance(e);
    if (now === 0) return;
    const ohms = this.value(e.id, 'ohms');
    tell('ohms', (product * now) / ohms);
    if (this.sides.get(e.id) === 'full') return;
    tell('thresholdVolts', product * now);
    tell('fullVolts', product * now);
  }

  private slopesOfConverter(
    e: ElementOf<'converter'>,
    y: Float64Array,
    across: number,
    tell: (key: string, slope: number) => void,
  ): void {
    const side = this.sides.get(e.id);
    if (side === 'off') return;
    tell('idleAmps', -across);
    if (side === 'on') return tell('dropVolts', -realAt(y, this.row(e.id)));
    tell('volts', realAt(y, this.row(e.id)));
    const efficiency = this.value(e.id, 'efficiency');
    if (efficiency !== 0) tell('efficiency', (-across * this.ratio(e) * this.current(e.id)) / efficiency);
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
