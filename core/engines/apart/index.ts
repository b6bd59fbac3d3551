export { apartFor, type Apart, type ApartOf, type MaterialGroup, type Pollution } from './distances';
export { crossesSlot, far, gapOf, slotOf, type Copper, type Place, type Slot } from './shapes';
export { waysOver, type Piece, type Surface, type WayOver } from './ways';
