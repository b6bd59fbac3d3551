export { basisOf, stillCounts } from './basis';
export { neverTried, tryFindings } from './findings';
export { SIGN_OFF, signOffBlocked } from './sign-off';
export { progressOf, successRun, testSheet, type SheetStep, type StepProgress } from './sheet';
