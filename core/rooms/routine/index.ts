export { routineFindings } from './findings';
export { calendarOf, firingsWithin, nextFirings, stretchesOf, type Calendar, type Firing } from './firings';
export { namesIn, sayDays, saySentence } from './words';
