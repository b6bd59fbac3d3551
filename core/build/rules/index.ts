export { leastOn } from './least-on';
export { flagEvents, inWindow, isPlain, ruleWires, type RuleFlag } from './wires';
export { ruleEdit, type ProposedRule } from './rules';
