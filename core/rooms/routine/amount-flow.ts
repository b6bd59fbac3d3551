import { finding, type Finding, type Remedy } from '../../ground/finding';
import { pressedBy, type Amount, type Job, type Move } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { toleranceFactor } from '../../engines/trace';

/** Trials from which what the next pours come to is told. */
export const LEAST_POURS = 2;
/** Share and confidence of what the next pours stay within. */
const SURE = 0.95;
/** With a single trial a flow may be half or twice what it showed (`flow-pours`). */
const ONCE = 2;

/** How much flows in a second, l/s: the mean of the trials, and between which it lies with the next pours and the jug's own doubt. */
export interface Flow {
  readonly mean: number;
  readonly least: number;
  readonly most: number;
}

/** The flow of an amount's trials; null before the first. With a single one nothing of its spread is known. */
export function flowOf({ pours, off }: Pick<Amount, 'pours' | 'off'>): Flow | null {
  const rates = pours.map((p) => p.litres / p.seconds);
  if (rates.length === 0) return null;
  const mean = rates.reduce((a, b) => a + b, 0) / rates.length;
  if (rates.length < LEAST_POURS) return { mean, least: mean / ONCE, most: ONCE * mean };
  const spread = Math.sqrt(rates.reduce((v, r) => v + (r - mean) ** 2, 0) / (rates.length - 1));
  const reach = toleranceFactor(rates.length, SURE, SURE) * spread;
  return { mean, least: Math.max(0, (mean - reach) * (1 - off)), most: (mean + reach) * (1 + off) };
}

/** How long a press lasts that lets a wanted amount through, s; null while the flow or the amount is not known. */
export function secondsFor(a: Amount): number | null {
  const flow = flowOf(a);
  return a.litres === null || flow === null || flow.mean <= 0 ? null : a.litres / flow.mean;
}

/** What is found of an amount. */
export const amountTold = (
  a: Amount,
  id: string,
  of: Pick<Finding, 'verdict' | 'title' | 'caption'> & { readonly remedy: Remedy | null },
): Finding => finding('routine', `amount.${a.id}.${id}`, { ...of, source: ['maker', 'flow-pours'] });

/** The moves that open it, with how long each does in all, s. */
export const openings = (job: Job, a: Amount): readonly { readonly move: Move; readonly seconds: number }[] =>
  job.act.moves.flatMap((move) => {
    const seconds = move.steps.reduce((n, s) => n + (pressedBy(s).includes(a.press) ? s.seconds : 0), 0);
    return seconds > 0 ? [{ move, seconds }] : [];
  });

/** Litres and times as they are told. */
export const litres = (x: number): string => formatQuantity(Number(x.toPrecision(3)), 'l');
export const time = (x: number): string => formatQuantity(x, 's');
