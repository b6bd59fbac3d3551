export { armingsFor } from './armings';
export {
  daysOf,
  drawLuck,
  FAULT_RATES,
  simulateDays,
  wantedDays,
  type BadLuck,
  type DaysOutcome,
  type Progress,
} from './days';
export { closuresOf, HAND_SECONDS, startsAsHappenings, type Start } from './faults';
export { actFindings } from './findings';
export {
  isLed,
  ledFinding,
  moveFromTakes,
  takeOfRecording,
  timingsOfLed,
  type RecordedMove,
  type LedEvent,
  type LedTime,
  type Take,
} from './recorded-move';
export { DISTURBANCES, kindOfHappening } from './disturbances';
export type { SceneHand } from './hand-wires';
export { heardPress, heardScript, heedsOf } from './heard';
export { stoodFor } from './listening';
export { lacksOfPart, ROLES_OF, RUNS, tableOf, TRAVELS } from './machine';
export { asReady, READY_MACHINES, type ReadyMachine } from './ready';
export { outputEnds } from './output-end';
export { laneSeconds, oneRun } from './runs';
export { givenOfDays } from './day-run';
export { ruledScene, sceneOf, sideKey, type HeldNever, type PowerUp, type Scene } from './scene';
export { freshFault, freshStep, instantsOf, lastParted, partingsOf, standAt } from './watch';
export { nextTiming } from './timed';
export { MACHINE_KIND_WORDS } from './words';
export { runScene, type PartTrace, type RunTrace, type Span, type StateSpan } from './trace';
export {
  sceneOfModel,
  scriptPresses,
  scriptSeconds,
  simulate,
  type Scenario,
  type TimedStep,
  type Trace,
} from './simulate';
export { planWay, sayPlanned, sayWay, type Planned, type PlanStep, type StatePath } from './planner';
export {
  firstMove,
  lacksOfPolicies,
  moveBy,
  policiesFor,
  POLICY_WORDS,
  type Policy,
  type PolicyKind,
} from './policies';
