export { stockFromDrawer } from './fill';
export { billOf, stockName, type Bill, type BillLine } from './bill';
export { partProblems, type PartProblem } from './check';
export {
  checkedDrawer,
  drawerText,
  freshDrawer,
  readDrawer,
  type Drawer,
  type DrawerLoaded,
  type DrawerPart,
} from './drawer';
export { PART_FIELDS, PART_KIND_WORDS, type PartField } from './fields';
export { gearRatio } from './gear';
export { SHIPPED_PARTS } from './shipped';
export type { ShippedPart } from './shipped-part';
export { COLD, COPPER, HOT } from './temperature';
export { boundsOf, brokenPicks, partInput, partsOf, partValue, takenPart, valueOf, type TakenPart } from './taken';
