import type { MachinePart } from '../job';

/** What a press does to a part of a machine, in words. */
export const MACHINE_KIND_WORDS: readonly (readonly [kind: MachinePart['kind'], words: string])[] = [
  ['unknown', 'not known yet'],
  ['starts-and-stops-itself', 'starts on a press and stops by itself'],
  ['flips', 'flips at every press'],
  ['steps', 'steps through its modes'],
  ['on-and-off', 'has one press for on and one for off'],
  ['while-held', 'runs while the press is held'],
  ['open-stop-close-stop', 'opens, stops, closes, stops'],
  ['opens-and-closes', 'has one press to open and one to close'],
  ['travels-while-held', 'travels between its ends while held'],
  ['in-turn', 'asks for presses in turn'],
];
