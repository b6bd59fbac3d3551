export { decodeKeypad, type FoundKey, type KeypadMap, type LabelledTiming } from './keypad';
export { ghosts, pinSides, sharedLines, type Ghost, type PinJoin, type PinSides, type SharedLine } from './key-lines';
export { scanCurves, STROBE_WIDTHS } from './curves';
export { hitChance, hitSteps } from './hit';
export { injectorBench, injectorKey, injectorOf, injectorVerilog, type Injector, type InjectorKey } from './injector';
export {
  controlFromKey,
  controlNameOf,
  decodingTroubles,
  keyOfName,
  mapOnto,
  readPad,
  scanReadings,
  type PadRead,
} from './pad';
export { runChance } from './runs';
