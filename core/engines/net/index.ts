export { netlistOfElements } from './netlist';
export { rangeOf, usual, VALUES, ZERO, type Corner, type Element, type ElementOf } from './element';
export type { CircuitQuantity, OperatingPoint } from './point';
export { solveCircuit } from './solve';
export { BlockSolver, type Blocks } from './blocks';
export { Corners, type Extreme, type SolvedBlock } from './worst';
