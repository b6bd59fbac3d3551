export { marked, type TextPiece } from './mark';
export { TERMS, type Stroke, type Term } from './terms';
