export { fitted } from './fitted';
export { gravestRow, ledgerOf, type LedgerRow } from './ledger';
export { wholeCircuit } from './whole';
