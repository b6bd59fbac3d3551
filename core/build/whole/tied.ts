import { firstItem } from '../../ground/lists';
import { isGraver } from '../../ground/finding';
import type { ControlFact, Facts } from '../../ground/facts';
import type { Job } from '../../ground/job';
import type { Fitted, Rating } from './fitted';
import { ledgerOf, type LedgerRow } from './ledger';
import { wholeCircuit } from './whole';

/** The facts of a job with each control as the n-th kind that it may be; those of a control that is no tie stay. */
const asNth = (facts: Facts, n: number): Facts => ({
  ...facts,
  controls: Object.fromEntries(
    Object.entries(facts.controls).map(([id, f]): [string, ControlFact] => [id, f.tied[n % f.tied.length] ?? f]),
  ),
});

/** The facts of a job with its controls as each kind that they may be for ever; the facts themselves where none is such a tie. */
function asTied(facts: Facts): readonly Facts[] {
  const most = Math.max(0, ...Object.values(facts.controls).map((f) => f.tied.length));
  return most === 0 ? [facts] : Array.from({ length: most }, (_, n) => asNth(facts, n));
}

const graver = (a: LedgerRow, b: LedgerRow): boolean =>
  isGraver(a.verdict, b.verdict) || (a.verdict === b.verdict && (a.share ?? 0) > (b.share ?? 0));

/**
 * Every rating of every part of a job's circuit in its worst state and corner. Where no reading tells what a control is, the circuit is
 * solved with it as each kind that it may be, and the worst of each rating stands.
 * @param wanted which ratings are looked at; all where nothing is said.
 */
export function ledgerOfJob(
  job: Job,
  facts: Facts,
  weakOhms?: readonly [number, number],
  wanted?: (part: Fitted, rating: Rating) => boolean,
): { readonly ledger: readonly LedgerRow[]; readonly apart: readonly string[] } {
  const wholes = asTied(facts).map((each) => wholeCircuit(job, each, weakOhms));
  const rows = new Map<string, LedgerRow>();
  for (const whole of wholes)
    for (const row of ledgerOf(whole, wanted)) {
      const key = `${row.part.id} ${row.rating.key}`;
      const there = rows.get(key);
      if (!there || graver(row, there)) rows.set(key, row);
    }
  return { ledger: [...rows.values()], apart: firstItem(wholes).apart };
}
