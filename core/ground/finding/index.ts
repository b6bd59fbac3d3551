export {
  against,
  atLeast,
  atMost,
  carried,
  chosen,
  computed,
  constant,
  derive,
  derivedLimit,
  filledIn,
  finding,
  judged,
  marginShare,
  measured,
  reevaluate,
  summary,
} from './derive';
export {
  byHarm,
  concerning,
  graver,
  isGraver,
  gravest,
  type About,
  type Finding,
  type Input,
  type Limit,
  type Measure,
  type Origin,
  type Remedy,
  type Step,
  type Verdict,
} from './finding';
export { turnsWithin, type Turn } from './alongside';
export { flips, turns, type Flip } from './flip';
export { inputsOf, evidenceLevel } from './evidence-level';
export { evaluate, parseFormula, wantsBrackets, write, type Expression } from './formula';
export { worst, type RangedInput } from './worst';
export { studyId, type StudyKind, type StudyVerdict } from './study';
export { inPlan } from './in-plan';
