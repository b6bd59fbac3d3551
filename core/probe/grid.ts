import { type Build, onScale, predict, type ProbedKind, type ReadingSpec, touchesPins } from '../circuit';

/** One build of a hypothesis' grid with its share of the hypothesis' prior. */
export interface GridPoint {
  readonly build: Build;
  readonly weight: number;
}

type Weighted<T> = readonly (readonly [T, number])[];

function grid(kind: ProbedKind, o: {
  supply: Weighted<readonly [number, boolean]>; series: Weighted<number>; contact: Weighted<number>; mains: Weighted<number>; ground: Weighted<number>;
}): GridPoint[] {
  const points: GridPoint[] = [];
  for (const signal of ['A', 'B'] as const)
    for (const [[supplyVolts, alternating], w1] of o.supply)
      for (const [seriesOhms, w2] of o.series)
        for (const [contactOhms, w3] of o.contact)
          for (const [groundOhms, w5] of o.ground)
            for (const [mainsOhms, w4] of o.mains)
              points.push({
                build: { kind, signal, supplyVolts, alternating, seriesOhms, contactOhms, mainsOhms, groundOhms },
                weight: 0.5 * w1 * w2 * w3 * w4 * w5,
              });
  const sum = points.reduce((s, p) => s + p.weight, 0);
  return points.map((p) => ({ ...p, weight: p.weight / sum }));
}

const dc = (volts: number): readonly [number, boolean] => [volts, false];
const LOGIC: Weighted<readonly [number, boolean]> = [[dc(1.8), 1], [dc(3.0), 2], [dc(3.3), 8], [dc(5), 10], [dc(9), 0.5], [dc(12), 0.5]];
const PULLS: Weighted<number> = [[1e3, 1], [2.2e3, 1.5], [4.7e3, 3], [10e3, 5], [22e3, 2.5], [47e3, 2.5], [100e3, 1.5]];
const CONTACTS: Weighted<number> = [[0.2, 6], [5, 2], [100, 2]];
const MAINS: Weighted<number> = [[100e6, 85], [150e3, 15]];
const GROUNDED: Weighted<number> = [[0.05, 1]];

/** The hypotheses with their parameter grids; the weights are common practice (`kind-priors`). */
export const GRIDS: Readonly<Record<ProbedKind, readonly GridPoint[]>> = {
  'low-when-pressed': grid('low-when-pressed', { supply: LOGIC, series: PULLS, contact: CONTACTS, mains: MAINS, ground: GROUNDED }),
  'high-when-pressed': grid('high-when-pressed', { supply: LOGIC, series: PULLS, contact: CONTACTS, mains: MAINS, ground: GROUNDED }),
  'dry-pair': grid('dry-pair', {
    supply: [[dc(5), 1], [dc(8), 2], [dc(12), 6], [dc(15), 2], [dc(24), 3], [[24, true], 2]],
    series: [[500, 2], [1.5e3, 3], [5e3, 3], [15e3, 1]],
    contact: CONTACTS, mains: MAINS, ground: [[0.05, 1], [100e6, 1]],
  }),
  'switched-load': grid('switched-load', {
    supply: [[[230, true], 5], [[120, true], 5], [dc(12), 2], [dc(24), 2]],
    series: [[5, 1], [30, 2], [120, 2], [600, 2]],
    contact: [[0.05, 3], [0.5, 1]], mains: [[100e6, 1]], ground: GROUNDED,
  }),
};

/** How often each kind is met, before any reading (`kind-priors`). */
export const PRIOR: Readonly<Record<ProbedKind, number>> = {
  'low-when-pressed': 0.55, 'high-when-pressed': 0.15, 'dry-pair': 0.17, 'switched-load': 0.13,
};

/**
 * How far apart neighbouring grid values and real parts may lie, on the reading's scale: a prediction is no sharper than this.
 * @param value the prediction in base units.
 */
export function spread(kind: ReadingSpec['kind'], hypothesis: ProbedKind, value: number, toEarth: boolean): number {
  if (kind === 'volts-dc') return 0.02 + Math.abs(value) * (hypothesis === 'dry-pair' || hypothesis === 'switched-load' ? 0.12 : 0.025);
  // Stray capacitance lets a 10 MΩ meter see some volts of AC on anything that floats.
  if (kind === 'volts-ac') return (toEarth ? 8 : 0.3) + Math.abs(value) * 0.06;
  // Small resistances are contacts and wires, known to tenths of an ohm; large ones hold an unknown board.
  return kind === 'ohms' ? (value < 10 ? 0.35 : 0.7) : 0.5;
}

export interface Prediction {
  /** Mean on the reading's scale, one entry per grid point. */
  readonly mean: Float64Array;
  /** Model spread on the same scale. */
  readonly sd: Float64Array;
}

const sameButMains = (a: Build, b: Build): boolean => (Object.keys(a) as (keyof Build)[]).every((k) => k === 'mainsOhms' || a[k] === b[k]);

const tables = new Map<string, Prediction>();

/** Stable name of a spec: what is measured, where, in which state. */
export const specKey = (s: ReadingSpec): string => `${s.kind}|${s.from.kind}${s.from.name}|${s.to.kind}${s.to.name}|${s.state}`;

/**
 * What every grid point of a hypothesis predicts for a reading. The tables depend on the spec alone, not on any job,
 * so they are computed once and shared.
 */
export function predictions(kind: ProbedKind, spec: ReadingSpec): Prediction {
  const rail = spec.from.kind === 'rail' ? { ...spec, from: { kind: 'rail' as const, name: '' } } : spec;
  const key = `${kind}|${specKey(rail)}`;
  const known = tables.get(key);
  if (known) return known;
  const points = GRIDS[kind];
  const mean = new Float64Array(points.length);
  const sd = new Float64Array(points.length);
  const toEarth = spec.to.kind === 'earth' || spec.from.kind === 'earth';
  const pins = touchesPins(spec);
  points.forEach((p, i) => {
    // Neighbours differ in the tie to mains alone, which only a tip on a pin can see.
    if (!pins && i > 0 && sameButMains(points[i - 1]!.build, p.build)) {
      mean[i] = mean[i - 1]!;
      sd[i] = sd[i - 1]!;
      return;
    }
    const value = predict(p.build, rail);
    mean[i] = onScale(spec.kind, value);
    sd[i] = spread(spec.kind, kind, value, toEarth);
  });
  const table = { mean, sd };
  tables.set(key, table);
  return table;
}
