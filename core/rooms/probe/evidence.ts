import type { ControlKind, Reading } from '../../ground/job';
import type { SeenSurvey } from './survey';

/** Under this probability a kind is struck out: it is no longer worth a bar of its own. */
export const STILL_COUNTS = 0.005;
/** Evidence weaker than this is not worth telling, bits. */
const WORTH_TELLING_BITS = 0.3;

/** The reading that speaks loudest for or against a kind; undefined where none says much. */
export function strongestReading(
  survey: SeenSurvey,
  readings: readonly Reading[],
  kind: ControlKind,
  side: 'for' | 'against',
): Reading | undefined {
  const { evidence } = survey.posterior;
  const bits = (r: Reading): number =>
    (evidence[r.id] as Partial<Record<ControlKind, number>> | undefined)?.[kind] ?? 0;
  const sign = side === 'for' ? 1 : -1;
  const loudest = [...readings].sort((a, b) => sign * (bits(b) - bits(a)))[0];
  return loudest && Math.abs(bits(loudest)) > WORTH_TELLING_BITS ? loudest : undefined;
}
