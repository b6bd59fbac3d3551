/** What the piece of work takes on a quiet two-core machine of today, ms. */
const USUAL_MS = 35;

/** A piece of work of fixed size, integers and branches alone; gives the time that it took, ms. */
function pieceOfWork(): number {
  const began = performance.now();
  let primes = 0;
  for (let n = 2; n < 200_000; n++) {
    let prime = true;
    for (let d = 2; d * d <= n; d++)
      if (n % d === 0) {
        prime = false;
        break;
      }
    if (prime) primes++;
  }
  if (primes !== 17_984) throw new Error('the piece of work was not done');
  return performance.now() - began;
}

/** For tests: how many times slower than usual this machine is now, at least once; the slowest of a few, since it may be busy in bursts. */
export const pace = (): number => Math.max(1, ...Array.from({ length: 5 }, () => pieceOfWork() / USUAL_MS));

/** How many times slower than usual this machine is at this moment; under 1 where it is faster. */
export const paceNow = (): number => pieceOfWork() / USUAL_MS;

/** A limit for what has come to no end, ms: an hour and more on a machine that is slow. No test is held to a time by it. */
export const HANGS_MS = Math.round(1_200_000 * pace());

/**
 * For tests: how long something takes, as if this machine were as fast as usual, ms. It is done so often, each time between two pieces of
 * work that are timed in the same breath; the least is what it takes, since what a busy machine adds is not the work's.
 */
export function usualMs(work: () => void, times = 5): number {
  const tries = Array.from({ length: times }, () => {
    const before = pieceOfWork();
    const began = performance.now();
    work();
    const took = performance.now() - began;
    return (took / Math.max(before, pieceOfWork())) * USUAL_MS;
  });
  return Math.min(...tries);
}
