/** A stream of random numbers that the caller seeds; the core never asks for chance or for the clock by itself. */
export interface Random {
  /** Uniform in [0, 1). */
  next(): number;
  /** Normal with mean 0 and standard deviation 1. */
  normal(): number;
}

/**
 * A small seeded generator (mulberry32, a public-domain design): the same seed gives the same stream on every machine.
 * @param seed any number; its 32-bit integer part counts.
 */
export function seededRandom(seed: number): Random {
  let state = seed | 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
  return {
    next,
    // The Box-Muller transform; 1 − u keeps the logarithm away from zero.
    normal: () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
  };
}
