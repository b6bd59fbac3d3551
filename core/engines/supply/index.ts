export { cellOhms, CELLS, cellVolts, type CellClass } from './chemistry';
export {
  isConverter,
  nominalVolts,
  placeOf,
  feedingSource,
  sourceVolts,
  supplyTree,
  voltsAt,
  type SupplyNode,
  type SupplyTree,
} from './tree';
