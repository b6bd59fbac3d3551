import type { Build } from './build';
import type { Supplies } from './draws';
import type { ModelKind } from './model-kinds';

/** What every build of any kind begins with. */
export type Base = Pick<
  Build,
  'signal' | 'supplyVolts' | 'seriesOhms' | 'contactOhms' | 'boardOhms' | 'mainsOhms' | 'pinOhms' | 'pinBackOhms'
> & { readonly kind: ModelKind };

/** Shares in [0, 1) left for a structure's own values; `u0` to `u3` drew supply, pull, contact and board before. */
export interface BuildDraw {
  readonly base: Base;
  readonly u0: number;
  readonly u1: number;
  readonly u2: number;
  readonly u3: number;
  readonly u4: number;
  readonly u5: number;
  readonly u6: number;
  readonly u9: number;
  readonly u10: number;
}

/** One structure that a kind is met in (`builds-met`). */
export interface Variant {
  /** What it is called on screen, after the kind. */
  readonly name: string;
  /** Share of its kind. */
  readonly share: number;
  /** Builds that stand for it while Probe averages over its values. */
  readonly count: number;
  /** Supplies that it is met on; logic ones where none is given, and `null` where its level is no supply. */
  readonly supplies?: Supplies | null;
  draw(d: BuildDraw): Partial<Build>;
}
