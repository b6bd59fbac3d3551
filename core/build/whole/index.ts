export { FITTED, fitted, RATINGS_OF, type Fitted, type FittedKind, type Rating } from './fitted';
export { gravestRow, ledgerOf, type LedgerRow } from './ledger';
export { statesOf, type State } from './state';
export { wholeCircuit, type WholeCircuit } from './whole';
