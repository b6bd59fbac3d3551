export type { Line, LineOwner } from './line';
export { linesOf, pinOf, throughTransistor } from './lines';
