import { clockTime, minutesOf } from '../../../quantity';
import type { Sentence } from '../types';

// All that is asked of a sentence's time: whoever reckons with it, or writes it down, asks here.

/** The wall clock's hour and minute at which it begins. */
export const clockOf = (s: Sentence): { readonly hour: number; readonly minute: number } => clockTime(s.at);
/** Minutes from midnight to its beginning. */
export const dayMinutesOf = (s: Sentence): number => minutesOf(s.at);
/** Its time in words. */
export const sayAt = (s: Sentence): string => s.at;
/** A sentence of its own at a time of the clock, else as another one. */
export const sentenceAt = (clock: string, as: Omit<Sentence, 'at'>): Sentence => ({ ...as, at: clock });
