import type { ModelKind, Supplies } from '../../../engines/circuit';
import type { Reading } from '../../../ground/job';
import type { Likelihood } from './likelihood';
import { particles, type ParticleSet } from './builds';
import type { PredictionTable } from './particles';

/** One supply that may be there: its weight, its volts and their standard error. */
interface Named {
  readonly weight: number;
  readonly volts: number;
  readonly variance: number;
}

/** Share of boards on a supply that has no usual name, and where those lie, V. */
const UNNAMED: Named = { weight: 0.04, volts: 9, variance: 49 };
/** A value within ± a bound, evenly, has this share of the bound as its standard error. */
const EVEN = 1 / Math.sqrt(3);
/** Nine boards in ten have one logic supply; then a neighbour's is this one's as well, within a share (`siblings`). */
const SHARED = 0.9;
const SHARED_WITHIN = 0.03;
/** A line that follows its supply by less than this share tells nothing of it. */
const FOLLOWS = 0.05;

/** The supplies that a structure may stand on, given what neighbours of one board share, V. */
export function namedSupplies({ list, within }: Supplies, shared: number | null): Named[] {
  const sum = list.reduce((s, [, w]) => s + w, 0);
  const own = list.map(([volts, w]): Named => ({
    weight: ((1 - UNNAMED.weight) * w) / sum,
    volts,
    variance: (volts * within * EVEN) ** 2,
  }));
  const alone = [...own, UNNAMED];
  return shared === null
    ? alone
    : [
        { weight: SHARED, volts: shared, variance: (shared * SHARED_WITHIN) ** 2 },
        ...alone.map((n) => ({ ...n, weight: n.weight * (1 - SHARED) })),
      ];
}

/**
 * The supply of every build of a kind, as the volts that were read leave it. All volts of a linear circuit go with its supply, so that
 * it need not be guessed among the builds: for each of them it is a normal distribution, worked out in closed form
 * (a Kalman filter of one number) from readings that follow it.
 */
export class SupplyState {
  /** @param volts V; 0 while no reading told of it. @param variance V². */
  private constructor(
    private readonly set: ParticleSet,
    private readonly named: readonly (readonly Named[] | null)[],
    readonly volts: Float64Array,
    readonly variance: Float64Array,
  ) {}

  /** Before any reading. @param shared supply that neighbours of one board were found to share, V. */
  static begun(kind: ModelKind, shared: number | null): SupplyState {
    const set = particles(kind);
    const logic = kind !== 'dry-pair' && kind !== 'switched-load' && kind !== 'touch-pad' && kind !== 'motor-pair';
    const count = set.count;
    return new SupplyState(
      set,
      set.supplies.map((s) => s && namedSupplies(s, logic ? shared : null)),
      new Float64Array(count),
      new Float64Array(count),
    );
  }

  copy(): SupplyState {
    return new SupplyState(this.set, this.named, this.volts.slice(), this.variance.slice());
  }

  /** What build `i` predicts on the reading's scale, with its supply as known by now. */
  mean(t: PredictionTable, i: number, kind: Reading['kind']): number {
    const v = this.volts[i]!;
    if (v === 0) return t.mean[i]!;
    const factor = v / this.set.supplyVolts[i]!;
    return kind.startsWith('volts')
      ? t.mean[i]! * factor
      : kind === 'amps'
        ? t.mean[i]! + Math.log(factor)
        : t.mean[i]!;
  }

  /** How far that may be off, on the same scale. */
  sd(t: PredictionTable, i: number, kind: Reading['kind']): number {
    const v = this.volts[i]!;
    if (v === 0 || !kind.startsWith('volts')) return t.sd[i]!;
    return Math.hypot(t.sd[i]!, (t.mean[i]! / this.set.supplyVolts[i]!) * Math.sqrt(this.variance[i]!));
  }

  /**
   * How likely a reading of volts is for build `i`, over all supplies that it may stand on, with the meter's share in `l`.
   * @param ratio what the build's level is of its supply.
   */
  likelihood(ratio: number, sd: number, i: number, l: Likelihood): number {
    const named = this.named[this.set.variants[i]!];
    const volts = this.volts[i]!;
    if (volts !== 0) return l.of(ratio * volts, Math.sqrt(sd * sd + ratio * ratio * this.variance[i]!));
    if (!named || (ratio < FOLLOWS && ratio > -FOLLOWS)) return l.of(ratio * this.set.supplyVolts[i]!, sd);
    let sum = 0;
    for (const n of named) sum += n.weight * l.of(ratio * n.volts, Math.sqrt(sd * sd + ratio * ratio * n.variance));
    return sum;
  }

  /**
   * Takes a reading of volts into the supply of build `i`; one that is a slip for it tells it nothing.
   * @param y the reading, V, whose sign does not matter: with the leads exchanged it reads the other way; @param error
   * its standard error, V.
   */
  learn(ratio: number, sd: number, i: number, y: number, error: number): void {
    const named = this.named[this.set.variants[i]!];
    const r = Math.abs(ratio);
    if (!named || r < FOLLOWS) return;
    const noise = error * error + sd * sd;
    let [volts, variance] = [this.volts[i]!, this.variance[i]!];
    if (volts === 0) {
      // The one of its supplies that the reading fits best.
      let best = 0;
      for (const n of named) {
        const s2 = noise + r * r * n.variance;
        const fit = (n.weight / Math.sqrt(s2)) * Math.exp(-((Math.abs(y) - r * n.volts) ** 2) / (2 * s2));
        if (fit > best) [best, volts, variance] = [fit, n.volts, n.variance];
      }
      if (best === 0) return;
    }
    const gain = (variance * r) / (r * r * variance + noise);
    const next = volts + gain * (Math.abs(y) - r * volts);
    if (next <= 0) return;
    this.volts[i] = next;
    this.variance[i] = (1 - gain * r) * variance;
  }

  /** What the level of build `i` is of the supply that it was drawn with. */
  ratio(t: PredictionTable, i: number): number {
    return t.mean[i]! / this.set.supplyVolts[i]!;
  }
}
