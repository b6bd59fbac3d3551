export { wishFindings } from './findings';
export { proposedRules, readWhen, sayWeekdays, type ReadWhen } from './when';
