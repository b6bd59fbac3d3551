import { realAt } from '../../ground/lists';
/**
 * Probability that `trials` independent tries, each a hit with probability `p`, hold at least one run of `needed` hits.
 * @param p 0 to 1. @param needed at least 1. @param trials at least 0.
 * Source: Feller, An Introduction to Probability Theory and Its Applications, vol. 1, success runs.
 */
export function runChance(p: number, needed: number, trials: number): number {
  // State: length of the run that is going on, up to `needed`, which holds for good.
  let state = new Float64Array(needed + 1);
  state[0] = 1;
  for (let t = 0; t < trials; t++) {
    const next = new Float64Array(needed + 1);
    next[needed] = realAt(state, needed);
    for (let run = 0; run < needed; run++) {
      next[run + 1] = realAt(next, run + 1) + realAt(state, run) * p;
      next[0] = realAt(next, 0) + realAt(state, run) * (1 - p);
    }
    state = next;
  }
  return realAt(state, needed);
}
