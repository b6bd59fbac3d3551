export { fitLine, valueAt, type FittedLine } from './gain';
export { clampAmps, gainPair, pwmFilter, type GainPair } from './shift';
