export { calibrationError, drawBoard, probeBench, type BenchResult } from './bench';
export { boardOrder, type PlannedReading } from './board-order';
export { STILL_COUNTS, strongestReading } from './evidence';
export type { Contradiction } from './inference/contradictions';
export type { Estimate } from './inference/estimate-parts';
export { probeFindings } from './findings';
export { type Meaning } from './inference/information';
export {
  controlQuestionsOf,
  isolationOf,
  questionsOf,
  type IsolationState,
  type MainsQuestion,
} from './isolation/isolation';
export { KIND_WORDS, parameterUnit, PARAMETER_WORDS, STRANGER_CALLED } from './kind-words';
export { LOOK_WORDS } from './inference/looks';
export {
  againstLeader,
  assumptions,
  chanceWords,
  contactView,
  kindNames,
  misfitWords,
  tellMore,
  type ContactView,
} from './standing';
export { drawAhead, takeDrawnAhead } from './inference/draw-ahead';
export { specKey } from './inference/spec-key';
export type { Expectation, NextReading } from './next/say-next';
export { warmUp } from './inference/warm';
export { controlOf, takenFrom, walk, type Walk } from './walk';
export {
  controlFacts,
  nextFor,
  seenSurvey,
  surveyOf,
  surveysOf,
  tieOf,
  type Candidate,
  type Remainder,
  type SeenSurvey,
  type ControlSurvey,
} from './survey';
export { practiceResult, type Guess, type PracticeResult } from './practice';
export { controlFromPair } from './strip/control';
export type { Pair } from './strip/pairs';
export type { StripStep } from './strip/step';
export { stripState, type StripState } from './strip/terminals';
