/** Overvoltage category of the place: II behind a plug, III in the fixed installation. Source: IEC 60664-1 (`iec-60664`). */
export type Category = 'II' | 'III';

/** What reinforced insulation between mains and a touchable side asks for. Lengths in metres, volts AC for a minute. */
export interface Insulation {
  readonly clearance: number;
  readonly creepage: number;
  readonly testVolts: number;
}

/** One row per mains voltage to earth, up to and including `upTo`; reinforced values, material group III. */
const ROWS: readonly {
  readonly upTo: number;
  readonly clearance: Readonly<Record<Category, number>>;
  readonly dry: number;
  readonly damp: number;
  readonly testVolts: number;
}[] = [
  { upTo: 150, clearance: { II: 1.5e-3, III: 3e-3 }, dry: 3e-3, damp: 4.8e-3, testVolts: 2000 },
  { upTo: 300, clearance: { II: 3e-3, III: 5.5e-3 }, dry: 5e-3, damp: 8e-3, testVolts: 3000 },
];

/**
 * Reinforced insulation for a mains voltage, an overvoltage category and a place: pollution degree 2 in a dry room, 3 where steam,
 * condensation or splashes come. Null over 300 V, where this tool ends. Creepage is never less than clearance.
 * Source: IEC 60664-1, tables F.1, F.2 and F.5; test voltages IEC 60950-1, table 5B (`iec-60664`, `test-volts`).
 */
export function insulationFor(mainsVolts: number, category: Category, place: 'dry' | 'damp'): Insulation | null {
  const row = ROWS.find((r) => mainsVolts <= r.upTo);
  if (!row) return null;
  const clearance = row.clearance[category];
  return { clearance, creepage: Math.max(row[place], clearance), testVolts: row.testVolts };
}
