export { positionAt, roomFor, run, type Course, type Happenings } from './run';
export {
  compile,
  TableProblem,
  WORLD_EVENTS,
  type Compiled,
  type MachineTable,
  type TableState,
  type WorldEvent,
} from './table';
