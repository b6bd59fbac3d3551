export {
  heapOf,
  rehearse,
  type BenchEnd,
  type BenchEvent,
  type BenchPlan,
  type Interpreter,
  type Rehearsed,
  type Told,
  type Written,
} from './bench';
