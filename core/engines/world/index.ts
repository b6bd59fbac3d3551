export { confusionOf, type Confusion } from './confusion';
export { compileWorld, type CompiledWorld } from './compile';
export { happeningNumber, type Happenings } from './happen';
export {
  fateIn,
  TIER,
  WHO,
  whoIn,
  type Apart,
  type Channel,
  type Clue,
  type Else,
  type HandWire,
  type LoopWire,
  type OutputEnd,
  type WorldEvent,
  type WorldEventKind,
  type Fate,
  type MayStart,
  type Monitor,
  type Op,
  type OpKind,
  type RoutineWire,
  type RuleEdge,
  type RuleCondition,
  type RuleWire,
  type SenseWire,
  type Twitch,
  type Disturbance,
  type WorldPlan,
} from './plan';
export { heatAt, LOGGED_DEGREE } from './loops';
export { begin, disturb, happeningsOf, happeningsWith, MOST_EVENTS, runTo, worldOf } from './run';
export { copyState, FLAG, freshLog, freshState, LOGGED, type Log, type WorldState } from './state';
export {
  checkTable,
  POWER_BACK,
  POWER_LOST,
  RunEnded,
  WorldProblem,
  type MachineTable,
  type StateRole,
  type TableState,
} from './table';
export { searchStories, type SearchOf, type SearchOutcome, type Counterexample, type Told } from './search';
export { allowedSpans } from './spans';
