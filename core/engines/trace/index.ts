export { coarseOf, columnsOf, type Coarse, type Columns } from './columns';
export { energyOf, kilowattHours, type Energy } from './energy';
export { LEAST_TIMES, reserveOf, toleranceFactor, type Reserve } from './few';
export {
  carries,
  endingOf,
  finishOf,
  holdCurve,
  leaveOneOut,
  thinnedCurve,
  type Ending,
  type Finish,
  type HoldPoint,
  type LeftOut,
} from './hold';
export { proposeBand, type Counted, type FoundBands } from './learn';
export { cutsOf, histogramOf, traceStates, type TraceState, type TraceStates } from './levels';
export { lookAt, type LookedWith } from './look';
export { PartReader, type PlainOrder, type PlainPart } from './part';
export { readPart, readRecording, type ByteSource, type OtherThread } from './parted';
export { MOST_MOVES, movesUntil, placeAfter, type PlaceByTime, type WayTimes } from './place';
export { TraceProblem } from './problem';
export { MOST_SAMPLES, takenAs, TraceReader, type LayoutChange } from './read';
export { aboveOf, bandOf, runsOf, type Band, type Run, type Stretch } from './runs';
export { screwAdvice, type ScrewAdvice, type ScrewPass } from './screws';
export { legsOf, timeAlong, type Leg } from './thermal';
export { alikeSums, noisyLevels, type AlikeSums, type NoisyLevel } from './two';
export type { OddRow, OddReason, Recording } from './trace';
