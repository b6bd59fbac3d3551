export { ruleEdit, type ProposedRule } from './rules';
