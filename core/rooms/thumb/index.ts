export { changesFor, type Change, type Changes } from './changes';
export { compareWays, tightestMargin, type CompareRow } from './compare';
export { proofCases, proofLevels, proofResult, type ProofCase, type ProofResult } from './proof';
export {
  CORNER_WORDS,
  agreementFinding,
  leastMarginFinding,
  proofFindings,
  proofSpan,
  proofTime,
  sensitivityFindings,
  toleranceFinding,
} from './proof-findings';
export {
  contextOf,
  planPresses,
  rankWays,
  thumbFindings,
  wayContext,
  type PlannedPress,
  type ThumbFacts,
} from './rank';
export { MODE_WORDS } from './module-mode';
export { toleranceOf, type ToleranceResult } from './tolerance';
export { reasonsOf, type Reason } from './reasons';
export { firstDifference, WISH_WORDS, wishScore } from './wishes';
export { orderWords, wayHeading } from './room-words';
