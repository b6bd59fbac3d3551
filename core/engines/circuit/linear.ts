/** A branch between two named nodes: a source of `volts` (from `a` to `b`, zero for a plain resistor) in series with `ohms` (> 0). */
export interface Branch {
  readonly a: string;
  readonly b: string;
  readonly ohms: number;
  readonly volts?: number;
}

/** Node voltages of a resistive network, V, by name. */
export type NodeVolts = Readonly<Record<string, number>>;

/** Nodes that the scratch below has room for at first; it grows with the network. */
let room = 0;
let matrix = new Float64Array(0);
let volts = new Float64Array(0);
/** Unknown nodes of the network in hand, without the reference: their voltages stand in `volts` in the same order. */
const names: string[] = [];

function place(name: string, reference: string): number {
  if (name === reference) return -1;
  for (let i = 0; i < names.length; i++) if (names[i] === name) return i;
  return names.push(name) - 1;
}

function stamp(i: number, j: number, size: number, g: number, amps: number): void {
  const row = size + 1;
  if (i >= 0) {
    matrix[i * row + i] = matrix[i * row + i]! + g;
    matrix[i * row + size] = matrix[i * row + size]! + amps;
    if (j >= 0) matrix[i * row + j] = matrix[i * row + j]! - g;
  }
  if (j >= 0) {
    matrix[j * row + j] = matrix[j * row + j]! + g;
    matrix[j * row + size] = matrix[j * row + size]! - amps;
    if (i >= 0) matrix[j * row + i] = matrix[j * row + i]! - g;
  }
}

/** What is added to a network while it is looked at. */
interface Look {
  readonly from: string;
  /** The reference, 0 V. */
  readonly to: string;
  /** Resistance between the two, Ω, none for a bare look at all nodes; and a current pressed into `from`, A. */
  readonly ohms?: number;
  readonly amps?: number;
  /** Whether every source is at rest. */
  readonly dead?: boolean;
}

/**
 * Solves a network into `names` and `volts`, which the next call writes anew: nothing is allocated, since Probe solves
 * hundreds of thousands of these at its first reading.
 */
function solve(branches: readonly Branch[], { from, to, ohms, amps = 0, dead = false }: Look): void {
  names.length = 0;
  for (const { a, b } of branches) {
    place(a, to);
    place(b, to);
  }
  const at = ohms === undefined ? -1 : place(from, to);
  const size = names.length;
  const row = size + 1;
  if (size > room) {
    room = 2 * size;
    matrix = new Float64Array(room * (room + 1));
    volts = new Float64Array(room);
  }
  matrix.fill(0, 0, size * row);
  // A far-off path to the reference keeps floating parts solvable and changes nothing measurable.
  for (let i = 0; i < size; i++) matrix[i * row + i] = 1e-13;
  for (const { a, b, ohms: r, volts: v } of branches) {
    const g = 1 / r;
    stamp(place(a, to), place(b, to), size, g, dead || v === undefined ? 0 : g * v);
  }
  if (ohms !== undefined) stamp(at, -1, size, 1 / ohms, 0);
  if (at >= 0) matrix[at * row + size] = matrix[at * row + size]! + amps;
  eliminate(size);
}

/** Gauss on the matrix as it stands, into `volts`. It is symmetric and positive definite, so elimination needs no pivoting. */
function eliminate(size: number): void {
  const row = size + 1;
  for (let k = 0; k < size; k++) {
    for (let i = k + 1; i < size; i++) {
      const factor = matrix[i * row + k]! / matrix[k * row + k]!;
      if (factor === 0) continue;
      for (let c = k; c <= size; c++) matrix[i * row + c] = matrix[i * row + c]! - factor * matrix[k * row + c]!;
    }
  }
  for (let k = size - 1; k >= 0; k--) {
    let rest = matrix[k * row + size]!;
    for (let c = k + 1; c < size; c++) rest -= matrix[k * row + c]! * volts[c]!;
    volts[k] = rest / matrix[k * row + k]!;
  }
}

/** Volts of a node of the network that was solved last; 0 for its reference and for what it does not have. */
function voltsAt(name: string): number {
  const i = names.indexOf(name);
  return i < 0 ? 0 : volts[i]!;
}

/**
 * Node voltages of a network of resistors and sources with series resistance, by nodal analysis (Kirchhoff's current law).
 * Made for the few nodes round a button, thousands of times over; larger or non-linear circuits go to the simulator.
 * @param reference the node taken as 0 V. Nodes without any path to it float to 0 V.
 */
export function solveNodes(branches: readonly Branch[], reference: string): NodeVolts {
  solve(branches, { from: reference, to: reference });
  return Object.fromEntries([[reference, 0], ...names.map((n, i) => [n, volts[i]!])]);
}

/** What a meter of `meterOhms` input resistance shows between two nodes, V. */
export function voltsBetween(branches: readonly Branch[], from: string, to: string, meterOhms: number): number {
  solve(branches, { from, to, ohms: meterOhms });
  return voltsAt(from);
}

/** What an ohmmeter has across its own tips, Ω: it reads no more. */
const OVER_RANGE_OHMS = 1e13;
const TEST_AMPS = 1e-6;

/** Resistance between two nodes with every source at rest, Ω. */
export function ohmsBetween(branches: readonly Branch[], from: string, to: string): number {
  solve(branches, { from, to, ohms: OVER_RANGE_OHMS, amps: TEST_AMPS, dead: true });
  return voltsAt(from) / TEST_AMPS;
}

/** Current through an ammeter of `burdenOhms` put between two nodes, A. */
export function ampsBetween(branches: readonly Branch[], from: string, to: string, burdenOhms: number): number {
  return voltsBetween(branches, from, to, burdenOhms) / burdenOhms;
}
