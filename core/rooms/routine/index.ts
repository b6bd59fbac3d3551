export { routineFindings, sayDays, saySentence } from './findings';
export { firingSeconds, nextFirings, type Firing } from './firings';
