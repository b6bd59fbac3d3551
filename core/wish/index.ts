export { HAZARD_WORDS, wishFindings } from './findings';
