import type { Harm } from '../guard/types';

/** What a condition forbids. */
export const NEVER_KINDS = [
  'lasts-longer',
  'state-while',
  'both-at-once',
  'starts-per-arming',
  'no-warning',
  'output-longer',
  'believes-wrongly',
  'gets-warmer',
  'gets-colder',
] as const;
/** One of `NEVER_KINDS`. */
export type NeverKind = (typeof NEVER_KINDS)[number];

/** What must never happen, as a condition over a run. Which of its values count is told by its kind. */
export interface Never {
  id: string;
  kind: NeverKind;
  /** A state of the machine in words: the one that must not last, must not be, or is believed. */
  state: string;
  /** What must not be so at the same time, or is true while the other is believed. */
  other: string;
  /** Ids of presses: the output that must not last, or the two that must never be on together. */
  press: string;
  otherPress: string;
  seconds: number;
  count: number;
  /** Id of the thermometer, and how warm or cold it must never get there, °C. */
  sense: string;
  degrees: number;
  /** Who or what is hurt where it happens all the same. */
  harm: Harm;
  whom: string;
}
