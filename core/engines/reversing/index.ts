export { wiringNetlist } from './netlist';
export { hasOther, orderOf, otherWords, type OutputOrder } from './order';
export { sequenceRules } from './sequence';
export { forbiddenStates, motionOf, truthTable, type Forbidden, type Motion, type TruthRow } from './truth';
export { type Contact, type Position, type ReversingWiring } from './wiring';
export { conductors, reversingWiring, WIRING_WORDS } from './wirings';
