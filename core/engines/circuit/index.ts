export { buildOf, unpoweredSetting, type Build, type Layout, type ReadingSpec } from './build';
export { MODULE_TURNS_AT, NOMINAL_PARTS, PULL_DOWN_OHMS, saturationVolts, settledLevels, type Joint } from './joint';
export { ampsBetween, ohmsBetween, solveNodes, voltsBetween, type Branch, type NodeVolts } from './linear';
export { lookShare } from './look-shares';
export { meterError, offScale, onScale, readingBounds, TEST_BATTERY_VOLTS } from './meter';
export { meterNetlist } from './meter-netlist';
export { netlistOf } from './netlist';
export { circuitOf, farSide, ONE_FAR_SIDE, type FarSide } from './network';
export { COIL_SECONDS, LINE_FARADS, PRESS_TIMES, pressNetlist, pullInSeconds } from './press-netlist';
export { readPress, type PressReading, type PressWave } from './press-reading';
export { isStranger, MODEL_KINDS, STRANGER_KINDS, type ModelKind, type StrangerKind } from './model-kinds';
export { nodeOf, predict } from './predict';
export {
  DRAW_DIMENSIONS,
  drawBuild,
  drawKind,
  drawVariant,
  FIRST_SHARES,
  signalOf,
  suppliesOf,
  VARIANTS,
} from './prior';
export type { Supplies } from './draws';
export type { Variant } from './variant';
