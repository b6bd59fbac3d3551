export { ruleEdit, type ProposedRule } from './rules';
export { readWhen, sayWeekdays, type ReadWhen } from './when';
