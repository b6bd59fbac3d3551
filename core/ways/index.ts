export type { Part, WayContext, WayResult, Wire } from './context';
export { KNOB_WORDS } from './drive-signal';
export { evaluateWay } from './evaluate';
export { pressOf } from './finger';
export { jointOf, onOhmsOf } from './joint';
export { lineOf } from './line';
export { OPTO_AGEING, RESISTOR_SHARE } from './practice';
export { scanOf } from './strobe';
export { WAY_WORDS, wayPhrase } from './words';
