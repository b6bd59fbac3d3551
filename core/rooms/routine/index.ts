export { routineFindings, sayDays, saySentence } from './findings';
export { calendarOf, firingsWithin, nextFirings, stretchesOf, type Calendar, type Firing } from './firings';
