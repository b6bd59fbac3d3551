export type { Line, LineOwner } from './line';
export { isBare, SENSES, type SenseInfo } from './sense-kinds';
export { linesOf, pinOf, throughTransistor } from './lines';
