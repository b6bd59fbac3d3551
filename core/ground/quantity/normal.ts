/** Coefficients of Abramowitz and Stegun 7.1.26, the highest power first, and its argument's. */
const POWERS = [1.061405429, -1.453152027, 1.421413741, -0.284496736, 0.254829592] as const;
const ARGUMENT = 0.3275911;

/** Standard normal distribution function; Abramowitz and Stegun 7.1.26, error below 1.5e-7. */
export function normalCdf(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + ARGUMENT * x);
  const [a5, a4, a3, a2, a1] = POWERS;
  const erf = 1 - ((((a5 * t + a4) * t + a3) * t + a2) * t + a1) * t * Math.exp(-x * x);
  return z >= 0 ? (1 + erf) / 2 : (1 - erf) / 2;
}
