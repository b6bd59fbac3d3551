export { FAULT_RATES, simulateDays, type DaysOutcome } from './days';
export { actFindings, laneSeconds, oneRun } from './findings';
export { heardPress, heardScript } from './heard';
export { FAULT_WORDS, freshFault, freshStep, instantsOf, lastParted, standAt, USUAL_PRESS_SECONDS } from './watch';
export { MACHINE_KIND_WORDS } from './words';
export type { MachineWord } from './machine';
export {
  scriptPresses,
  scriptSeconds,
  simulate,
  type Scenario,
  type StateSpan,
  type TimedStep,
  type Trace,
} from './simulate';
