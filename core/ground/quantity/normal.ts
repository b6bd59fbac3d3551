/** Coefficients of Abramowitz and Stegun 7.1.26, and its argument's. */
const A = { 1: 0.254829592, 2: -0.284496736, 3: 1.421413741, 4: -1.453152027, 5: 1.061405429 } as const;
const ARGUMENT = 0.3275911;

/** Standard normal distribution function; Abramowitz and Stegun 7.1.26, error below 1.5e-7. */
export function normalCdf(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + ARGUMENT * x);
  const erf = 1 - ((((A[5] * t + A[4]) * t + A[3]) * t + A[2]) * t + A[1]) * t * Math.exp(-x * x);
  return z >= 0 ? (1 + erf) / 2 : (1 - erf) / 2;
}

/** Beyond this no share is told apart from none or all. */
const FAR = 9;
const CLOSE = 1e-12;

/** The value that a standard normal one stays under with this share, 0 to 1 without its ends. */
export function normalQuantile(share: number): number {
  let [low, high] = [-FAR, FAR];
  while (high - low > CLOSE) {
    const middle = (low + high) / 2;
    if (normalCdf(middle) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
