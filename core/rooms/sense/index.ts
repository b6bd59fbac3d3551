export { CONTACT_TELLS, senseFindings } from './findings';
export { recordedOf } from './evidence';
export { learnersOf, recordingsOf, thresholdEdit } from './learned';
