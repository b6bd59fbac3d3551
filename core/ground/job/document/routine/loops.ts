import type { Loop } from './types';

/** Whether all is said of a loop that a run asks for of its room. */
export const isSaid = (l: Loop): l is Loop & { kelvin: number; tauSeconds: number; around: number } =>
  l.kelvin !== null && l.tauSeconds !== null && l.around !== null;
