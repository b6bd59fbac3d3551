export { lifeOf, type Life } from './battery';
export { feedFindings } from './findings';
export { joinsOf, type Join } from './grounds';
export { fuseBehind } from './insert-fuse';
export { sayLife, turnsOf } from './judge-battery';
export { loadsOf, type FedLoad } from './loads';
export { supplyRun, type SupplyRun } from './supply-run';
export {
  curveOf,
  cutList,
  feedReport,
  feedRows,
  findingsOf,
  hangChoices,
  type CurvePoint,
  type CutRow,
  type FeedRow,
} from './view';
