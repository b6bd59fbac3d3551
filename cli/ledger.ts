import { assess } from '../core/house/assess';
import type { Job } from '../core/ground/job';
import { Unusable } from './unusable';

/**
 * Every part with every rating, worst first.
 * @param part part of its name; @param open only what is not settled.
 */
export function ledgerVerb(job: Job, part: string | undefined, open: boolean): unknown {
  const all = assess(job).ledger;
  const wanted = part?.toLowerCase();
  const named = wanted === undefined ? all : all.filter((p) => p.name.toLowerCase().includes(wanted));
  if (wanted !== undefined && named.length === 0)
    throw new Unusable(
      `no part is called ${JSON.stringify(part)}; there are ${[...new Set(all.map((p) => p.name))].join(', ') || 'none'}`,
    );
  return named
    .filter((p) => !open || p.verdict !== 'settled')
    .map((p) => ({
      part: p.name,
      verdict: p.verdict,
      ratings: p.ratings
        .filter((f) => !open || f.verdict !== 'settled')
        .map((f) => ({
          rating: f.title,
          verdict: f.verdict,
          value: f.value,
          limit: f.limit && { ...f.limit, steps: undefined },
          steps: f.steps,
        })),
      doesNotApply: p.off,
    }));
}
