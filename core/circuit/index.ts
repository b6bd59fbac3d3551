export { drawJoint, SHEET, type DrawingInput, type Ink, type Mark } from './drawing';
export { circuitOf, predict, PROBED_KINDS, touchesPins, type Build, type ProbedKind, type ReadingSpec } from './build';
export { HAND_METER, meterError, offScale, onScale, readingBounds, type Meter } from './meter';
export { ledAmps, NOMINAL_PARTS, saturationVolts, settledLevels, type Joint } from './joint';
export { ampsBetween, ohmsBetween, solveNodes, voltsBetween, type Branch, type NodeVolts } from './linear';
export { netlistOf } from './netlist';
