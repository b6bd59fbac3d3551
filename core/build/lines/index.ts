export type { Line, LineOwner } from './line';
export { isBare, isReadable, needsPin, SENSES, type SenseInfo } from './sense-kinds';
export { isInside } from './inside';
export { linesOf, pinOf, throughTransistor } from './lines';
