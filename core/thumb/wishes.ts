import type { Way, WayWish } from '../job';

/** What makers wish of a way of pressing, in words. */
export const WISH_WORDS: Readonly<Record<WayWish, string>> = {
  isolated: 'the two sides stay apart', silent: 'makes no sound', 'any-polarity': 'cannot be wired the wrong way round', 'few-parts': 'few parts', small: 'small', cheap: 'cheap',
  reversible: 'can be taken out without a trace', 'moisture-proof': 'bears steam and damp', 'sure-contact': 'needs no least current',
};

/** How well each way meets each wish, 0 to 1: common practice (`way-order`). */
const MEETS: Readonly<Record<Way, Readonly<Record<WayWish, number>>>> = {
  'solid-state-relay': { isolated: 1, silent: 1, 'any-polarity': 1, 'few-parts': 0.9, small: 0.9, cheap: 0.5, reversible: 1, 'moisture-proof': 0.9, 'sure-contact': 1 },
  optocoupler: { isolated: 1, silent: 1, 'any-polarity': 0, 'few-parts': 0.9, small: 0.9, cheap: 0.8, reversible: 0.9, 'moisture-proof': 0.9, 'sure-contact': 1 },
  'npn-to-ground': { isolated: 0, silent: 1, 'any-polarity': 0, 'few-parts': 1, small: 1, cheap: 1, reversible: 0.8, 'moisture-proof': 0.8, 'sure-contact': 1 },
  'nmos-to-ground': { isolated: 0, silent: 1, 'any-polarity': 0, 'few-parts': 0.9, small: 1, cheap: 0.95, reversible: 0.8, 'moisture-proof': 0.7, 'sure-contact': 1 },
  'relay-contact': { isolated: 1, silent: 0, 'any-polarity': 1, 'few-parts': 0.3, small: 0.3, cheap: 0.6, reversible: 1, 'moisture-proof': 0.4, 'sure-contact': 0.2 },
};

/** How well a way meets the maker's wishes in their order: each wish counts half as much as the one before it. */
export const wishScore = (way: Way, wishes: readonly WayWish[]): number => wishes.reduce((sum, wish, i) => sum + MEETS[way][wish] * 0.5 ** i, 0);

/** The first wish in the maker's order on which two ways differ, for saying why one stands before the other. */
export const firstDifference = (better: Way, other: Way, wishes: readonly WayWish[]): WayWish | undefined => wishes.find((w) => MEETS[better][w] - MEETS[other][w] > 0.15);
