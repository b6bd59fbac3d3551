export { marked, type Piece } from './mark';
export { TERMS, type Stroke, type Term } from './terms';
