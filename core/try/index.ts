export { basisOf } from './basis';
export { neverTried, tryFindings } from './findings';
export { progressOf, successRun, testSheet, type SheetStep, type StepProgress } from './sheet';
