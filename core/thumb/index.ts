export { CLASSES } from './classes';
export { jointOf } from './joint';
export { proofCases, proofLevels, proofResult, type ProofCase, type ProofResult } from './proof';
export { agreementFinding, leastMarginFinding, proofFindings, proofTime, toleranceFinding } from './proof-findings';
export { chosenWay, rankWays, thumbFindings, wayContext } from './rank';
export { WAY_WORDS, wayPhrase, type Part, type WayContext, type WayResult, type Wire } from './way';
export { toleranceOf, type ToleranceResult } from './tolerance';
export { firstDifference, WISH_WORDS, wishScore } from './wishes';
