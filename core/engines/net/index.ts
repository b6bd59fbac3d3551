export { usual, VALUES, ZERO, type Corner, type Element } from './element';
export { solve, type Point, type Quantity } from './solve';
export { Corners, loose, type Extreme } from './worst';
