export { fitLine, valueAt, type Line } from './gain';
export { clampAmps, gainPair, pwmFilter, type GainPair } from './shift';
