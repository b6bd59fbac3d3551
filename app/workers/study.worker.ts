/// <reference lib="webworker" />
import { seededRandom } from '../../core/quantity';
import { toleranceOf, type ToleranceResult } from '../../core/thumb';
import type { WayContext, WayResult } from '../../core/ways';
import { serve } from './serve';

/** So many joints from parts within their tolerances, drawn from a seed. */
export interface ScatterOrder {
  readonly context: WayContext;
  readonly way: WayResult;
  readonly draws: number;
  readonly seed: number;
}

/** How many are drawn. */
export interface ScatterNews {
  readonly done: number;
}

serve<ScatterOrder, ToleranceResult | null, ScatterNews>(({ context, way, draws, seed }, tell) =>
  Promise.resolve(toleranceOf(context, way, draws, seededRandom(seed), (done) => tell({ done }))),
);
