/** A branch between two named nodes: a source of `volts` (from `a` to `b`, zero for a plain resistor) in series with `ohms` (> 0). */
export interface Branch {
  readonly a: string;
  readonly b: string;
  readonly ohms: number;
  readonly volts?: number;
}

/** Node voltages of a resistive network, V, by name. */
export type NodeVolts = Readonly<Record<string, number>>;

/** The unknowns of a solved network: node names (without the reference) and their voltages in the same order. */
interface Solved {
  readonly names: readonly string[];
  readonly volts: Float64Array;
}

function solve(branches: readonly Branch[], reference: string, injectAt?: string, injectAmps = 0): Solved {
  const names: string[] = [];
  const indexOf = (name: string): number => {
    if (name === reference) return -1;
    const known = names.indexOf(name);
    return known >= 0 ? known : names.push(name) - 1;
  };
  const ends = branches.map((br) => [indexOf(br.a), indexOf(br.b)] as const);
  const size = names.length;
  const row = size + 1;
  const m = new Float64Array(size * row);
  // A far-off path to the reference keeps floating parts solvable and changes nothing measurable.
  for (let i = 0; i < size; i++) m[i * row + i] = 1e-13;
  for (let k = 0; k < ends.length; k++) {
    const [i, j] = ends[k]!;
    const g = 1 / branches[k]!.ohms;
    const amps = g * (branches[k]!.volts ?? 0);
    if (i >= 0) {
      m[i * row + i]! += g;
      m[i * row + size]! += amps;
      if (j >= 0) m[i * row + j]! -= g;
    }
    if (j >= 0) {
      m[j * row + j]! += g;
      m[j * row + size]! -= amps;
      if (i >= 0) m[j * row + i]! -= g;
    }
  }
  if (injectAt !== undefined) m[names.indexOf(injectAt) * row + size]! += injectAmps;
  // The matrix is symmetric and positive definite, so elimination needs no pivoting.
  for (let k = 0; k < size; k++) {
    for (let i = k + 1; i < size; i++) {
      const factor = m[i * row + k]! / m[k * row + k]!;
      if (factor === 0) continue;
      for (let c = k; c <= size; c++) m[i * row + c]! -= factor * m[k * row + c]!;
    }
  }
  const volts = new Float64Array(size);
  for (let k = size - 1; k >= 0; k--) {
    let rest = m[k * row + size]!;
    for (let c = k + 1; c < size; c++) rest -= m[k * row + c]! * volts[c]!;
    volts[k] = rest / m[k * row + k]!;
  }
  return { names, volts };
}

const voltsAt = (s: Solved, name: string): number => s.volts[s.names.indexOf(name)] ?? 0;

/**
 * Node voltages of a network of resistors and sources with series resistance, by nodal analysis (Kirchhoff's current law).
 * Made for the few nodes round a button, thousands of times over; larger or non-linear circuits go to the simulator.
 * @param reference the node taken as 0 V. Nodes without any path to it float to 0 V.
 */
export function solveNodes(branches: readonly Branch[], reference: string): NodeVolts {
  const s = solve(branches, reference);
  return Object.fromEntries([[reference, 0], ...s.names.map((n, i) => [n, s.volts[i]!])]);
}

/** What a meter of `meterOhms` input resistance shows between two nodes, V. */
export function voltsBetween(branches: readonly Branch[], from: string, to: string, meterOhms: number): number {
  return voltsAt(solve([...branches, { a: from, b: to, ohms: meterOhms }], to), from);
}

/** Resistance between two nodes with every source at rest, Ω. */
export function ohmsBetween(branches: readonly Branch[], from: string, to: string): number {
  const dead = branches.map(({ a, b, ohms }) => ({ a, b, ohms }));
  return voltsAt(solve([...dead, { a: from, b: to, ohms: 1e13 }], to, from, 1e-6), from) / 1e-6;
}

/** Current through an ammeter of `burdenOhms` put between two nodes, A. */
export function ampsBetween(branches: readonly Branch[], from: string, to: string, burdenOhms: number): number {
  return voltsBetween(branches, from, to, burdenOhms) / burdenOhms;
}
