import { computed, derive, type Step } from '../../ground/finding';
import type { Piece } from '../../ground/job';
import { sizeOf } from './size';

/** How two measured pieces sit one in the other. Metres; `least` and `most` hold the measuring uncertainty. */
export interface SizeFit {
  readonly inner: Piece;
  readonly outer: Piece;
  readonly clearance: number;
  readonly least: number;
  readonly most: number;
  readonly verdict: 'loose' | 'slides' | 'unsure' | 'press' | 'will not go';
  readonly steps: readonly Step[];
}

/** More play than this rattles, and more overlap than this no hand presses home, as shares of the diameter (`fit-classes`). */
const LOOSE_SHARE = 0.02;
const PRESS_SHARE = 0.003;

/** The fit of an inner piece (shaft, tube) in an outer one (bore, tube inside); null where one has no reading. */
export function sizeFit(inner: Piece, outer: Piece): SizeFit | null {
  const [a, b] = [sizeOf(inner), sizeOf(outer)];
  if (!a || !b) return null;
  const step = derive('play between the two', 'c', 'd_out - d_in', 'm', [
    computed('d_out', outer.name, b.metres, 'm', 'mean of the caliper readings'),
    computed('d_in', inner.name, a.metres, 'm', 'mean of the caliper readings'),
  ]);
  const spread = derive('how well that is known', 'U_c', 'sqrt(U_out * U_out + U_in * U_in)', 'm', [
    computed('U_out', `uncertainty of ${outer.name}`, b.uncertainty, 'm', 'JCGM 100, k = 2'),
    computed('U_in', `uncertainty of ${inner.name}`, a.uncertainty, 'm', 'JCGM 100, k = 2'),
  ]);
  const clearance = step.result.value;
  const [least, most] = [clearance - spread.result.value, clearance + spread.result.value];
  return {
    inner,
    outer,
    clearance,
    least,
    most,
    verdict: verdictOf(clearance, least, most, a.metres),
    steps: [spread, step],
  };
}

function verdictOf(clearance: number, least: number, most: number, diameter: number): SizeFit['verdict'] {
  if (least > LOOSE_SHARE * diameter) return 'loose';
  if (least > 0) return 'slides';
  if (most > 0 && clearance > -PRESS_SHARE * diameter) return 'unsure';
  return clearance < -PRESS_SHARE * diameter ? 'will not go' : 'press';
}
