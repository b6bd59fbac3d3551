import type { Finding, Verdict } from '../../ground/finding';
import type { WayWish } from '../../ground/job';
import type { WayResult } from '../../build/ways';
import { wishShare, WISH_WORDS } from './wishes';

/** One reason for or against a way: what was found on this very control, or what the maker wishes. */
export interface Reason {
  readonly text: string;
  readonly verdict: Verdict;
  /** Null for a wish. */
  readonly finding: Finding | null;
}

/** From this share on a wish counts as met, and up to that one as not met. */
const [MET, UNMET] = [0.9, 0.2];

/** What speaks for and against a way here: its findings first, then the maker's wishes in their order, each at the side it falls on. */
export function reasonsOf(
  r: WayResult,
  wishes: readonly WayWish[],
): { readonly for: readonly Reason[]; readonly against: readonly Reason[] } {
  const found = (list: readonly Finding[]): Reason[] =>
    list.map((finding) => ({ text: finding.title, verdict: finding.verdict, finding }));
  const wished = (verdict: Verdict, fits: (share: number) => boolean, say: (words: string) => string): Reason[] =>
    wishes.filter((w) => fits(wishShare(r.way, w))).map((w) => ({ text: say(WISH_WORDS[w]), verdict, finding: null }));
  return {
    for: [
      ...found(r.findings.filter((f) => f.verdict === 'settled')),
      ...wished(
        'settled',
        (x) => x >= MET,
        (words) => `wished: ${words}`,
      ),
    ],
    against: [
      ...found(r.findings.filter((f) => f.verdict !== 'settled')),
      ...wished(
        'tight',
        (x) => x <= UNMET,
        (words) => `wished, and not so: ${words}`,
      ),
    ],
  };
}
