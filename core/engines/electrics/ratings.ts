import { awgAreaSquareMetres } from '../../ground/quantity';
import { ohmsPerMetre } from './copper';
import type { Strand } from './strand';

/**
 * What a conductor of a lead bears for long, mm² and A (`conductor-amps`): from 0.75 mm² on as flexible cords of appliances are
 * rated, below that as common practice has it for single leads in free air.
 */
const BEARS: readonly (readonly [squareMillimetres: number, amps: number])[] = [
  [0.05, 0.5],
  [0.08, 1],
  [0.128, 1.4],
  [0.2, 2],
  [0.32, 2.5],
  [0.5, 3],
  [0.75, 6],
  [1, 10],
  [1.5, 16],
  [2.5, 20],
  [4, 25],
  [6, 32],
  [10, 45],
];
const SAME = 0.985;

/** What a conductor bears for long, A; a size between two rows bears what the thinner one does, one under the table nothing. */
export const bearsAmps = (squareMetres: number): number =>
  BEARS.findLast(([size]) => squareMetres * 1e6 >= size * SAME)?.[1] ?? 0;

/** Sizes that are sold: even gauges, and mm² (IEC 60228). */
const SOLD_GAUGES: readonly number[] = [28, 26, 24, 22, 20, 18, 16, 14, 12, 10];
const SOLD_SQUARE_MILLIMETRES: readonly number[] = [0.08, 0.14, 0.25, 0.34, 0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10];

/** Sizes that are sold, m²: those of mm², or even gauges where leads are sold by gauge. */
export const soldSizes = (byGauge: boolean): readonly number[] =>
  byGauge ? SOLD_GAUGES.map(awgAreaSquareMetres) : SOLD_SQUARE_MILLIMETRES.map((mm) => mm / 1e6);

/** Preferred ratings of miniature fuses, A. Source: IEC 60127, the R10 row of ISO 3 (`fuse-ratings`). */
const FUSE_RATINGS: readonly number[] = [
  0.05, 0.063, 0.08, 0.1, 0.125, 0.16, 0.2, 0.25, 0.315, 0.4, 0.5, 0.63, 0.8, 1, 1.25, 1.6, 2, 2.5, 3.15, 4, 5, 6.3, 8,
  10, 12.5, 16, 20, 25, 32,
];

/** The least rating of a fuse that holds a current for long, A; null above the row. @param share of its rating that it is used to. */
export const fuseFor = (amps: number, share: number): number | null =>
  FUSE_RATINGS.find((r) => share * r >= amps) ?? null;

/** What a connector's contacts bear, A, and the resistance of one of them, Ω (`connectors`). */
export const CONNECTOR = {
  none: { amps: Infinity, ohms: 0 },
  barrel: { amps: 3, ohms: 0.03 },
  header: { amps: 1, ohms: 0.02 },
  'wire-to-wire': { amps: 3, ohms: 0.01 },
  screw: { amps: 10, ohms: 0.005 },
  usb: { amps: 1.5, ohms: 0.03 },
} as const;

/**
 * The thinnest lead that is sold which bears a current for long and drops no more than is allowed; null where none does.
 * @param amps for long; @param peakAmps at the worst instant; @param metres one way; @param dropVolts there and back, at the peak.
 */
export function leadFor(
  amps: number,
  peakAmps: number,
  metres: number,
  dropVolts: number,
  strand: Strand,
  byGauge: boolean,
): number | null {
  return (
    soldSizes(byGauge).find(
      (size) => bearsAmps(size) >= amps && 2 * metres * ohmsPerMetre(size, strand) * peakAmps <= dropVolts,
    ) ?? null
  );
}
