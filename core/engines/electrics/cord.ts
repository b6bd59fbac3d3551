import { awgAreaSquareMetres } from '../../ground/quantity';

/** Flexible cords by cross-section, m², with what they carry, A. Source: BS 7671, table 4F3A (`cord-amps`). */
const BY_AREA: readonly (readonly [squareMetres: number, amps: number])[] = [
  [0.5e-6, 3],
  [0.75e-6, 6],
  [1e-6, 10],
  [1.25e-6, 13],
  [1.5e-6, 16],
  [2.5e-6, 25],
  [4e-6, 32],
];
/** The same by gauge, for two loaded conductors. Source: NEC, table 400.5(A)(1), column B (`cord-amps-nec`). */
const BY_GAUGE: readonly (readonly [gauge: number, amps: number])[] = [
  [18, 10],
  [16, 13],
  [14, 18],
  [12, 25],
];
/** Conductors in a box at 45 °C carry so much of what the tables say for 30 °C (`conductor-heat`). */
export const CONDUCTOR_HEAT = 0.71;
/** Mains up to this, V, is that of regions where cords go by gauge. */
const GAUGE_VOLTS = 150;
/** What is called 0.75 mm² may be so much less. */
const SAME = 0.985;

/** Whether cords of a region go by gauge. */
export const cordsByGauge = (mainsVolts: number): boolean => mainsVolts <= GAUGE_VOLTS;

/**
 * What a flexible cord of two loaded conductors carries for long at 30 °C, A: that of the next size of the region's table below it; 0 under
 * the table. @param squareMetres over 0. @param mainsVolts of the region.
 */
export function cordAmps(squareMetres: number, mainsVolts: number): number {
  const rows = cordsByGauge(mainsVolts)
    ? BY_GAUGE.map(([g, amps]) => [awgAreaSquareMetres(g), amps] as const)
    : BY_AREA;
  return rows.findLast(([size]) => squareMetres >= SAME * size)?.[1] ?? 0;
}
