export { breakingStep, directShare, INRUSH, POWER_FACTOR, type LoadKind } from './duty';
