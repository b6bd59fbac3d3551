export { fitted, type Fitted, type Rating } from './fitted';
export { gravestRow, ledgerOf, type LedgerRow } from './ledger';
export { wholeCircuit } from './whole';
