import { DRAW_DIMENSIONS, drawBuild, DRY_GROUNDED_SHARE, LADDER_BARE_SHARE, onScale, predict, type Build, type ReadingSpec } from '../circuit';
import { CONTROL_KINDS, HAND_METER, type ControlKind, type Meter } from '../job';

/** A part of a kind's builds: so many, drawn with one share squeezed into a span, with that span's weight. */
interface Stratum {
  readonly count: number;
  readonly dimension?: number;
  readonly from?: number;
  readonly to?: number;
}

const plain = (count: number): readonly Stratum[] => [{ count }];

/**
 * Builds that each kind's unknown values are averaged over; kinds with more freedom get more. Kinds that differ from the
 * commonest one in a single trait are drawn from the very same points, so that chance in the drawing does not speak for or
 * against them; rare variants that matter get a stratum of their own.
 */
const STRATA: Readonly<Record<ControlKind, readonly Stratum[]>> = {
  'low-when-pressed': plain(512), 'latching-switch': plain(512), selector: plain(512), 'high-when-pressed': plain(512),
  ladder: [{ count: 512, dimension: 5, from: 0, to: LADDER_BARE_SHARE }, { count: 768, dimension: 5, from: LADDER_BARE_SHARE, to: 1 }],
  'dry-pair': [{ count: 512, dimension: 5, from: 0, to: DRY_GROUNDED_SHARE }, { count: 384, dimension: 5, from: DRY_GROUNDED_SHARE, to: 1 }],
  'scanned-matrix': plain(640), 'switched-load': plain(512), 'touch-pad': plain(192), 'motor-pair': plain(384), encoder: plain(320), 'serial-bus': plain(320),
};

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

/** The builds of a kind with their weights, which add up to one. */
export interface ParticleSet {
  readonly builds: readonly Build[];
  readonly weights: Float64Array;
}

function drawSet(kind: ControlKind): ParticleSet {
  const builds: Build[] = [];
  const weights: number[] = [];
  for (const { count, dimension, from = 0, to = 1 } of STRATA[kind]) {
    for (const u of spreadPoints(count, DRAW_DIMENSIONS)) {
      if (dimension !== undefined) u[dimension] = from + (to - from) * u[dimension]!;
      builds.push(drawBuild(kind, u));
      weights.push((to - from) / count);
    }
  }
  return { builds, weights: Float64Array.from(weights) };
}

let drawn: Record<ControlKind, ParticleSet> | undefined;

/** The builds of every kind; made at first use, the same on every machine. */
export function particles(kind: ControlKind): ParticleSet {
  drawn ??= Object.fromEntries(CONTROL_KINDS.map((k) => [k, drawSet(k)])) as unknown as Record<ControlKind, ParticleSet>;
  return drawn[kind];
}

/** Stable name of a spec: what is measured, where, in which state. */
export const specKey = (s: ReadingSpec): string => `${s.kind}|${s.from.kind}${s.from.kind === 'rail' ? '' : s.from.name}|${s.to.kind}${s.to.name}|${s.state}`;

/**
 * How far real parts may lie from the nearest of a few hundred builds, on the reading's scale: a prediction is no sharper.
 * @param value the prediction in base units.
 */
export function spread(kind: ReadingSpec['kind'], value: number, toEarth: boolean): number {
  switch (kind) {
    case 'volts-dc':
      return 0.02 + Math.abs(value) * 0.02;
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

/**
 * What every build of a kind predicts for a reading, on the reading's scale. Entries are computed when they are first asked for:
 * most builds are excluded long before most readings are thought of.
 */
export class PredictionTable {
  readonly mean: Float64Array;
  readonly sd: Float64Array;
  private readonly builds: readonly Build[];
  private readonly toEarth: boolean;

  constructor(kind: ControlKind, private readonly spec: ReadingSpec, private readonly meter: Meter, private readonly jumperOhms: number) {
    this.builds = particles(kind).builds;
    this.toEarth = spec.to.kind === 'earth' || spec.from.kind === 'earth';
    this.mean = new Float64Array(this.builds.length).fill(Number.NaN);
    this.sd = new Float64Array(this.builds.length);
  }

  /** Makes sure that entry `i` of `mean` and `sd` is there. */
  need(i: number): void {
    if (!Number.isNaN(this.mean[i]!)) return;
    const value = predict(this.builds[i]!, this.spec, this.meter, this.jumperOhms);
    this.mean[i] = onScale(this.spec.kind, value);
    this.sd[i] = spread(this.spec.kind, value, this.toEarth);
  }
}

const tables = new Map<string, PredictionTable>();
/** Tables are a few kilobytes each; a bench with odd meters must still not grow for ever. */
const MOST_TABLES = 1500;

/** The table of a kind for a reading. It depends on the spec and the meter alone, not on any job, and is kept. */
export function predictions(kind: ControlKind, spec: ReadingSpec, meter: Meter = HAND_METER, jumperOhms = 1000): PredictionTable {
  const key = `${kind}|${specKey(spec)}|${meter.inputOhms}|${meter.burdenOhms}|${meter.trueRms}|${spec.kind === 'jumper' ? jumperOhms : ''}`;
  let table = tables.get(key);
  if (!table) {
    if (tables.size >= MOST_TABLES) tables.clear();
    tables.set(key, (table = new PredictionTable(kind, spec, meter, jumperOhms)));
  }
  return table;
}
