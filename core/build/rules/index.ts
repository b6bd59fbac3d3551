export { leastOn } from './least-on';
export { flagEvents, inWindow, isPlainStart, ruleWires, type RuleFlag } from './wires';
export { ruleEdit, type ProposedRule } from './rules';
