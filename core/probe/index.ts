export type { Contradiction } from './contradictions';
export type { Estimate } from './estimate';
export { probeFindings } from './findings';
export { isolationOf, type IsolationState } from './isolation';
export { KIND_WORDS, PARAMETER_WORDS } from './kind-words';
export { informationBits, type Expectation, type NextReading } from './next';
export { controlFacts, KNOWN_AT, nextFor, surveyOf, type Candidate, type Survey } from './survey';
