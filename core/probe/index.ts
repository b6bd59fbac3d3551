export type { Contradiction } from './contradictions';
export type { Estimate } from './estimate';
export { probeFindings } from './findings';
export { isolationOf, type IsolationState } from './isolation';
export { KIND_WORDS, PARAMETER_WORDS } from './kind-words';
export { HAND_METER, type Meter } from './meter';
export { circuitOf, predict, PROBED_KINDS, type Build, type ProbedKind, type ReadingSpec } from './models';
export { informationBits, type Expectation, type NextReading } from './next';
export { controlFacts, KNOWN_AT, nextFor, surveyOf, type Candidate, type Survey } from './survey';
