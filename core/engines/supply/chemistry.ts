import { itemAt } from '../../ground/lists';
import type { Chemistry } from '../../ground/job';

/** One cell of a chemistry, as such cells are; every value from memory (`cells`). */
export interface CellClass {
  readonly words: string;
  /** Open-circuit volts by the share of the charge that is taken: rising shares, falling volts. */
  readonly curve: readonly (readonly [taken: number, volts: number])[];
  readonly nominalVolts: number;
  /** Highest voltage that a fresh or a full cell shows, V. */
  readonly freshVolts: number;
  /** Under this a cell is spoiled or leaks, V. */
  readonly endVolts: number;
  readonly ampHours: number;
  /** Resistance of one cell: fresh, and when almost empty, Ω. */
  readonly ohms: readonly [fresh: number, empty: number];
  /** Share of the charge that goes by itself in a year at 20 °C. */
  readonly selfPerYear: number;
  /** What one cell gives for long, and at most for a moment, A. */
  readonly longAmps: number;
  readonly burstAmps: number;
  /** Share of its charge that it still gives at 0 °C. */
  readonly coldShare: number;
  readonly lithium: boolean;
}

/** Cells by their chemistry. */
export const CELLS: Readonly<Record<Chemistry, CellClass>> = {
  alkaline: {
    words: 'alkaline cell of 14.5 by 50.5 mm',
    curve: [
      [0, 1.58],
      [0.1, 1.45],
      [0.3, 1.34],
      [0.5, 1.26],
      [0.7, 1.18],
      [0.9, 1.06],
      [1, 0.9],
    ],
    nominalVolts: 1.5,
    freshVolts: 1.65,
    endVolts: 0.8,
    ampHours: 2.4,
    ohms: [0.2, 0.6],
    selfPerYear: 0.03,
    longAmps: 0.5,
    burstAmps: 1.5,
    coldShare: 0.6,
    lithium: false,
  },
  'lithium-iron': {
    words: 'lithium and iron disulphide cell of 14.5 by 50.5 mm',
    curve: [
      [0, 1.75],
      [0.05, 1.65],
      [0.3, 1.58],
      [0.6, 1.54],
      [0.9, 1.46],
      [1, 1],
    ],
    nominalVolts: 1.5,
    freshVolts: 1.83,
    endVolts: 0.9,
    ampHours: 3,
    ohms: [0.12, 0.3],
    selfPerYear: 0.006,
    longAmps: 2,
    burstAmps: 3,
    coldShare: 0.9,
    lithium: true,
  },
  nickel: {
    words: 'nickel-metal hydride cell of 14.5 by 50.5 mm, of low self-discharge',
    curve: [
      [0, 1.4],
      [0.1, 1.31],
      [0.5, 1.25],
      [0.8, 1.21],
      [0.95, 1.12],
      [1, 1],
    ],
    nominalVolts: 1.2,
    freshVolts: 1.45,
    endVolts: 1,
    ampHours: 1.9,
    ohms: [0.03, 0.06],
    selfPerYear: 0.25,
    longAmps: 2,
    burstAmps: 5,
    coldShare: 0.85,
    lithium: false,
  },
  'lithium-ion': {
    words: 'lithium-ion cell of 18 by 65 mm',
    curve: [
      [0, 4.2],
      [0.1, 4.05],
      [0.3, 3.85],
      [0.5, 3.72],
      [0.7, 3.62],
      [0.9, 3.42],
      [1, 3],
    ],
    nominalVolts: 3.7,
    freshVolts: 4.2,
    endVolts: 3,
    ampHours: 2.5,
    ohms: [0.06, 0.12],
    selfPerYear: 0.12,
    longAmps: 2.5,
    burstAmps: 5,
    coldShare: 0.8,
    lithium: true,
  },
  'iron-phosphate': {
    words: 'lithium iron phosphate cell of 18 by 65 mm',
    curve: [
      [0, 3.45],
      [0.05, 3.33],
      [0.5, 3.27],
      [0.9, 3.15],
      [1, 2.5],
    ],
    nominalVolts: 3.2,
    freshVolts: 3.65,
    endVolts: 2.5,
    ampHours: 1.5,
    ohms: [0.05, 0.1],
    selfPerYear: 0.2,
    longAmps: 2,
    burstAmps: 5,
    coldShare: 0.75,
    lithium: true,
  },
  coin: {
    words: 'lithium coin cell of 20 by 3.2 mm',
    curve: [
      [0, 3.15],
      [0.1, 3],
      [0.7, 2.9],
      [0.9, 2.7],
      [1, 2],
    ],
    nominalVolts: 3,
    freshVolts: 3.3,
    endVolts: 2,
    ampHours: 0.22,
    ohms: [12, 40],
    selfPerYear: 0.01,
    longAmps: 0.002,
    burstAmps: 0.015,
    coldShare: 0.85,
    lithium: true,
  },
  'lead-acid': {
    words: 'small lead and acid cell, sealed',
    curve: [
      [0, 2.13],
      [0.2, 2.08],
      [0.5, 2.02],
      [0.8, 1.95],
      [1, 1.8],
    ],
    nominalVolts: 2,
    freshVolts: 2.4,
    endVolts: 1.8,
    ampHours: 7,
    ohms: [0.004, 0.008],
    selfPerYear: 0.4,
    longAmps: 7,
    burstAmps: 40,
    coldShare: 0.8,
    lithium: false,
  },
};

/** Open-circuit volts of a cell of which a share of its charge is taken, 0 to 1. */
export function cellVolts(cell: CellClass, taken: number): number {
  const { curve } = cell;
  const i = curve.findIndex(([share]) => share >= taken);
  if (i <= 0) return itemAt(curve, i === 0 ? 0 : curve.length - 1)[1];
  const [[a, va], [b, vb]] = [itemAt(curve, i - 1), itemAt(curve, i)];
  return va + ((vb - va) * (taken - a)) / (b - a);
}

/** Resistance of a cell of which a share of its charge is taken, Ω: straight from fresh to empty. */
export const cellOhms = (cell: CellClass, taken: number): number =>
  cell.ohms[0] + (cell.ohms[1] - cell.ohms[0]) * Math.min(1, Math.max(0, taken));
