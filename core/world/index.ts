export { compileWorld, type CompiledWorld } from './compile';
export { happeningNumber, type Happenings } from './happen';
export {
  ELSES,
  HAND_DEEDS,
  HAPPENINGS,
  OPS,
  type Apart,
  type Channel,
  type Clue,
  type Else,
  type HandWire,
  type Happening,
  type HappeningKind,
  type Monitor,
  type Op,
  type OpKind,
  type SenseWire,
  type Twitch,
  type WorldPlan,
} from './plan';
export { begin, disturb, happeningsOf, nextDue, runTo, worldOf } from './run';
export { CLOCK, copyState, FLAG, freshLog, freshState, LOGGED, type Log, type WorldState } from './state';
export { checkTable, WorldProblem, type MachineTable, type TableState } from './table';
export { searchStories, type Disturbance, type SearchOf, type SearchOutcome, type Story, type Told } from './search';
