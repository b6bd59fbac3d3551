import { itemAt } from '../../ground/lists';
import { WAY_WISHES, type Way, type WayWish } from '../../ground/job';

/** What makers wish of a way of pressing, in words. */
export const WISH_WORDS: Readonly<Record<WayWish, string>> = {
  isolated: 'the two sides stay apart',
  silent: 'makes no sound',
  'any-polarity': 'cannot be wired the wrong way round',
  'few-parts': 'few parts',
  small: 'small',
  cheap: 'cheap',
  reversible: 'can be taken out without a trace',
  'moisture-proof': 'bears steam and damp',
  'sure-contact': 'needs no least current',
  unopened: 'the machine stays shut',
  'hand-switch': 'a hand can still press it',
};

/** How well each way meets each wish, 0 to 1, in the order of `WAY_WISHES`: common practice (`way-order`). */
const MEETS: Readonly<Record<Way, readonly number[]>> = {
  //                   apart silent polar few  small cheap undo damp sure shut hand
  'solid-state-relay': [1, 1, 1, 0.9, 0.9, 0.5, 1, 0.9, 1, 0, 1],
  optocoupler: [1, 1, 0, 0.9, 0.9, 0.8, 0.9, 0.9, 1, 0, 1],
  'npn-to-ground': [0, 1, 0, 1, 1, 1, 0.8, 0.8, 1, 0, 1],
  'nmos-to-ground': [0, 1, 0, 0.9, 1, 0.95, 0.8, 0.7, 1, 0, 1],
  'relay-contact': [1, 0, 1, 0.3, 0.3, 0.6, 1, 0.4, 0.2, 0, 1],
  'relay-module': [1, 0, 1, 0.8, 0.1, 0.7, 1, 0.3, 0.2, 0, 1],
  'analogue-switch': [0, 1, 1, 0.8, 0.9, 0.8, 0.8, 0.7, 1, 0, 1],
  'strobe-answer': [0, 1, 0, 0.9, 1, 1, 0.7, 0.8, 1, 0, 1],
  'logic-injector': [0, 1, 0, 0.4, 0.7, 0.5, 0.6, 0.7, 1, 0, 1],
  'spare-terminals': [1, 1, 1, 0.9, 0.9, 0.5, 1, 0.8, 1, 0.7, 1],
  'spare-remote': [1, 0.9, 1, 0.6, 0.4, 0.3, 1, 0.6, 0.9, 1, 1],
  finger: [1, 0.2, 1, 0.5, 0, 0.4, 1, 0.3, 0.7, 1, 0.7],
  'reverse-motor': [0.5, 0.3, 0, 0.2, 0.2, 0.4, 0.3, 0.4, 0.9, 0, 0],
  'control-box': [0.5, 0.3, 0, 0.3, 0.2, 0.3, 0.4, 0.2, 0.9, 0, 0.5],
  'drive-signal': [0, 1, 0, 0.4, 0.6, 0.6, 0.5, 0.7, 1, 0, 0.5],
  'switched-supply': [0.5, 0.3, 1, 0.7, 0.3, 0.4, 1, 0.4, 0.9, 1, 0.6],
  'module-contact': [0.6, 0.3, 1, 1, 0.4, 0.5, 1, 0.3, 0.9, 1, 0.6],
  'hand-mechanism': [1, 0.3, 0, 0, 0, 0.1, 0.7, 0.4, 0.9, 1, 0.1],
};

/** How well a way meets one wish, 0 to 1. */
export const wishShare = (way: Way, wish: WayWish): number => itemAt(MEETS[way], WAY_WISHES.indexOf(wish));

/** How well a way meets the maker's wishes in their order: each wish counts half as much as the one before it. */
export const wishScore = (way: Way, wishes: readonly WayWish[]): number =>
  wishes.reduce((sum, wish, i) => sum + wishShare(way, wish) * 0.5 ** i, 0);

/** The first wish in the maker's order on which two ways differ, for saying why one stands before the other. */
export const firstDifference = (better: Way, other: Way, wishes: readonly WayWish[]): WayWish | undefined =>
  wishes.find((w) => wishShare(better, w) - wishShare(other, w) > 0.15);
