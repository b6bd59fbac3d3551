import type { Factored } from './eliminate';
import type { Element, ElementOf } from './element';

/** On which side of its corner an element stands. */
export type Side = 'off' | 'on' | 'full';

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

/** What is asked of a network whose sides stand: its values, its rows, and what it was solved to. */
export interface Standing {
  readonly elements: readonly Element[];
  readonly sides: ReadonlyMap<string, Side>;
  readonly size: number;
  readonly lu: Factored | null;
  value(id: string, key: string): number;
  /** Place of a node; −1 for a reference. */
  place(node: string): number;
  hasRow(id: string): boolean;
  /** Throws RangeError for an element without a row of its own. */
  row(id: string): number;
  nodeVolts(node: string): number;
  /** Through a branch, from `a` to `b`, A. */
  current(id: string): number;
  conductance(e: ElementOf<'channel'>): number;
  /** Amperes in for each ampere out. */
  ratio(e: ElementOf<'converter'>): number;
}
