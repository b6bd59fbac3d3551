export { routineFindings } from './findings';
export {
  calendarOf,
  firingsWithin,
  nextFirings,
  standsAt,
  stretchesOf,
  sunLines,
  timesOn,
  type Calendar,
  type Firing,
  type Times,
} from './firings';
export { aroundOf, degrees, OFF_KELVIN, roomEvidence } from './loop-numbers';
export { CLOCK_CHANGES, daysFrom, zoneOffset } from './days';
export { madeUpAs, madeUpEvents, weatherEvents, type MadeUp } from './made-up';
export { namesIn, quotedAt, sayDays, saySentence } from './words';
export { readCalendar, type ReadCalendar } from './read-calendar';
export { readSentence, type ReadSentence } from './read-sentence';
