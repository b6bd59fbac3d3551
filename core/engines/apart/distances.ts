import type { Category } from '../electrics';

/** Pollution degree of a place: 1 where nothing comes, 2 in a dry room, 3 where it gets damp or dusty. */
export type Pollution = 1 | 2 | 3;
/** Material groups of insulation: by how well they stand tracking. */
export type MaterialGroup = 'I' | 'II' | 'III';

/** Impulse that mains has to be taken for, V, by its voltage to earth, for the categories II and III. Source: IEC 60664-1, table F.1. */
const IMPULSES: readonly (readonly [upTo: number, two: number, three: number])[] = [
  [50, 500, 800],
  [100, 800, 1500],
  [150, 1500, 2500],
  [300, 2500, 4000],
  [600, 4000, 6000],
];
/** The row of impulses; reinforced insulation is that of the next one. Source: IEC 60664-1, 5.2.4. */
const ROW: readonly number[] = [330, 500, 800, 1500, 2500, 4000, 6000, 8000, 12000];
/** Clearance by impulse, m, inhomogeneous field, for the pollution degrees 1 to 3. Source: IEC 60664-1, table F.2, case A. */
const CLEARANCES: Readonly<Record<number, readonly [number, number, number]>> = {
  330: [0.01e-3, 0.2e-3, 0.8e-3],
  500: [0.04e-3, 0.2e-3, 0.8e-3],
  800: [0.1e-3, 0.2e-3, 0.8e-3],
  1500: [0.5e-3, 0.5e-3, 0.8e-3],
  2500: [1.5e-3, 1.5e-3, 1.5e-3],
  4000: [3e-3, 3e-3, 3e-3],
  6000: [5.5e-3, 5.5e-3, 5.5e-3],
  8000: [8e-3, 8e-3, 8e-3],
  12000: [14e-3, 14e-3, 14e-3],
};
/**
 * Creepage by voltage, mm: pollution degree 1, then groups I, II, III of degree 2, then those of degree 3.
 * Source: IEC 60664-1, table F.5.
 */
const CREEPAGES: readonly (readonly [volts: number, ...mm: number[]])[] = [
  [10, 0.08, 0.4, 0.4, 0.4, 1, 1, 1],
  [12.5, 0.09, 0.42, 0.42, 0.42, 1.05, 1.05, 1.05],
  [16, 0.1, 0.45, 0.45, 0.45, 1.1, 1.1, 1.1],
  [20, 0.11, 0.48, 0.48, 0.48, 1.2, 1.2, 1.2],
  [25, 0.125, 0.5, 0.5, 0.5, 1.25, 1.25, 1.25],
  [32, 0.14, 0.53, 0.53, 0.53, 1.3, 1.3, 1.3],
  [40, 0.16, 0.56, 0.8, 1.1, 1.4, 1.6, 1.8],
  [50, 0.18, 0.6, 0.85, 1.2, 1.5, 1.7, 1.9],
  [63, 0.2, 0.63, 0.9, 1.25, 1.6, 1.8, 2],
  [80, 0.22, 0.67, 0.95, 1.3, 1.7, 1.9, 2.1],
  [100, 0.25, 0.71, 1, 1.4, 1.8, 2, 2.2],
  [125, 0.28, 0.75, 1.05, 1.5, 1.9, 2.1, 2.4],
  [160, 0.32, 0.8, 1.1, 1.6, 2, 2.2, 2.5],
  [200, 0.42, 1, 1.4, 2, 2.5, 2.8, 3.2],
  [250, 0.56, 1.25, 1.8, 2.5, 3.2, 3.6, 4],
  [320, 0.75, 1.6, 2.2, 3.2, 4, 4.5, 5],
  [400, 1, 2, 2.8, 4, 5, 5.6, 6.3],
  [500, 1.3, 2.5, 3.6, 5, 6.3, 7.1, 8],
  [630, 1.8, 3.2, 4.5, 6.3, 8, 9, 10],
];
/** Clearance over the sea against that up to 2,000 m. Source: IEC 60664-1, table F.10 (A.2 of earlier editions). */
const ALTITUDES: readonly (readonly [metres: number, factor: number])[] = [
  [2000, 1],
  [3000, 1.14],
  [4000, 1.29],
  [5000, 1.48],
  [6000, 1.7],
  [7000, 1.95],
  [8000, 2.25],
  [9000, 2.62],
];
/** The least width of a groove or gap, m, by pollution degree: a narrower one is bridged. Source: IEC 60664-1, 6.8. */
const GROOVES: Readonly<Record<Pollution, number>> = { 1: 0.25e-3, 2: 1e-3, 3: 1.5e-3 };

/** What has to be kept apart, and where. */
export interface ApartOf {
  /** Mains to earth, V. */
  readonly volts: number;
  readonly category: Category;
  readonly pollution: Pollution;
  readonly group: MaterialGroup;
  /** m over the sea. */
  readonly altitude: number;
  /** Between mains and what can be touched; basic insulation otherwise. */
  readonly reinforced: boolean;
}

/** Distances that have to be kept, m. */
export interface Distances {
  readonly clearance: number;
  readonly creepage: number;
  /** A narrower gap or slot is bridged. */
  readonly groove: number;
}

/** Clearance over the sea against that at 2,000 m: that of the next height of the table; null over 9,000 m. */
const altitudeFactor = (metres: number): number | null => ALTITUDES.find(([m]) => metres <= m)?.[1] ?? null;

/** Distances of IEC 60664-1 (`iec-60664`); null over 600 V to earth or over 9,000 m, where this tool ends. */
export function apartFor(of: ApartOf): Distances | null {
  const impulse = IMPULSES.find(([upTo]) => of.volts <= upTo)?.[of.category === 'II' ? 1 : 2];
  const factor = altitudeFactor(of.altitude);
  const row = CREEPAGES.find(([volts]) => of.volts <= volts);
  if (impulse === undefined || factor === null || row === undefined) return null;
  const stands = ROW[ROW.indexOf(impulse) + (of.reinforced ? 1 : 0)] ?? impulse;
  const clearance = (CLEARANCES[stands]?.[of.pollution - 1] ?? NaN) * factor;
  const column = of.pollution === 1 ? 1 : 2 + 3 * (of.pollution - 2) + ['I', 'II', 'III'].indexOf(of.group);
  const creepage = ((row[column] ?? NaN) / 1000) * (of.reinforced ? 2 : 1);
  return { clearance, creepage: Math.max(creepage, clearance), groove: GROOVES[of.pollution] };
}
