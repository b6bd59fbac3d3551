export { apartFor, type Distances, type ApartOf, type MaterialGroup, type Pollution } from './distances';
export { crossesSlot, far, gapOf, slotOf, type Copper, type Spot, type Slot } from './shapes';
export { waysOver, type CopperPiece, type Surface, type WayOver } from './ways';
