export { basisOf, stillCounts } from './basis';
export { neverTried, tryFindings } from './findings';
export { SIGN_OFF, signOffBlocked } from './sign-off';
export { progressOf, successRun, testSheet, type StepProgress } from './sheet';
export type { SheetStep } from './sheet-step';
