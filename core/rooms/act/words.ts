import type { MachinePart } from '../../ground/job';

/** What a press does to a part of a machine, in words. */
export const MACHINE_KIND_WORDS: readonly (readonly [kind: MachinePart['kind'], words: string])[] = [
  ['unknown', 'not known yet'],
  ['starts-and-stops-itself', 'starts on a press and stops by itself'],
  ['flips', 'flips at every press'],
  ['steps', 'steps through its modes'],
  ['on-and-off', 'on and off apart'],
  ['while-held', 'runs while held'],
  ['open-stop-close-stop', 'opens, stops, closes, stops'],
  ['opens-and-closes', 'open and close apart'],
  ['travels-while-held', 'travels while held'],
  ['in-turn', 'asks in turn'],
];
