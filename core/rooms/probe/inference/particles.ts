import { onScale, predict, type ModelKind, type ReadingSpec } from '../../../engines/circuit';
import { HAND_METER, isStated, type Meter } from '../../../ground/job';
import { particles, type ParticleSet } from './builds';
import { drawnAhead, rowKey } from './drawn-ahead';
import { specKey } from './spec-key';

/** How far a resistor may lie from the nearest that was drawn, on a logarithmic scale (`kernel`). */
const BETWEEN_DRAWN = 0.2;

/** What that does to a level between two resistors, V: a share r of the supply moves by r·(1 − r) for each e-fold of either. */
function divided(value: number, supplyVolts: number): number {
  const r = supplyVolts > 0 ? Math.min(1, Math.abs(value) / supplyVolts) : 0;
  return BETWEEN_DRAWN * supplyVolts * r * (1 - r);
}

/** How far real parts lie from their nearest build (`builds-met`): volts and a share of them; shares of a number; on the log scale. */
const APART = {
  dc: { volts: 0.012, share: 0.006 },
  // Stray capacitance lets a 10 MΩ meter see some volts of AC on anything that floats.
  ac: { volts: 0.25, toEarthVolts: 8, share: 0.04 },
  ohms: { low: 0.25, middle: 0.35, high: 0.6 },
  amps: 0.2,
  // Whether a line pulses is what tells the kinds apart; how fast is read off the counter, not off the builds.
  hertz: 0.8,
  others: 0.05,
} as const;
/** From here on leaks decide what an ohmmeter shows, Ω. */
const LEAKS_OHMS = 15e6;

/**
 * How far real parts may lie from the nearest of a few hundred builds, on the reading's scale: a prediction is no sharper.
 * @param value the prediction in base units.
 */
export function spread(kind: ReadingSpec['kind'], value: number, toEarth: boolean, supplyVolts = 0): number {
  switch (kind) {
    case 'volts-dc':
      return APART.dc.volts + Math.abs(value) * APART.dc.share + divided(value, supplyVolts);
    case 'volts-ac':
      return (toEarth ? APART.ac.toEarthVolts : APART.ac.volts) + Math.abs(value) * APART.ac.share;
    case 'ohms':
    case 'continuity':
      if (value < 10) return APART.ohms.low;
      return value > LEAKS_OHMS ? APART.ohms.high : APART.ohms.middle;
    case 'amps':
      return APART.amps;
    case 'hertz':
      return APART.hertz;
    default:
      return APART.others;
  }
}

/** Input of the meters that have less than the usual 10 MΩ, and one meter in so many has it (`meter-hand`). */
export const LOW_INPUT_OHMS = 1e6;
const LOW_INPUT_EVERY = 7;
/** Whether build `i` is looked at through the lower input where nobody stated the meter. */
export const isLowInput = (i: number): boolean => i % LOW_INPUT_EVERY === 0;

/**
 * What every build of a kind predicts for a reading, on the reading's scale. Entries are computed when they are first asked for:
 * most builds are excluded long before most readings are thought of.
 */
export class PredictionTable {
  readonly mean: Float64Array;
  readonly sd: Float64Array;
  private readonly set: ParticleSet;
  private readonly toEarth: boolean;
  private readonly other: Meter;
  private readonly ahead: Float32Array | undefined;
  private readonly otherAhead: Float32Array | undefined;

  constructor(
    kind: ModelKind,
    private readonly spec: ReadingSpec,
    private readonly meter: Meter,
    private readonly jumperOhms: number,
  ) {
    // A meter that nobody stated may have the lower of the two usual inputs: some of the builds are looked at through such a one.
    this.other = isStated(meter) ? meter : { ...meter, inputOhms: LOW_INPUT_OHMS };
    this.set = particles(kind);
    this.toEarth = spec.to.kind === 'earth' || spec.from.kind === 'earth';
    this.mean = new Float64Array(this.set.count).fill(Number.NaN);
    this.sd = new Float64Array(this.set.count);
    const rows = drawnAhead()?.rows;
    this.ahead = rows?.get(rowKey(kind, readingKey(spec, meter, jumperOhms)));
    this.otherAhead = rows?.get(rowKey(kind, readingKey(spec, this.other, jumperOhms)));
  }

  /** Makes sure that entry `i` of `mean` and `sd` is there. */
  need(i: number): void {
    if (!Number.isNaN(this.mean[i]!)) return;
    const low = isLowInput(i);
    const value =
      (low ? this.otherAhead : this.ahead)?.[i] ??
      predicted(this.set, i, this.spec, low ? this.other : this.meter, this.jumperOhms);
    this.mean[i] = onScale(this.spec.kind, value);
    this.sd[i] = spread(this.spec.kind, value, this.toEarth, this.set.supplyVolts[i]!);
  }
}

/** What build `i` predicts, as exactly as a file of predictions holds it: so it is the same whether it was drawn ahead or not. */
export const predicted = (set: ParticleSet, i: number, spec: ReadingSpec, meter: Meter, jumperOhms?: number): number =>
  Math.fround(predict(set.build(i), spec, meter, jumperOhms));

/** A reading with what its prediction hangs on beside the build: the meter's burden on amperes, its input on volts, how it takes AC. */
export function readingKey(spec: ReadingSpec, m: Meter, jumperOhms = 1000): string {
  const { kind } = spec;
  if (kind === 'jumper') return `${specKey(spec)}|${jumperOhms}`;
  if (kind === 'amps') return `${specKey(spec)}|${m.burdenOhms}`;
  if (kind === 'ohms' || kind === 'continuity' || kind === 'insulation') return specKey(spec);
  return `${specKey(spec)}|${m.inputOhms}${kind === 'volts-ac' ? `|${m.trueRms}` : ''}`;
}

const tables = new Map<string, PredictionTable>();
/** Tables are a few kilobytes each; a bench with odd meters must still not grow for ever. */
const MOST_TABLES = 1500;

/** The table of a kind for a reading. It depends on the spec and the meter alone, not on any job, and is kept. */
export function predictions(
  kind: ModelKind,
  spec: ReadingSpec,
  meter: Meter = HAND_METER,
  jumperOhms = 1000,
): PredictionTable {
  const key = `${kind}|${readingKey(spec, meter, jumperOhms)}|${isStated(meter)}`;
  let table = tables.get(key);
  if (!table) {
    if (tables.size >= MOST_TABLES) tables.clear();
    tables.set(key, (table = new PredictionTable(kind, spec, meter, jumperOhms)));
  }
  return table;
}

/** Forgets all tables, as when what was drawn ahead is put in their place or taken away. */
export const forgetPredictions = (): void => tables.clear();
