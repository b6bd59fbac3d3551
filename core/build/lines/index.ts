export type { Line, LineOwner } from './line';
export {
  heardAfter,
  isBare,
  isReadable,
  needsPin,
  ownPullOf,
  pulledLow,
  readsNumber,
  SENSES,
  type SenseInfo,
} from './sense-kinds';
export { isInside } from './inside';
export { linesOf, pinOf, throughTransistor } from './lines';
