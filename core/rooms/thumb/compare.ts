import { itemAt } from '../../ground/lists';
import { drawnAmps } from '../../ground/facts';
import { isGraver, marginShare, type Finding, type Verdict } from '../../ground/finding';
import type { WayWish } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import type { WayResult } from '../../build/ways';
import { wishShare, WISH_WORDS } from './wishes';

/** One line of a comparison; `better` says which side has it, or neither. */
export interface CompareRow {
  readonly what: string;
  readonly a: string;
  readonly b: string;
  readonly better: 'a' | 'b' | null;
}

const VERDICTS: Record<Verdict, string> = {
  settled: 'passes',
  tight: 'passes barely',
  unknown: 'not yet known',
  stop: 'does not pass',
};
const SHARES = ['no', 'hardly', 'partly', 'well', 'fully'] as const;
const share = (x: number): string => itemAt(SHARES, Math.min(4, Math.round(x * 4)));

/** The margin that is smallest as a share of its limit, of those that have one. */
export function tightestMargin(r: WayResult): { finding: Finding; share: number } | null {
  const all = r.findings.flatMap((f) =>
    f.value && f.limit && Number.isFinite(f.value.value)
      ? [{ finding: f, share: marginShare(f.value.value, f.limit) }]
      : [],
  );
  return all.reduce<(typeof all)[number] | null>((least, x) => (!least || x.share < least.share ? x : least), null);
}

const lower = (a: number, b: number): CompareRow['better'] => (a < b ? 'a' : b < a ? 'b' : null);

/** Two ways side by side on this control: verdict, margins, parts, currents, and the maker's wishes in their order. */
export function compareWays(a: WayResult, b: WayResult, wishes: readonly WayWish[]): CompareRow[] {
  const count = (r: WayResult): number => r.parts.reduce((s, p) => s + p.quantity, 0);
  const least = (r: WayResult): string => {
    const t = tightestMargin(r);
    return t ? `${t.finding.caption}: ${Math.round(100 * t.share)} %` : 'none';
  };
  const amps = (value: number): string => (value > 0 ? formatQuantity(value, 'A') : 'none');
  const [ma, mb] = [tightestMargin(a)?.share ?? 0, tightestMargin(b)?.share ?? 0];
  return [
    {
      what: 'on this control',
      a: VERDICTS[a.verdict],
      b: VERDICTS[b.verdict],
      better: isGraver(b.verdict, a.verdict) ? 'a' : isGraver(a.verdict, b.verdict) ? 'b' : null,
    },
    { what: 'because', a: a.reason, b: b.reason, better: null },
    { what: 'least margin', a: least(a), b: least(b), better: lower(mb, ma) },
    { what: 'parts', a: String(count(a)), b: String(count(b)), better: lower(count(a), count(b)) },
    {
      what: 'wires that join the sides',
      a: crossing(a),
      b: crossing(b),
      better: lower(a.wires.filter((w) => w.crosses).length, b.wires.filter((w) => w.crosses).length),
    },
    {
      what: 'out of the pin',
      a: amps(a.press.pinAmps),
      b: amps(b.press.pinAmps),
      better: lower(a.press.pinAmps, b.press.pinAmps),
    },
    {
      what: 'from the supply',
      a: amps(drawnAmps(a.press.draws)),
      b: amps(drawnAmps(b.press.draws)),
      better: lower(drawnAmps(a.press.draws), drawnAmps(b.press.draws)),
    },
    ...wishes.map((w): CompareRow => ({
      what: WISH_WORDS[w],
      a: share(wishShare(a.way, w)),
      b: share(wishShare(b.way, w)),
      better: lower(wishShare(b.way, w), wishShare(a.way, w)),
    })),
  ];
}

const crossing = (r: WayResult): string => {
  const n = r.wires.filter((w) => w.crosses).length;
  return n === 0 ? 'none' : String(n);
};
