import { awgAreaSquareMetres } from '../../ground/quantity';
import type { Strand } from './strand';

/** Resistance of copper at 20 °C, Ω·m (`iec-60028`). */
export const COPPER_OHM_METRES = 17.241e-9;

/** Nominal cross-section, mm², and greatest resistance at 20 °C of a plain copper conductor, Ω/km: solid (class 1), flexible (class 5). */
const IEC_60228: readonly (readonly [squareMillimetres: number, solid: number, flexible: number])[] = [
  [0.5, 36.0, 39.0],
  [0.75, 24.5, 26.0],
  [1, 18.1, 19.5],
  [1.5, 12.1, 13.3],
  [2.5, 7.41, 7.98],
  [4, 4.61, 4.95],
  [6, 3.08, 3.3],
  [10, 1.83, 1.91],
  [16, 1.15, 1.21],
];

/** What is called 0.5 mm² is this near to it. */
const SAME_SIZE = 0.01;

/**
 * Resistance of one conductor, Ω/m at 20 °C: the greatest that IEC 60228 allows where the size is one of its sizes, else copper's
 * resistivity over the cross-section.
 * @param squareMetres cross-section, over 0.
 */
export function ohmsPerMetre(squareMetres: number, strand: Strand): number {
  const size = squareMetres * 1e6;
  const row = IEC_60228.find(([s]) => Math.abs(size - s) <= SAME_SIZE * s);
  return row ? (strand === 'solid' ? row[1] : row[2]) / 1000 : COPPER_OHM_METRES / squareMetres;
}

/** True where IEC 60228 has a row for this size. */
export const isStandardSize = (squareMetres: number): boolean =>
  IEC_60228.some(([s]) => Math.abs(squareMetres * 1e6 - s) <= SAME_SIZE * s);

/** Gauges of ASTM B258 that leads are met in; 0000 is −3. */
const GAUGES = Array.from({ length: 44 }, (_, i) => i - 3);
/** The gauge whose conductor is nearest to this cross-section, by ratio. */
export const nearestGauge = (squareMetres: number): number => {
  const off = (gauge: number): number => Math.abs(Math.log(awgAreaSquareMetres(gauge) / squareMetres));
  return GAUGES.reduce((best, gauge) => (off(gauge) < off(best) ? gauge : best));
};
