import { chosen, computed, constant, derive, type Step } from '../../ground/finding';
import type { Piece } from '../../ground/job';

/** Coverage factor for about 95 % (`gum`). */
const COVERAGE = 2;

/** The size of a piece with its expanded uncertainty, both in metres; null without a reading. */
export interface Size {
  readonly metres: number;
  readonly uncertainty: number;
  readonly steps: readonly Step[];
}

/**
 * Mean of the caliper readings with the uncertainty of the Guide (JCGM 100): scatter of the mean (type A) and the caliper's
 * stated error taken as a rectangle (type B), added in squares, times two.
 */
export function sizeOf(piece: Piece): Size | null {
  const n = piece.readings.length;
  if (n === 0) return null;
  const mean = piece.readings.reduce((a, b) => a + b, 0) / n;
  const scatter = n > 1 ? Math.sqrt(piece.readings.reduce((s, x) => s + (x - mean) ** 2, 0) / (n - 1)) : 0;
  const a = derive('scatter of the mean', 'u_A', 's / sqrt(n)', 'm', [
    computed('s', 'standard deviation of the readings', scatter, 'm', `${n} caliper readings`),
    computed('n', 'readings', n, '1', 'entered'),
  ]);
  const b = derive('the caliper itself', 'u_B', 'a / sqrt(c)', 'm', [
    chosen('a', 'stated error', piece.caliperMetres, 'm', 'of this caliper'),
    constant('c', 'rectangular distribution', 3, '1', 'gum'),
  ]);
  const u = derive('expanded uncertainty', 'U', 'k * sqrt(u_A * u_A + u_B * u_B)', 'm', [
    constant('k', 'coverage factor for 95 %', COVERAGE, '1', 'gum'),
    { symbol: 'u_A', name: a.what, value: a.result.value, unit: 'm', origin: { from: 'step' } },
    { symbol: 'u_B', name: b.what, value: b.result.value, unit: 'm', origin: { from: 'step' } },
  ]);
  return { metres: mean, uncertainty: u.result.value, steps: [a, b, u] };
}

/** Caliper readings that lie further apart than the caliper's own error explains: the piece is oval, or one reading slipped. */
export const isUneven = (piece: Piece): boolean =>
  piece.readings.length > 1 && Math.max(...piece.readings) - Math.min(...piece.readings) > 4 * piece.caliperMetres;
