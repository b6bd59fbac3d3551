export { decadeOf, nearest, nextAbove, nextBelow, type ESeries } from './eseries';
export { formatQuantity, quantityText, threeFigures } from './format';
export { between, corners, exactly, within, type CornerRange, type Interval } from './interval';
export { normalCdf } from './normal';
export { own } from './own';
export { awgAreaSquareMetres, parseQuantity, type Parsed, type Quantity } from './parse';
export { seededRandom, type Random } from './random';
export type { Unit } from './units';
