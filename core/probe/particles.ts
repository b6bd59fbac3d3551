import {
  DRAW_DIMENSIONS,
  drawVariant,
  onScale,
  predict,
  suppliesOf,
  VARIANTS,
  type Build,
  type ReadingSpec,
  type Supplies,
} from '../circuit';
import { CONTROL_KINDS, HAND_METER, isStated, type ControlKind, type Meter } from '../job';
import { specKey } from './spec-key';

/**
 * Evenly spread points in the unit cube: the Kronecker sequence of the generalised golden ratio (`kronecker`).
 * Even spread makes a few hundred points serve where chance would need thousands.
 */
function spreadPoints(n: number, dimensions: number): number[][] {
  // The root of x^(d+1) = x + 1.
  let phi = 2;
  for (let i = 0; i < 40; i++) phi = (1 + phi) ** (1 / (dimensions + 1));
  const step = Array.from({ length: dimensions }, (_, j) => (1 / phi) ** (j + 1) % 1);
  return Array.from({ length: n }, (_, i) => step.map((a) => (0.5 + a * (i + 1)) % 1));
}

/** The builds of a kind with their weights, which add up to one, and the structure that each belongs to. */
export interface ParticleSet {
  readonly builds: readonly Build[];
  readonly weights: Float64Array;
  /** Place in the kind's list of structures, and the supplies that each of these is met on; null where its level is no supply. */
  readonly variants: Uint8Array;
  readonly supplies: readonly (Supplies | null)[];
}

/** Every structure is drawn from the very same points, so that chance in the drawing does not speak for or against any. */
function drawSet(kind: ControlKind): ParticleSet {
  const builds: Build[] = [];
  const weights: number[] = [];
  const variants: number[] = [];
  VARIANTS[kind].forEach((variant, v) => {
    for (const u of spreadPoints(variant.count, DRAW_DIMENSIONS)) {
      builds.push(drawVariant(kind, variant, u));
      weights.push(variant.share / variant.count);
      variants.push(v);
    }
  });
  return {
    builds,
    weights: Float64Array.from(weights),
    variants: Uint8Array.from(variants),
    supplies: VARIANTS[kind].map(suppliesOf),
  };
}

let drawn: Record<ControlKind, ParticleSet> | undefined;

/** The builds of every kind; made at first use, the same on every machine. */
export function particles(kind: ControlKind): ParticleSet {
  drawn ??= Object.fromEntries(CONTROL_KINDS.map((k) => [k, drawSet(k)])) as unknown as Record<
    ControlKind,
    ParticleSet
  >;
  return drawn[kind];
}

/** How far a resistor may lie from the nearest that was drawn, on a logarithmic scale (`kernel`). */
const BETWEEN_DRAWN = 0.2;

/** What that does to a level between two resistors, V: a share r of the supply moves by r·(1 − r) for each e-fold of either. */
function divided(value: number, supplyVolts: number): number {
  const r = supplyVolts > 0 ? Math.min(1, Math.abs(value) / supplyVolts) : 0;
  return BETWEEN_DRAWN * supplyVolts * r * (1 - r);
}

/**
 * How far real parts may lie from the nearest of a few hundred builds, on the reading's scale: a prediction is no sharper.
 * @param value the prediction in base units.
 */
export function spread(kind: ReadingSpec['kind'], value: number, toEarth: boolean, supplyVolts = 0): number {
  switch (kind) {
    case 'volts-dc':
      return 0.012 + Math.abs(value) * 0.006 + divided(value, supplyVolts);
    case 'volts-ac':
      // Stray capacitance lets a 10 MΩ meter see some volts of AC on anything that floats.
      return (toEarth ? 8 : 0.25) + Math.abs(value) * 0.04;
    case 'ohms':
    case 'continuity':
      return value < 10 ? 0.25 : value > 15e6 ? 0.6 : 0.35;
    case 'amps':
      return 0.2;
    case 'hertz':
      // Whether a line pulses is what tells the kinds apart; how fast is read off the counter, not off the builds.
      return 0.8;
    default:
      return 0.05;
  }
}

/** Input of the meters that have less than the usual 10 MΩ, and one meter in so many has it (`meter-hand`). */
export const LOW_INPUT_OHMS = 1e6;
const LOW_INPUT_EVERY = 7;

/**
 * What every build of a kind predicts for a reading, on the reading's scale. Entries are computed when they are first asked for:
 * most builds are excluded long before most readings are thought of.
 */
export class PredictionTable {
  readonly mean: Float64Array;
  readonly sd: Float64Array;
  private readonly builds: readonly Build[];
  private readonly toEarth: boolean;

  private readonly other: Meter;

  constructor(
    kind: ControlKind,
    private readonly spec: ReadingSpec,
    private readonly meter: Meter,
    private readonly jumperOhms: number,
  ) {
    // A meter that nobody stated may have the lower of the two usual inputs: some of the builds are looked at through such a one.
    this.other = isStated(meter) ? meter : { ...meter, inputOhms: LOW_INPUT_OHMS };
    this.builds = particles(kind).builds;
    this.toEarth = spec.to.kind === 'earth' || spec.from.kind === 'earth';
    this.mean = new Float64Array(this.builds.length).fill(Number.NaN);
    this.sd = new Float64Array(this.builds.length);
  }

  /** Makes sure that entry `i` of `mean` and `sd` is there. */
  need(i: number): void {
    if (!Number.isNaN(this.mean[i]!)) return;
    const value = predict(
      this.builds[i]!,
      this.spec,
      i % LOW_INPUT_EVERY === 0 ? this.other : this.meter,
      this.jumperOhms,
    );
    this.mean[i] = onScale(this.spec.kind, value);
    this.sd[i] = spread(this.spec.kind, value, this.toEarth, this.builds[i]!.supplyVolts);
  }
}

const tables = new Map<string, PredictionTable>();
/** Tables are a few kilobytes each; a bench with odd meters must still not grow for ever. */
const MOST_TABLES = 1500;

/** What of a meter a prediction hangs on: its burden on amperes, its input on volts, how it takes AC. */
function meterKey({ kind }: ReadingSpec, m: Meter): string {
  if (kind === 'amps') return `${m.burdenOhms}`;
  if (kind === 'ohms' || kind === 'continuity' || kind === 'insulation' || kind === 'jumper') return '';
  return `${m.inputOhms}|${isStated(m)}${kind === 'volts-ac' ? `|${m.trueRms}` : ''}`;
}

/** The table of a kind for a reading. It depends on the spec and the meter alone, not on any job, and is kept. */
export function predictions(
  kind: ControlKind,
  spec: ReadingSpec,
  meter: Meter = HAND_METER,
  jumperOhms = 1000,
): PredictionTable {
  const key = `${kind}|${specKey(spec)}|${meterKey(spec, meter)}|${spec.kind === 'jumper' ? jumperOhms : ''}`;
  let table = tables.get(key);
  if (!table) {
    if (tables.size >= MOST_TABLES) tables.clear();
    tables.set(key, (table = new PredictionTable(kind, spec, meter, jumperOhms)));
  }
  return table;
}
