export {
  heapOf,
  rehearse,
  type BenchEnd,
  type BenchEvent,
  type BenchRun,
  type Interpreter,
  type Rehearsed,
  type ToldMessage,
  type Written,
} from './bench';
