export { CAUTIONS, PROVE_DEAD, type Caution } from './cautions';
export { cautionsOf, guardFindings, INRUSH, needsProveDead } from './findings';
