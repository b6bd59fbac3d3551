import type { MachinePlan } from '../job';

/** What a press does to a machine, in words. */
export const MACHINE_KIND_WORDS: readonly (readonly [kind: MachinePlan['kind'], words: string])[] = [
  ['unknown', 'not known yet'],
  ['starts-and-stops-itself', 'starts on a press and stops by itself'],
  ['flips', 'flips at every press'],
  ['open-stop-close-stop', 'opens, stops, closes, stops'],
];
