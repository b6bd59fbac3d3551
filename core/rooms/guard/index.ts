export { takesOver } from './before';
export { CAUTIONS, PROVE_DEAD, type Caution } from './cautions';
export { guardFindings } from './findings';
export { cautionsOf, hazardsOf, needsProveDead } from './hazards';
export { neverFinding } from './never';
export { isOwnLoad } from './load';
