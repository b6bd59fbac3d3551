import { byteAt, itemAt } from '../../../ground/lists';
import {
  DRAW_DIMENSIONS,
  drawVariant,
  MODEL_KINDS,
  signalOf,
  suppliesOf,
  VARIANTS,
  type Build,
  type ModelKind,
  type Supplies,
} from '../../../engines/circuit';
import { drawnAhead } from './drawn-ahead';

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

const MOST_OF_ONE = Math.max(...MODEL_KINDS.flatMap((k) => VARIANTS[k].map(({ count }) => count)));
let points: readonly number[][] | undefined;

/** Every structure is drawn from the very same points, so that chance in the drawing does not speak for or against any. */
const point = (i: number): readonly number[] => itemAt((points ??= spreadPoints(MOST_OF_ONE, DRAW_DIMENSIONS)), i);

/** The builds of a kind with their weights, which add up to one, and the structure that each belongs to. */
export class ParticleSet {
  readonly count: number;
  readonly weights: Float64Array;
  /** Place in the kind's list of structures, and the supplies that each of these is met on; null where its level is no supply. */
  readonly variants: Uint8Array;
  readonly supplies: readonly (Supplies | null)[];
  /** The supply that each build was drawn with, V. */
  readonly supplyVolts: Float64Array;
  /** Where the builds of each structure begin. */
  private readonly first: readonly number[];
  private readonly drawn: (Build | undefined)[];

  constructor(private readonly kind: ModelKind) {
    const list = VARIANTS[kind];
    this.first = list.map((_, v) => list.slice(0, v).reduce((sum, { count }) => sum + count, 0));
    this.count = list.reduce((sum, { count }) => sum + count, 0);
    this.weights = Float64Array.from(list.flatMap(({ share, count }) => Array<number>(count).fill(share / count)));
    this.variants = Uint8Array.from(list.flatMap(({ count }, v) => Array<number>(count).fill(v)));
    this.supplies = list.map(suppliesOf);
    this.drawn = new Array<Build | undefined>(this.count);
    this.supplyVolts =
      drawnAhead()?.supplies.get(kind) ?? Float64Array.from(this.weights, (_, i) => this.build(i).supplyVolts);
  }

  /** The signal's terminal of build `i`, without drawing it. */
  signal(i: number): Build['signal'] {
    return signalOf(this.draw(i));
  }

  private draw(i: number): readonly number[] {
    return point(i - itemAt(this.first, byteAt(this.variants, i)));
  }

  /** Build `i`, drawn when it is first asked for: most are excluded by predictions that were drawn ahead. */
  build(i: number): Build {
    const known = this.drawn[i];
    if (known) return known;
    const variant = itemAt(VARIANTS[this.kind], byteAt(this.variants, i));
    return (this.drawn[i] = drawVariant(this.kind, variant, this.draw(i)));
  }
}

let sets: Partial<Record<ModelKind, ParticleSet>> = {};

/** The builds of a kind; the same on every machine. */
export const particles = (kind: ModelKind): ParticleSet => (sets[kind] ??= new ParticleSet(kind));

/** Forgets all sets, as when what was drawn ahead is put in their place or taken away. */
export const forgetParticles = (): void => void (sets = {});

/** How many builds each kind has. */
export const buildCounts = (): Record<ModelKind, number> =>
  Object.fromEntries(MODEL_KINDS.map((k) => [k, VARIANTS[k].reduce((sum, { count }) => sum + count, 0)])) as Record<
    ModelKind,
    number
  >;
