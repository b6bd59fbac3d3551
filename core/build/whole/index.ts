export { fitted, type Fitted, type Rating } from './fitted';
export { heatOfPresses, WARMS_SECONDS } from './heat';
export { gravestRow, ledgerOf, type LedgerRow } from './ledger';
export { ledgerOfJob } from './tied';
export { wholeCircuit } from './whole';
