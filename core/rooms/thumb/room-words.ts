import { isJointWay, type Way, type WayWish } from '../../ground/job';
import { WAY_WORDS, wayPhrase, type WayResult } from '../../build/ways';
import { firstDifference, WISH_WORDS } from './wishes';

/** Wishes that are no verbs, as the end of a sentence that begins with “it”. */
const WISH_PHRASE: Partial<Record<WayWish, string>> = {
  isolated: 'keeps the two sides apart',
  'few-parts': 'takes fewer parts',
  small: 'is smaller',
  cheap: 'is cheaper',
  unopened: 'leaves the machine shut',
  'hand-switch': 'lets a hand press it still',
};
/** Ways that answer for a key and are no contact across it. */
const FOR_A_KEY: readonly Way[] = ['strobe-answer', 'logic-injector'];

/** A way with the control that it presses, as a heading. */
export function wayHeading(way: Way, control: string): string {
  const { name } = WAY_WORDS[way];
  if (isJointWay(way)) return `${name} across ${control}`;
  if (FOR_A_KEY.includes(way)) return `${name}, for ${control}`;
  return way === 'finger' ? `${name}, over ${control}` : name;
}

/** Why the first way stands before the second: by its verdict, or by the first of the maker's wishes that tells them apart. */
export function orderWords(ways: readonly WayResult[], wishes: readonly WayWish[]): string {
  const [best, next] = ways;
  if (!best || !next) return '';
  const before = `${WAY_WORDS[best.way].name} stands before ${wayPhrase(next.way)}`;
  if (best.verdict !== next.verdict) return `${before} by its verdict.`;
  const wish = firstDifference(best.way, next.way, wishes);
  return wish ? `${before}: it ${WISH_PHRASE[wish] ?? WISH_WORDS[wish]}.` : '';
}
